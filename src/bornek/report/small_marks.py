"""Circle, ladder, steps and table as PDF vectors, from the same scenes that the page draws."""

from __future__ import annotations

from reportlab.graphics.shapes import Circle, Drawing, PolyLine

from bornek.report.any_script import words_at, zone_head
from bornek.report.paint import (
    BLUE,
    HAIR,
    INK,
    INK_2,
    PAD,
    RED,
    STEEL,
    WHITE,
    Scene,
    around,
    box,
    stroke,
)

RADIUS = 62.0
ROW = 14.0
RUNG = 19.0


def draw_circle(scene: Scene, width: float) -> Drawing:
    """Around the shaft: what was read about its rim, each vector from the middle, 0 at the top, clockwise."""
    rays = scene["rays"]
    low = 14.0 * len(rays)
    d = Drawing(width, 2 * RADIUS + 52 + low)
    cx, cy = PAD + RADIUS + 34, RADIUS + 16 + low
    zone_head(d, f"{scene['label']}, {scene['unit']}", 2 * RADIUS + 42 + low)
    per = RADIUS / (scene["radius"] or 1)
    rim = (scene.get("rim") or scene["radius"]) * per
    d.add(Circle(cx, cy, rim, fillColor=STEEL, strokeColor=INK, strokeWidth=1.2))
    d.add(stroke(cx, cy + rim, cx, cy + rim + 7, 1.5))
    d.add(words_at(cx, cy + rim + 10, scene["zero_label"], 7, anchor="middle", colour=INK_2))
    for trace in scene.get("traces", ()):
        _trace(d, trace, cx, cy, per)
    for n, ray in enumerate(rays):
        x, y = around(cx, cy, ray["angle"], ray["r"] * per)
        d.add(stroke(cx, cy, x, y, 1.8))
        d.add(Circle(x, y, 3.4, fillColor=WHITE if n else INK, strokeColor=INK, strokeWidth=1.2))
        d.add(words_at(cx, low - 14 * n - 4, ray["label"], 7.5, True, "middle"))
    return d


def _trace(d: Drawing, trace: Scene, cx: float, cy: float, per: float) -> None:
    points = [around(cx, cy, angle, r * per) for angle, r in trace["points"]]
    flat = [v for p in (*points, points[0]) for v in p]
    dash = [3, 2.5] if trace["dashed"] else None
    d.add(PolyLine(flat, strokeColor=INK, strokeWidth=1.1, strokeDashArray=dash))
    for x, y in points:
        d.add(Circle(x, y, 1.7, fillColor=INK, strokeWidth=0))


def draw_ladder(scene: Scene, width: float) -> Drawing:
    """Positions that can be locked or reached, in order; those inside the window are blued."""
    lines: list[list[tuple[float, float, Scene]]] = [[]]
    x = PAD
    for rung in scene["rungs"]:
        wide = 8 + 4.6 * len(rung["label"])
        if x + wide > width - PAD and lines[-1]:
            lines.append([])
            x = PAD
        lines[-1].append((x, wide, rung))
        x += wide + 3
    d = Drawing(width, 16 + len(lines) * RUNG)
    zone_head(d, scene["label"], len(lines) * RUNG + 5)
    for n, line in enumerate(lines):
        y = (len(lines) - 1 - n) * RUNG
        for left, wide, rung in line:
            fill = {"wanted": BLUE, "now": INK}.get(rung["state"], WHITE)
            ink = INK_2 if rung["state"] == "barred" else INK if fill is WHITE else WHITE
            d.add(box(left, y, wide, RUNG - 4, fill, INK))
            d.add(words_at(left + wide / 2, y + 4.5, rung["label"], 7.5, anchor="middle", colour=ink))
            if rung["state"] == "barred":
                d.add(stroke(left + 3, y + 7, left + wide - 3, y + 7, 0.8))
    return d


def draw_steps(scene: Scene, width: float) -> Drawing:
    """A guarded sequence: done solid, live outlined heavily, stopped red, the rest dashed."""
    steps = scene["steps"]
    d = Drawing(width, 16 + len(steps) * ROW)
    zone_head(d, scene["label"], len(steps) * ROW + 5)
    for n, step in enumerate(steps):
        y = (len(steps) - 1 - n) * ROW
        state = step["state"]
        fill = {"done": INK, "live": INK, "stopped": RED}.get(state, WHITE)
        d.add(box(PAD, y + 1, 8, 8, fill, RED if state == "stopped" else INK))
        if state == "blocked":
            d.add(box(PAD, y + 1, 8, 8, WHITE, HAIR))
        tail = f" ({state})" if state in ("live", "stopped") else ""
        d.add(words_at(PAD + 14, y + 2, f"{step['label']}{tail} {step['words']}".strip(), 8, state == "live"))
    return d


def draw_table(scene: Scene, width: float) -> Drawing:
    """Rows under their heads; the row that is meant stands in the block."""
    head, rows = scene["head"], scene["rows"]
    d = Drawing(width, 18 + (len(rows) + 1) * ROW)
    step = min((width - 2 * PAD) / max(len(head), 1), 130.0)
    zone_head(d, scene["label"], (len(rows) + 1) * ROW + 6)
    for n, row in enumerate([head, *rows]):
        y = (len(rows) - n) * ROW
        here = n > 0 and n - 1 in scene["here"]
        if here:
            d.add(box(PAD - 2, y, step * len(head) + 2, ROW, INK))
        for c, cell in enumerate(row):
            d.add(words_at(PAD + c * step, y + 4, cell, 8, n == 0 or here, colour=WHITE if here else INK))
        d.add(stroke(PAD, y, PAD + step * len(head), y, 1.2 if n == 0 else 0.5, INK if n == 0 else HAIR))
    return d
