"""A parts list as it was copied from a spreadsheet: cut into columns, each line's kind guessed from its words."""

from __future__ import annotations

import csv
import io
import re
from collections.abc import Sequence
from dataclasses import dataclass, field
from typing import Any

from rapidfuzz import fuzz, process, utils

from bornek.core.errors import InputError
from bornek.core.units.guess_kind import Guess, guess_kind
from bornek.services.shop.parts_list import read_parts_csv

MOST_LINES = 400
TOOTHED_ELSE = frozenset({"drum", "pulley", "other"})
"""Kinds that a word such as wheel suggests, and that its teeth speak against."""
HEADS: dict[str, tuple[str, ...]] = {
    "label": ("description", "name", "part", "part name", "designation", "item description", "text", "label"),
    "number": ("number", "part number", "part no", "no", "article", "code", "order number", "drawing"),
    "count": ("quantity", "qty", "count", "pcs", "pieces", "how many", "amount"),
    "teeth": ("teeth", "z", "number of teeth"),
    "line": ("position", "pos", "item", "item no", "line", "ref"),
}
"""What the columns of a list are called."""
HEAD_NEAR = 84
_TEETH = re.compile(r"(?:\bz\s*=?\s*(\d{1,3})\b)|(?:\b(\d{1,3})\s*(?:teeth|tooth|t)\b)", re.IGNORECASE)
_WHOLE = re.compile(r"^\d{1,3}(?:[.,]0+)?$")
_CODE = re.compile(r"^(?=.*\d)[\w./-]{3,}$")
AGAIN = "Copy the rows with their names from the spreadsheet and paste them again; what you pasted is kept."


@dataclass(frozen=True)
class PastedPart:
    """One line read: `clear` where its kind is sure enough to be taken at a glance. `row`: all of a line of a list that
    was given out here."""

    line: int
    label: str
    number: str
    count: int
    teeth: int
    kind: str
    clear: bool
    row: dict[str, Any] = field(default_factory=dict)


@dataclass(frozen=True)
class PastedList:
    """`columns`: what each column was taken for, empty for one left aside."""

    columns: list[str]
    parts: list[PastedPart]


def read_pasted(text: str) -> PastedList:
    """Raises InputError where no line has a name, or where there are too many."""
    rows = [
        (n, [c.strip() for c in row]) for n, row in enumerate(_cut(text), 1) if any(c.strip() for c in row)
    ]
    if not rows:
        raise InputError("Nothing was pasted.", field="text", next_step=AGAIN)
    if len(rows) > MOST_LINES:
        raise InputError(
            f"{len(rows)} lines were pasted, at most {MOST_LINES} are taken.",
            field="text",
            next_step="Paste it in pieces.",
        )
    if {"key", "label", "kind"} <= set(rows[0][1]):
        return _given_out(text)
    columns = _heads(rows[0][1])
    if columns:
        rows = rows[1:]
    else:
        columns = _by_looks([row for _, row in rows])
    if "label" not in columns:
        raise InputError("No column holds the names of the parts.", field="text", next_step=AGAIN)
    parts = [p for n, row in rows if (p := _part(n, row, columns)) is not None]
    return PastedList(columns, parts)


def _given_out(text: str) -> PastedList:
    """A list with the columns of a part comes in as it went out. Raises InputError naming line and column."""
    rows = read_parts_csv(text)
    parts = [
        PastedPart(
            line=n,
            label=str(row.get("label", "")),
            number=str(row.get("number", "")),
            count=int(row.get("count", 1)),
            teeth=int(row.get("teeth", 0)),
            kind=str(row.get("kind", "other")),
            clear=True,
            row=row,
        )
        for n, row in enumerate(rows, 2)
    ]
    return PastedList(["label", "number", "count", "teeth"], parts)


def _cut(text: str) -> list[list[str]]:
    """By tabs, semicolons or commas, whichever the list is written with."""
    import clevercsv  # its tables of characters take a moment, which no start needs to wait for

    text = text.removeprefix("\ufeff")
    try:
        found = clevercsv.Sniffer().sniff(text, delimiters=["\t", ";", ","])
        delimiter = found.delimiter if found is not None and found.delimiter else "\t"
        return list(csv.reader(io.StringIO(text, newline=None), delimiter=delimiter))
    except (clevercsv.Error, csv.Error) as error:
        raise InputError(
            f"The list cannot be cut into columns: {error}.", field="text", next_step=AGAIN
        ) from error


def _heads(row: Sequence[str]) -> list[str]:
    """What each column of a head line is; empty where this is no head line."""
    words = {word: name for name, many in HEADS.items() for word in many}
    found: list[str] = []
    for cell in row:
        near = process.extractOne(
            cell, list(words), scorer=fuzz.ratio, processor=utils.default_process, score_cutoff=HEAD_NEAR
        )
        name = words[near[0]] if near else ""
        found.append("" if name in found else name)
    return found if "label" in found and sum(map(bool, found)) >= min(2, len(row)) else []


def _by_looks(rows: Sequence[Sequence[str]]) -> list[str]:
    """By what stands in them: the longest words are names, small whole numbers how many, the rest with digits numbers."""
    width = max(len(r) for r in rows)
    cells = [[r[i] for r in rows if i < len(r) and r[i]] for i in range(width)]
    letters = [sum(sum(ch.isalpha() for ch in c) for c in column) for column in cells]
    columns = [""] * width
    name = max(range(width), key=lambda i: letters[i])
    columns[name] = "label"
    for i, column in enumerate(cells):
        if i == name or not column:
            continue
        whole = sum(bool(_WHOLE.match(c)) for c in column) / len(column)
        running = [c for c in column if c.isdigit()] == [str(n + 1) for n in range(len(column))]
        if running and len(column) > 2 and "line" not in columns:
            columns[i] = "line"
        elif whole > 0.8 and "count" not in columns:
            columns[i] = "count"
        elif sum(bool(_CODE.match(c)) for c in column) / len(column) > 0.5 and "number" not in columns:
            columns[i] = "number"
    return columns if letters[name] else [""] * width


def _part(n: int, row: Sequence[str], columns: Sequence[str]) -> PastedPart | None:
    said = {name: row[i].removeprefix("'") for i, name in enumerate(columns) if name and i < len(row)}
    label = " ".join(said.get("label", "").split())[:200]
    if not label:
        return None
    found = _TEETH.search(label)
    guess = guess_kind(label)
    teeth = _whole(said.get("teeth", "") or (found[1] or found[2] if found else ""), 0, 500, 0)
    if teeth and guess.kind in TOOTHED_ELSE:
        guess = Guess("gear", guess.sure)
    return PastedPart(
        line=n,
        label=label,
        number=said.get("number", "")[:60],
        count=_whole(said.get("count", ""), 1, 500, 1),
        teeth=teeth,
        kind=guess.kind,
        clear=guess.clear,
    )


def _whole(text: str, least: int, most: int, otherwise: int) -> int:
    """A whole number out of a cell such as 4, 4.0 or 4 pcs."""
    found = re.match(r"\s*(\d+)", text)
    return min(max(int(found[1]), least), most) if found else otherwise
