"""Gears in mesh and positions around a ring as PDF vectors, from the same scenes that the page draws."""

from __future__ import annotations

from reportlab.graphics.shapes import Circle, Drawing, Group, Polygon

from bornek.report.any_script import words_at, zone_head
from bornek.report.paint import BLUE, INK, INK_2, PAD, PLATE, STEEL, WHITE, YELLOW, Scene, around, box, stroke

RADIUS = 78.0
HOLE = 5.0
ROW = 13.0
STATES = {"wanted": BLUE, "now": INK, "move": YELLOW}


def draw_gears(scene: Scene, width: float) -> Drawing:
    """Outlines to scale; teeth that are to be painted stand in paint."""
    k = min(width / scene["width"], 0.75)
    names = ROW * len(scene["gears"])
    high = scene["height"] * k
    d = Drawing(width, high + names + 16)
    zone_head(d, scene["label"], high + names + 5)
    g = Group(transform=(k, 0, 0, -k, 0, high + names))
    for gear in scene["gears"]:
        g.add(Polygon(_flat(gear["outline"]), fillColor=STEEL, strokeColor=INK, strokeWidth=1.6))
        for tooth in gear["painted"]:
            g.add(Polygon(_flat(tooth), fillColor=YELLOW, strokeColor=INK, strokeWidth=1.6))
        g.add(Circle(*gear["middle"], gear["hub"], fillColor=PLATE, strokeColor=INK, strokeWidth=1.6))
    d.add(g)
    for n, gear in enumerate(scene["gears"], 1):
        x, y = gear["name_at"]
        d.add(words_at(x * k, high + names - y * k - 3, str(n), 9, True, "middle"))
        d.add(words_at(PAD, names - ROW * n + 3, f"{n} {gear['label']}", 8))
    return d


def _flat(points: list[list[float]]) -> list[float]:
    return [v for p in points for v in p]


def draw_ring(scene: Scene, width: float) -> Drawing:
    """Bolt holes around a cover, 0 at the top and clockwise, beside them what each gives."""
    rungs = scene["rungs"]
    high = max(2 * RADIUS + 40, ROW * len(rungs) + 8)
    d = Drawing(width, high + 16)
    zone_head(d, scene["label"], high + 5)
    cx, cy = PAD + RADIUS + 20, high / 2
    d.add(Circle(cx, cy, RADIUS, fillColor=STEEL, strokeColor=INK, strokeWidth=1.4))
    d.add(Circle(cx, cy, RADIUS * 0.4, fillColor=PLATE, strokeColor=INK, strokeWidth=1.4))
    d.add(words_at(cx, cy + RADIUS + 6, scene["zero"], 7, anchor="middle", colour=INK_2))
    if scene["throw"] is not None:
        d.add(stroke(cx, cy, *around(cx, cy, scene["throw"], RADIUS * 0.7), 2))
    left = PAD + 2 * RADIUS + 60
    for n, rung in enumerate(rungs):
        fill = STATES.get(rung["state"], WHITE)
        d.add(
            Circle(
                *around(cx, cy, rung["at"], RADIUS - 9),
                HOLE,
                fillColor=fill,
                strokeColor=INK,
                strokeWidth=1.2,
            )
        )
        d.add(words_at(*around(cx, cy, rung["at"], RADIUS - 23), rung["tag"], 6.5, anchor="middle"))
        y = high - ROW * (n + 1)
        d.add(box(left, y, 8, 8, fill, INK))
        d.add(words_at(left + 14, y + 1, rung["label"], 8, rung["state"] in ("now", "move")))
    return d
