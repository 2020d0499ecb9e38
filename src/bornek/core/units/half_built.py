"""A definition as it is being typed: read as far as it goes, with what does not hold yet."""

from __future__ import annotations

import re
from collections.abc import Mapping
from copy import deepcopy
from dataclasses import dataclass
from typing import Any

from bornek.core.errors import InputError
from bornek.core.structure import build
from bornek.core.units.checks import LEAVES, definition_problems
from bornek.core.units.definition import Definition
from bornek.core.units.references import Plain

_PATH = re.compile(r"^(\w+)(?:\[(\d+)\])?(?:\.([^.\[]+))?")


@dataclass(frozen=True)
class HalfBuilt:
    """`d`: what could be read. `wrong`: by the path in what was given, why the rest does not hold."""

    d: Definition
    wrong: dict[str, str]


def read_half_built(data: Mapping[str, Any]) -> HalfBuilt:
    """Leaves out what cannot be read: a field where the row does without it, else the row.

    >>> half = read_half_built({"shafts": [{"label": "no key"}, {"key": "a", "label": "A", "line": "round"}]})
    >>> [s.line for s in half.d.shafts], sorted(half.wrong)
    (['level'], ['shafts[0].key', 'shafts[1].line'])
    """
    work: Plain = deepcopy(dict(data))
    kept = {leaf: list(range(len(work[leaf]))) for leaf in LEAVES if isinstance(work.get(leaf), list)}
    wrong: dict[str, str] = {}
    while True:
        try:
            d = build(Definition, work)
            break
        except InputError as error:
            fields: dict[str, str] = error.details["fields"]
            wrong |= {
                _back(path, kept): why for path, why in fields.items() if _back(path, kept) not in wrong
            }
            before = deepcopy(work)
            _leave_out(work, fields, kept)
            if work == before:
                d = Definition()
                break
    return HalfBuilt(d, wrong | {_back(path, kept): why for path, why in definition_problems(d).items()})


def _back(path: str, kept: Mapping[str, list[int]]) -> str:
    """The path in what was given: rows before it may have been left out."""
    found = _PATH.match(path)
    if found is None or found[2] is None or found[1] not in kept:
        return path
    return f"{found[1]}[{kept[found[1]][int(found[2])]}]{path[found.end(2) + 1 :]}"


def _leave_out(work: Plain, fields: Mapping[str, str], kept: dict[str, list[int]]) -> None:
    rows: dict[str, set[int]] = {}
    for path in fields:
        found = _PATH.match(path)
        leaf, n, field = (found[1], found[2], found[3]) if found else ("", None, None)
        if n is None or leaf not in kept:
            work.pop(path if path in work else leaf, None)
            kept.pop(leaf, None)
            continue
        row = work[leaf][int(n)]
        if isinstance(row, dict) and field in row and field not in ("key", "label"):
            del row[field]
        else:
            rows.setdefault(leaf, set()).add(int(n))
    for leaf, gone in rows.items():
        if leaf in work:
            work[leaf] = [r for i, r in enumerate(work[leaf]) if i not in gone]
            kept[leaf] = [n for i, n in enumerate(kept[leaf]) if i not in gone]
