"""A spindle lifted at its nose: the force, the gauge above it, the line through what was read."""

from __future__ import annotations

from bornek.core.scenes import Section
from bornek.core.settings.figures.figure import Figure


def draw_lifted_nose() -> Section:
    """
    >>> draw_lifted_nose().label
    'Spindle nose lifted by a known force'
    """
    f = Figure("Spindle nose lifted by a known force")
    f.box("shaft", 20, 104, 286, 132)
    f.box("part", 262, 90, 286, 146)
    for x in (40.0, 180.0):
        for y0, y1 in ((74, 104), (132, 162)):
            f.box("race", x, y0, x + 38, y1)
            f.disc("roller", x + 19, (y0 + y1) / 2, 10)
        for y0, y1 in ((52, 74), (162, 184)):
            f.box("cut", x - 14, y0, x + 52, y1)
    f.centre((8, 118), (304, 118))
    f.gauge(274, 44, (274, 90))
    f.arrow((274, 226), (274, 150))
    f.words("lift, N", 204, 206)
    return f.scene()
