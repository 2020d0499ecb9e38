"""The section as vectors, for the PDF and as SVG, from the same scene that the page draws."""

from __future__ import annotations

from typing import Any

from reportlab.graphics import renderSVG
from reportlab.graphics.shapes import Drawing, Group, Line, Polygon, PolyLine, Rect

from bornek.report.any_script import words_at
from bornek.report.fonts_in import use_fonts
from bornek.report.paint import (
    CUT,
    GROUND,
    HAIR,
    INK,
    INK_2,
    PLATE,
    STEEL,
    WHITE,
    YELLOW,
    verdict_fill,
)

FILL = {
    "cut": CUT,
    "half": CUT,
    "part": STEEL,
    "shaft": STEEL,
    "race": PLATE,
    "roller": HAIR,
    "seal": INK,
    "shim": PLATE,
}
HATCH = 9.0
Scene = dict[str, Any]


def draw_section(scene: Scene, width: float) -> Drawing:
    """The whole sheet scaled to `width`."""
    k = width / scene["width"]
    d = Drawing(width, scene["height"] * k)
    g = Group(transform=(k, 0, 0, -k, 0, scene["height"] * k))
    g.add(Rect(0, 0, scene["width"], scene["height"], fillColor=GROUND, strokeColor=None))
    for shape in scene["shapes"]:
        _shape(g, shape, scene["moved"])
    for line in scene.get("flow", ()):
        points = [x for p in line for x in p]
        g.add(PolyLine(points, strokeColor=GROUND, strokeWidth=9))
        g.add(PolyLine(points, strokeColor=INK, strokeWidth=5))
    d.add(g)
    for label in scene["labels"]:
        if label.get("leader"):
            (x0, y0), (x1, y1) = label["leader"]
            d.add(
                Line(
                    x0 * k, (scene["height"] - y0) * k, x1 * k, (scene["height"] - y1) * k, strokeColor=INK_2
                )
            )
        d.add(
            words_at(
                (label["x"] + 4) * k,
                (scene["height"] - label["y"] - label["h"] * 0.75) * k,
                label["text"],
                15 * k,
                colour=INK_2,
            )
        )
    for flag in scene["flags"]:
        _flag(d, flag, scene["height"], k)
    return d


def _shape(g: Group, shape: Scene, moved: list[str]) -> None:
    points = [x for p in shape["points"] for x in p]
    role = shape["role"]
    if not shape["closed"]:
        g.add(
            PolyLine(
                points,
                strokeColor=INK if role == "edge" else INK_2,
                strokeWidth=1.2,
                strokeDashArray=[9, 3, 2, 3] if role == "centre" else None,
            )
        )
        return
    if role == "bore":
        g.add(Polygon(points, fillColor=None, strokeColor=INK, strokeWidth=1.2))
        return
    fill = YELLOW if role == "shim" and shape["part"] in moved else FILL.get(role, STEEL)
    g.add(Polygon(points, fillColor=fill, strokeColor=INK, strokeWidth=1.2 if role == "shim" else 2))
    if role in ("cut", "half"):
        for line in hatch(shape["points"], role == "half"):
            g.add(Line(*line, strokeColor=INK_2, strokeWidth=0.6))


def hatch(points: list[list[float]], other: bool = False) -> list[tuple[float, float, float, float]]:
    """45° lines over the box of the points, or 135°: a cut housing is always drawn as boxes."""
    x0, x1 = min(p[0] for p in points), max(p[0] for p in points)
    y0, y1 = min(p[1] for p in points), max(p[1] for p in points)
    lines, c = [], (int((x0 + y0) // HATCH) + 1) * HATCH
    while c < x1 + y1:
        a, b = max(x0, c - y1), min(x1, c - y0)
        if b > a:
            lines.append((a, c - a, b, c - b))
        c += HATCH
    turned = [(x0 + x1 - a, b, x0 + x1 - c, e) for a, b, c, e in lines]
    return turned if other else lines


def _flag(d: Drawing, flag: Scene, height: float, k: float) -> None:
    x, y, w, h = flag["x"] * k, (height - flag["y"] - flag["h"]) * k, flag["w"] * k, flag["h"] * k
    (sx, sy), (lx, ly) = flag["spot"], flag["leader"]
    d.add(
        Line(
            sx * k,
            (height - sy) * k,
            lx * k,
            (height - ly) * k,
            strokeColor=INK,
            strokeWidth=1.2,
        )
    )
    d.add(Rect(sx * k - 2.5, (height - sy) * k - 2.5, 5, 5, rx=2.5, ry=2.5, fillColor=WHITE, strokeColor=INK))
    d.add(Rect(x, y, w, h, fillColor=PLATE, strokeColor=INK, strokeWidth=1.2))
    d.add(words_at(x + w * 0.16, y + h / 2 - 7 * k, str(flag["number"]), 22 * k, True, "middle"))
    state = verdict_fill(flag["state"])
    if state is not None:
        d.add(Rect(x + w * 0.32, y, w * 0.68, h, fillColor=state, strokeColor=INK, strokeWidth=1.2))
    words = flag["words"] or "no setting"
    size = min(15 * k, w * 0.62 / max(len(words) * 0.6, 1))
    d.add(
        words_at(
            x + w * 0.66,
            y + h / 2 - size / 3,
            words,
            size,
            False,
            "middle",
            WHITE if state is not None else INK,
        )
    )


def section_svg(scene: Scene) -> str:
    """The section as a scalable file of its own."""
    use_fonts()
    svg: str = renderSVG.drawToString(draw_section(scene, 1100))
    return svg
