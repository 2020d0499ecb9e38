"""A kind's own drawing of the thing: what is measured, where the gauge stands, what is turned. To no scale."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, field

from bornek.core.scenes import Section, SectionLabel, SectionShape

WIDE, HIGH = 330.0, 236.0
LETTER, LINE, END, HEAD = 8.0, 20.0, 6.0, 8.0
Point = tuple[float, float]


@dataclass
class Figure:
    """Collects outlines and words on a sheet; x to the right, y downward.

    >>> f = Figure("A pin")
    >>> f.box("shaft", 10, 10, 60, 30)
    >>> f.dimension((10, 40), (60, 40), "50")
    >>> len(f.scene().shapes), f.scene().labels[0].text
    (4, '50')
    """

    label: str
    wide: float = WIDE
    high: float = HIGH
    shapes: list[SectionShape] = field(default_factory=list)
    labels: list[SectionLabel] = field(default_factory=list)

    def poly(self, role: str, *points: Point, part: str = "") -> None:
        self.shapes.append(SectionShape(role, tuple(points), part))

    def box(self, role: str, x0: float, y0: float, x1: float, y1: float, part: str = "") -> None:
        self.poly(role, (x0, y0), (x1, y0), (x1, y1), (x0, y1), part=part)

    def disc(self, role: str, x: float, y: float, r: float, corners: int = 24) -> None:
        turns = [2 * math.pi * n / corners for n in range(corners)]
        self.poly(role, *((x + r * math.cos(a), y + r * math.sin(a)) for a in turns))

    def ring(self, role: str, x: float, y: float, outer: float, inner: float) -> None:
        """A ring seen from its end: the outer disc, and the inner one laid over it."""
        self.disc(role, x, y, outer, 48)
        self.disc("race", x, y, inner, 48)

    def line(self, *points: Point, role: str = "edge") -> None:
        self.shapes.append(SectionShape(role, tuple(points), closed=False))

    def centre(self, start: Point, end: Point) -> None:
        self.line(start, end, role="centre")

    def arrow(self, start: Point, end: Point) -> None:
        """A force or a travel: from start to end, its head at the end."""
        turn = math.atan2(end[1] - start[1], end[0] - start[0])
        barbs = [
            (end[0] - HEAD * math.cos(turn + by), end[1] - HEAD * math.sin(turn + by)) for by in (0.5, -0.5)
        ]
        self.line(start, end)
        self.line(barbs[0], end, barbs[1])

    def dimension(self, start: Point, end: Point, text: str, side: int = 0) -> None:
        """A size between two faces; its words over the line, or beyond its right (+1) or left (−1) end."""
        upright = abs(end[0] - start[0]) < abs(end[1] - start[1])
        self.line(start, end)
        for x, y in (start, end):
            self.line((x - END, y), (x + END, y)) if upright else self.line((x, y - END), (x, y + END))
        wide = LETTER * len(text) + 8
        if side:
            x = max(start[0], end[0]) + END if side > 0 else min(start[0], end[0]) - END - wide
            self.words(text, x, (start[1] + end[1]) / 2 - LINE / 2)
        elif upright:
            self.words(text, start[0] + END, (start[1] + end[1]) / 2 - LINE / 2)
        else:
            self.words(text, (start[0] + end[0] - wide) / 2, start[1] - LINE - 3)

    def gauge(self, x: float, y: float, tip: Point) -> None:
        """A dial gauge: its face at (x, y) and its stem to the tip."""
        self.line((x, y), tip)
        self.disc("race", x, y, 13)
        self.line((x, y), (x + 6, y - 7))

    def words(self, text: str, x: float, y: float) -> None:
        self.labels.append(SectionLabel(text, x, y, LETTER * len(text) + 8, LINE))

    def lines(self, texts: Sequence[str], x: float, y: float) -> None:
        for n, text in enumerate(texts):
            self.words(text, x, y + n * LINE)

    def scene(self) -> Section:
        return Section(self.label, self.wide, self.high, tuple(self.shapes), labels=tuple(self.labels))
