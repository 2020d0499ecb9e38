"""What finished jobs of a unit type say of the response: their likelihoods pooled into a prior.

k_type ~ N(k̄, τ²) over jobs, random effects after DerSimonian and Laird (1986); the next job's k by Student's t
with n − 2 degrees of freedom and variance τ² + sd(k̄)². All k here are shares of the declared |k0|.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np
from scipy.special import gammaincinv

from bornek.core.advice.belief import Prior, declared
from bornek.core.settings.records import Learned

LEAST_SERIALS = 3
LEAST_TYPE_SD = 0.02
"""Two units of one type differ by at least 2 % in their response."""
FAR_SDS = 4.0
LEAST_FAR_SD = 0.03
"""A job further than four predictive sds from the others, of at least 3 % each, is left out."""
SURE_SDS = 4.0
POOLED_SHARE = 0.8
"""How far the pooled jobs are trusted; the rest stays with the declared prior."""
T_NODES = (1 / 6, 1 / 2, 5 / 6)
"""Student's t as three normals of equal share: its variance at these quantiles of χ²/ν."""


@dataclass(frozen=True)
class Pool:
    """What the jobs say together: mean response and predictive sd as shares of |k0|, jobs that count, those
    that were left out, and how surely a unit of the type answers in this sense."""

    k: float
    sd: float
    used: tuple[Learned, ...]
    left_out: tuple[Learned, ...] = ()

    @property
    def sense(self) -> int:
        return 1 if self.k > 0 else -1


def random_effects(k: Sequence[float], se: Sequence[float]) -> tuple[float, float, float]:
    """Mean, its sd and the scatter between jobs τ of estimates k ± se.

    Q = Σ w (k − k_F)², τ² = max((Q − (n − 1)) / (Σw − Σw²/Σw), 0.02²), w = 1/se². No units; se > 0.
    Source: DerSimonian and Laird, Controlled Clinical Trials 7 (1986).

    >>> mean, sd, tau = random_effects([0.90, 0.92, 0.94], [0.01, 0.01, 0.01])
    >>> round(mean, 3), round(tau, 3)
    (0.92, 0.02)
    """
    y, w = np.asarray(k, dtype=float), 1 / np.asarray(se, dtype=float) ** 2
    fixed = float(w @ y / w.sum())
    room = float(w.sum() - (w @ w) / w.sum())
    q = float(w @ (y - fixed) ** 2)
    tau2 = max((q - (len(y) - 1)) / room if room > 0 else 0.0, LEAST_TYPE_SD**2)
    each = 1 / (1 / w + tau2)
    return float(each @ y / each.sum()), math.sqrt(1 / float(each.sum())), math.sqrt(tau2)


def pool(jobs: Sequence[Learned], k0: float) -> Pool | None:
    """The jobs' likelihoods together; None with fewer than three serials.

    A job farther than four predictive sds from the median of the others is left out, the farthest first.

    >>> jobs = [Learned(str(i), k, 0.02, serial=str(i)) for i, k in enumerate((0.91, 0.93, 0.92, 0.90, 0.65))]
    >>> found = pool(jobs, 1.0)
    >>> round(found.k, 2), [j.k for j in found.left_out]
    (0.92, [0.65])
    """
    once = list({j.setting: j for j in jobs}.values())
    used = [j for j in once if j.se > 0 and math.isfinite(j.k / k0) and j.k != 0]
    out: list[Learned] = []
    while _serials(used) >= LEAST_SERIALS:
        gaps = [_apart(used, i, k0) for i in range(len(used))]
        worst = int(np.argmax(gaps))
        if gaps[worst] <= FAR_SDS or len(used) <= LEAST_SERIALS:
            break
        out.append(used.pop(worst))
    if _serials(used) < LEAST_SERIALS:
        return None
    mean, sd, tau = random_effects([j.k / abs(k0) for j in used], [j.se / abs(k0) for j in used])
    if max(_apart(used, i, k0) for i in range(len(used))) > FAR_SDS:
        return None  # three jobs that contradict each other say nothing
    return Pool(mean, math.hypot(tau, sd), tuple(used), tuple(out))


def sense_of(jobs: Sequence[Learned]) -> int:
    """The way in which every job of the type answered beyond doubt; 0 where none did, or they differ.

    >>> sense_of((Learned("a", -0.95, 0.05), Learned("b", 0.1, 0.2)))
    -1
    """
    sure = {1 if j.k > 0 else -1 for j in jobs if abs(j.k) > SURE_SDS * j.se}
    return sure.pop() if len(sure) == 1 else 0


def fitting_pool(jobs: Sequence[Learned], k0: float) -> Pool | None:
    """The pool of jobs that answered in the declared sense; None where they contradict it."""
    found = pool(jobs, k0)
    return found if found is not None and found.sense == (1 if k0 > 0 else -1) else None


def _serials(jobs: Sequence[Learned]) -> int:
    return len({j.serial or j.setting for j in jobs})


def _apart(jobs: Sequence[Learned], i: int, k0: float) -> float:
    """How far one job lies from the median of the others, in predictive sds."""
    others = [j for n, j in enumerate(jobs) if n != i]
    k, se = [j.k / abs(k0) for j in others], [j.se / abs(k0) for j in others]
    _, sd, tau = random_effects(k, se)
    mine = jobs[i]
    spread = math.sqrt(sd**2 + tau**2 + (mine.se / k0) ** 2)
    return abs(mine.k / abs(k0) - float(np.median(k))) / max(spread, LEAST_FAR_SD)


def priors(k0: float, rho: float, pooled: Pool | None) -> list[Prior]:
    """What to hold of k before the first round: pooled jobs to four fifths, the declared prior for the rest.

    >>> [round(p.share, 2) for p in priors(1.0, 0.05, None)]
    [0.8, 0.2]
    """
    own = declared([k0], rho)
    if pooled is None:
        return own
    freedom = len(pooled.used) - 2
    widest = own[-1].sd[0]
    scales = [math.sqrt(freedom / (2 * float(gammaincinv(freedom / 2, q)))) for q in T_NODES]
    share = POOLED_SHARE / len(scales)
    known = [
        Prior((pooled.k * abs(k0),), (min(pooled.sd * abs(k0) * s, max(widest, pooled.sd * abs(k0))),), share)
        for s in scales
    ]
    return known + [replace(p, share=p.share * (1 - POOLED_SHARE)) for p in own]
