"""The report's own faces, each made known to the PDF library when its script is first met."""

from __future__ import annotations

import io
import unicodedata
from functools import cache
from importlib import resources

from reportlab.pdfbase import pdfmetrics
from reportlab.pdfbase.ttfonts import TTFont

from bornek.report.paint import BOLD, PLAIN

FILES = {
    PLAIN: "bornek-sans-regular",
    BOLD: "bornek-sans-bold",
    "Bornek-Math": "noto-sans-math",
    "Bornek-More": "noto-sans",
    "Bornek-Hebrew": "noto-sans-hebrew",
    "Bornek-Arabic": "noto-sans-arabic",
    "Bornek-Devanagari": "noto-sans-devanagari",
    "Bornek-Thai": "noto-sans-thai",
    "Bornek-East": "droid-sans-fallback",
    "Bornek-Korean": "bornek-korean",
}
"""Latin, Greek and Cyrillic beyond the main face stand in More; Chinese and
Japanese in East."""
MORE = "Bornek-More"
SCRIPTS = (
    ((0x0590, 0x05FF), "Bornek-Hebrew"),
    ((0xFB1D, 0xFB4F), "Bornek-Hebrew"),
    ((0x0600, 0x08FF), "Bornek-Arabic"),
    ((0xFB50, 0xFDFF), "Bornek-Arabic"),
    ((0xFE70, 0xFEFC), "Bornek-Arabic"),
    ((0x0900, 0x097F), "Bornek-Devanagari"),
    ((0x0E00, 0x0E7F), "Bornek-Thai"),
    ((0x1100, 0x11FF), "Bornek-Korean"),
    ((0x3130, 0x318F), "Bornek-Korean"),
    ((0xAC00, 0xD7AF), "Bornek-Korean"),
    ((0x2E80, 0x9FFF), "Bornek-East"),
    ((0xF900, 0xFAFF), "Bornek-East"),
    ((0xFF00, 0xFFEF), "Bornek-East"),
)
SHAPED = frozenset({"Bornek-Arabic", "Bornek-Devanagari", "Bornek-Thai", "Bornek-Hebrew"})
"""Faces whose signs take another form or place beside others."""


def use_fonts() -> None:
    """The two faces that every sheet is set in."""
    face(PLAIN), face(BOLD)


@cache
def face(name: str) -> TTFont:
    data = resources.files("bornek.report").joinpath(f"fonts/{FILES[name]}.ttf").read_bytes()
    font = TTFont(name, io.BytesIO(data), shapable=name in SHAPED)
    pdfmetrics.registerFont(font)
    return font


def has(name: str, sign: str) -> bool:
    """Whether a face has a sign."""
    return ord(sign) in face(name).face.charToGlyph


def face_for(sign: str, main: str, before: str = "") -> str:
    """The face that a sign is set in; empty if none has it. A mark stays with the letter `before` it.

    >>> face_for("ש", PLAIN), face_for("a", BOLD), face_for("\\u2603", PLAIN)
    ('Bornek-Hebrew', 'Bornek-Bold', '')
    """
    if before and unicodedata.category(sign).startswith("M") and has(before, sign):
        return before
    own = next((name for (lo, hi), name in SCRIPTS if lo <= ord(sign) <= hi), "")
    tried = [own] if own else []
    tried += [main, "Bornek-Math", MORE]
    if own == "Bornek-Korean" or not own:
        tried.append("Bornek-East")
    return next((name for name in tried if has(name, sign)), "")
