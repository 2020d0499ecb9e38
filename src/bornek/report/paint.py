"""Ink, faces and the few strokes that every drawing on paper is made of."""

from __future__ import annotations

import math
from typing import Any

from reportlab.graphics.shapes import Line, Rect
from reportlab.lib.colors import Color, HexColor

from bornek.core.looks import VERDICTS, colour

INK, INK_2, WHITE = HexColor(colour("ink")), HexColor(colour("ink-2")), HexColor(colour("scribe"))
STEEL, CUT, HAIR, LINE = (HexColor(colour(c)) for c in ("steel", "steel-2", "hair", "line"))
BLUE, TINT, YELLOW, RED = (HexColor(colour(c)) for c in ("blue", "blue-tint", "paint", "lead"))
PLATE, GROUND = HexColor(colour("plate")), HexColor(colour("ground"))
BY_ROLE = {"wanted": BLUE, "danger": RED}
PLAIN, BOLD = "Bornek", "Bornek-Bold"
PAD = 6.0
Scene = dict[str, Any]


class Scale:
    """Drawing units along the strip: the only geometry that a renderer does."""

    def __init__(self, lo: float, hi: float, width: float) -> None:
        self.lo, self.span, self.width = lo, hi - lo, width

    def __call__(self, at: float) -> float:
        share = min(max((at - self.lo) / self.span, 0.0), 1.0)
        return PAD + share * (self.width - 2 * PAD)


def stroke(
    x1: float,
    y1: float,
    x2: float,
    y2: float,
    width: float,
    colour: Color = INK,
    dash: list[int] | None = None,
) -> Line:
    return Line(x1, y1, x2, y2, strokeWidth=width, strokeColor=colour, strokeDashArray=dash)


def box(x: float, y: float, w: float, h: float, fill: Color, stroke: Color | None = None) -> Rect:
    return Rect(x, y, w, h, fillColor=fill, strokeColor=stroke, strokeWidth=1 if stroke else 0)


def verdict_fill(code: str) -> Color | None:
    """What a verdict's tag is painted in: the window's blue or red lead, else nothing."""
    look = VERDICTS.get(code)  # type: ignore[call-overload]
    return BY_ROLE.get(look.role) if look else None


def around(cx: float, cy: float, angle: float, far: float) -> tuple[float, float]:
    """A point so far from the middle, 0 up and clockwise."""
    turn = math.radians(angle)
    return cx + far * math.sin(turn), cy + far * math.cos(turn)
