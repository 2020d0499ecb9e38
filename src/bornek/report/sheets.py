"""What every sheet on paper is laid out with: styles, words in any script, grids, the foot, moments by the yard's clock."""

from __future__ import annotations

import io
from collections.abc import Sequence
from datetime import datetime
from functools import lru_cache
from typing import Any
from xml.sax.saxutils import escape
from zoneinfo import ZoneInfo

from reportlab.lib.pagesizes import A4
from reportlab.lib.styles import ParagraphStyle
from reportlab.platypus import Flowable, Paragraph, SimpleDocTemplate, Table, TableStyle

from bornek.report.any_script import TextBlock
from bornek.report.lettering import cut, draw_line, plain, width_of
from bornek.report.paint import BOLD, HAIR, INK, INK_2, PLAIN, RED

WIDTH = A4[0] - 96
PADDING = 7
"""Points that a cell keeps free at its right."""
LONG_WORD = 24
"""Letters without a space that may be wider than a narrow column."""
BODY = ParagraphStyle("body", fontName=PLAIN, fontSize=9, leading=12, textColor=INK)
SMALL = ParagraphStyle("small", parent=BODY, fontSize=8, leading=10.5, textColor=INK_2)
RED_WORDS = ParagraphStyle("red", parent=BODY, fontName=BOLD, fontSize=10, leading=13, textColor=RED)
HEAD = ParagraphStyle("head", parent=BODY, fontName=BOLD, fontSize=13, leading=17, spaceBefore=10)
TITLE = ParagraphStyle("title", parent=HEAD, fontSize=20, leading=25)
ZONE = ParagraphStyle("zone", parent=HEAD, fontSize=10, leading=13, spaceBefore=6)


def text(words: str, style: ParagraphStyle = BODY) -> Flowable:
    """A paragraph; one that the main face has not every sign of, or a single long word, is set sign by sign."""
    longest = max(map(len, words.split()), default=0)
    if longest <= LONG_WORD and plain(words, style.fontName == BOLD):
        return Paragraph(escape(words), style)
    return TextBlock(words, style)


def foot(title: str) -> Any:
    def paint(canvas: Any, _doc: Any) -> None:
        draw_line(canvas, 48, 30, cut(title, 8, WIDTH - 80), 8, colour=INK_2)
        draw_line(canvas, A4[0] - 48, 30, f"page {canvas.getPageNumber()}", 8, anchor="end", colour=INK_2)

    return paint


def grid(rows: list[list[str]], widths: list[float]) -> Table:
    cells = [[_cell(words, width) for words, width in zip(row, widths, strict=True)] for row in rows]
    table = Table(cells, widths, hAlign="LEFT", repeatRows=0)
    table.setStyle(
        TableStyle(
            [
                ("FONT", (0, 0), (-1, -1), PLAIN, BODY.fontSize, BODY.leading),
                ("TEXTCOLOR", (0, 0), (-1, -1), INK),
                ("LINEBELOW", (0, 0), (-1, -1), 0.5, HAIR),
                ("VALIGN", (0, 0), (-1, -1), "TOP"),
                ("TOPPADDING", (0, 0), (-1, -1), 1.5),
                ("BOTTOMPADDING", (0, 0), (-1, -1), 2.5),
                ("LEFTPADDING", (0, 0), (-1, -1), 0),
            ]
        )
    )
    return table


def _cell(words: str, width: float) -> Flowable | str:
    """Words that fit in one line are set as they are: a paragraph of their own costs twenty times as much."""
    line = " ".join(words.split())
    return line if _fits(line, width - PADDING) else text(words)


@lru_cache(maxsize=4096)
def _fits(line: str, width: float) -> bool:
    return plain(line) and width_of(line, BODY.fontSize) <= width


def moment(stamp: str, zone: str) -> str:
    """A moment as the clock on the yard's wall says it."""
    return datetime.fromisoformat(stamp).astimezone(ZoneInfo(zone)).strftime("%Y-%m-%d %H:%M")


def document(name: str, title: str, story: Sequence[Flowable]) -> bytes:
    """A4 pages with the title and the page's number at their foot."""
    out = io.BytesIO()
    doc = SimpleDocTemplate(
        out,
        pagesize=A4,
        leftMargin=48,
        rightMargin=48,
        topMargin=44,
        bottomMargin=52,
        title=name,
        author="Bornek",
    )
    doc.build(list(story), onFirstPage=foot(title), onLaterPages=foot(title))
    return out.getvalue()
