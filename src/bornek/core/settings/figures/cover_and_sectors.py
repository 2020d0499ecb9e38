"""Two sector gears and the eccentric cover of one of them: where the indicator stands, what the cover's turn does."""

from __future__ import annotations

import math

from bornek.core.scenes import Section
from bornek.core.settings.figures.figure import Figure


def draw_cover_and_sectors(angle_deg: float = 0.0, holes: int = 6) -> Section:
    """`angle_deg`: where the throw points, from square to the line of centres, which is level here.

    >>> [label.text for label in draw_cover_and_sectors().labels]
    ['output sector', 'input', 'eccentric cover']
    """
    f = Figure("Sectors in eccentric covers: lost motion")
    f.poly("part", (70, 60), (120, 78), (132, 118), (120, 158), (70, 176), (52, 118))
    f.disc("shaft", 76, 118, 14)
    f.ring("cut", 222, 118, 74, 58)
    for n in range(holes):
        a = 2 * math.pi * n / holes
        f.disc("race", 222 + 66 * math.cos(a), 118 + 66 * math.sin(a), 4, 12)
    turn = math.radians(angle_deg)
    x, y = 222 + 12 * math.sin(turn), 118 - 12 * math.cos(turn)
    f.poly(
        "part",
        (x - 12, y - 46),
        (x - 62, y - 36),
        (x - 74, y),
        (x - 62, y + 36),
        (x - 12, y + 46),
        (x + 18, y),
    )
    f.disc("shaft", x, y, 14)
    f.line((222, 118), (222 + 50 * math.sin(turn), 118 - 50 * math.cos(turn)))
    f.centre((40, 118), (310, 118))
    f.gauge(160, 212, (148, 152))
    f.words("output sector", 6, 22)
    f.words("input", 20, 196)
    f.words("eccentric cover", 196, 208)
    return f.scene()
