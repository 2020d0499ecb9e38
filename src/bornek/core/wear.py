"""Wear of one quantity over inspections and rebuilds of one serial, and when its limit will be met.

y = c_s + r·t + e, var(e) = u² + s_m²: every re-set begins a new line c_s, the rate r is shared. The date is t_L =
(L − c)/r over samples of (c, r) together, those with r > 0. Shown first: *act before*, the early end of the middle 80 %.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Any, Literal

import numpy as np
from numpy.typing import NDArray

from bornek.core.errors import RangeError

Floats = NDArray[np.floating[Any]]
TAKEN_APART_MM = 0.006
"""What taking it apart and reading it again scatters by, unless the type knows better."""
SAMPLES, SEED = 20000, 20260101
EARLY, LATE = 0.1, 0.9
NO_TREND = 0.2
"""With more samples than this that do not wear at all no date is named."""
ODD_SDS = 3.0
FARTHEST = 5.0
"""Never a date beyond so many times the span that was watched."""


@dataclass(frozen=True)
class Seen:
    """One inspection: when (hours or days), what was read towards wear, its standard uncertainty; `reset`: this value
    was set anew then, and begins a line."""

    t: float
    y: float
    u: float
    reset: bool = False


@dataclass(frozen=True)
class Rate:
    """What the type's other units wear by: mean and sd, in the quantity's unit a unit of time."""

    mean: float
    sd: float


@dataclass(frozen=True)
class Wear:
    """`rate` ± `rate_sd`; `now` the fitted value at the last inspection; times counted from the last inspection."""

    told: Literal["date", "too few", "no trend", "read again", "not before", "past"]
    words: str
    rate: float = 0.0
    rate_sd: float = 0.0
    now: float = 0.0
    act_before: float | None = None
    likely: float | None = None
    late: float | None = None
    used: float = 0.0
    """Share of the allowance that is used up."""


def fit_wear(points: Sequence[Seen], s_m: float, prior: Rate | None) -> tuple[Floats, Floats]:
    """Least squares of all lines with one rate: the estimate of (c of the last line, r) and its covariance.

    >>> seen = [Seen(t, y, 0.003) for t, y in ((0, 0.050), (2000, 0.071), (4000, 0.088), (6000, 0.111))]
    >>> m, cov = fit_wear(seen, 0.0, None)
    >>> round(float(m[1]) * 1000, 4), round(float(np.sqrt(cov[1, 1])) * 1000, 5)
    (0.01, 0.00067)
    """
    lines = np.cumsum([p.reset and i > 0 for i, p in enumerate(points)])
    n = int(lines[-1]) + 1
    t = np.array([p.t for p in points])
    span = max(float(np.ptp(t)), 1e-9)
    design = np.zeros((len(points), n + 1))
    design[np.arange(len(points)), lines] = 1.0
    design[:, n] = (t - t[-1]) / span
    weight = np.array([1 / math.hypot(p.u, s_m) for p in points])
    rows, wanted = design * weight[:, None], np.array([p.y for p in points]) * weight
    if prior is not None:
        rows = np.vstack([rows, np.append(np.zeros(n), 1 / (prior.sd * span))])
        wanted = np.append(wanted, prior.mean / prior.sd)
    cov = np.linalg.pinv(rows.T @ rows)
    m = cov @ rows.T @ wanted
    keep = [n - 1, n]
    scale = np.array([1.0, 1 / span])
    return m[keep] * scale, cov[np.ix_(keep, keep)] * np.outer(scale, scale)


def wear(
    points: Sequence[Seen],
    limit: float,
    s_m: float = TAKEN_APART_MM,
    prior: Rate | None = None,
    lowest: float = 0.0,
    confirmed: bool = False,
) -> Wear:
    """When the limit will be met, from inspections in order of time; y rises with wear. `confirmed`: a last reading
    that lies far above the others was read again, and the earlier of both dates holds.

    Raises RangeError for fewer than one point or times that fall. Source: least squares; sampled with a fixed seed.

    >>> seen = [Seen(t, y, 0.003) for t, y in ((0, 0.050), (2000, 0.071), (4000, 0.088), (6000, 0.111))]
    >>> found = wear(seen, 0.18, s_m=0.0)
    >>> found.told, round(found.now, 3), round((0.18 - found.now) / found.rate)
    ('date', 0.11, 7000)
    """
    if not points or any(b.t < a.t for a, b in pairwise(points)):
        raise RangeError("Inspections are given in the order of their time, one at least.", field="points")
    used = (points[-1].y - lowest) / (limit - lowest) if limit > lowest else math.inf
    if points[-1].y >= limit:
        return Wear("past", "The limit is met.", now=points[-1].y, used=used)
    since = [i for i, p in enumerate(points) if p.reset or i == 0][-1]
    if max(len(points) - since, _longest(points)) < 2 and prior is None:
        return Wear(
            "too few", "Cannot tell yet: a date needs a second inspection.", now=points[-1].y, used=used
        )
    (c, r), cov = fit_wear(points, s_m, prior)
    rng = np.random.Generator(np.random.PCG64(SEED))
    draws = rng.multivariate_normal([c, r], cov, SAMPLES, method="eigh")
    wears = draws[draws[:, 1] > 0]
    sd = float(math.sqrt(max(cov[1, 1], 0.0)))
    about: dict[str, Any] = {"rate": float(r), "rate_sd": sd, "now": float(c), "used": used}
    if len(wears) < (1 - NO_TREND) * SAMPLES:
        return Wear("no trend", "No trend yet: it does not wear beyond what it is read by.", **about)
    ahead = (limit - wears[:, 0]) / wears[:, 1]
    early, likely, late = (float(x) for x in np.quantile(ahead, [EARLY, 0.5, LATE]))
    about |= {"act_before": max(early, 0.0), "likely": likely, "late": late}
    if _last_is_odd(points, s_m, prior) and confirmed:
        steep = (points[-1].y - points[-2].y) / max(points[-1].t - points[-2].t, 1e-9)
        at_once = (limit - points[-1].y) / steep
        about |= {"act_before": min(about["act_before"], at_once), "likely": min(likely, at_once)}
    elif _last_is_odd(points, s_m, prior):
        return Wear("read again", "The last reading lies far above the others: read it again first.", **about)
    span = points[-1].t - points[0].t
    if early > FARTHEST * span:
        words = "Not before five times the span that was watched."
        return Wear(
            "not before", words, **(about | {"act_before": FARTHEST * span, "likely": None, "late": None})
        )
    return Wear("date", "", **about)


def _longest(points: Sequence[Seen]) -> int:
    """Most inspections of one line."""
    most = run = 0
    for i, p in enumerate(points):
        run = 1 if p.reset and i else run + 1
        most = max(most, run)
    return most


def _last_is_odd(points: Sequence[Seen], s_m: float, prior: Rate | None) -> bool:
    """Whether the last inspection lies beyond 3 sd above what those before it promise."""
    if len(points) < 4 or points[-1].reset:
        return False
    (c, r), cov = fit_wear(points[:-1], s_m, prior)
    ahead = points[-1].t - points[-2].t
    mean = c + r * ahead
    var = cov[0, 0] + 2 * ahead * cov[0, 1] + ahead**2 * cov[1, 1] + points[-1].u ** 2 + s_m**2
    return bool(points[-1].y - mean > ODD_SDS * math.sqrt(var))
