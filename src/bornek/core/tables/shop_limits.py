"""The shop's own limit tables: rows by machine size or bore range, read from CSV and looked up.

Head: row, over, incl, then fields of the kind of setting that the table is for (least, greatest, axial …). `row` names
the row; `over` and `incl` bound a size in mm, over not met, incl met; both may be empty.
"""

from __future__ import annotations

import csv
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from bornek.core.errors import BornekError, InputError, RangeError
from bornek.core.quantities import parse
from bornek.core.settings.given import read_so_far
from bornek.core.settings.kind import Setting

HEAD = ("row", "over", "incl")
OF_EVERY_KIND = ("source", "edition", "basis", "aim", "warmth", "temporary", "not_verified")
"""Fields that a table does not hold: they come with it, or are the job's own."""
MOST_ROWS = 500


@dataclass(frozen=True)
class LimitRow:
    """One row: what it is called, its range of size [mm], and what it gives by field, as typed."""

    row: str
    over: float | None
    incl: float | None
    given: Mapping[str, str]

    def holds(self, size_mm: float) -> bool:
        """
        >>> LimitRow("a", 22.0, 45.0, {}).holds(45.0), LimitRow("a", 22.0, 45.0, {}).holds(22.0)
        (True, False)
        """
        return (self.over is None or size_mm > self.over) and (self.incl is None or size_mm <= self.incl)


def read_limits(text: str, kind: Setting) -> tuple[LimitRow, ...]:
    """The rows of a CSV file. Raises InputError naming the line and the column that does not hold."""
    reader = csv.reader(text.lstrip("\ufeff").splitlines())
    lines = [(n, cells) for n, cells in enumerate(reader, 1) if any(c.strip() for c in cells)]
    if len(lines) < 2:
        raise _wrong("The table needs a head and a row at least.", "row,over,incl,least,greatest")
    head = [c.strip() for c in lines[0][1]]
    fields = {f.key: f for f in kind.form({}) if f.key not in OF_EVERY_KIND}
    unknown = [c for c in head if c not in HEAD and c not in fields]
    if unknown or "row" not in head or len(set(head)) < len(head):
        named = (
            f"The head names {unknown[0]!r}"
            if unknown
            else "The head needs the column 'row', each column once"
        )
        raise _wrong(f"{named}.", f"Columns for {kind.title}: {', '.join((*HEAD, *fields))}.")
    if len(lines) > MOST_ROWS + 1:
        raise _wrong(f"The table has more than {MOST_ROWS} rows.", "Split it.")
    rows = tuple(_row(n, dict(zip(head, cells, strict=False)), kind) for n, cells in lines[1:])
    names = [r.row for r in rows]
    twice = next((name for name in names if names.count(name) > 1), "")
    if twice:
        raise _wrong(f"Two rows are called {twice!r}.", "Give every row a name of its own.")
    return rows


def _row(number: int, cells: Mapping[str, str], kind: Setting) -> LimitRow:
    name = cells.get("row", "").strip()
    if not name:
        raise _wrong(
            f"Line {number} has no name in the column 'row'.", "Name the row as it is asked for: 30 kW."
        )
    bounds = {}
    for end in ("over", "incl"):
        typed = cells.get(end, "").strip()
        try:
            bounds[end] = parse(typed).value if typed else None
        except BornekError as refused:
            raise _wrong(f"Line {number}, {end}: {refused.message}", "A size in mm, or nothing.") from refused
    given = {k: v.strip() for k, v in cells.items() if k not in HEAD and v and v.strip()}
    _, problems = read_so_far(kind, given)
    if problems:
        key, why = next(iter(problems.items()))
        raise _wrong(f"Line {number}, {key}: {why}", "Mend the cell and send the table again.")
    return LimitRow(name, bounds["over"], bounds["incl"], given)


def _wrong(sentence: str, next_step: str) -> InputError:
    return InputError(sentence, field="csv", next_step=next_step)


def row_of_size(rows: Sequence[LimitRow], size_mm: float, table: str) -> LimitRow:
    """The row that holds a size; RangeError with the table's range outside it.

    >>> row_of_size([LimitRow("small", 0.0, 45.0, {})], 30.0, "V-1").row
    'small'
    """
    found = next((r for r in rows if r.holds(size_mm)), None)
    if found is None:
        low = min((r.over for r in rows if r.over is not None), default=0.0)
        high = max((r.incl for r in rows if r.incl is not None), default=0.0)
        raise RangeError(
            f"Size {size_mm:g} mm is outside table {table}: over {low:g} to {high:g} mm.",
            field="size",
            next_step="Choose a row by its name, or use the maker's data.",
        )
    return found


class _Text(list[str]):
    """Where a writer of lines puts them."""

    write = list.append


def write_limits(rows: Sequence[LimitRow]) -> str:
    """The table as CSV, as it is read."""
    fields = list(dict.fromkeys(key for r in rows for key in r.given))
    out = _Text()
    writer = csv.writer(out, lineterminator="\n")
    writer.writerow([*HEAD, *fields])
    for r in rows:
        ends = ["" if e is None else f"{e:g}" for e in (r.over, r.incl)]
        writer.writerow([r.row, *ends, *(r.given.get(f, "") for f in fields)])
    return "".join(out)
