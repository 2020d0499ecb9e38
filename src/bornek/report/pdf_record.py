"""The record of a job as a PDF build sheet."""

from __future__ import annotations

import io
from datetime import datetime
from functools import lru_cache
from typing import Any
from xml.sax.saxutils import escape
from zoneinfo import ZoneInfo

from reportlab.lib.pagesizes import A4
from reportlab.lib.styles import ParagraphStyle
from reportlab.platypus import Flowable, KeepTogether, Paragraph, SimpleDocTemplate, Spacer, Table, TableStyle

from bornek.report.any_script import TextBlock
from bornek.report.drawers import draw
from bornek.report.fonts_in import use_fonts
from bornek.report.lettering import cut, draw_line, plain, width_of
from bornek.report.paint import BOLD, HAIR, INK, INK_2, PLAIN, RED

WIDTH = A4[0] - 96
PADDING = 7
"""Points that a cell keeps free at its right."""
LONG_WORD = 24
"""Letters without a space that may be wider than a narrow column."""
_BODY = ParagraphStyle("body", fontName=PLAIN, fontSize=9, leading=12, textColor=INK)
_SMALL = ParagraphStyle("small", parent=_BODY, fontSize=8, leading=10.5, textColor=INK_2)
_RED = ParagraphStyle("red", parent=_BODY, fontName=BOLD, fontSize=10, leading=13, textColor=RED)
_HEAD = ParagraphStyle("head", parent=_BODY, fontName=BOLD, fontSize=13, leading=17, spaceBefore=10)
_TITLE = ParagraphStyle("title", parent=_HEAD, fontSize=20, leading=25)
_ZONE = ParagraphStyle("zone", parent=_HEAD, fontSize=10, leading=13, spaceBefore=6)

BROKEN = "This signature does not match what is kept: {}. Trust the printed record, not this one."


def _text(words: str, style: ParagraphStyle = _BODY) -> Flowable:
    """A paragraph; one that the main face has not every sign of, or a single long word, is set sign by sign."""
    longest = max(map(len, words.split()), default=0)
    if longest <= LONG_WORD and plain(words, style.fontName == BOLD):
        return Paragraph(escape(words), style)
    return TextBlock(words, style)


def record_pdf(record: dict[str, Any], now: datetime) -> bytes:
    """A build sheet: as found, every round, as left, the working, who and when."""
    use_fonts()
    job, zone = record["job"], record["zone"]
    out = io.BytesIO()
    title = f"{job['tag']} {job['unit_name']}"
    doc = SimpleDocTemplate(
        out,
        pagesize=A4,
        leftMargin=48,
        rightMargin=48,
        topMargin=44,
        bottomMargin=52,
        title=f"Record {title}",
        author="Bornek",
    )
    story: list[Flowable] = [
        _text(f"{job['tag']}   {job['unit_name']}", _TITLE),
        _text(
            f"Serial {job['serial']} · received {_day(record['opened_at'], zone)} · printed {_day(now.isoformat(), zone)} "
            f"({record['yard']}, {zone})"
        ),
        _text(f"Complaint: {job['complaint'] or 'none given'}"),
        _text(
            "Names below are named, not authenticated. The maker's manual, the shop's rules and local "
            "codes come first.",
            _SMALL,
        ),
        _text(
            f"The rows of this job end at {record['end'] or 'nothing'}. Keep this code elsewhere: with it, "
            "bornek verify shows whether anything was changed since.",
            _SMALL,
        ),
    ]
    if job["known"]:
        story.insert(3, _text(f"Known: {job['known']}"))
    if job["section"]["shapes"]:
        story += [Spacer(0, 8), draw(job["section"], WIDTH)]
    story += _strip(record)
    for setting in record["settings"]:
        story += _setting(setting, zone)
    doc.build(story, onFirstPage=_foot(title), onLaterPages=_foot(title))
    return out.getvalue()


def _strip(record: dict[str, Any]) -> list[Flowable]:
    """As found, what came off, what lay loose, and the first draft of the build."""
    story: list[Flowable] = []
    for title, key in (
        ("Receiving and closing", "about"),
        ("Strip", "strip"),
        ("Inspection", "inspection"),
        ("Build, as it was worked", "build"),
        ("Fits: heat, press, torque", "fits"),
        ("Gear train: turns, levers, timing marks", "train"),
        ("Last look, run-in, release", "prove"),
    ):
        if record[key]:
            rows = [[x["zone"], x["label"], x["words"], x["by"]] for x in record[key]]
            story += [_text(title, _HEAD), _grid(rows, [64, 140, WIDTH - 280, 76])]
    story += [draw(marks, WIDTH) for marks in record["train_drawn"]]
    painted = [f for f in record["flanks"] if f["patches"][0]["points"]]
    if painted:
        story += [_text("Contact as found", _ZONE), *(draw(f, WIDTH) for f in painted)]
    if record["draft"]:
        rows = [[str(s["number"]), s["label"], s["words"]] for s in record["draft"]]
        story += [_text("First draft of the build order", _ZONE), _grid(rows, [30, 170, WIDTH - 200])]
    if record["photos"]:
        story += [_text("Photos in the exchange file", _ZONE), *(_text(words) for words in record["photos"])]
    return story


def _foot(title: str) -> Any:
    def paint(canvas: Any, _doc: Any) -> None:
        draw_line(canvas, 48, 30, cut(title, 8, WIDTH - 80), 8, colour=INK_2)
        draw_line(canvas, A4[0] - 48, 30, f"page {canvas.getPageNumber()}", 8, anchor="end", colour=INK_2)

    return paint


def _setting(s: dict[str, Any], zone: str) -> list[Flowable]:
    sheet = s["sheet"]
    head = [
        _text(f"{s['label']}: {sheet['verdict']['words'].upper()}", _HEAD),
        _grid(
            [["As found", s["as_found"]], ["As left", s["as_left"]], ["Signed", _signed(s, zone)]],
            [70, WIDTH - 70],
        ),
        *_broken(s["signature"]),
        Spacer(0, 6),
    ]
    drawn = [draw(scene, WIDTH) for scene in sheet["scenes"]]
    story: list[Flowable] = [KeepTogether([*head, *drawn[:1]]), *drawn[1:]]
    for result in sheet["outcome"]["results"]:
        story += _working(result)
    story += _rounds(s, zone)
    for title, lines in (
        ("Not verified", sheet["unverified"]),
        ("Temporary: out before Prove", sheet["temporary"]),
    ):
        if lines:
            story += [_text(title, _ZONE), *(_text(line) for line in lines)]
    return story


def _working(result: dict[str, Any]) -> list[Flowable]:
    lines = result["working"]["lines"]
    if not lines:
        return []
    rows = [[line["label"], line["sum"], line["result"]] for line in lines]
    sources = " ".join(result["working"]["sources"])
    return [
        _text(f"Working: {result['label'].lower()}", _ZONE),
        _grid(rows, [110, WIDTH - 190, 80]),
        *([_text(f"Window from: {sources}", _SMALL)] if sources else []),
    ]


def _rounds(s: dict[str, Any], zone: str) -> list[Flowable]:
    rows = [
        [
            str(a["round"]),
            a["words"] + (f" ({a['remark']})" if a["remark"] else ""),
            a["by"],
            _day(a["at"], zone),
        ]
        for a in s["acts"]
    ]
    story: list[Flowable] = []
    if rows:
        story += [
            _text("What was done", _ZONE),
            _grid([["Round", "", "By", "When"], *rows], [40, WIDTH - 210, 70, 100]),
        ]
    story += [_text(words) for words in s["explanations"]]
    entries = [
        [str(e["round"]), e["label"], e["as_typed"], e["shown"], e["by"], _day(e["at"], zone), e["fate"]]
        for e in s["entries"]
    ]
    if entries:
        head = ["Round", "Station", "As typed", "Value", "By", "When", ""]
        story += [_text("Readings", _ZONE), _grid([head, *entries], [36, 112, 56, 56, 64, 112, WIDTH - 436])]
    return story


def _grid(rows: list[list[str]], widths: list[float]) -> Table:
    cells = [[_cell(words, width) for words, width in zip(row, widths, strict=True)] for row in rows]
    table = Table(cells, widths, hAlign="LEFT", repeatRows=0)
    table.setStyle(
        TableStyle(
            [
                ("FONT", (0, 0), (-1, -1), PLAIN, _BODY.fontSize, _BODY.leading),
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
    return line if _fits(line, width - PADDING) else _text(words)


@lru_cache(maxsize=4096)
def _fits(line: str, width: float) -> bool:
    return plain(line) and width_of(line, _BODY.fontSize) <= width


def _signed(s: dict[str, Any], zone: str) -> str:
    mark = s["signature"]
    if not mark:
        return "not signed"
    words = f"{mark['by']} (named, not authenticated), {_day(mark['at'], zone)}"
    words += f"; {mark['remark']}" if mark["remark"] else ""
    words += "; disturbed since: read again" if mark["disturbed"] else ""
    if mark["not_held"]:
        words += f"; an older signature, it does not hold {', '.join(mark['not_held'])}"
    return f"{words}; seal {s['sha256'][:16]}"


def _broken(mark: dict[str, Any] | None) -> list[Flowable]:
    """In red: a signature that does not match what is kept."""
    broken = mark["broken"] if mark else []
    return [_text(BROKEN.format("; ".join(broken)), _RED)] if broken else []


def _day(stamp: str, zone: str) -> str:
    """A moment as the clock on the yard's wall says it."""
    return datetime.fromisoformat(stamp).astimezone(ZoneInfo(zone)).strftime("%Y-%m-%d %H:%M")
