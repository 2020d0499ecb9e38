"""What of a half-built definition can be drawn: everything whose references lead somewhere."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import replace
from typing import Any, TypeVar

from bornek.core.units.definition import Definition, Part, Shaft
from bornek.core.units.mesh import Mesh
from bornek.core.units.part_kinds import GEARS, PART_KINDS

_T = TypeVar("_T", bound=Any)


def drawable(d: Definition) -> Definition:
    """The same definition without what leads nowhere: twice-used keys, unknown shafts and parts, circles.

    >>> from bornek.core.units.definition import read_definition
    >>> d = read_definition({"shafts": [{"key": "a", "label": "A", "after": "gone"}],
    ...     "parts": [{"key": "g", "label": "G", "kind": "gear", "shaft": "nowhere"}]})
    >>> drawable(d).shafts[0].after, drawable(d).parts
    ('', ())
    """
    shafts = _shafts(d)
    lines = {s.key: s.line for s in shafts}
    parts = tuple(p for p in _once(d.parts) if p.part_kind in PART_KINDS and p.shaft in lines)
    shafts = tuple(_tied(s, parts, lines) for s in shafts)
    gears = {p.key: p for p in parts if p.part_kind in GEARS}
    meshes = tuple(m for m in _once(d.meshes) if _meets(m, gears, lines))
    spots = {p.key for p in parts} | {m.key for m in meshes}
    places = tuple(p if p.at in spots else replace(p, at="") for p in _once(d.places))
    plate = tuple(k for k in dict.fromkeys(d.plate) if k in spots)
    return replace(d, shafts=shafts, parts=parts, meshes=meshes, places=places, plate=plate)


def _once(rows: Iterable[_T]) -> tuple[_T, ...]:
    """The first row of every key that there is."""
    found: dict[str, _T] = {}
    for row in rows:
        if row.key:
            found.setdefault(row.key, row)
    return tuple(found.values())


def _shafts(d: Definition) -> tuple[Shaft, ...]:
    """Without references to no shaft, and without those that lead round in a circle."""
    shafts = _once(d.shafts)
    known = {s.key: s.line for s in shafts}
    for name in ("after", "beside", "inside"):
        leads: dict[str, str] = {}
        for s in shafts:
            other = getattr(s, name)
            same_way = known.get(other) == s.line
            if other and same_way and not _circles(s.key, other, leads):
                leads[s.key] = other
        shafts = tuple(_leading(s, name, leads.get(s.key, "")) for s in shafts)
    return shafts


def _leading(s: Shaft, name: str, other: str) -> Shaft:
    changed: dict[str, Any] = {name: other}
    return replace(s, **changed)


def _circles(start: str, other: str, leads: Mapping[str, str]) -> bool:
    while other:
        if other == start:
            return True
        other = leads.get(other, "")
    return False


def _tied(s: Shaft, parts: tuple[Part, ...], lines: Mapping[str, str]) -> Shaft:
    carrier = next((p for p in parts if p.key == s.pins and p.part_kind == "planet_carrier"), None)
    carried = carrier is not None and carrier.shaft != s.key and lines[carrier.shaft] == s.line
    return replace(s, pins=s.pins if carried else "", inside="" if carried else s.inside)


def _meets(m: Mesh, gears: Mapping[str, Part], lines: Mapping[str, str]) -> bool:
    a, b = gears.get(m.driver), gears.get(m.driven)
    if a is None or b is None or a is b:
        return False
    return (lines[a.shaft] != lines[b.shaft]) == m.crossed
