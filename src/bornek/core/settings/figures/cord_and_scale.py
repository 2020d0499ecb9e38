"""A shaft end from in front: cord round the hub, scale at its end, pulled in steady turning."""

from __future__ import annotations

from bornek.core.scenes import Section
from bornek.core.settings.figures.figure import Figure


def draw_cord_and_scale(scale: str) -> Section:
    """`scale`: what the scale shows, and at which radius.

    >>> draw_cord_and_scale("kgf at r 50").labels[0].text
    'kgf at r 50'
    """
    f = Figure("Drag: cord, scale, steady turning")
    f.disc("cut", 120, 120, 96, 48)
    f.ring("part", 120, 120, 66, 40)
    f.disc("shaft", 120, 120, 26, 32)
    f.line((120, 54), (236, 54))
    f.box("race", 236, 42, 296, 66)
    f.line((250, 54), (282, 54))
    f.arrow((298, 54), (326, 54))
    f.words(scale, 200, 12)
    f.line((120, 120), (120, 54), role="centre")
    f.words("r", 124, 74)
    f.arrow((152, 182), (110, 190))
    f.lines(("steady,", "several turns"), 210, 190)
    return f.scene()
