"""What a painted pattern tells of the set: how much its flanks are crowned, and where its members stand."""

from __future__ import annotations

from dataclasses import replace
from functools import lru_cache

import numpy as np

from bornek.core.mesh.bevel_set import BevelSet, Side
from bornek.core.mesh.contact import Shift, contact
from bornek.core.mesh.slopes import slopes

Mask = tuple[tuple[float, ...], ...]
LEAST, MOST = 0.35, 2.5
"""Crowning is learned within these multiples of what was assumed."""
PASSES = 3
NEAR_MM = 0.15
"""How far from home the members are held to stand: what keeps a faint lengthwise answer from throwing them far."""
PAINT_SD = 0.04


def spread_of(mask: Mask) -> tuple[float, float]:
    """Standard deviations of painted contact along and up the flank, shares of it.

    >>> [round(v, 3) for v in spread_of(((0, 1, 1, 0), (0, 1, 1, 0)))]
    [0.125, 0.25]
    """
    m = np.asarray(mask, dtype=float)
    rows, columns = m.shape
    found = []
    for axis, n in ((0, columns), (1, rows)):
        weight = m.sum(axis=axis)
        at = (np.arange(n) + 0.5) / n
        mean = float(weight @ at) / float(weight.sum())
        found.append(float(np.sqrt(weight @ (at - mean) ** 2 / weight.sum())))
    return found[0], found[1]


@lru_cache(maxsize=128)
def crowned_as_painted(s: BevelSet, side: Side, mask: Mask) -> BevelSet:
    """The set with as much crowning as makes the model's pattern as long and as high as what was painted.

    A level t of C(2Δ)² lies at Δ ~ 1/√C: the crowning goes with the square of the ratio. Learned between 0.35 and
    2.5 times what was assumed, to two figures.

    >>> from bornek.core.mesh.bevel_set import S2
    >>> wide = tuple(tuple(1.0 if 2 <= r < 10 and 4 <= c < 20 else 0.0 for c in range(24)) for r in range(12))
    >>> crowned_as_painted(S2, "drive", wide).crown_along < S2.crown_along
    True
    """
    painted = spread_of(mask)
    found = s
    for _ in range(PASSES):
        c = contact(found, side)
        if c.share == 0 or min(painted) <= 0:
            return found
        level = np.where((c.level < 0) & c.active, 1.0, 0.0)
        model = spread_of(tuple(map(tuple, level)))
        found = replace(
            found,
            crown_along=_within(found.crown_along * (model[0] / painted[0]) ** 2, s.crown_along),
            crown_up=_within(found.crown_up * (model[1] / painted[1]) ** 2, s.crown_up),
        )
    return found


def _within(value: float, assumed: float) -> float:
    return float(f"{min(max(value, LEAST * assumed), MOST * assumed):.2g}")


def standing(s: BevelSet, painted: dict[Side, tuple[float, float]]) -> Shift:
    """Where the members stand from home, by the centres that were painted: the least squares of both flanks, held near
    home. What the picture starts from; the advice learns by itself.

    >>> from bornek.core.mesh.bevel_set import S1
    >>> at = standing(S1, {"drive": (0.487, 0.750), "coast": (0.487, 0.749)})
    >>> 0.05 < at.pinion < 0.12, abs(at.gear) < 0.05
    (True, True)
    """
    return _standing(s, tuple(painted.items()))


@lru_cache(maxsize=64)
def _standing(s: BevelSet, painted: tuple[tuple[Side, tuple[float, float]], ...]) -> Shift:
    k = slopes(s)
    rows, short = [], []
    for side, (x, y) in painted:
        home = contact(s, side)
        rows += [np.array(k.x[side]) / PAINT_SD, np.array(k.y[side]) / PAINT_SD]
        short += [(x - home.x) / PAINT_SD, (y - home.y) / PAINT_SD]
    rows += [np.array([1 / NEAR_MM, 0.0]), np.array([0.0, 1 / NEAR_MM])]
    short += [0.0, 0.0]
    found, *_ = np.linalg.lstsq(np.array(rows), np.array(short), rcond=None)
    return Shift(round(float(found[0]), 3), round(float(found[1]), 3))
