"""A two-row roller bearing on its taper, seen in section, with the blade over the unloaded roller."""

from __future__ import annotations

from bornek.core.scenes import Section
from bornek.core.settings.figures.figure import Figure

CENTRE = 128.0


def draw_feeler_over_roller(top: bool, words: str, driven: str) -> Section:
    """`top`: the unloaded roller is the upper one; `words`: what the blades said; `driven`: how far it went up.

    >>> draw_feeler_over_roller(True, "0.05–0.06", "").label
    'Feeler over the unloaded roller, at the top'
    """
    f = Figure(f"Feeler over the unloaded roller, at the {'top' if top else 'bottom'}")
    f.poly("shaft", (30, 104), (300, 112), (300, 144), (30, 152))
    for side in (-1, 1):
        unloaded = (side < 0) == top
        gap = 7.0 if unloaded else 0.0
        near = CENTRE + side * 24
        f.poly(
            "race",
            (110, near),
            (220, CENTRE + side * 19),
            (220, CENTRE + side * 36),
            (110, CENTRE + side * 36),
        )
        for x in (116.0, 170.0):
            y0, y1 = sorted((CENTRE + side * 37, CENTRE + side * 62))
            f.box("roller", x, y0, x + 44, y1)
        y0, y1 = sorted((CENTRE + side * (62 + gap), CENTRE + side * (80 + gap)))
        f.box("race", 106, y0, 224, y1)
        y0, y1 = sorted((CENTRE + side * (80 + gap), CENTRE + side * 98))
        f.box("cut", 92, y0, 238, y1)
        if unloaded:
            y = CENTRE + side * 65.5
            f.line((60, y), (216, y))
            f.words(words or "blade", 6, y - 26 if side < 0 else y + 6)
    f.box("part", 222, 92, 244, 110)
    f.box("part", 222, 146, 244, 164)
    f.centre((14, CENTRE), (318, CENTRE))
    f.arrow((310, 182), (250, 182))
    f.words(f"driven {driven}" if driven else "drive-up", 250, 190)
    return f.scene()
