"""A feed screw: handle, nut with its mark, block, and the gauge on its end."""

from __future__ import annotations

from bornek.core.scenes import Section
from bornek.core.settings.figures.figure import Figure


def draw_flicked_screw(what: str) -> Section:
    """`what`: what is set, in words.

    >>> draw_flicked_screw("the screw's bearings").labels[-1].text
    "set: the screw's bearings"
    """
    f = Figure("Feed screw: flick, mark and play")
    f.box("shaft", 40, 110, 290, 126)
    for x in range(150, 282, 12):
        f.line((x, 110), (x + 8, 126))
    for y0, y1 in ((70, 110), (126, 166)):
        f.box("cut", 78, y0, 112, y1)
        f.box("race", 112, y0 + (12 if y0 < 110 else 0), 124, y1 - (0 if y0 < 110 else 12))
        f.box("part", 126, y0 + (16 if y0 < 110 else 0), 146, y1 - (0 if y0 < 110 else 16))
        f.box("part", 206, y0 + 8, 250, y1 - (0 if y0 < 110 else -8))
    f.line((136, 86), (136, 98))
    f.words("mark", 126, 58)
    f.box("part", 22, 66, 40, 126)
    f.disc("part", 31, 56, 12)
    f.arrow((52, 40), (14, 30))
    f.words("the same flick", 56, 26)
    f.gauge(312, 150, (292, 118))
    f.words("feed nut", 206, 178)
    f.words(f"set: {what}", 40, 208)
    return f.scene()
