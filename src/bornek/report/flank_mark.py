"""The tooth flank as vectors: toe left, heel right, tip up, what was painted as found."""

from __future__ import annotations

from typing import Any

from reportlab.graphics.shapes import Circle, Drawing, Polygon, Rect

from bornek.report.any_script import words_at
from bornek.report.paint import (
    HAIR,
    INK,
    INK_2,
    STEEL,
    WHITE,
)

TAPER = 0.22


def flank_point(x: float, y: float, width: float, height: float) -> tuple[float, float]:
    """Flank shares (toe to heel, root to tip) on the tapered outline; y upward.

    >>> flank_point(1, 0.5, 100, 40)
    (100.0, 20.0)
    """
    half = height / 2 * (1 - TAPER * (1 - x))
    return width * x, height / 2 + (2 * y - 1) * half


def draw_flank(scene: dict[str, Any], width: float) -> Drawing:
    high = width * 0.34
    d = Drawing(width + 20, high + 26)
    outline = [c for x, y in ((0, 0), (1, 0), (1, 1), (0, 1)) for c in flank_point(x, y, width, high)]
    d.add(Polygon(outline, fillColor=STEEL, strokeColor=INK, strokeWidth=1.5))
    for patch in scene["patches"]:
        for x, y in patch["points"]:
            px, py = flank_point(x, y, width, high)
            d.add(
                Rect(
                    px - width / 48,
                    py - high / 26,
                    width / 24,
                    high / 13,
                    fillColor=INK,
                    strokeColor=HAIR,
                    strokeWidth=0.2,
                )
            )
        if patch["centre"]:
            px, py = flank_point(patch["centre"][0], patch["centre"][1], width, high)
            d.add(Circle(px, py, 3, fillColor=WHITE, strokeColor=INK))
    d.add(words_at(0, high + 12, scene["label"], 9, True))
    d.add(words_at(2, high + 2, "toe, tip up", 7, colour=INK_2))
    d.add(words_at(width, high + 2, "heel", 7, anchor="end", colour=INK_2))
    return d
