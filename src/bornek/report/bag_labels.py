"""A sheet of bag labels: each with its code in words and as a square code that a camera reads."""

from __future__ import annotations

import io
from typing import Any

from reportlab.graphics import renderPDF
from reportlab.graphics.barcode.qr import QrCodeWidget
from reportlab.graphics.shapes import Drawing
from reportlab.lib.pagesizes import A4
from reportlab.pdfgen.canvas import Canvas

from bornek.core.errors import InputError
from bornek.report.fonts_in import use_fonts
from bornek.report.lettering import cut, draw_line
from bornek.report.paint import INK, INK_2

COLUMNS, ROWS = 2, 6
MARGIN = 36.0
WIDE, HIGH = (A4[0] - 2 * MARGIN) / COLUMNS, (A4[1] - 2 * MARGIN) / ROWS
CODE = 84.0
MOST_LINES = 5


def bag_labels_pdf(strip: dict[str, Any]) -> bytes:
    """One label a bag. Raises InputError when nothing lies in a bag yet."""
    bags: dict[str, list[dict[str, Any]]] = {}
    for r in strip["removals"]:
        if r["bag"]:
            bags.setdefault(r["bag_code"], []).append(r)
    if not bags:
        raise InputError(
            "Nothing lies in a bag yet.", field="bag", next_step="Give a removal its bag, then print."
        )
    use_fonts()
    out = io.BytesIO()
    canvas = Canvas(out, pagesize=A4, invariant=1)
    canvas.setTitle(f"Bag labels {strip['job']['tag']}")
    for n, (code, removals) in enumerate(bags.items()):
        at = n % (COLUMNS * ROWS)
        if n and not at:
            canvas.showPage()
        _label(
            canvas,
            MARGIN + (at % COLUMNS) * WIDE,
            A4[1] - MARGIN - (at // COLUMNS + 1) * HIGH,
            code,
            removals,
            strip["job"],
        )
    canvas.save()
    return out.getvalue()


def _label(
    canvas: Canvas, x: float, y: float, code: str, removals: list[dict[str, Any]], job: dict[str, Any]
) -> None:
    canvas.setStrokeColor(INK)
    canvas.rect(x + 4, y + 4, WIDE - 8, HIGH - 8)
    widget = QrCodeWidget(code, barLevel="M")
    x0, y0, x1, y1 = widget.getBounds()
    square = Drawing(CODE, CODE, transform=[CODE / (x1 - x0), 0, 0, CODE / (y1 - y0), 0, 0])
    square.add(widget)
    renderPDF.draw(square, canvas, x + WIDE - CODE - 10, y + HIGH - CODE - 10)
    room = WIDE - CODE - 30
    draw_line(canvas, x + 12, y + HIGH - 32, cut(code, 22, room, True), 22, True)
    draw_line(canvas, x + 12, y + HIGH - 44, cut(job["unit_name"], 8, room), 8, colour=INK_2)
    line = y + HIGH - 62
    for r in removals[:MOST_LINES]:
        many = f"{r['count']} × " if r["count"] > 1 else ""
        room_here = room if line > y + HIGH - CODE - 12 else WIDE - 24
        draw_line(canvas, x + 12, line, cut(f"{many}{r['label']}", 9.5, room_here, True), 9.5, True)
        words = "; ".join(
            w
            for w in (
                r["tag"],
                r["side"],
                r["orientation"],
                f"with {', '.join(r['mates'])}" if r["mates"] else "",
            )
            if w
        )
        if words:
            draw_line(canvas, x + 12, line - 9, cut(words, 8, room_here), 8)
            line -= 9
        line -= 12
    if len(removals) > MOST_LINES:
        draw_line(canvas, x + 12, line, f"and {len(removals) - MOST_LINES} more", 8)
