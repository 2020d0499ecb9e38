"""Two gears on a shaft, the washer behind one of them, and the gap where the blades go."""

from __future__ import annotations

from collections.abc import Mapping

from bornek.core.scenes import Section
from bornek.core.settings.figures.figure import Figure


def draw_washer_between(sizes: Mapping[str, str]) -> Section:
    """`sizes`: gap and washer in words, where they are known.

    >>> [label.text for label in draw_washer_between({"gap": "0.25"}).labels]
    ['gap 0.25', 'washer']
    """
    f = Figure("Side clearance: where the blades go")
    f.box("shaft", 20, 112, 310, 144)
    for y0, y1 in ((44, 112), (144, 212)):
        f.box("part", 62, y0, 140, y1)
        f.box("part", 154, y0, 232, y1)
        f.box("shim", 234, y0 + (40 if y0 < 112 else 0), 246, y1 - (0 if y0 < 112 else 40))
        f.box("part", 248, y0 + (28 if y0 < 112 else 0), 280, y1 - (0 if y0 < 112 else 28))
    f.centre((8, 128), (322, 128))
    f.dimension((140, 32), (154, 32), f"gap {sizes['gap']}" if "gap" in sizes else "gap")
    f.line((240, 84), (240, 66))
    f.words(f"washer {sizes['washer']}" if "washer" in sizes else "washer", 236, 46)
    return f.scene()
