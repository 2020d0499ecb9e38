"""Where each quantity is to land, how finely it can be brought there, and how likely a place is to be in."""

from __future__ import annotations

import math
from collections.abc import Sequence

import numpy as np

from bornek.core.advice.belief import DRAG_SHARE_SD, UM, Floats
from bornek.core.advice.choose import STEEP_SHARE, Aim, Scores, score, target
from bornek.core.advice.history import History, Row
from bornek.core.advice.joint import joint_target, score_joint
from bornek.core.settings.knobs import Knob
from bornek.core.uncertainty import expanded
from bornek.core.windows import Interval, Normal

OPEN_HALF = 50.0
"""Half a window with an open end, in the belief's unit."""
PACK_GRID_UM = 10.0


def grid_of(knob: Knob) -> float:
    """How finely a knob can be set [µm]: what a plan can miss by."""
    return PACK_GRID_UM if knob.domain.sort != "position" else max(knob.domain.step * UM, 1.0)


def reach_um(row: Row, value: float) -> float:
    return (value - row.aim) * row.per


def aim_of(row: Row, knobs: Sequence[Knob], u_reading: float) -> tuple[Aim, bool]:
    """Window about the aim in the belief's unit, drawn in by U where that leaves something to land in."""
    w = row.window
    lo, hi = reach_um(row, w.low), reach_um(row, w.high)
    half = w.half * row.per if not math.isinf(w.half) else OPEN_HALF
    guard = expanded(u_reading) * row.per
    provable = lo + guard < hi - guard
    if provable:
        lo, hi = lo + guard, hi - guard
    side = {"low": -1, "high": 1, "": 0}[row.harm]
    steep = STEEP_SHARE * max(abs(k) for k in row.k0) * row.per / UM
    return Aim(
        lo=lo,
        hi=hi,
        h=half,
        harm=reach_um(row, row.harm_at),
        grid=grid_of(knobs[0]),
        harm_side=side,
        steep=steep,
        value=row.aim * row.per,
    ), provable


def reading_u(history: History, row: Row) -> float:
    """Standard uncertainty to expect of the next round's reading, in the row's unit."""
    found = [r.values.get(row.key) for r in history.standing]
    measured = [v.u for v in found if isinstance(v, Normal) and v.u > 0]
    if row.drag is not None:
        return DRAG_SHARE_SD * abs(row.aim)
    blades = [v.b - v.a for v in found if isinstance(v, Interval) and v.b > v.a]
    if blades and not measured:
        return blades[-1] / 4  # half of it is what a bracket is drawn in by
    return min(measured) if measured else row.s_r / math.sqrt(row.repeats)


def target_of(history: History, aims: Sequence[Aim], now: Sequence[float]) -> Floats:
    if len(history.rows) == len(history.knobs) == 1:
        return np.array([target(history.row.belief, aims[0])])
    return joint_target([r.belief for r in history.rows], aims, now)


def noise_of(history: History) -> list[float]:
    """Variance of the next reading of each row, in the belief's unit."""
    return [(reading_u(history, r) * r.per) ** 2 for r in history.rows]


def score_at(history: History, x: Floats, now: Sequence[float], aims: Sequence[Aim]) -> Scores:
    r2 = noise_of(history)
    if len(history.rows) == len(history.knobs) == 1:
        return score(history.row.belief, x[:, 0], now[0], aims[0], r2[0])
    beliefs = [r.belief for r in history.rows]
    grids = [grid_of(k) for k in history.knobs]
    return score_joint(beliefs, x, aims, r2, grids, target_of(history, aims, now))
