"""The tooth flank as vectors: toe left, heel right, tip up; wanted, painted, and what was expected."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from reportlab.graphics.shapes import Circle, Drawing, Polygon, PolyLine, Rect

from bornek.report.any_script import words_at
from bornek.report.paint import BLUE, CUT, HAIR, INK, INK_2, STEEL, TINT, WHITE, YELLOW

TAPER = 0.22
CELLS_ALONG, CELLS_UP = 24, 13


def flank_point(x: float, y: float, width: float, height: float, taper: float = TAPER) -> tuple[float, float]:
    """Flank shares (toe to heel, root to tip) on the tapered outline; y upward.

    >>> flank_point(1, 0.5, 100.0, 40.0)
    (100.0, 20.0)
    """
    half = height / 2 * (1 - taper * (1 - x))
    return width * x, height / 2 + (2 * y - 1) * half


def draw_flank(scene: dict[str, Any], width: float) -> Drawing:
    high = width * 0.34
    taper = float(scene.get("taper", TAPER))
    d = Drawing(width + 20, high + 26)

    def ring(points: Sequence[Sequence[float]]) -> list[float]:
        return [c for x, y in points for c in flank_point(x, y, width, high, taper)]

    corners = ((0, 0), (1, 0), (1, 1), (0, 1))
    d.add(Polygon(ring(corners), fillColor=STEEL, strokeColor=INK, strokeWidth=1.5))
    if scene.get("reach"):
        d.add(Polygon(ring([*scene["reach"], (1, 0), (0, 0)]), fillColor=CUT, strokeColor=None))
        d.add(PolyLine(ring(scene["reach"]), strokeColor=INK_2, strokeWidth=0.5))
    for patch in sorted(scene["patches"], key=lambda p: ORDER.index(p["role"])):
        fill, edge = (TINT, BLUE) if patch["role"] == "wanted" else (INK, HAIR)
        for x, y in patch["points"]:
            px, py = flank_point(x, y, width, high, taper)
            d.add(_cell(px, py, width, high, fill, edge))
        if patch.get("outline"):
            d.add(Polygon(ring(patch["outline"]), fillColor=None, strokeColor=INK, strokeWidth=3.2))
            d.add(Polygon(ring(patch["outline"]), fillColor=None, strokeColor=YELLOW, strokeWidth=1.8))
        if patch["centre"] and patch["role"] != "wanted":
            px, py = flank_point(patch["centre"][0], patch["centre"][1], width, high, taper)
            fill = YELLOW if patch["role"] == "predicted" else WHITE
            d.add(Circle(px, py, 3, fillColor=fill, strokeColor=INK))
    said = f"{scene['label']}, {scene['words']}" if scene.get("words") else scene["label"]
    d.add(words_at(0, high + 12, said, 9, True))
    d.add(words_at(2, high + 2, "toe, tip up", 7, colour=INK_2))
    d.add(words_at(width, high + 2, "heel", 7, anchor="end", colour=INK_2))
    return d


ORDER = ("wanted", "as_found", "painted", "predicted")


def _cell(px: float, py: float, width: float, high: float, fill: Any, edge: Any) -> Rect:
    wide, tall = width / CELLS_ALONG, high / CELLS_UP
    return Rect(px - wide / 2, py - tall / 2, wide, tall, fillColor=fill, strokeColor=edge, strokeWidth=0.2)
