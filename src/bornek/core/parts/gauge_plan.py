"""Tools and gauges of a job: whether each gauge resolves its window, or which one does."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from bornek.core.gauges import Gauge
from bornek.core.windows import Window

WANTED, LEAST = 10.0, 4.0


@dataclass(frozen=True)
class GaugeLine:
    """`ratio`: window over what the gauge can tell; `better`: gauges that tell it finer, best fit first."""

    setting: str
    gauge: str
    ratio: float | None
    words: str
    enough: bool
    better: tuple[str, ...] = ()
    tools: tuple[str, ...] = ()


def gauge_line(
    setting: str, window: Window | None, gauge: Gauge, shelf: Sequence[Gauge], tools: Sequence[str] = ()
) -> GaugeLine:
    """One setting against its gauge and the shop's shelf.

    Equation: ratio = (hi − lo) / resolution; 10 is wanted, below 4 it cannot judge. Source: shop rule.

    >>> from bornek.core.windows import Window
    >>> dial, fine = Gauge("d", "Dial"), Gauge("l", "Lever", division=0.002)
    >>> gauge_line("End play", Window(0.02, 0.04, "card"), dial, [dial, fine]).better
    ('Lever',)
    """
    extra = tuple(tools)
    if window is None or math.isinf(window.half):
        words = "open window: any gauge that reaches"
        return GaugeLine(setting=setting, gauge=gauge.name, ratio=None, words=words, enough=True, tools=extra)
    wide = 2 * window.half
    ratio = wide / gauge.resolution
    late = " Calibration OVERDUE." if gauge.overdue else ""
    if ratio >= WANTED:
        words = f"tells the window {ratio:.0f} times.{late}"
        return GaugeLine(
            setting=setting, gauge=gauge.name, ratio=ratio, words=words, enough=not late, tools=extra
        )
    finer = [
        g for g in shelf if g.quantity == gauge.quantity and wide / g.resolution >= WANTED and not g.overdue
    ]
    names = tuple(g.name for g in sorted(finer, key=lambda g: -g.resolution))
    take = f"Take {names[0]}." if names else "No gauge on the shelf tells it ten times: get a finer one."
    weak = "cannot judge this window" if ratio < LEAST else "is coarse for this window"
    words = f"tells it {ratio:.1f} times only: {weak}. {take}{late}"
    return GaugeLine(
        setting=setting, gauge=gauge.name, ratio=ratio, words=words, enough=False, better=names, tools=extra
    )
