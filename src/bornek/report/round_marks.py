"""Bolts in their order and a gauge's face as PDF vectors, from the same scenes that the page draws."""

from __future__ import annotations

import itertools
import math

from reportlab.graphics.shapes import Circle, Drawing, Wedge

from bornek.report.any_script import words_at, zone_head
from bornek.report.paint import BLUE, INK, INK_2, RED, STEEL, WHITE, YELLOW, Scene, stroke

UNIT = 62.0
"""One radius of the drawing on paper."""
FACE, RIM = 78.0, 14.0


def draw_bolts(scene: Scene, width: float) -> Drawing:
    """Each bolt with its place in the order; the first is handled first."""
    half_w = min(scene["half_w"] * UNIT, width / 2 - 4)
    scale = half_w / scene["half_w"]
    half_h = scene["half_h"] * scale
    d = Drawing(width, 2 * half_h + 32)
    cx, cy = half_w + 4, half_h + 16
    zone_head(d, scene["label"], 2 * half_h + 22)
    places = [(cx + b["x"] * scale, cy - b["y"] * scale) for b in scene["discs"]]
    for (x1, y1), (x2, y2) in itertools.pairwise(places):
        d.add(stroke(x1, y1, x2, y2, 0.6, INK_2, [2, 2]))
    for b, (x, y) in zip(scene["discs"], places, strict=True):
        r = b["r"] * scale
        d.add(
            Circle(x, y, r, fillColor=YELLOW if b["number"] == 1 else WHITE, strokeColor=INK, strokeWidth=1)
        )
        d.add(words_at(x, y - r * 0.36, str(b["number"]), r, True, "middle"))
    d.add(words_at(4, 3, ", ".join(scene["stages"]), 7.5, colour=INK_2))
    return d


def draw_dial(scene: Scene, width: float) -> Drawing:
    """The face: its own scale outside, the second inside, the wanted reading blue, beyond the red line red."""
    d = Drawing(width, 2 * FACE + 26)
    cx, cy = FACE + 10, FACE + 2
    zone_head(d, f"{scene['label']}, {scene['unit']}", 2 * FACE + 16)
    lo: float = scene["lo"]
    span: float = scene["hi"] - lo
    first, last = map(float, scene["sweep"])

    def turn(at: float) -> float:
        return 90 - (first + (last - first) * min(max((at - lo) / span, 0.0), 1.0))

    def ring(a: float, b: float, fill: object) -> Wedge:
        return Wedge(
            cx,
            cy,
            FACE,
            turn(b),
            turn(a),
            radius1=FACE - RIM,
            fillColor=fill,
            strokeColor=INK,
            strokeWidth=0.6,
        )

    d.add(ring(lo, scene["hi"], STEEL))
    if scene["window"]:
        d.add(ring(scene["window"]["lo"], scene["window"]["hi"], BLUE))
    if scene["stop"]:
        d.add(ring(scene["stop"]["lo"], scene["hi"], RED))
    for ticks, radius, size in (
        (scene["ticks"], FACE - RIM - 9, 7.5),
        (scene["inner"], FACE - RIM - 26, 6.5),
    ):
        for tick in ticks:
            if tick["label"]:
                at = math.radians(turn(tick["at"]))
                x, y = cx + radius * math.cos(at), cy + radius * math.sin(at)
                d.add(words_at(x, y - 2.5, tick["label"], size, size > 7, "middle"))
    if scene["needle"] is not None:
        at = math.radians(turn(scene["needle"]))
        d.add(stroke(cx, cy, cx + (FACE - RIM) * math.cos(at), cy + (FACE - RIM) * math.sin(at), 2.5))
    d.add(words_at(cx, cy - 26, f"inside: {scene['inner_unit']}", 6.5, anchor="middle", colour=INK_2))
    return d
