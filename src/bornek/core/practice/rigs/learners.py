"""Simulated learners: one for one, by the last two rounds, by the advice; and the one who knows the truth."""

from __future__ import annotations

from functools import lru_cache, wraps
from typing import Any

import numpy as np

from bornek.core.advice.packs import USUAL_MOST, reachable
from bornek.core.practice.rigs.bench_rig import BenchRig
from bornek.core.practice.rigs.game import Learner, Played, Table, play
from bornek.core.practice.rigs.rows import make_bench
from bornek.core.quantities import from_nm, to_nm
from bornek.core.sheet import Sheet

LEAST_SHARE = 0.25
"""A move that was to change less than this share of half the window says nothing of the response."""


def _own_first(learner: Learner) -> Learner:
    """Where one adjuster's arithmetic is not enough, the rig says what such a learner picks."""

    @wraps(learner)
    def pick(table: Table, sheet: Sheet) -> Any:
        who, rig = learner.__name__, table.rig
        own = rig.pick(who, table.states, table.sheets, table.context(), table.handled())
        return learner(table, sheet) if own is None else own

    return pick


@_own_first
def naive(table: Table, _sheet: Sheet) -> Any:
    """Takes the reading at its word and the response as it is declared."""
    value = table.values[-1]
    return table.states[-1] if value is None else _toward(table, value, table.rig.declared())


@_own_first
def secant(table: Table, _sheet: Sheet) -> Any:
    """Reckons the response from the last two rounds, as soon as there are two."""
    value = table.values[-1]
    if value is None:
        return table.states[-1]
    k = table.rig.declared()
    if len(table.values) > 1 and table.values[-2] is not None:
        at = [table.rig.at_mm(s) for s in table.positions()[-2:]]
        moved, answered = at[1] - at[0], value - table.values[-2]
        if abs(moved * k) > LEAST_SHARE * table.rig.window().half and answered * moved * k > 0:
            k = answered / moved
    return _toward(table, value, k)


def advised(table: Table, sheet: Sheet) -> Any:
    """Does what the application proposes; where it says to leave it, signs; where it wants it read again, re-seats."""
    if sheet.move is None:
        return table.states[-1]
    if sheet.move.best is None or sheet.move.stay not in ("", "loosen"):
        return None
    return table.rig.proposed(sheet.move.best.states)


@_own_first
def oracle(table: Table, _sheet: Sheet) -> Any:
    """Knows response and truth, not how the next assembly scatters."""
    rig = table.rig
    return _toward(table, rig.mean_true(table.handled()) - rig.best_aim() + rig.aim(), rig.response())


def _toward(table: Table, value: float, k: float) -> Any:
    """What brings the quantity from `value` nearest to its aim, answering by `k`."""
    rig = table.rig
    now = table.positions()[-1]
    wanted = rig.at_mm(now) + (rig.aim() - value) / k
    if not now.packs:
        return rig.set_to(wanted)
    packs = reachable({to_nm(t): n for t, n in rig.drawer.items()}, now.packs[0], USUAL_MOST)
    row = int(np.argmin(np.abs(packs.sums - to_nm(wanted))))
    return [from_nm(nm) for nm in packs.pack(row)]


@lru_cache(maxsize=256)
def _played(sort: str, number: int, who: str) -> Played:
    return play(make_bench(sort, number), {"oracle": oracle, "advised": advised}[who])


def best_possible(rig: BenchRig) -> int:
    """Teardowns that the one needs who knows the truth; or who goes by the advice, where that happened to need fewer:
    nobody knows how the next assembly scatters."""
    knows = _played(rig.sort, rig.number, "oracle").teardowns
    return knows if knows <= 1 else min(knows, _played(rig.sort, rig.number, "advised").teardowns)


def advice_log(rig: BenchRig) -> list[str]:
    """What the advice would have done, assembly by assembly: the state, and what was read of it."""
    game = _played(rig.sort, rig.number, "advised")
    return [rig.log_words(s, v) for s, v in zip(game.states, game.values, strict=True)]
