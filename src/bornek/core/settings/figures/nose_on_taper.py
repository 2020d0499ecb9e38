"""A spindle's nose in section: roller bearing on its taper, nut behind it, bar and gauge at the nose."""

from __future__ import annotations

from bornek.core.scenes import Section
from bornek.core.settings.figures.figure import Figure

CENTRE = 118.0


def draw_nose_on_taper() -> Section:
    """
    >>> draw_nose_on_taper().label
    'Spindle nose: where it is pushed, lifted and read'
    """
    f = Figure("Spindle nose: where it is pushed, lifted and read")
    f.poly(
        "shaft", (20, 104), (120, 104), (196, 92), (286, 92), (286, 144), (196, 144), (120, 132), (20, 132)
    )
    for side in (-1, 1):
        _bearing(f, side)
    f.centre((10, CENTRE), (300, CENTRE))
    f.words("nut", 50, 62)
    f.arrow((30, 152), (86, 152))
    f.words("draws up", 14, 156)
    f.gauge(262, 36, (262, 92))
    f.arrow((304, 78), (304, 110))
    f.arrow((304, 160), (304, 128))
    f.words("bar", 290, 164)
    f.dimension((154, 222), (262, 222), "c")
    return f.scene()


def _bearing(f: Figure, side: int) -> None:
    """Half of it, above (−1) or below (+1) the centre line."""

    def box(role: str, x0: float, near: float, x1: float, far: float) -> None:
        top, bottom = sorted((CENTRE + side * near, CENTRE + side * far))
        f.box(role, x0, top, x1, bottom)

    f.poly(
        "race",
        (120, CENTRE + side * 14),
        (188, CENTRE + side * 25),
        (188, CENTRE + side * 36),
        (120, CENTRE + side * 36),
    )
    for x in (128.0, 158.0):
        box("roller", x, 36, x + 22, 52)
    box("race", 116, 52, 192, 64)
    box("cut", 104, 64, 204, 82)
    box("part", 92, 14, 118, 40)
