"""The next step of an adjuster that cannot be taken back, for all the quantities that hang on it."""

from __future__ import annotations

import math
from collections.abc import Sequence

import numpy as np

from bornek.core.advice.belief import UM, Floats
from bornek.core.advice.choose import Aim, Scores
from bornek.core.advice.history import History, Round, Row
from bornek.core.advice.one_way import (
    PER_JOB,
    PER_MOVE,
    Creep,
    Odds,
    Step,
    begin,
    learned,
    learned_between,
    moved,
    pick,
    spread_after,
    weigh,
)
from bornek.core.settings.records import Predicted
from bornek.core.windows import Interval, Normal, Value


def _begin(row: Row) -> Creep:
    return begin(row.k0[0] * row.per / UM, row.rho[0], s_m=row.s_a * row.per)


def _observe(c: Creep, row: Row, found: Value | None, r2: float) -> Creep:
    """What was read of a row put into its bank: a number, or a bracket as it is; shifted by the aim."""
    if isinstance(found, Normal):
        return learned(c, (found.v - row.aim) * row.per, max((found.u * row.per) ** 2, 1e-6))
    if isinstance(found, Interval):
        return learned_between(c, (found.a - row.aim) * row.per, (found.b - row.aim) * row.per, r2)
    return c


def _rounds(history: History) -> list[tuple[float, Round]]:
    """The rounds that count since the parts that are in now went in, with the knob's travel in each."""
    return [
        (history.travels(r.states)[0], r) for r in history.standing if r.states is not None and not r.held_out
    ]


def _edges(row: Row) -> tuple[float, float]:
    """The window's own ends, not drawn in by what a reading can tell."""
    return (row.window.low - row.aim) * row.per, (row.window.high - row.aim) * row.per


def _odds(
    rows: Sequence[Row], banks: Sequence[Creep], d: Floats, aims: Sequence[Aim], r2: Sequence[float]
) -> Odds:
    each = zip(rows, banks, aims, r2, strict=True)
    return _together(rows, [weigh(c, d, a.lo, a.hi, r, _edges(row)) for row, c, a, r in each])


def _together(rows: Sequence[Row], odds: Sequence[Odds]) -> Odds:
    """All must land, and they hang on one knob: the least likely decides; past, where it does harm."""
    edges = [o.p_past for row, o in zip(rows, odds, strict=True) if row.harm] or [odds[0].p_past]
    return Odds(odds[0].mean, np.minimum.reduce([o.p_in for o in odds]), np.maximum.reduce(edges))


def _allowed(spent: float) -> float:
    """What the next move may carry: never all that is left, so that a job of many small moves does not stand still.

    >>> [round(_allowed(spent), 4) for spent in (0.0, 0.01, 0.015)]
    [0.01, 0.005, 0.0025]
    """
    return min(PER_MOVE, (PER_JOB - spent) / 2)


def follow_rows(history: History, aims: Sequence[Aim], r2: Sequence[float]) -> tuple[list[Creep], float]:
    """The banks of all rows after the rounds so far, and the chance to go past that the moves already carried."""
    key = (tuple((a.lo, a.hi) for a in aims), tuple(r2))
    if key not in history.memo:
        history.memo[key] = _followed(history, aims, r2)
    found: tuple[list[Creep], float] = history.memo[key]
    return found


def _followed(history: History, aims: Sequence[Aim], r2: Sequence[float]) -> tuple[list[Creep], float]:
    banks, spent, before, known = [_begin(row) for row in history.rows], 0.0, None, False
    for x, seen in _rounds(history):
        if before is not None and x > before:
            d = np.array([x - before])
            past = float(_odds(history.rows, banks, d, aims, r2).p_past[0])
            spent += min(past, _allowed(spent)) if known else 0.0
            banks = [moved(c, x - before) for c in banks]
        values = [seen.values.get(row.key) for row in history.rows]
        banks = [_observe(c, row, v, r) for c, row, v, r in zip(banks, history.rows, values, r2, strict=True)]
        known = known or any(isinstance(v, Normal | Interval) for v in values)
        before = x
    return banks, spent


def creep(history: History, x: Floats, now: float, aims: Sequence[Aim], r2: Sequence[float]) -> Scores:
    """Scores of the travels x: the step of the one-way rule first, the others by how far they lie from it.

    A move may carry at most 1 chance in 100 to go past the edge, all moves of a setting together 2. Where no step
    is safe enough, staying is all that is left.
    """
    banks, spent = follow_rows(history, aims, r2)
    ahead = x - now
    order = np.argsort(ahead, kind="stable")
    sorted_ahead = ahead[order]
    odds = _odds(history.rows, banks, np.maximum(sorted_ahead, 0.0), aims, r2)
    found: Step = pick(odds, sorted_ahead, _allowed(spent), nearest=True)
    p_in, p_past = np.empty(len(x)), np.empty(len(x))
    p_in[order], p_past[order] = found.p_in, found.p_past
    best = int(order[found.index])
    rounds = 2.0 + np.abs(ahead - ahead[best]) / max(float(np.abs(ahead).max()), 1.0)
    rounds[best] = 1.0
    return Scores(p_in, p_past, rounds, np.abs(ahead) < 1e-9 if found.stop else ahead >= 1e-9)


def expect_rows(history: History, x: float, aims: Sequence[Aim], r2: Sequence[float]) -> dict[str, Predicted]:
    """What every row is to read at a travel x: carried on from the last reading, not found anew."""
    assert history.last.states is not None
    banks, _ = follow_rows(history, aims, r2)
    d = np.array([max(x - history.travels(history.last.states)[0], 0.0)])
    told = {}
    for row, c, aim, noise in zip(history.rows, banks, aims, r2, strict=True):
        odds = weigh(c, d, aim.lo, aim.hi, noise, _edges(row))
        sd = math.sqrt(spread_after(c, d) + noise)
        told[row.key] = Predicted(float(odds.mean[0]) / row.per + row.aim, sd / row.per, float(odds.p_in[0]))
    return told


def truly_in(history: History, x: float) -> float:
    """The chance that every row is truly in its window at a travel x, whatever a reading could tell of it."""
    assert history.last.states is not None
    none = [0.0] * len(history.rows)
    whole = [Aim(lo=lo, hi=hi, h=0.0, harm=0.0) for lo, hi in map(_edges, history.rows)]
    banks, _ = follow_rows(history, whole, [(row.s_r * row.per) ** 2 / row.repeats for row in history.rows])
    d = np.array([max(x - history.travels(history.last.states)[0], 0.0)])
    return float(_odds(history.rows, banks, d, whole, none).p_in[0])
