"""Rows by bore, with the table, the row and its confidence named."""

from __future__ import annotations

import csv
import re
from dataclasses import dataclass
from functools import cache
from importlib import resources

from bornek.core.errors import InputError, RangeError

SMALL_CODES = {"00": 10.0, "01": 12.0, "02": 15.0, "03": 17.0}
GROUPS = ("C2", "CN", "C3", "C4", "C5")


@dataclass(frozen=True)
class Row:
    """One row of a table; `cells` by column, blanks left out."""

    table: str
    over_mm: float
    incl_mm: float
    cells: dict[str, str]

    @property
    def name(self) -> str:
        confidence = self.cells.get("confidence")
        tail = f", confidence {confidence}" if confidence else ""
        return f"table {self.table}, bore over {self.over_mm:g} to {self.incl_mm:g} mm{tail}"

    def number(self, column: str) -> float:
        if column not in self.cells:
            raise RangeError(f"{self.name} gives no {column}.", next_step="Use the maker's data.")
        return float(self.cells[column])


@cache
def rows(table: str) -> tuple[Row, ...]:
    text = resources.files(__package__).joinpath(f"{table}.csv").read_text(encoding="utf-8")
    return tuple(
        Row(table, float(r["bore_over_mm"]), float(r["bore_incl_mm"]), {k: v for k, v in r.items() if v})
        for r in csv.DictReader(text.splitlines())
    )


def row_for(table: str, bore_mm: float) -> Row:
    """The row that holds a bore; RangeError with the table's range outside it.

    >>> row_for("ric_spherical_tapered_bore", 90).number("CN_max_um")
    110.0
    """
    found = rows(table)
    for row in found:
        if row.over_mm < bore_mm <= row.incl_mm:
            return row
    raise RangeError(
        f"Bore {bore_mm:g} mm is outside table {table}: over {found[0].over_mm:g} to {found[-1].incl_mm:g} mm.",
        field="bore",
        next_step="Use the maker's data for this size.",
    )


SPHERICAL = ("213", "222", "223", "230", "231", "232", "238", "239", "240", "241", "248", "249")
"""Series of spherical roller bearings: in no other number is the end a bore code of one."""


@dataclass(frozen=True)
class Mark:
    """What a spherical roller bearing's mark says of itself; None where it says nothing."""

    bore_mm: float
    taper: int | None
    group: str | None


def mark_of(designation: str) -> Mark:
    """Bore, taper and clearance group from the mark itself: K is 1:12, K30 1:30, C2 to C5 the group.

    Refuses a number that is no spherical roller bearing's: in an inch taper bearing's the last digits are no
    bore code.

    >>> mark_of("24124 CCK30/C3")
    Mark(bore_mm=120.0, taper=30, group='C3')
    >>> mark_of("22218 EK").taper
    12
    """
    text = designation.upper().strip()
    series = re.match(r"(\d{3})(?:\d{2}\b|\d{2}[^\d]|/\d{2,4}|\d{2}$)", text)
    if series is None or series[1] not in SPHERICAL:
        raise InputError(
            f"{designation[:40]!r} is not the number of a spherical roller bearing: no bore can be read from it.",
            field="designation",
            next_step="Measure the bore and enter it; the numbers of inch and other bearings are no bore codes.",
        )
    tail = text[5:] if "/" not in text[:4] else text[4:]
    taper = 30 if "K30" in tail else 12 if "K" in tail else None
    group = re.search(r"(?<![A-Z0-9])C([2-5])(?!\d)", tail)
    return Mark(bore_of(text), taper, f"C{group[1]}" if group else None)


def bore_of(designation: str) -> float:
    """Bore in mm from a metric designation: last two digits × 5; 00 to 03 apart; /d as it stands.

    >>> bore_of("22218 EK"), bore_of("230/500"), bore_of("7203")
    (90.0, 500.0, 17.0)
    """
    slash = re.search(r"/(\d{2,4})\b", designation)
    if slash:
        return float(slash[1])
    digits = re.search(r"\d{4,5}", designation)
    if digits is None:
        raise InputError(
            f"No bore can be read from {designation!r}.",
            field="designation",
            next_step="Measure the bore and enter it.",
        )
    code = digits[0][-2:]
    bore = SMALL_CODES.get(code, int(code) * 5.0)
    if int(code) > 96:
        raise InputError(f"Bore code {code} is not used.", field="designation", next_step="Measure the bore.")
    return bore
