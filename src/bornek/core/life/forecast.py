"""When a quantity meets its limit, on the calendar: what the type's other units wear by, dates, and the sentence."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta

from bornek.core.life.visit import Base, Stretch, Visit, base_of, intervals, series, time_of
from bornek.core.wear import TAKEN_APART_MM, Rate, Wear, wear

LEAST_UNITS = 3
FASTER, FASTER_SDS = 1.5, 2.0
"""The last stretch is said to wear faster from this many times the others, if that is sure by so many sd."""
EARLY_SDS = 1.2816
"""To the early end of the middle 80 %."""
YEAR_DAYS = 365.25
FARTHEST_YEARS = 60.0


@dataclass(frozen=True)
class Forecast:
    """`told` as the wear says it; days on the calendar where they can be told: `act_before` first, then `likely`."""

    wear: Wear
    base: Base
    sense: int
    stretches: tuple[Stretch, ...]
    act_before: date | None = None
    likely: date | None = None
    late: date | None = None
    faster: float = 0.0
    """How many times as fast as before the last stretch wore; 0 where it did not."""
    at_last_rate: date | None = None
    """The likely day at the rate of the last stretch alone, where that was faster: then the earlier end of both holds."""


def type_rate(rates: Sequence[float]) -> Rate | None:
    """What other units of the type wear by: mean and sd over at least three of them; None with fewer.

    >>> type_rate([1e-5, 1.2e-5, 0.8e-5]) == Rate(1e-5, 2e-6), type_rate([1e-5])
    (True, None)
    """
    if len(rates) < LEAST_UNITS:
        return None
    mean = sum(rates) / len(rates)
    sd = math.sqrt(sum((r - mean) ** 2 for r in rates) / (len(rates) - 1))
    return Rate(round(mean, 15), max(round(sd, 15), abs(mean) * 0.05, 1e-12))


def forecast(
    visits: Sequence[Visit],
    limit: float,
    sense: int = 1,
    lowest: float = 0.0,
    s_m: float = TAKEN_APART_MM,
    prior: Rate | None = None,
) -> Forecast | None:
    """The wear of one quantity and its dates; None where nothing was ever read.

    `limit`, `lowest` in the value's own sense, `prior` per hour or day of the base that the visits allow.

    >>> from bornek.core.windows import Normal
    >>> left = Visit("a", date(2020, 1, 1), None, None, Normal(0.05, 0.001), reset=True)
    >>> then = [Visit(str(y), date(y, 1, 1), None, Normal(0.05 + 0.02 * (y - 2020), 0.001), None) for y in (2022, 2024)]
    >>> forecast([left, *then], 0.25, s_m=0.0).likely.year
    2030
    """
    base = base_of(visits)
    seen = series(visits, base, sense)
    if not seen:
        return None
    found = wear(seen, sense * limit, s_m, prior, sense * lowest)
    stretches = tuple(intervals(visits, base, sense))
    per_day = 1.0 if base == "days" else _hours_a_day(visits)
    last = max(v.day for v in visits if v.found is not None or v.left is not None)

    def day(ahead: float | None) -> date | None:
        days = ahead / per_day if ahead is not None and per_day else None
        if days is None or not 0 <= days < FARTHEST_YEARS * YEAR_DAYS:
            return None
        return last + timedelta(days=days)

    faster = _faster(stretches, s_m, visits, base)
    early, likely = _at_last_rate(stretches, found, sense * limit, seen[-1].y) if faster else (None, None)
    act_before = min((x for x in (found.act_before, early) if x is not None), default=None)
    return Forecast(
        found,
        base,
        sense,
        stretches,
        day(act_before),
        day(found.likely),
        day(found.late),
        faster,
        day(likely),
    )


def _at_last_rate(
    stretches: Sequence[Stretch], found: Wear, limit: float, now: float
) -> tuple[float | None, float | None]:
    """Early end and likely time ahead at the rate of the last stretch alone."""
    if found.likely is None:
        return None, None
    last = stretches[-1]
    return (limit - now) / (last.rate + EARLY_SDS * last.rate_u), (limit - now) / last.rate


def _hours_a_day(visits: Sequence[Visit]) -> float:
    """Running hours a day over the time that was watched; 0 where that cannot be told."""
    days = (visits[-1].day - visits[0].day).days
    run = time_of(visits[-1], "hours") - time_of(visits[0], "hours")
    return run / days if days > 0 and run > 0 else 0.0


def _faster(stretches: Sequence[Stretch], s_m: float, visits: Sequence[Visit], base: Base) -> float:
    """How many times as fast the last stretch wore as those before it together, bedding in left out."""
    before = [s for s in stretches[:-1] if not s.bedding]
    if not before:
        return 0.0
    span = {v.job: time_of(v, base) for v in visits}

    def u(s: Stretch) -> float:
        return math.hypot(s.rate_u, math.sqrt(2) * s_m / (span[s.until] - span[s.since]))

    weights = [1 / u(s) ** 2 for s in before]
    mean = sum(w * s.rate for w, s in zip(weights, before, strict=True)) / sum(weights)
    last = stretches[-1]
    apart = (last.rate - mean) / math.hypot(u(last), math.sqrt(1 / sum(weights)))
    return last.rate / mean if mean > 0 and last.rate > FASTER * mean and apart > FASTER_SDS else 0.0
