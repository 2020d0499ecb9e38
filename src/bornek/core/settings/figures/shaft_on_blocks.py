"""A shaft laid on two blocks, turned by hand, a gauge on it."""

from __future__ import annotations

from bornek.core.scenes import Section
from bornek.core.settings.figures.figure import Figure


def draw_shaft_on_blocks() -> Section:
    """
    >>> draw_shaft_on_blocks().label
    'Runout: turned by hand on blocks, read around'
    """
    f = Figure("Runout: turned by hand on blocks, read around")
    f.box("shaft", 24, 100, 306, 128)
    for x in (80.0, 250.0):
        f.poly(
            "cut",
            (x - 26, 196),
            (x - 26, 128),
            (x - 14, 128),
            (x, 146),
            (x + 14, 128),
            (x + 26, 128),
            (x + 26, 196),
        )
    f.centre((10, 114), (320, 114))
    f.gauge(165, 44, (165, 100))
    f.arrow((18, 92), (18, 136))
    f.words("0 at the mark", 184, 30)
    return f.scene()
