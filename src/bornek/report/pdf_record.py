"""The record of a job as a PDF build sheet."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from reportlab.platypus import Flowable, KeepTogether, Spacer

from bornek.report.drawers import draw
from bornek.report.fonts_in import use_fonts
from bornek.report.sheets import (
    HEAD,
    RED_WORDS,
    SMALL,
    TITLE,
    WIDTH,
    ZONE,
    document,
    grid,
    moment,
    text,
)

BROKEN = "This signature does not match what is kept: {}. Trust the printed record, not this one."


def record_pdf(record: dict[str, Any], now: datetime) -> bytes:
    """A build sheet: as found, every round, as left, the working, who and when."""
    use_fonts()
    job, zone = record["job"], record["zone"]
    title = f"{job['tag']} {job['unit_name']}"
    story: list[Flowable] = [
        text(f"{job['tag']}   {job['unit_name']}", TITLE),
        text(
            f"Serial {job['serial']} · received {moment(record['opened_at'], zone)} · printed {moment(now.isoformat(), zone)} "
            f"({record['yard']}, {zone})"
        ),
        text(f"Complaint: {job['complaint'] or 'none given'}"),
        text(
            "Names below are named, not authenticated, unless they say so. The maker's manual, the shop's rules and "
            "local codes come first.",
            SMALL,
        ),
        text(
            f"The rows of this job end at {record['end'] or 'nothing'}. Keep this code elsewhere: with it, "
            "bornek verify shows whether anything was changed since.",
            SMALL,
        ),
    ]
    if job["known"]:
        story.insert(3, text(f"Known: {job['known']}"))
    if job["section"]["shapes"]:
        story += [Spacer(0, 8), draw(job["section"], WIDTH)]
    story += _strip(record)
    for setting in record["settings"]:
        story += _setting(setting, zone)
    return document(f"Record {title}", title, story)


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
            story += [text(title, HEAD), grid(rows, [64, 140, WIDTH - 280, 76])]
    story += [draw(marks, WIDTH) for marks in record["train_drawn"]]
    painted = [f for f in record["flanks"] if f["patches"][0]["points"]]
    if painted:
        story += [text("Contact as found", ZONE), *(draw(f, WIDTH) for f in painted)]
    if record["draft"]:
        rows = [[str(s["number"]), s["label"], s["words"]] for s in record["draft"]]
        story += [text("First draft of the build order", ZONE), grid(rows, [30, 170, WIDTH - 200])]
    if record["photos"]:
        story += [text("Photos in the exchange file", ZONE), *(text(words) for words in record["photos"])]
    return story


def _setting(s: dict[str, Any], zone: str) -> list[Flowable]:
    sheet = s["sheet"]
    head = [
        text(f"{s['label']}: {sheet['verdict']['words'].upper()}", HEAD),
        grid(
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
            story += [text(title, ZONE), *(text(line) for line in lines)]
    return story


def _working(result: dict[str, Any]) -> list[Flowable]:
    lines = result["working"]["lines"]
    if not lines:
        return []
    rows = [[line["label"], line["sum"], line["result"]] for line in lines]
    sources = " ".join(result["working"]["sources"])
    return [
        text(f"Working: {result['label'].lower()}", ZONE),
        grid(rows, [110, WIDTH - 190, 80]),
        *([text(f"Window from: {sources}", SMALL)] if sources else []),
    ]


def _rounds(s: dict[str, Any], zone: str) -> list[Flowable]:
    rows = [
        [
            str(a["round"]),
            a["words"] + (f" ({a['remark']})" if a["remark"] else ""),
            a["by"],
            moment(a["at"], zone),
        ]
        for a in s["acts"]
    ]
    story: list[Flowable] = []
    if rows:
        story += [
            text("What was done", ZONE),
            grid([["Round", "", "By", "When"], *rows], [40, WIDTH - 210, 70, 100]),
        ]
    story += [text(words) for words in s["explanations"]]
    entries = [
        [
            str(e["round"]),
            e["label"],
            e["as_typed"] + (" (gauge)" if e["taken"] else ""),
            e["shown"],
            e["by"],
            moment(e["at"], zone),
            e["fate"],
        ]
        for e in s["entries"]
    ]
    if entries:
        head = ["Round", "Station", "As typed", "Value", "By", "When", ""]
        story += [text("Readings", ZONE), grid([head, *entries], [36, 112, 56, 56, 64, 112, WIDTH - 436])]
    return story


def _signed(s: dict[str, Any], zone: str) -> str:
    mark = s["signature"]
    if not mark:
        return "not signed"
    words = f"{mark['by']} ({mark['proof']}), {moment(mark['at'], zone)}"
    words += f"; {mark['remark']}" if mark["remark"] else ""
    words += "; disturbed since: read again" if mark["disturbed"] else ""
    if mark["not_held"]:
        words += f"; an older signature, it does not hold {', '.join(mark['not_held'])}"
    return f"{words}; seal {s['sha256'][:16]}"


def _broken(mark: dict[str, Any] | None) -> list[Flowable]:
    """In red: a signature that does not match what is kept."""
    broken = mark["broken"] if mark else []
    return [text(BROKEN.format("; ".join(broken)), RED_WORDS)] if broken else []
