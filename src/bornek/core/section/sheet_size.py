"""The sheet of a section: as a page shows it whole, wider or higher where the unit would become too small."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from bornek.core.scenes import SectionShape

Point = tuple[float, float]
WIDTH, HEIGHT = 880.0, 530.0
ROUND, OVER = 140.0, 75.0
"""Room beside and above the drawing for flags and names."""
MOST_SCALE, LEAST_SCALE = 1.35, 0.42
FLAG_AREA = 104.0 * 54.0 * 5.0
"""A flag with room round it and for its leader."""


@dataclass(frozen=True)
class Sheet:
    """`scale` and shift from the drawing's lengths to a sheet of `width` by `height`."""

    width: float = WIDTH
    height: float = HEIGHT
    scale: float = 1.0
    dx: float = 0.0
    dy: float = 0.0

    def move(self, p: Point) -> Point:
        return round(self.scale * p[0] + self.dx, 1), round(self.scale * p[1] + self.dy, 1)

    def grown(self) -> Sheet:
        """A higher one with the drawing in its middle."""
        more = max(self.height * 0.25, 120.0)
        return Sheet(self.width, self.height + more, self.scale, self.dx, self.dy + more / 2)


def fit_sheet(shapes: Sequence[SectionShape], flags: int) -> Sheet:
    """The scale and shift that put everything drawn in the middle of a sheet that holds so many flags."""
    xs = [p[0] for s in shapes for p in s.points]
    ys = [p[1] for s in shapes for p in s.points]
    wide, high = max(max(xs) - min(xs), 1.0), max(max(ys) - min(ys), 1.0)
    scale = min((WIDTH - ROUND) / wide, (HEIGHT - OVER) / high, MOST_SCALE)
    scale = max(scale, LEAST_SCALE)
    width = max(WIDTH, math.ceil(scale * wide + ROUND))
    height = max(HEIGHT, math.ceil(scale * high + OVER), math.ceil(flags * FLAG_AREA / width))
    dx, dy = (width - scale * wide) / 2 - scale * min(xs), (height - scale * high) / 2 - scale * min(ys)
    return Sheet(float(width), float(height), scale, dx, dy)
