"""Two gears in mesh: the indicator square to a tooth, or a wire that goes through the mesh."""

from __future__ import annotations

import math

from bornek.core.scenes import Section
from bornek.core.settings.figures.figure import Figure


def draw_pair_of_gears(wire: bool = False) -> Section:
    """
    >>> [label.text for label in draw_pair_of_gears(True).labels]
    ['centre distance', 'wire through the mesh']
    """
    f = Figure("A pair of gears: backlash")
    for x, r, n, by in ((96, 60, 20, 0.0), (222, 60, 20, math.pi / 20)):
        points = []
        for i in range(n):
            for part, out in ((-0.34, -6), (-0.17, 6), (0.17, 6), (0.34, -6)):
                a = by + 2 * math.pi * (i + part) / n
                points.append((x + (r + out) * math.cos(a), 112 + (r + out) * math.sin(a)))
        f.poly("part", *points)
        f.disc("shaft", x, 112, 16)
    f.dimension((96, 28), (222, 28), "centre distance")
    if wire:
        f.line((120, 202), (150, 150), (158, 112), (152, 70))
        f.words("wire through the mesh", 74, 206)
    else:
        f.gauge(290, 40, (256, 66))
        f.words("held", 74, 186)
    return f.scene()
