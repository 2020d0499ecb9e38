"""A bevel pinion in its ring gear: the pack that sets its depth, the packs that set the lash, the gauge on a tooth."""

from __future__ import annotations

from bornek.core.scenes import Section
from bornek.core.settings.figures.figure import Figure


def draw_bevel_in_mesh() -> Section:
    """
    >>> draw_bevel_in_mesh().label
    'Bevel set: pinion depth, backlash, contact'
    """
    f = Figure("Bevel set: pinion depth, backlash, contact")
    f.box("shaft", 150, 10, 176, 96)
    f.poly("part", (136, 96), (190, 96), (206, 126), (120, 126))
    f.box("shim", 132, 66, 194, 74)
    f.box("cut", 110, 74, 216, 84)
    f.poly("part", (70, 130), (118, 130), (206, 130), (256, 130), (256, 158), (70, 158))
    f.box("shaft", 14, 170, 312, 194)
    f.box("part", 70, 158, 256, 172)
    f.box("shim", 40, 160, 50, 204)
    f.box("shim", 276, 160, 286, 204)
    f.gauge(300, 108, (252, 130))
    f.words("pinion pack", 222, 58)
    f.words("left pack", 8, 208)
    f.words("right pack", 238, 208)
    return f.scene()
