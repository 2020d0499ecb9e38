"""A shaft end in section: taper bearing, cover, shims under it, gauge on the shaft's face."""

from __future__ import annotations

from bornek.core.scenes import Section
from bornek.core.settings.figures.figure import Figure


def draw_shims_under_cover() -> Section:
    """
    >>> draw_shims_under_cover().label
    'Shims under a bearing cover'
    """
    f = Figure("Shims under a bearing cover")
    f.box("shaft", 20, 104, 250, 132)
    for y0, y1, near in ((58, 104, 104), (132, 178, 132)):
        outer = y0 if near == y1 else y1
        f.poly(
            "race",
            (120, near),
            (168, near),
            (168, near + (outer - near) * 0.34),
            (120, near + (outer - near) * 0.2),
        )
        f.poly(
            "roller",
            (126, near + (outer - near) * 0.26),
            (164, near + (outer - near) * 0.38),
            (164, near + (outer - near) * 0.72),
            (126, near + (outer - near) * 0.6),
        )
        f.poly(
            "race",
            (120, outer),
            (176, outer),
            (176, near + (outer - near) * 0.8),
            (120, near + (outer - near) * 0.66),
        )
    for y0, y1 in ((26, 58), (178, 210)):
        f.box("cut", 60, y0, 190, y1)
        f.box("shim", 190, y0, 200, y1)
    f.box("part", 200, 26, 222, 98)
    f.box("part", 200, 138, 222, 210)
    f.box("part", 178, 58, 200, 84)
    f.box("part", 178, 152, 200, 178)
    f.centre((8, 118), (300, 118))
    f.gauge(292, 118, (252, 118))
    f.words("shims", 184, 2)
    f.words("cover", 226, 40)
    return f.scene()
