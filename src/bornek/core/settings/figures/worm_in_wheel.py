"""A worm in its eccentric carrier under the wheel: where the handle is rocked, what the carrier's angle does."""

from __future__ import annotations

import math

from bornek.core.scenes import Section
from bornek.core.settings.figures.figure import Figure


def draw_worm_in_wheel(carrier: str = "", at_deg: float | None = None, eccentric: bool = True) -> Section:
    """`carrier`: its angle in words; `at_deg`: from where the mesh is deepest, where it is known.

    >>> [label.text for label in draw_worm_in_wheel("carrier 40.0°", 40.0).labels]
    ['wheel', 'carrier 40.0°', 'worm']
    """
    f = Figure("Worm and wheel: lost motion at the handle")
    f.ring("part", 106, 72, 64, 20)
    for n in range(28):
        a = 2 * math.pi * n / 28
        x, y = 106 + 64 * math.cos(a), 72 + 64 * math.sin(a)
        f.line((x, y), (106 + 72 * math.cos(a), 72 + 72 * math.sin(a)))
    if eccentric:
        f.ring("cut", 106, 176, 46, 34)
        turn = math.radians(at_deg or 0.0)
        x, y = 106 + 8 * math.sin(turn), 176 - 8 * math.cos(turn)
        f.disc("shaft", x, y, 24)
        f.line((106, 176), (106 + 40 * math.sin(turn), 176 - 40 * math.cos(turn)))
        f.words(carrier or "eccentric carrier", 166, 168)
    else:
        f.disc("shaft", 106, 172, 26)
    f.words("wheel", 184, 40)
    f.words("worm", 166, 196)
    f.labels.sort(key=lambda w: w.y)
    return f.scene()
