"""The choice among reachable knob positions: fewest expected rounds, harm priced in rounds."""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np
from scipy.special import ndtr

from bornek.core.advice.belief import Belief, Floats

HARM_PRICE_ROUNDS = 3.0
P_NEXT_FLOOR = 0.02
HARM_CAP = 0.10
P_FLOOR_SHARE = 0.3
TIE_ROUNDS = 0.02


@dataclass(frozen=True)
class Aim:
    """Window [lo, hi] about the aim (0), half window h, harm's edge, knob grid; all µm.

    harm_side −1: harm lies below `harm`; +1: above it. lo/hi may be drawn in by the guard band.
    """

    lo: float
    hi: float
    h: float
    harm: float
    grid: float = 10.0
    harm_side: int = -1
    price: float = HARM_PRICE_ROUNDS


@dataclass(frozen=True)
class Scores:
    """Per candidate: chance to land in, chance of harm, expected rounds, allowed by the guards."""

    p_in: Floats
    p_harm: Floats
    rounds: Floats
    allowed: np.ndarray[tuple[int, ...], np.dtype[np.bool_]]


def target(b: Belief) -> float:
    """Where the bank's means put the aim: x_T = −a/k."""
    w = b.w
    a, k = float(w @ b.m[:, 0]), float(w @ b.m[:, 1])
    return -a / (k if abs(k) > 0.05 else math.copysign(0.05, k))


def score(b: Belief, x: Floats, x_now: float, aim: Aim, r2: float) -> Scores:
    """J = 1 + (1 − P_in)/P_next + λ P_harm for every candidate x [µm].

    P_next looks one round ahead: what will be known after reading at x, used at x_T.
    """
    m, s, w = b.m, b.s, b.w
    a, k = m[:, :1], m[:, 1:2]
    s00, s01, s11 = s[:, 0, 0][:, None], s[:, 0, 1][:, None], s[:, 1, 1][:, None]
    s_a2 = (b.s_a**2)[:, None]
    mu = a + k * x
    spread = s00 + 2 * s01 * x + s11 * x * x
    sd = np.sqrt(spread + s_a2 + r2)
    p_in = w @ (ndtr((aim.hi - mu) / sd) - ndtr((aim.lo - mu) / sd))
    p_harm = w @ ndtr(-aim.harm_side * (aim.harm - mu) / np.sqrt(spread + s_a2))
    steep = np.where(np.abs(k) > 0.05, k, np.copysign(0.05, k))
    x_t = -a / steep
    at_target = s00 + 2 * s01 * x_t + s11 * x_t * x_t
    q = s00 + s01 * (x + x_t) + s11 * x * x_t
    v_next = np.maximum(at_target - q * q / (sd * sd), 0) + s_a2 + r2 + (k * aim.grid) ** 2 / 12
    p_next = np.maximum(w @ (2 * ndtr(aim.h / np.sqrt(v_next)) - 1), P_NEXT_FLOOR)
    rounds = 1 + (1 - p_in) / p_next + aim.price * p_harm
    return Scores(p_in, p_harm, rounds, _allowed(b, x, x_now, aim, p_in, p_harm))


def _allowed(
    b: Belief, x: Floats, x_now: float, aim: Aim, p_in: Floats, p_harm: Floats
) -> np.ndarray[tuple[int, ...], np.dtype[np.bool_]]:
    x_t = target(b)
    k = float(b.w @ b.m[:, 1])
    steep = max(abs(k), 0.05)
    widen = aim.h / steep + aim.grid
    safe = 2.5 * b.predict([x_t])[1] / steep
    up = math.copysign(1.0, k) * -aim.harm_side
    lo, hi = min(x_now, x_t) - widen, max(x_now, x_t) + widen
    if up > 0:
        hi = max(hi, x_t + safe)
    else:
        lo = min(lo, x_t - safe)
    inside = (x >= lo) & (x <= hi)
    calm = inside & (p_harm <= HARM_CAP)
    best = p_in[calm].max() if calm.any() else p_in[inside].max() if inside.any() else 0.0
    return np.asarray(inside & (p_in >= P_FLOOR_SHARE * best))


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
