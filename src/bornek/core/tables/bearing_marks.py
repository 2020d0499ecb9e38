"""What a metric rolling bearing's mark says: which sort it is, its bore, its clearance group, and where that fails."""

from __future__ import annotations

import re
from dataclasses import dataclass

from bornek.core.errors import InputError
from bornek.core.tables.lookup import SPHERICAL, bore_of

SORTS = {
    "ball": "ric_deep_groove_ball",
    "cylindrical": "ric_cylindrical_roller_cylindrical_bore",
    "spherical": "ric_spherical_cylindrical_bore",
    "spherical_taper": "ric_spherical_tapered_bore",
}
"""The table of clearance groups of each sort."""
BALL = re.compile(r"^(60|62|63|64|16|618|619|608|623|624|625|626|627|628|629)")
ROLLER = re.compile(r"^(NUP|NU|NJ|NNU|NN|NF|N)\s?\d")
SMALL_BALLS = re.compile(r"^(60|61|62|63)(\d)(?!\d)")
"""Ball bearings below 10 mm end in their bore: 608, 623."""
INCH = re.compile(r"^(LM|HM|JL|L|M|H)?\d{5,6}(/\d{5,6})?$")


@dataclass(frozen=True)
class BearingMark:
    """`sort` is empty where the mark does not tell it."""

    bore_mm: float
    sort: str
    group: str


def read_mark(designation: str) -> BearingMark:
    """Bore, sort and clearance group of a metric mark; inch numbers carry no bore code and are refused.

    Source: ISO numbering, last two digits × 5 (00 to 03 apart, /d as it stands), C2 to C5 as marked, none is CN.

    >>> read_mark("6204"), read_mark("NU 2310 C3").bore_mm
    (BearingMark(bore_mm=20.0, sort='ball', group='CN'), 50.0)
    >>> read_mark("22218 EK/C3").sort, read_mark("608").bore_mm, read_mark("62/22").bore_mm
    ('spherical_taper', 8.0, 22.0)
    """
    text = designation.upper().strip()
    if INCH.match(text.replace(" ", "")) and text[:3] not in SPHERICAL:
        raise InputError(
            f"{designation[:40]!r} looks like an inch bearing's number: no bore can be read from it.",
            field="designation",
            next_step="Measure the bore and enter it.",
        )
    marked = re.search(r"(?<![A-Z0-9])C([2-5])(?!\d)", text)
    group = f"C{marked[1]}" if marked else "CN"
    small = SMALL_BALLS.match(text)
    if small is not None:
        return BearingMark(float(small[2]), "ball", group)
    return BearingMark(bore_of(text), _sort(text), group)


def _sort(text: str) -> str:
    if text[:3] in SPHERICAL:
        return "spherical_taper" if re.search(r"K(30)?(?![A-Z])", text[5:]) else "spherical"
    if ROLLER.match(text):
        return "cylindrical"
    return "ball" if BALL.match(text) else ""
