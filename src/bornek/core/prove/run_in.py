"""Run-in: where the temperature of a bearing goes, judged by its slope towards its end and not by one reading."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Any, Literal

import numpy as np
from numpy.typing import NDArray
from scipy.optimize import curve_fit

from bornek.core.errors import RangeError

Floats = NDArray[np.floating[Any]]
READING_SD_C = 0.5
"""A bearing's temperature by probe or gun, read again [K]."""
LEAST_TO_FIT = 4
SETTLING_MIN = 5.0
"""What warms up first says nothing yet of how it bends."""
CURVED_READINGS, CURVED_MINUTES = 8, 20.0
TOLD_SHARE = 0.25
PARTNER_K = 10.0
COOL_K = 5.0
"""After a stop: so near the surroundings before the next start."""
LONGEST_MIN = 600.0
Code = Literal["limit", "bends_up", "meets_limit", "not_levelling", "early", "levels", "over"]
STOPS = frozenset({"limit", "bends_up", "meets_limit"})


@dataclass(frozen=True)
class Temperature:
    """One reading: minutes since the stage began, and what was read [°C]."""

    minutes: float
    celsius: float


@dataclass(frozen=True)
class Rise:
    """T(t) = T0 + (T_end − T0)·(1 − e^(−t/τ)): start and end [°C], τ [min], and the end's standard uncertainty [K]."""

    start: float
    end: float
    tau: float
    end_u: float


@dataclass(frozen=True)
class RunIn:
    """How a stage stands: `code`, the sentence, the rise where it can be told; `stop` where it must stop now."""

    code: Code
    words: str
    rise: Rise | None = None

    @property
    def stop(self) -> bool:
        return self.code in STOPS


def fit_rise(read: Sequence[Temperature], sd_c: float = READING_SD_C) -> Rise | None:
    """The rise that fits best, T0, T_end and τ all free; None with fewer than four readings, or where none fits.

    Units °C and min; `sd_c` above 0: what one reading scatters by. Raises RangeError otherwise. Source: lumped warming
    with one time constant; least squares.

    >>> at = ((5, 25.8), (10, 30.6), (15, 34.4), (20, 37.6), (30, 42.4))
    >>> rise = fit_rise([Temperature(t, c) for t, c in at], 0.1)
    >>> round(rise.end, 1), round(2 * rise.end_u, 1)
    (52.3, 1.8)
    """
    if sd_c <= 0:
        raise RangeError(
            f"What a reading scatters by must be above 0 (got {sd_c:g}).",
            field="sd",
            next_step="Half a degree is usual for a probe.",
        )
    if len(read) < LEAST_TO_FIT:
        return None
    t, c = _arrays(read)
    first = (c[0], c[-1] + (c[-1] - c[0]), max(t[-1] / 2, 1.0))
    try:
        found, spread = curve_fit(
            _warming, t, c, p0=first, sigma=np.full(len(t), sd_c), absolute_sigma=True, maxfev=4000
        )
    except RuntimeError:
        return None
    end_u = math.sqrt(spread[1][1]) if np.isfinite(spread[1][1]) else math.inf
    if not 0 < found[2] < LONGEST_MIN or math.isinf(end_u):
        return None
    return Rise(float(found[0]), float(found[1]), float(found[2]), end_u)


def _warming(t: Floats, start: float, end: float, tau: float) -> Floats:
    bent: Floats = start + (end - start) * (1 - np.exp(-t / tau))
    return bent


def _arrays(read: Sequence[Temperature]) -> tuple[Floats, Floats]:
    return np.array([r.minutes for r in read], float), np.array([r.celsius for r in read], float)


def judge_stage(
    read: Sequence[Temperature], limit_c: float, stage_min: float, sd_c: float = READING_SD_C
) -> RunIn:
    """What to do now, the absolute limit first, fit or no fit.

    Parameters: readings in their order [min, °C], the limit [°C], how long the stage is to run [min]. Raises RangeError for
    readings out of order.

    >>> judge_stage([Temperature(5, 40), Temperature(10, 91)], 90, 60).code
    'limit'
    """
    if any(b.minutes <= a.minutes for a, b in pairwise(read)):
        raise RangeError(
            "The readings must follow each other in time.",
            field="readings",
            next_step="Type them in the order in which they were read.",
        )
    hottest = max((r.celsius for r in read), default=-math.inf)
    if hottest >= limit_c:
        words = f"Stop: {hottest:.0f} °C is at the limit of {limit_c:.0f} °C. Let it cool, then look for the cause."
        return RunIn("limit", words)
    bend, slope = _bend(read, sd_c), _slope(read)
    rise = fit_rise(read, sd_c)
    if bend == "up" and _bend(read[:-1], sd_c) == "up":
        words = (
            "Stop: it warms faster and faster. Preload too high, no oil, or a rub: look before it runs again."
        )
        return RunIn("bends_up", words, rise)
    if bend == "straight":
        return _straight(read, limit_c, stage_min, slope, rise)
    if rise is None or 2 * rise.end_u > TOLD_SHARE * abs(limit_c - rise.end):
        return RunIn("early", "Too early to tell where it levels: read on.", rise)
    give = 2 * rise.end_u
    if rise.end + give >= limit_c:
        words = f"It goes to {rise.end:.0f} ± {give:.0f} °C, up to the limit of {limit_c:.0f} °C: ease it off, and read closer."
        return RunIn("over", words, rise)
    return RunIn("levels", f"It levels at {rise.end:.0f} ± {give:.0f} °C, under {limit_c:.0f} °C.", rise)


def _straight(
    read: Sequence[Temperature], limit_c: float, stage_min: float, slope: float, rise: Rise | None
) -> RunIn:
    left = stage_min - read[-1].minutes
    if slope > 0 and read[-1].celsius + slope * left >= limit_c:
        minutes = (limit_c - read[-1].celsius) / slope
        words = f"Stop: it is not levelling, and so it meets {limit_c:.0f} °C in {minutes:.0f} min, before the stage ends."
        return RunIn("meets_limit", words, rise)
    return RunIn("not_levelling", "It is not levelling yet: read on, and watch it.", rise)


def _late(read: Sequence[Temperature]) -> list[Temperature]:
    return [r for r in read if r.minutes >= SETTLING_MIN]


def _bend(read: Sequence[Temperature], sd_c: float) -> str:
    """Whether the curve bends up, down, or is straight as far as can be told; empty while there is too little to see."""
    late = _late(read)
    if len(late) < CURVED_READINGS or late[-1].minutes - late[0].minutes < CURVED_MINUTES:
        return ""
    t, c = _arrays(late)
    rows = np.vander(t - t.mean(), 3)
    spread = np.linalg.inv(rows.T @ rows) * sd_c**2
    curve = float((spread @ rows.T @ c)[0] / sd_c**2)
    sure = 2 * math.sqrt(float(spread[0][0]))
    return "up" if curve > sure else "down" if curve < -sure else "straight"


def _slope(read: Sequence[Temperature]) -> float:
    """The present slope by the last readings [K/min]."""
    last = read[-LEAST_TO_FIT:]
    if len(last) < 2:
        return 0.0
    t, c = _arrays(last)
    return float(np.polyfit(t, c, 1)[0])


def beside_words(one_c: float, partner_c: float) -> str:
    """What a bearing much warmer than its partner at the same load means; empty where they are alike.

    >>> beside_words(64, 51)
    'It runs 13 K above its partner at the same load: look there.'
    """
    apart = one_c - partner_c
    return (
        f"It runs {apart:.0f} K above its partner at the same load: look there." if apart > PARTNER_K else ""
    )


def may_start(now_c: float, ambient_c: float) -> bool:
    """Whether it has cooled enough after a stop: within 5 K of the surroundings.

    >>> may_start(24, 20), may_start(26, 20)
    (True, False)
    """
    return now_c - ambient_c <= COOL_K
