"""Limits of size of shafts and holes by fit class."""

from __future__ import annotations

import csv
import re
from dataclasses import dataclass
from functools import cache
from importlib import resources

from bornek.core.errors import InputError, RangeError

_CLASS = re.compile(r"^(js|JS|[d-hj-npr-u]|[D-HJKMNPRS])(\d{1,2})\Z", re.ASCII)
_UPPER_GIVEN = "defgh"


@dataclass(frozen=True)
class SizeLimits:
    """Least and greatest size [mm] with the table rows they come from."""

    least: float
    greatest: float
    source: str


@cache
def _rows(table: str) -> tuple[dict[str, str], ...]:
    text = resources.files(__package__).joinpath(f"{table}.csv").read_text(encoding="utf-8")
    return tuple(csv.DictReader(text.splitlines()))


def _cell(table: str, nominal_mm: float, column: str, fit: str) -> float:
    row = next(
        (r for r in _rows(table) if float(r["size_over_mm"]) < nominal_mm <= float(r["size_incl_mm"])), None
    )
    if row is None or not row.get(column):
        raise RangeError(
            f"{table} gives nothing for {fit} at {nominal_mm:g} mm.",
            field="fit",
            next_step="Give the least and greatest size from the drawing.",
        )
    return float(row[column])


def limits_of(nominal_mm: float, fit: str) -> SizeLimits:
    """Least and greatest size of a fit class such as k6 (shaft) or H7 (hole).

    Equation: one deviation from the table, the other one grade (IT) away; js, JS: ± IT/2.
    Parameters: nominal_mm [mm], 0 to the table's end; small letter shaft, capital hole.
    Source: ISO 286 tables packaged with the core. Raises InputError for a class that is not one, RangeError
    where the tables give nothing (k above grade 7, J and K to N beyond grade 8).

    >>> limits_of(80, "k6").least, limits_of(80, "k6").greatest
    (80.002, 80.021)
    >>> limits_of(100, "H7").greatest
    100.035
    """
    match = _CLASS.match(fit.strip())
    if match is None:
        raise InputError(f"{fit!r} is not a fit class.", field="fit", next_step="Such as k6, h7, H7 or N7.")
    letter, grade = match.group(1), int(match.group(2))
    width = _cell("iso286_it", nominal_mm, f"IT{grade}_um", fit)
    low_um, high_um = (
        (-width / 2, width / 2)
        if letter in ("js", "JS")
        else _hole(nominal_mm, letter, grade, width)
        if letter.isupper()
        else _shaft(nominal_mm, letter, grade, width)
    )
    return SizeLimits(
        round(nominal_mm + low_um / 1000, 6),
        round(nominal_mm + high_um / 1000, 6),
        f"ISO 286 table, {nominal_mm:g} {fit}: {low_um:+g} to {high_um:+g} µm",
    )


def _shaft(nominal_mm: float, letter: str, grade: int, width: float) -> tuple[float, float]:
    table = "iso286_shaft_deviations"
    if letter in _UPPER_GIVEN:
        upper = _cell(table, nominal_mm, f"{letter}_es_um", f"{letter}{grade}")
        return upper - width, upper
    column = f"{letter}_ei_um"
    if letter == "j":
        column = {5: "j5_j6_ei_um", 6: "j5_j6_ei_um", 7: "j7_ei_um"}.get(grade, "none")
    elif letter == "k":
        column = "k4to7_ei_um" if 4 <= grade <= 7 else "none"
    lower = _cell(table, nominal_mm, column, f"{letter}{grade}")
    return lower, lower + width


def _hole(nominal_mm: float, letter: str, grade: int, width: float) -> tuple[float, float]:
    table = "iso286_hole_deviations"
    if letter in _UPPER_GIVEN.upper():
        lower = _cell(table, nominal_mm, f"{letter}_EI_um", f"{letter}{grade}")
        return lower, lower + width
    upper = _cell(table, nominal_mm, f"{letter}{grade}_ES_um", f"{letter}{grade}")
    return upper - width, upper
