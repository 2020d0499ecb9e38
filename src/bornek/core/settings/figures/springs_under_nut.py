"""A vertical motor's thrust end: carrier on its springs under the nut, ram above, jack below, gauge on the carrier."""

from __future__ import annotations

from bornek.core.scenes import Section
from bornek.core.settings.figures.figure import Figure

SPRING_TURNS = 5


def draw_springs_under_nut(pressed: bool, jacked: bool) -> Section:
    """`pressed`: the ram holds the springs solid; `jacked`: the jack carries the shaft.

    >>> draw_springs_under_nut(True, True).label
    'Thrust end: springs pressed solid, shaft on the jack'
    """
    said = "springs pressed solid" if pressed else "springs free"
    f = Figure(f"Thrust end: {said}, shaft {'on the jack' if jacked else 'let down'}", high=206.0)
    down = 14.0 if pressed else 0.0
    f.box("shaft", 142, 20, 188, 180)
    f.box("part", 126, 52, 142, 68 + down / 2)
    f.box("part", 188, 52, 204, 68 + down / 2)
    for x0, x1 in ((74, 142), (188, 256)):
        f.box("race", x0, 70 + down, x1, 92 + down)
        f.box("cut", x0 - 8, 140, x1 + (8 if x1 > 200 else 0), 162)
        for n in (0, 1):
            _spring(f, x0 + 18 + 30 * n, 92 + down, 140)
    f.words("nut", 206, 46)
    f.words("carrier", 258, 72 + down)
    f.words("springs", 264, 108)
    f.gauge(36, 58, (72, 72 + down))
    if pressed:
        f.arrow((165, 0), (165, 18))
        f.words("ram", 172, 0)
    if jacked:
        f.arrow((165, 204), (165, 184))
        f.words("jack", 172, 186)
    return f.scene()


def _spring(f: Figure, x: float, top: float, bottom: float) -> None:
    step = (bottom - top) / SPRING_TURNS
    points = [(x + (9 if n % 2 else -9), top + n * step) for n in range(SPRING_TURNS + 1)]
    f.line(*points)
