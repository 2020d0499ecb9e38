"""An adjuster that cannot be taken back: a ring driven up a taper, a crush spacer, a nut on a taper.

What is done stays done, so the value is carried from round to round instead of being found anew:
y' = y + k·d + e, with e's variance s_m² + (0.03·k·d)². All in µm from the aim; d ≥ 0 along the knob.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np
from scipy.special import ndtr

from bornek.core.advice.belief import Floats, truncated

OVERSHOOT = 0.02
"""Chance of going past the window that a step may carry: there is no way back."""
MOVE_SHARE_SD = 0.03
"""A step comes out within 3 % of what was meant, besides the scatter of every step."""
BANK = ((0.8, 1.0, 1.0), (0.2, 2.0, 1.6))
"""Weight, factor on ρ, factor on the scatter of a step."""
STEP_SCATTER_UM = 2.5
PER_MOVE, PER_JOB = 0.01, 0.02
"""The application's own: what one move may carry of it, and all moves of a setting together."""
ALIKE = 0.02
"""Chances closer than this are as good as each other."""
ENOUGH = 0.3
"""Below this chance to land in, the largest step that is allowed brings most."""


@dataclass(frozen=True)
class Creep:
    """`m` [H, 2] means of (y, k), `p` [H, 2, 2] covariances, `lw` log weights, `s_m` [H] step scatter."""

    m: Floats
    p: Floats
    lw: Floats
    s_m: Floats

    @property
    def w(self) -> Floats:
        w = np.exp(self.lw - self.lw.max())
        total: Floats = w / w.sum()
        return total


@dataclass(frozen=True)
class Step:
    """The candidate to take, its chance to land in and to go past; `stop`: even the smallest is too much."""

    index: int
    p_in: Floats
    p_past: Floats
    stop: bool = False


def begin(k0: float, rho: float, first_sd: float = 1000.0, s_m: float = STEP_SCATTER_UM) -> Creep:
    """Before the first reading; k0 signed, its relative sd ρ, s_m what every step scatters by."""
    m = np.array([[0.0, k0] for _ in BANK])
    p = np.array([np.diag([first_sd**2, (factor * rho * k0) ** 2]) for _, factor, _ in BANK])
    return Creep(m, p, np.log([w for w, *_ in BANK]), np.array([factor * s_m for *_, factor in BANK]))


def moved(c: Creep, d: float) -> Creep:
    """After a step of d: F = [[1, d], [0, 1]]."""
    f = np.array([[1.0, d], [0.0, 1.0]])
    p = f @ c.p @ f.T
    p[:, 0, 0] += _scatter(c, np.array([d]))[:, 0] if d else 0.0
    return replace(c, m=c.m @ f.T, p=p)


def learned(c: Creep, z: float, r2: float) -> Creep:
    """After a reading z with variance r2.

    >>> c = learned(begin(-1.0, 0.15), 100.0, 4.0)
    >>> round(float(c.w @ c.m[:, 0]))
    100
    """
    v = c.p[:, 0, 0] + r2
    i = z - c.m[:, 0]
    gain = c.p[:, :, 0] / v[:, None]
    return replace(
        c,
        m=c.m + gain * i[:, None],
        p=c.p - gain[:, :, None] * c.p[:, None, 0, :],
        lw=c.lw - 0.5 * np.log(v) - 0.5 * i * i / v,
    )


def learned_between(c: Creep, lo: float, hi: float, r2: float) -> Creep:
    """After a bracket: lo ≤ y + noise ≤ hi. Z = Φ(β) − Φ(α), e = (φ(α) − φ(β))/Z, as in the belief.

    >>> c = learned_between(begin(-1.0, 0.15), 90.0, 110.0, 1.0)
    >>> round(float(c.w @ c.m[:, 0])), bool((c.p[:, 0, 0] < 40).all())
    (100, True)
    """
    v = c.p[:, 0, 0] + r2
    s, mean = np.sqrt(v), c.m[:, 0]
    lz, e, f = truncated((lo - mean) / s, (hi - mean) / s)
    gain = c.p[:, :, 0] / v[:, None]
    return replace(
        c,
        m=c.m + gain * (e * s)[:, None],
        p=c.p - gain[:, :, None] * c.p[:, None, 0, :] * (1 - f)[:, None, None],
        lw=c.lw + lz,
    )


def _scatter(c: Creep, d: Floats) -> Floats:
    return np.asarray((c.s_m**2)[:, None] + (MOVE_SHARE_SD * c.m[:, 1:2] * d) ** 2)


def follow(k0: float, rho: float, rounds: Sequence[tuple[float, float, float]]) -> Creep:
    """From the rounds so far: (travel, reading, its variance), travel never falling."""
    c, before = begin(k0, rho), None
    for x, z, r2 in rounds:
        if before is not None:
            c = moved(c, x - before)
        c, before = learned(c, z, r2), x
    return c


def _after(c: Creep, d: Floats) -> tuple[Floats, Floats]:
    """Mean and variance of y after steps d, by hypothesis."""
    mu = c.m[:, :1] + c.m[:, 1:2] * d
    var = (
        c.p[:, 0, 0][:, None] + 2 * d * c.p[:, 0, 1][:, None] + d * d * c.p[:, 1, 1][:, None] + _scatter(c, d)
    )
    return np.asarray(mu), np.asarray(var)


def spread_after(c: Creep, d: Floats) -> float:
    """Variance of y after one step over the whole bank."""
    mu, var = _after(c, d)
    mean = float(c.w @ mu[:, 0])
    return float(c.w @ (var[:, 0] + (mu[:, 0] - mean) ** 2))


@dataclass(frozen=True)
class Odds:
    """For each step: the mean of what follows, the chance to land in and the chance to go past the edge."""

    mean: Floats
    p_in: Floats
    p_past: Floats


def weigh(
    c: Creep, d: Floats, lo: float, hi: float, r2: float, edges: tuple[float, float] | None = None
) -> Odds:
    """What each step d ≥ 0 would bring: in, within [lo, hi], as it is read; past, truly beyond the end that lies
    ahead: that of `edges` where [lo, hi] is drawn in."""
    least, most = edges or (lo, hi)
    mu, var = _after(c, d)
    way = 1.0 if float(c.w @ c.m[:, 1]) > 0 else -1.0
    sd, read = np.sqrt(var), np.sqrt(var + r2)
    p_past = c.w @ (ndtr((mu - most) / sd) if way > 0 else ndtr((least - mu) / sd))
    p_in = c.w @ (ndtr((hi - mu) / read) - ndtr((lo - mu) / read))
    return Odds(c.w @ mu, p_in, p_past)


def step(c: Creep, d: Floats, lo: float, hi: float, r2: float, most_past: float = OVERSHOOT) -> Step:
    """Among steps d (ascending, ≥ 0) that go past the window with at most `most_past`, the likeliest to
    land in; while none is likely, the largest of them; where none is allowed, the smallest, to be stopped.

    >>> c = follow(-1.0, 0.15, [(0.0, 200.0, 4.0)])
    >>> s = step(c, np.arange(0.0, 400.0, 2.0), -25.0, 25.0, 4.0)
    >>> 100 < s.index * 2 < 200
    True
    """
    return pick(weigh(c, d, lo, hi, r2), d, most_past)


def pick(odds: Odds, d: Floats, most_past: float, nearest: bool = False) -> Step:
    """The step to take; `nearest`: of those nearly as likely to land, the one that comes nearest the aim."""
    p_in, p_past = odds.p_in, odds.p_past
    fits = np.flatnonzero((p_past <= most_past) & (d > 0))
    if not len(fits):
        ahead = np.flatnonzero(d > 0)
        return Step(int(ahead[0]) if len(ahead) else 0, p_in, p_past, True)
    best = int(fits[np.argmax(p_in[fits])])
    if p_in[best] < ENOUGH:
        return Step(int(fits[-1]), p_in, p_past)
    if nearest:
        alike = fits[p_in[fits] >= p_in[best] - ALIKE]
        best = int(alike[np.argmin(np.abs(odds.mean[alike]))])
    return Step(best, p_in, p_past)
