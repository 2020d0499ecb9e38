"""The choice among reachable knob positions: fewest expected rounds, harm priced in rounds."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from scipy.special import ndtr

from bornek.core.advice.belief import Belief, Floats

HARM_PRICE_ROUNDS = 3.0
"""One harm (a dent, a spun ring) is worth three rounds of lifting."""
P_NEXT_FLOOR = 0.02
"""However small the chance of the next round, it is never taken as nothing."""
HARM_CAP = 0.10
"""The best chance to land in is sought among moves that harm at most this often."""
P_FLOOR_SHARE = 0.3
"""A move must have at least this share of the best chance: expected rounds alone may creep."""
TIE_ROUNDS = 0.02
"""Closer than this two moves are equal, and the one with less to handle wins."""
SAFE_SDS = 2.5
STEEP_SHARE = 0.05
"""A response below this share of its prior is taken at the share: no move is divided by nothing."""


@dataclass(frozen=True)
class Aim:
    """Window [lo, hi] about the aim (0), half window h, harm's edge, knob grid; all µm.

    harm_side −1: harm lies below `harm`; +1: above it; 0: there is none. lo/hi may be drawn in by the
    guard band. `steep` is the least response that is divided by. `value` is the aim itself: where drag is
    the proof it must land at the aim, so the preload that is wanted is the aim's over ρ_q.
    """

    lo: float
    hi: float
    h: float
    harm: float
    grid: float = 10.0
    harm_side: int = -1
    price: float = HARM_PRICE_ROUNDS
    steep: float = STEEP_SHARE
    value: float = 0.0


def wanted(b: Belief, aim: Aim, edge: float = 0.0) -> Floats:
    """Per hypothesis, where y must be for `edge` (about the aim) to be read: (edge + A)/ρ_q − A."""
    return np.asarray((edge + aim.value) / b.rho_q - aim.value)


@dataclass(frozen=True)
class Scores:
    """Per candidate: chance to land in, chance of harm, expected rounds, allowed by the guards."""

    p_in: Floats
    p_harm: Floats
    rounds: Floats
    allowed: np.ndarray[tuple[int, ...], np.dtype[np.bool_]]


@dataclass(frozen=True)
class RowScores:
    """Of one quantity, per candidate: chance to land in, of harm, and to land in one round later."""

    p_in: Floats
    p_harm: Floats
    p_next: Floats


def target(b: Belief, aim: Aim) -> float:
    """Where the bank's means put the aim: x_T = (y_T − a)/k, y_T 0 unless a drag is to be met."""
    w = b.w
    a, k = float(w @ (b.m[:, 0] - wanted(b, aim))), float(w @ b.m[:, 1])
    return -a / (k if abs(k) > aim.steep else math.copysign(aim.steep, k))


def row_scores(b: Belief, x: Floats, x_t: Floats, aim: Aim, r2: float, grids: Sequence[float]) -> RowScores:
    """One row over candidates x [N, K] (µm), looking one round ahead to x_t [H or 1, K].

    P_in = Σ w [Φ((hi−μ)/σ) − Φ((lo−μ)/σ)]; P_next is what will be known after reading at x, used at x_t:
    v = max(g_Tᵀ Σ g_T − (g_Tᵀ Σ g)²/σ², 0) + s_a² + r² + Σ (k·grid)²/12.
    """
    g = np.concatenate([np.ones((len(x), 1)), x], axis=1)
    g_t = np.concatenate([np.ones((len(x_t), 1)), x_t], axis=1)
    w, s_a2 = b.w, (b.s_a**2)[:, None]
    lo, hi, harm = (wanted(b, aim, edge)[:, None] for edge in (aim.lo, aim.hi, aim.harm))
    mu = b.m @ g.T
    along = b.s @ g.T
    spread = np.einsum("nk,hkn->hn", g, along)
    sd = np.sqrt(spread + s_a2 + r2)
    p_in = w @ (ndtr((hi - mu) / sd) - ndtr((lo - mu) / sd))
    p_harm = np.zeros(len(x))
    if aim.harm_side:
        p_harm = w @ ndtr(-aim.harm_side * (harm - mu) / np.sqrt(spread + s_a2))
    g_t = np.broadcast_to(g_t, (len(b.s), g_t.shape[1]))
    at_target = np.einsum("hk,hkl,hl->h", g_t, b.s, g_t)[:, None]
    q = np.einsum("hk,hkn->hn", g_t, along)
    grain = ((b.m[:, 1:] * np.asarray(grids)) ** 2).sum(axis=1)[:, None] / 12
    v_next = np.maximum(at_target - q * q / (sd * sd), 0) + s_a2 + r2 + grain
    p_next = w @ (2 * ndtr(aim.h / b.rho_q[:, None] / np.sqrt(v_next)) - 1)
    return RowScores(np.asarray(p_in), np.asarray(p_harm), np.asarray(p_next))


def expected_rounds(p_in: Floats, p_next: Floats, p_harm: Floats, price: float) -> Floats:
    """J = 1 + (1 − P_in)/P_next + λ P_harm."""
    return np.asarray(1 + (1 - p_in) / np.maximum(p_next, P_NEXT_FLOOR) + price * p_harm)


def score(b: Belief, x: Floats, x_now: float, aim: Aim, r2: float) -> Scores:
    """One quantity and one knob: every candidate x [µm], with each hypothesis' own target −a/k."""
    k = b.m[:, 1]
    steep = np.where(np.abs(k) > aim.steep, k, np.copysign(aim.steep, k))
    row = row_scores(
        b,
        np.asarray(x, dtype=float)[:, None],
        ((wanted(b, aim) - b.m[:, 0]) / steep)[:, None],
        aim,
        r2,
        (aim.grid,),
    )
    rounds = expected_rounds(row.p_in, row.p_next, row.p_harm, aim.price)
    return Scores(row.p_in, row.p_harm, rounds, _allowed(b, x, x_now, aim, row.p_in, row.p_harm))


def _allowed(
    b: Belief, x: Floats, x_now: float, aim: Aim, p_in: Floats, p_harm: Floats
) -> np.ndarray[tuple[int, ...], np.dtype[np.bool_]]:
    x_t = target(b, aim)
    k = float(b.w @ b.m[:, 1])
    steep = max(abs(k), aim.steep)
    widen = aim.h / steep + aim.grid
    safe = SAFE_SDS * b.predict([x_t])[1] / steep
    up = math.copysign(1.0, k) * -aim.harm_side
    lo, hi = min(x_now, x_t) - widen, max(x_now, x_t) + widen
    if up > 0:
        hi = max(hi, x_t + safe)
    else:
        lo = min(lo, x_t - safe)
    inside = (x >= lo) & (x <= hi)
    return inside & likely_enough(p_in, p_harm, inside)


def likely_enough(
    p_in: Floats, p_harm: Floats, inside: np.ndarray[tuple[int, ...], np.dtype[np.bool_]]
) -> np.ndarray[tuple[int, ...], np.dtype[np.bool_]]:
    """At least a share of the best chance among the candidates that seldom harm."""
    calm = inside & (p_harm <= HARM_CAP)
    best = p_in[calm].max() if calm.any() else p_in[inside].max() if inside.any() else 0.0
    return np.asarray(p_in >= P_FLOOR_SHARE * best)


def ranked(scores: Scores, handled: Floats, plates: Floats) -> list[int]:
    """Candidates, best first: within 0.02 rounds of the least J the fewest handled, then the
    fewest plates, then the lowest J; after them the rest by J."""
    allowed = np.flatnonzero(scores.allowed)
    if not len(allowed):
        return []
    rounds = scores.rounds[allowed]
    tie = rounds <= rounds.min() + TIE_ROUNDS
    tied, rest = allowed[tie], allowed[~tie]
    first = tied[np.lexsort((scores.rounds[tied], plates[tied], handled[tied]))]
    return [int(i) for i in np.concatenate([first, rest[np.argsort(scores.rounds[rest])]])]
