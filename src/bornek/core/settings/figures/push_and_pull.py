"""A shaft end that is pushed, pulled and levered, with a gauge on its face and one on its back."""

from __future__ import annotations

from bornek.core.scenes import Section
from bornek.core.settings.figures.figure import Figure


def draw_push_and_pull() -> Section:
    """
    >>> draw_push_and_pull().label
    'Float: pushed and pulled, levered up and down'
    """
    f = Figure("Float: pushed and pulled, levered up and down")
    f.box("shaft", 40, 104, 262, 136)
    for y0, y1 in ((74, 104), (136, 166)):
        f.box("race", 90, y0, 132, y1)
        f.disc("roller", 111, (y0 + y1) / 2, 11)
    for y0, y1 in ((44, 74), (166, 196)):
        f.box("cut", 60, y0, 166, y1)
    f.centre((20, 120), (300, 120))
    f.arrow((190, 92), (152, 92))
    f.arrow((196, 92), (238, 92))
    f.words("push, pull", 172, 66)
    f.gauge(304, 120, (262, 120))
    f.gauge(228, 30, (228, 104))
    f.arrow((206, 206), (206, 140))
    f.words("lever", 212, 196)
    return f.scene()
