"""What if: every pack that the drawer can make on each adjuster, and what each pair of them would bring."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from bornek.core.advice.aims import aim_of, grid_of, reading_u
from bornek.core.advice.belief import UM, Floats, Ints
from bornek.core.advice.domains import Choices, choices
from bornek.core.advice.history import History
from bornek.core.advice.joint import joint_target, score_joint
from bornek.core.advice.stock import drawers_of
from bornek.core.settings.knobs import Knob
from bornek.core.settings.records import Context, Predicted
from bornek.core.settings.state import State

REACH_MM = 0.30
"""Shown to either side of what is in and what is advised."""
MOST_PLACES = 61
"""Places shown on one adjuster: of more, those that need the fewest shims handled."""
MOST_HANDLED = 4


@dataclass(frozen=True)
class Reach:
    """One adjuster: where it can be brought to [mm], how many shims that handles, the states themselves."""

    knob: Knob
    at: Floats
    handled: Ints
    choices: Choices
    rows: Ints
    now: int

    def state(self, i: int) -> State:
        return self.choices.state(int(self.rows[i]))


@dataclass(frozen=True)
class Pairs:
    """Of every pair of places [first knob, second knob]: each quantity's value, whether all land in by their means, the
    chance that all land in."""

    values: Mapping[str, Floats]
    lands: np.ndarray[tuple[int, ...], np.dtype[np.bool_]]
    odds: Floats


def reach_of(history: History, ctx: Context, aimed: Mapping[str, State]) -> list[Reach]:
    """Every adjuster's places about where it is and where the advice would have it."""
    states = history.last.states
    assert states is not None
    pools = drawers_of(history, ctx)
    found = []
    for knob in history.knobs:
        now = states[knob.key].position
        then = aimed.get(knob.key, states[knob.key]).position
        every = choices(knob.domain, states[knob.key], pools[knob.key], then)
        inside = (every.at >= min(now, then) - REACH_MM) & (every.at <= max(now, then) + REACH_MM)
        kept = (np.abs(every.at - now) < 1e-9) | (np.abs(every.at - then) < 1e-9)
        rows = np.flatnonzero(inside & ((every.handled <= MOST_HANDLED) | kept))
        if len(rows) > MOST_PLACES:
            order = np.lexsort((np.abs(every.at[rows] - then), every.handled[rows], ~kept[rows]))
            rows = rows[order[:MOST_PLACES]]
        rows = rows[np.argsort(every.at[rows])]
        at = every.at[rows]
        found.append(
            Reach(
                knob, at, every.handled[rows], every, rows.astype(np.int64), int(np.argmin(np.abs(at - now)))
            )
        )
    return found


def pairs_of(history: History, reaches: Sequence[Reach]) -> Pairs:
    """What every pair of places would bring, all at once."""
    first, second = reaches
    shape = (len(first.at), len(second.at))
    a, b = ((r.at - history.start[r.knob.key]) * UM for r in reaches)
    x = np.stack([np.repeat(a, shape[1]), np.tile(b, shape[0])], axis=1)
    values, lands = {}, np.ones(len(x), dtype=bool)
    aims = [aim_of(row, history.knobs, reading_u(history, row))[0] for row in history.rows]
    for row in history.rows:
        m = row.belief.w @ row.belief.m
        v = (m[0] + x @ m[1:]) / row.per + row.aim
        lands &= (v >= row.window.low) & (v <= row.window.high)
        values[row.key] = v.reshape(shape)
    now = history.travels(history.last.states or {})
    beliefs = [row.belief for row in history.rows]
    r2 = [(reading_u(history, row) * row.per) ** 2 for row in history.rows]
    target = joint_target(beliefs, aims, now)
    scores = score_joint(beliefs, x, aims, r2, [grid_of(k) for k in history.knobs], target)
    return Pairs(values, lands.reshape(shape), scores.p_in.reshape(shape))


def expected_at(history: History, at: Sequence[float]) -> dict[str, Predicted]:
    """Every quantity with the adjusters at these places [mm], whether the drawer can make them or not."""
    x = [(v - history.start[k.key]) * UM for v, k in zip(at, history.knobs, strict=True)]
    return {row.key: Predicted(*row.expect(x)) for row in history.rows}
