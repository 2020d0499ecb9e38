"""Text of any script as the PDF library takes it: a block that wraps, and words in a drawing."""

from __future__ import annotations

from typing import Any

from reportlab.graphics.shapes import DirectDraw, Drawing, String
from reportlab.lib.colors import Color
from reportlab.lib.styles import ParagraphStyle
from reportlab.pdfgen.canvas import Canvas
from reportlab.platypus import Flowable

from bornek.report.lettering import draw_line, lines, plain, to_left
from bornek.report.paint import BOLD, INK, PAD, PLAIN


class TextBlock(Flowable):  # type: ignore[misc]
    """A paragraph in any script, set to the left or, where it runs to the left, to the right."""

    def __init__(self, text: str, style: ParagraphStyle) -> None:
        super().__init__()
        self.text, self.style = text, style
        self.bold = style.fontName == BOLD
        self.spaceBefore, self.spaceAfter = style.spaceBefore, style.spaceAfter

    def wrap(self, room: float, height: float) -> tuple[float, float]:
        self.lines = lines(self.text, self.style.fontSize, room, self.bold)
        self.room = room
        return room, len(self.lines) * self.style.leading

    def split(self, room: float, height: float) -> list[Flowable]:
        return []

    def draw(self) -> None:
        back = to_left(self.text)
        y = len(self.lines) * self.style.leading - self.style.fontSize
        for line in self.lines:
            draw_line(
                self.canv,
                self.room if back else 0.0,
                y,
                line,
                self.style.fontSize,
                self.bold,
                "end" if back else "start",
                self.style.textColor,
            )
            y -= self.style.leading


class Lettered(DirectDraw):  # type: ignore[misc]
    """Words of any script in a drawing: set on paper sign by sign; an SVG leaves that to who shows it."""

    def __init__(self, words: String) -> None:
        self.words = words

    def copy(self) -> Lettered:
        return Lettered(self.words)

    def drawDirectly(self, renderer: Any) -> None:  # noqa: N802
        words, canvas = self.words, renderer._canvas
        if not isinstance(canvas, Canvas):
            renderer.drawString(words)
            return
        bold = words.fontName == BOLD
        draw_line(
            canvas, words.x, words.y, words.text, words.fontSize, bold, words.textAnchor, words.fillColor
        )


def words_at(
    x: float,
    y: float,
    text: str,
    size: float = 8,
    bold: bool = False,
    anchor: str = "start",
    colour: Color = INK,
) -> String | Lettered:
    """Words in a drawing."""
    words = String(
        x, y, text, fontName=BOLD if bold else PLAIN, fontSize=size, textAnchor=anchor, fillColor=colour
    )
    return words if plain(text, bold) else Lettered(words)


def zone_head(d: Drawing, text: str, y: float) -> None:
    d.add(words_at(PAD, y, text, 8, True))
