"""A plain bearing from its end: bush in its housing, journal in the bush, the clearance between them."""

from __future__ import annotations

from bornek.core.scenes import Section
from bornek.core.settings.figures.figure import Figure


def draw_bush_and_journal() -> Section:
    """
    >>> draw_bush_and_journal().labels[0].text
    'clearance'
    """
    f = Figure("Bush and journal: where the sizes are taken")
    f.box("cut", 46, 14, 246, 222)
    f.ring("part", 146, 118, 84, 64)
    f.disc("shaft", 146, 124, 58, 40)
    f.line((146, 54), (146, 66))
    f.line((146, 60), (262, 60))
    f.words("clearance", 252, 48)
    f.dimension((82, 118), (210, 118), "")
    f.words("bore", 252, 104)
    f.line((210, 118), (250, 114))
    f.words("journal", 118, 126)
    return f.scene()
