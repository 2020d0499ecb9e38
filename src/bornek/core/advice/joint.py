"""Several quantities that answer several adjusters: the move of all in one teardown."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from bornek.core.advice.belief import Belief, Floats
from bornek.core.advice.choose import (
    Aim,
    Scores,
    expected_rounds,
    likely_enough,
    row_scores,
)

KEPT_CANDIDATES = 4000
"""Combinations that are scored in full: those whose means lie nearest to all aims."""
HULL_UM = 30.0
HULL_SHARE = 0.25
"""Each knob is tried between now and its target, widened by 30 µm and a quarter of the way."""


def joint_target(beliefs: Sequence[Belief], aims: Sequence[Aim], x_now: Sequence[float]) -> Floats:
    """The knobs' travels x_T at which the means lie nearest to all aims: least squares of μ_r/h_r, and
    among equals (more knobs than quantities) the one nearest to `x_now`."""
    rows = [(b.w @ b.m, a) for b, a in zip(beliefs, aims, strict=True)]
    slopes = np.array([m[1:] / a.h for m, a in rows])
    now = np.asarray(x_now, dtype=float)
    short = np.array([-m[0] / a.h for m, a in rows]) - slopes @ now
    step, *_ = np.linalg.lstsq(slopes, short, rcond=1e-6)
    return np.asarray(now + step)


def inside_hull(
    x: Floats, now: float, aimed: float, grid: float
) -> np.ndarray[tuple[int, ...], np.dtype[np.bool_]]:
    """Candidates of one knob between where it is and where it should be, widened."""
    lo, hi = min(now, aimed), max(now, aimed)
    margin = HULL_UM + HULL_SHARE * (hi - lo) + grid
    return np.asarray((x >= lo - margin) & (x <= hi + margin))


def combine(
    beliefs: Sequence[Belief], aims: Sequence[Aim], per_knob: Sequence[Floats]
) -> np.ndarray[tuple[int, ...], np.dtype[np.int64]]:
    """Indices [N, K] into each knob's candidates: all combinations, or the 4000 nearest by Σ(μ_r/h_r)²."""
    mesh = np.meshgrid(*[np.arange(len(x)) for x in per_knob], indexing="ij")
    index = np.stack([m.ravel() for m in mesh], axis=1)
    if len(index) <= KEPT_CANDIDATES:
        return index
    x = np.stack([xs[index[:, k]] for k, xs in enumerate(per_knob)], axis=1)
    off = np.zeros(len(index))
    for b, a in zip(beliefs, aims, strict=True):
        m = b.w @ b.m
        off += ((m[0] + x @ m[1:]) / a.h) ** 2
    return index[np.argpartition(off, KEPT_CANDIDATES)[:KEPT_CANDIDATES]]


def score_joint(
    beliefs: Sequence[Belief],
    x: Floats,
    aims: Sequence[Aim],
    r2: Sequence[float],
    grids: Sequence[float],
    x_t: Floats,
) -> Scores:
    """P_in and P_next are products over the quantities, harm that of those that declare a side."""
    p_in, p_next, spared = np.ones(len(x)), np.ones(len(x)), np.ones(len(x))
    for b, a, r in zip(beliefs, aims, r2, strict=True):
        row = row_scores(b, x, x_t[None, :], a, r, grids)
        p_in, p_next = p_in * row.p_in, p_next * row.p_next
        spared = spared * (1 - row.p_harm)
    p_harm = 1 - spared
    rounds = expected_rounds(p_in, p_next, p_harm, max(a.price for a in aims))
    everywhere = np.ones(len(x), dtype=bool)
    return Scores(p_in, p_harm, rounds, likely_enough(p_in, p_harm, everywhere))
