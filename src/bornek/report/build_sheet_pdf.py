"""The build sheet for whoever owns the unit: two pages that can be read without the trade."""

from __future__ import annotations

from typing import Any

from reportlab.platypus import Flowable

from bornek.report.fonts_in import use_fonts
from bornek.report.sheets import HEAD, SMALL, TITLE, WIDTH, document, grid, text

NAMED = (
    "Names are named, not authenticated. The maker's manual and local codes come first; what was set holds for the unit "
    "as it stood on the bench."
)


def sheet_as_pdf(sheet: dict[str, Any]) -> bytes:
    """What was wrong, what was done, what was set to what, what to watch."""
    use_fonts()
    title = f"{sheet['tag']} {sheet['unit_name']}"
    story: list[Flowable] = [
        text(f"{sheet['tag']}   {sheet['unit_name']}", TITLE),
        text(f"Serial {sheet['serial']} · on the bench at {sheet['yard']} since {sheet['received']}"),
        text(sheet["released"] or "Not released: it is still on the bench."),
        *_listed("What was wrong", [f"Complaint: {sheet['complaint'] or 'none given'}.", *sheet["wrong"]]),
        *_listed("What was done", sheet["done"]),
        *_settings(sheet["settings"]),
        *_listed("What to watch", sheet["watch"]),
        text(NAMED, SMALL),
        text(
            f"End of its record: {sheet['end'] or 'nothing'}. Keep this code: with it the yard's file can be shown to be the "
            "one of this day (bornek verify FILE --end CODE).",
            SMALL,
        ),
    ]
    return document(f"Build sheet {title}", title, story)


def _listed(title: str, lines: list[str]) -> list[Flowable]:
    return [text(title, HEAD), *(text(f"– {line}") for line in lines)] if lines else []


def _settings(lines: list[dict[str, str]]) -> list[Flowable]:
    if not lines:
        return []
    head = ["", "Found", "Left", "Wanted", "It is", "By"]
    rows = [[s["label"], s["found"], s["left"], s["wanted"], s["verdict"], s["by"]] for s in lines]
    return [text("What was set to what", HEAD), grid([head, *rows], [96, 92, 92, 96, 52, WIDTH - 428])]
