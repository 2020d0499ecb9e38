"""The rule of temperatures: where a hub drops on, drags and grips, and the band of what is safe for each cold."""

from __future__ import annotations

import math
from collections.abc import Sequence

from bornek.core.draw import nice_step
from bornek.core.fits.heat_plan import Combination
from bornek.core.fits.sums import temperature_words
from bornek.core.scenes import Band, LogRow, Needle, Readout, RoundLog, Tick

STOP_SHARE = 1.15


def bare(t_c: float) -> str:
    """A temperature without its unit, which stands at the rule.

    >>> bare(-78.4)
    '−78'
    """
    return temperature_words(t_c).removesuffix(" °C")


def rule(
    plan: Combination,
    room_c: float,
    needle: Needle | None = None,
    judged: tuple[str, str] = ("not_read", "not read"),
    hottest_c: float = 0.0,
) -> Readout:
    """From room to past the most allowed; `judged`: the verdict's code and words of the needle."""
    lo, hi = room_c, max(plan.most_c * STOP_SHARE, plan.drops_on_c * STOP_SHARE, hottest_c, room_c + 20)
    step = nice_step(hi - lo, 8)
    ticks = tuple(
        Tick(n * step / 2, bare(n * step / 2) if n % 2 == 0 else "")
        for n in range(2 * math.ceil(lo / step), math.floor(2 * hi / step) + 1)
    )
    window = None
    if plan.possible and plan.most_c > plan.drops_on_c:
        window = Band(plan.drops_on_c, plan.most_c, f"{bare(math.ceil(plan.drops_on_c))}–{bare(plan.most_c)}")
    points = tuple(
        Tick(at, f"{name} {at:.0f}")
        for name, at in (("grips", plan.grips_c), ("home by", plan.home_c))
        if at > room_c + 1
    )
    return Readout(
        label="At the bore",
        unit="°C",
        lo=lo,
        hi=hi,
        ticks=ticks,
        window=window,
        needle=needle,
        verdict=judged[0],
        verdict_words=judged[1],
        points=points,
        stop=Band(plan.most_c, hi, f"most {bare(plan.most_c)}") if plan.most_c < hi else None,
    )


def safe_band(ways: Sequence[Combination], chosen: Combination, room_c: float) -> tuple[Readout, RoundLog]:
    """Below the rule of the way chosen: for each way to chill, from what drops on to the most allowed."""
    shown = rule(
        chosen, room_c, hottest_c=max((c.drops_on_c for c in ways if not c.barred), default=0.0) * 1.05
    )
    rows = []
    for c in ways:
        if c.possible:
            wide = max(c.most_c, c.drops_on_c)
            words = f"{temperature_words(c.shaft_c)}: hub {bare(math.ceil(c.drops_on_c))} to {temperature_words(wide)}"
            rows.append(LogRow(c.label, words, None, None, window=Band(c.drops_on_c, wide)))
        else:
            why = c.barred or f"wants {temperature_words(math.ceil(c.drops_on_c))}: too hot"
            rows.append(LogRow(c.label, why, None, None))
    return shown, RoundLog(shown.lo, shown.hi, tuple(rows), None, None, "What does it")
