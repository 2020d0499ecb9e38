"""A quantity's life drawn: its rule on top, the visits down the years, and where the limit will be met."""

from __future__ import annotations

from collections.abc import Sequence

from bornek.core.draw import rule_ticks, strip_scale
from bornek.core.life.forecast import Forecast
from bornek.core.life.say_life import month, rate_words
from bornek.core.life.visit import Visit, as_normal
from bornek.core.quantities import Shown, Speech
from bornek.core.scenes import Band, Life, LifeFan, LifeVisit, Tick
from bornek.core.windows import Window

LEAST_GAP = 0.13
"""Two visits stand no nearer than so much of the drawing's height."""
SHOWN = 6
"""Visits that are drawn; older ones are said above them."""


def draw_life(
    label: str,
    visits: Sequence[Visit],
    words: Sequence[tuple[str, str]],
    found: Forecast,
    window: Window | None,
    limit: float,
    say: Speech | Shown,
) -> Life:
    """`words`: for each visit its name and what is said under it."""
    shown, said = visits[-SHOWN:], words[-SHOWN:]
    pairs = [(as_normal(v.found), as_normal(v.left)) for v in shown]
    values = [x.v for pair in pairs for x in pair if x is not None]
    lo, hi = strip_scale([*values, limit], window)
    per = say.per_mm if isinstance(say, Speech) else say.per
    fan = found.likely is not None and found.act_before is not None and found.wear.told == "date"
    days = [v.day.toordinal() for v in shown]
    last = found.late or found.likely
    ends = [*days, last.toordinal()] if fan and last else days
    places = _places(ends)
    stretches = {s.until: s for s in found.stretches}
    drawn = []
    for i, (visit, (name, sub), (was, is_left)) in enumerate(zip(shown, said, pairs, strict=True)):
        stretch = stretches.get(visit.job) if i else None
        drawn.append(
            LifeVisit(
                at=places[i],
                label=name,
                words=sub,
                found=Tick(was.v, say.number(was.v)) if was else None,
                left=Tick(is_left.v, say.number(is_left.v)) if is_left and (visit.reset or not was) else None,
                rate=_rate(stretch.rate, stretch.bedding, found.base, say) if stretch else "",
            )
        )
    return Life(
        label=label,
        unit=say.unit,
        lo=lo,
        hi=hi,
        ticks=rule_ticks(lo, hi, per),
        window=_band(window, lo, hi, say),
        limit=Tick(limit, say.number(limit)),
        visits=tuple(drawn),
        earlier=f"{len(visits) - len(shown)} visits before" if len(visits) > len(shown) else "",
        fan=_fan(found, places, ends) if fan else None,
    )


def _rate(rate: float, bedding: bool, base: str, say: Speech | Shown) -> str:
    return rate_words(rate, base, say) + (", bedding in" if bedding else "")


def _band(window: Window | None, lo: float, hi: float, say: Speech | Shown) -> Band | None:
    if window is None:
        return None
    low, high = max(window.low, lo), min(window.high, hi)
    return Band(
        low,
        high,
        f"{say.number(low)}–{say.number(high)}",
        open_lo=window.lo is None,
        open_hi=window.hi is None,
    )


def _fan(found: Forecast, places: Sequence[float], ends: Sequence[int]) -> LifeFan | None:
    """From the last visit to the limit: early, likely, late as places down the drawing."""
    if found.act_before is None or found.likely is None:
        return None
    late = found.late or found.likely
    start, end = places[-2], places[-1]
    span = max(ends[-1] - ends[-2], 1)

    def at(day: int) -> float:
        return start + (end - start) * min(max((day - ends[-2]) / span, 0.0), 1.0)

    return LifeFan(
        early=at(found.act_before.toordinal()),
        likely=at(found.likely.toordinal()),
        late=end,
        label=month(found.likely),
        words=f"{month(found.act_before)} to {month(late)}",
    )


def _places(days: Sequence[int]) -> list[float]:
    """Places down the drawing, by time, none nearer than the least gap; from 0 to 1.

    >>> _places([0, 100, 200])
    [0.0, 0.5, 1.0]
    >>> _places([0, 1, 1000])[1]
    0.13
    """
    if len(days) < 2:
        return [0.0] * len(days)
    span = max(days[-1] - days[0], 1)
    gap = min(LEAST_GAP, 1 / (len(days) - 1))
    places = [(d - days[0]) / span for d in days]
    for i in range(1, len(places)):
        places[i] = max(places[i], places[i - 1] + gap)
    places[-1] = 1.0
    for i in range(len(places) - 2, 0, -1):
        places[i] = min(places[i], places[i + 1] - gap)
    return [round(p, 4) for p in places]
