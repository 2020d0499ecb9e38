"""Every reference in a definition from one row to another: rows are taken out and renamed with all that names them."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Mapping
from copy import deepcopy
from dataclasses import dataclass
from typing import Any

Plain = dict[str, Any]
"""A definition as plain JSON data, also a half-built one."""
SPOT = ("parts", "meshes")
JOINED = ("parts", "shafts", "meshes")


@dataclass(frozen=True)
class Reference:
    """`field` of a row of `leaf` names rows of `to`: one, several in a list, or as the keys of an object. `must`: the
    row is nothing without it. `within`: the field's row lies in this list of the leaf's row."""

    leaf: str
    field: str
    to: tuple[str, ...]
    must: bool = False
    within: str = ""


REFERENCES = (
    Reference("shafts", "after", ("shafts",)),
    Reference("shafts", "beside", ("shafts",)),
    Reference("shafts", "inside", ("shafts",)),
    Reference("shafts", "enters", ("parts",)),
    Reference("shafts", "pins", ("parts",), must=True),
    Reference("parts", "shaft", ("shafts",), must=True),
    Reference("parts", "inside", ("places",)),
    Reference("meshes", "driver", ("parts",), must=True),
    Reference("meshes", "driven", ("parts",), must=True),
    Reference("places", "at", SPOT, must=True),
    Reference("places", "closed_by", ("parts",)),
    Reference("settings", "place", ("places",), must=True),
    Reference("settings", "rests_on", ("places",)),
    Reference("settings", "rides_on", ("parts",)),
    Reference("steps", "parts", ("parts",), must=True),
    Reference("steps", "counts", ("parts",)),
    Reference("steps", "needs", ("steps",)),
    Reference("steps", "closes", ("places",)),
    Reference("steps", "takes_out", ("parts",)),
    Reference("steps", "setting", ("settings",)),
    Reference("steps", "open_until", ("steps",)),
    Reference("steps", "turn", ("shafts",)),
    Reference("levers", "dog", ("parts",), must=True),
    Reference("levers", "joins", JOINED, within="positions"),
    Reference("interlocks", "one", ("levers",), must=True),
    Reference("interlocks", "other", ("levers",), must=True),
    Reference("timing", "mesh", ("meshes",), must=True),
    Reference("covers", "part", ("parts",), must=True),
    Reference("covers", "mesh", ("meshes",), must=True),
)
TOP = ("plate",)
"""Fields of the definition itself that list parts."""
Gone = Mapping[str, set[str]]


def rows_of(d: Mapping[str, Any], leaf: str) -> list[Plain]:
    """The rows of a leaf that are rows at all."""
    found = d.get(leaf)
    return [r for r in found if isinstance(r, dict)] if isinstance(found, list) else []


def take_out(d: Plain, leaf: str, keys: Iterable[str]) -> Plain:
    """Without these rows, without what is nothing without them, and with no word of either anywhere.

    >>> d = {"shafts": [{"key": "a"}], "parts": [{"key": "g", "shaft": "a"}, {"key": "h"}],
    ...      "places": [{"key": "p", "at": "g"}], "settings": [{"key": "s", "place": "p"}]}
    >>> take_out(d, "shafts", ["a"])["parts"], take_out(d, "shafts", ["a"])["settings"]
    ([{'key': 'h'}], [])
    """
    made = deepcopy(d)
    gone: dict[str, set[str]] = {leaf: set(keys)}
    while True:
        lost = {(r.leaf, row["key"]) for r in REFERENCES for row in _lost(made, r, gone)}
        fresh = {(name, key) for name, key in lost if key not in gone.get(name, set())}
        if not fresh:
            break
        for name, key in fresh:
            gone.setdefault(name, set()).add(key)
    for name, dropped in gone.items():
        if name in made:
            made[name] = [r for r in rows_of(made, name) if r.get("key") not in dropped]
    _each(
        made,
        lambda r, key: (
            None if any(key in gone.get(to, ()) for to in r.to) and not _stays(made, r, key) else key
        ),
    )
    for name in TOP:
        if isinstance(made.get(name), list):
            made[name] = [k for k in made[name] if k not in gone.get("parts", ())]
    return made


def _stays(d: Plain, r: Reference, key: str) -> bool:
    """Whether another leaf that the reference may mean still has a row of this key."""
    return any(row.get("key") == key for to in r.to for row in rows_of(d, to))


def _lost(d: Plain, r: Reference, gone: Gone) -> list[Plain]:
    """Rows that are nothing any more: what they must name has gone."""
    if not r.must:
        return []
    dropped = set().union(*(gone.get(to, set()) for to in r.to))
    found = []
    for row in rows_of(d, r.leaf):
        named = row.get(r.field)
        keys = named if isinstance(named, list) else [named]
        if (
            isinstance(row.get("key"), str)
            and keys
            and all(isinstance(k, str) and k in dropped for k in keys)
        ):
            found.append(row)
    return found


def rename(d: Plain, names: Mapping[str, Mapping[str, str]]) -> Plain:
    """With new keys: `names` by leaf, from old to new; everything that names a row follows.

    >>> d = {"parts": [{"key": "g"}], "places": [{"key": "p", "at": "g", "closed_by": ["g"]}]}
    >>> rename(d, {"parts": {"g": "pinion"}})["places"]
    [{'key': 'p', 'at': 'pinion', 'closed_by': ['pinion']}]
    """
    made = deepcopy(d)
    _each(made, lambda r, key: next((names[to][key] for to in r.to if key in names.get(to, {})), key))
    for leaf, new in names.items():
        for row in rows_of(made, leaf):
            if isinstance(row.get("key"), str):
                row["key"] = new.get(row["key"], row["key"])
    for name in TOP:
        if isinstance(made.get(name), list):
            made[name] = [names.get("parts", {}).get(k, k) if isinstance(k, str) else k for k in made[name]]
    return made


def _each(d: Plain, put: Callable[[Reference, str], str | None]) -> None:
    """Puts every reference anew; None takes it out."""
    for r in REFERENCES:
        for row in rows_of(d, r.leaf):
            inner = [row] if not r.within else [x for x in row.get(r.within) or [] if isinstance(x, dict)]
            for one in inner:
                if r.field in one:
                    _put(one, r, put)


def _put(row: Plain, r: Reference, put: Callable[[Reference, str], str | None]) -> None:
    named = row[r.field]
    if isinstance(named, str) and named:
        row[r.field] = put(r, named) or ""
    elif isinstance(named, list):
        row[r.field] = [k for x in named if (k := put(r, x) if isinstance(x, str) else x) is not None]
    elif isinstance(named, dict):
        row[r.field] = {new: n for x, n in named.items() if (new := put(r, x)) is not None}
