"""What does not hold in a definition, told by the labels of its rows: what it is, what is wrong, where to mend it."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from bornek.core.units.part_kinds import PART_KINDS
from bornek.core.units.references import rows_of

ROW_WORDS: dict[str, str] = {
    "shafts": "shaft",
    "parts": "part",
    "meshes": "mesh",
    "places": "place",
    "settings": "setting",
    "steps": "step",
    "levers": "lever",
    "interlocks": "interlock",
    "timing": "timing mark",
    "covers": "eccentric cover",
    "lubricant": "oil or grease",
    "prove": "point of the last look",
    "run_in": "stage of run-in",
}
"""What a row of each list is called."""
FIELD_WORDS: dict[str, str] = {
    "key": "its key",
    "label": "its name",
    "line": "how it lies",
    "after": "the shaft it is in line after",
    "beside": "the shaft it lies beside",
    "inside": "what it runs or lies inside of",
    "enters": "the part after which it enters",
    "pins": "the carrier whose pins it stands for",
    "kind": "its kind",
    "shaft": "the shaft it sits on",
    "count": "how many there are",
    "cut": "the teeth that are cut",
    "size": "its drawn size",
    "mass_kg": "its mass",
    "driver": "its driver",
    "driven": "its driven gear",
    "toward": "the side on which the driven gear lies",
    "offset": "how far the axes pass",
    "at": "what it is at",
    "closed_by": "what closes it",
    "shim_form": "its shim form",
    "place": "its place",
    "rests_on": "what else disturbs it",
    "rides_on": "the part its history goes with",
    "service_source": "where the limit in service comes from",
    "dog": "what it moves",
    "one": "the first lever",
    "other": "the other lever",
    "in_service": "how far it may wear in service",
    "parts": "its parts",
    "needs": "the steps before it",
    "wait_minutes": "how long it waits",
    "mark_at": "the hour of its mark",
    "least": "its least",
    "greatest": "its greatest",
}
_ROW = re.compile(r"^(\w+)\[(\d+)\](?:\.(.*))?$")
_KEY = re.compile(r" \(got '[^']*'\)")
_NAMES_NO = re.compile(r"^names no ")


@dataclass(frozen=True)
class Trouble:
    """`path` is the field in the file; `leaf` and `row` say where it is mended; `part_keys`: what it is about on the
    drawing. `words` say all of it; `why` stands beside the field."""

    path: str
    leaf: str
    row: int
    words: str
    why: str
    part_keys: tuple[str, ...] = ()


def tell(d: Mapping[str, Any], wrong: Mapping[str, str]) -> list[Trouble]:
    """Each misfit in the words of the rows' own labels.

    >>> d = {"places": [{"key": "p", "label": "Input cover", "at": "new-part-6"}]}
    >>> tell(d, {"places[0].at": "names no part or mesh of this unit (got 'new-part-6')"})[0].words
    'The place “Input cover”: what it is at is no part or mesh of this unit any more. Choose another.'
    """
    return [_told(d, path, why) for path, why in wrong.items()]


def words_of(d: Mapping[str, Any], wrong: Mapping[str, str], most: int = 5) -> str:
    """The first of them as one text, and how many more there are."""
    told = tell(d, wrong)
    more = f" And {len(told) - most} more." if len(told) > most else ""
    return " ".join(t.words for t in told[:most]) + more


def _told(d: Mapping[str, Any], path: str, why: str) -> Trouble:
    found = _ROW.match(path)
    if found is None:
        return Trouble(path, path.split("[")[0].split(".")[0], -1, _sentence(f"The unit: {path} {why}"), why)
    leaf, row, rest = found[1], int(found[2]), found[3] or ""
    rows = d.get(leaf)
    one = rows[row] if isinstance(rows, list) and row < len(rows) and isinstance(rows[row], dict) else {}
    name = f"The {ROW_WORDS.get(leaf, leaf)} {_called(one, leaf, row)}"
    field, deeper = _field(one, rest)
    about = _about(d, leaf, one)
    if _NAMES_NO.match(why):
        plain = _NAMES_NO.sub("is no ", _KEY.sub("", why))
        missing = "(got '')" in why
        words = (
            f"{name}: {field} is not chosen yet."
            if missing
            else f"{name}: {field} {plain} any more. Choose another."
        )
        return Trouble(
            path, leaf, row, words, "choose one" if missing else f"{plain} any more: choose another", about
        )
    if not rest:
        label = str(one.get("label", ""))
        own = why.removeprefix(f"{label}: ") if label else why
        return Trouble(path, leaf, row, _sentence(f"{name}: {own}"), own, about)
    return Trouble(path, leaf, row, _sentence(f"{name}: {deeper}{field} {why}"), why, about)


def _called(row: Mapping[str, Any], leaf: str, n: int) -> str:
    label = row.get("label")
    if isinstance(label, str) and label.strip():
        return f"“{label.strip()[:80]}”"
    kind = PART_KINDS.get(str(row.get("kind", ""))) if leaf == "parts" else None
    return f"without a name ({kind.label})" if kind else f"without a name (row {n + 1})"


def _field(row: Mapping[str, Any], rest: str) -> tuple[str, str]:
    """What a field is called, and in which inner row it is."""
    inner = _ROW.match(rest)
    if inner is None:
        name = re.sub(r"\[\d+\]$", "", rest)
        return FIELD_WORDS.get(name, f"its {name.replace('_', ' ')}"), ""
    list_name, n, field = inner[1], int(inner[2]), inner[3]
    if field is None:
        return FIELD_WORDS.get(list_name, f"its {list_name.replace('_', ' ')}"), ""
    rows = row.get(list_name)
    one = rows[n] if isinstance(rows, list) and n < len(rows) and isinstance(rows[n], dict) else {}
    where = {"limits": f"limit row {n + 1}", "positions": f"position {_called(one, list_name, n)}"}
    bare = re.sub(r"\[\d+\]$", "", field)
    return FIELD_WORDS.get(bare, f"its {bare.replace('_', ' ')}"), where.get(list_name, list_name) + ", "


def _about(d: Mapping[str, Any], leaf: str, row: Mapping[str, Any]) -> tuple[str, ...]:
    """The parts on the drawing that a row is about."""
    key = row.get("key")
    if leaf == "parts":
        return (key,) if isinstance(key, str) else ()
    if leaf == "shafts":
        return tuple(str(p["key"]) for p in rows_of(d, "parts") if p.get("shaft") == key and "key" in p)
    if leaf == "meshes":
        return tuple(str(k) for k in (row.get("driver"), row.get("driven")) if k)
    if leaf == "settings":
        place = next((p for p in rows_of(d, "places") if p.get("key") == row.get("place")), {})
        return _about(d, "places", place)
    at = row.get("at") or row.get("dog") or row.get("part")
    return (at,) if isinstance(at, str) and at else ()


def _sentence(text: str) -> str:
    return text if text.endswith((".", "!", "?")) else text + "."
