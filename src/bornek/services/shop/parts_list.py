"""A unit type's parts list as CSV, out and in."""

from __future__ import annotations

import csv
import io
import math
from collections.abc import Mapping
from dataclasses import fields
from typing import Any

from bornek.core.errors import InputError
from bornek.core.plain import called
from bornek.core.units.definition import Part

COLUMNS = tuple(called(f) for f in fields(Part))
_WHOLE, _YES = {"count", "teeth"}, {"single_use", "safety", "scarce", "identity", "flip"}


def parts_csv(definition: Mapping[str, Any]) -> str:
    """The parts in their order; the columns are those of a part."""
    out = io.StringIO()
    writer = csv.DictWriter(out, COLUMNS, restval="")
    writer.writeheader()
    for part in definition.get("parts", ()):
        writer.writerow(
            {k: ("yes" if v else "") if isinstance(v, bool) else _plain(v) for k, v in part.items()}
        )
    return out.getvalue()


def _plain(value: Any) -> Any:
    """A text that a spreadsheet would take for a formula is led by an apostrophe."""
    return f"'{value}" if isinstance(value, str) and value[:1] in "=+-@" else value


def read_parts_csv(text: str) -> list[dict[str, Any]]:
    """Rows of a parts list; empty cells are left out. Raises InputError naming line and column."""
    text = text.removeprefix("\ufeff")
    reader = csv.DictReader(io.StringIO(text, newline=None), delimiter=_delimiter(text))
    try:
        return _rows(reader)
    except csv.Error as error:
        raise InputError(
            f"Line {reader.line_num} cannot be cut into columns: {error}.",
            field="file",
            next_step="Save the list as CSV again and take it in; nothing was stored.",
        ) from error


def _rows(reader: csv.DictReader[str]) -> list[dict[str, Any]]:
    missing = {"key", "label", "kind"} - set(reader.fieldnames or ())
    if missing:
        raise InputError(
            f"The list has no column {sorted(missing)[0]!r}.",
            field="file",
            next_step="Columns: " + ", ".join(COLUMNS) + ".",
        )
    unknown = set(reader.fieldnames or ()) - set(COLUMNS)
    if unknown:
        raise InputError(
            f"The column {sorted(map(str, unknown))[0]!r} is not known.",
            field="file",
            next_step="Columns: " + ", ".join(COLUMNS) + ".",
        )
    return [
        {k: _cell(k, v.strip().removeprefix("'"), line) for k, v in row.items() if k and v and v.strip()}
        for line, row in enumerate(reader, 2)
    ]


def _delimiter(text: str) -> str:
    """What the first line is cut by: a comma, a semicolon or a tab.

    >>> _delimiter("key;label;kind"), _delimiter("key,label"), _delimiter("key")
    (';', ',', ',')
    """
    head = text.split("\n", 1)[0]
    return max(",;\t", key=head.count)


def _cell(column: str, text: str, line: int) -> Any:
    if column in _YES:
        return text.lower() in ("yes", "true", "1", "x")
    if column in _WHOLE or column == "size":
        try:
            return int(text) if column in _WHOLE else _finite(text.replace(",", "."))
        except ValueError as error:
            raise InputError(
                f"Line {line}, {column}: {text!r} is not a number.",
                field="file",
                next_step="Mend the list and take it in again; nothing was stored.",
            ) from error
    return text


def _finite(text: str) -> float:
    """A size; ValueError for what is none, also where it reads as no number or as an endless one."""
    value = float(text)
    if not math.isfinite(value):
        raise ValueError(text)
    return value
