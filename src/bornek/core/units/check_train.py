"""What levers, interlocks, timing marks and eccentric covers must keep to stand in a definition."""

from __future__ import annotations

import math
from collections import Counter

from bornek.core.keys import is_key
from bornek.core.units.definition import Definition
from bornek.core.units.levers import Lever
from bornek.core.units.mesh import PARALLEL

MOST_POSITIONS = 8
MOST_COMBINED = 256
"""No gearbox has more; each is reckoned."""
BOUNDS = (("holes", 2, 48), ("throw", 0.01, 50.0), ("angle", -360.0, 360.0))


def train_problems(d: Definition) -> dict[str, str]:
    """What does not hold, by path.

    >>> from bornek.core.units.levers import Interlock
    >>> train_problems(Definition(interlocks=(Interlock("pin", "Pin", "a", "a"),)))["interlocks[0].one"]
    "names no lever of this unit (got 'a')"
    """
    wrong: dict[str, str] = {}
    if math.prod(max(len(x.positions), 1) for x in d.levers) > MOST_COMBINED:
        wrong["levers"] = f"have more than {MOST_COMBINED} combinations of positions"
    for i, s in enumerate(d.shafts):
        if s.power == "in" and any(x.power == "in" for x in d.shafts[:i]):
            wrong[f"shafts[{i}].power"] = "comes in at another shaft already"
    for i, lever in enumerate(d.levers):
        _lever(d, lever, f"levers[{i}]", wrong)
    levers = {x.key for x in d.levers}
    for i, lock in enumerate(d.interlocks):
        for end in ("one", "other"):
            if getattr(lock, end) not in levers:
                wrong[f"interlocks[{i}].{end}"] = f"names no lever of this unit (got {getattr(lock, end)!r})"
        if lock.one == lock.other:
            wrong.setdefault(f"interlocks[{i}].other", "must be another lever")
    _timing(d, wrong)
    _covers(d, wrong)
    for i, p in enumerate(d.parts):
        if not 0 <= p.cut <= (p.teeth or 500):
            wrong[f"parts[{i}].cut"] = f"must be 0 to its whole {p.teeth} teeth (got {p.cut})"
    for i, m in enumerate(d.meshes):
        if not 0 <= m.offset <= 500:
            wrong[f"meshes[{i}].offset"] = f"must be 0 to 500 mm (got {m.offset:g})"
        elif (m.offset > 0) != (m.mesh_kind == "hypoid"):
            wrong[f"meshes[{i}].offset"] = "is what makes a hypoid pair: say both or neither"
        if m.toward == "out" and m.mesh_kind not in PARALLEL:
            wrong[f"meshes[{i}].toward"] = "can only be out of the plane where the shafts are parallel"
    return wrong


def _lever(d: Definition, lever: Lever, path: str, wrong: dict[str, str]) -> None:
    dog = d.part(lever.dog)
    if dog is None or not dog.shaft:
        wrong[f"{path}.dog"] = f"names no part on a shaft (got {lever.dog!r})"
    if not 1 <= len(lever.positions) <= MOST_POSITIONS:
        wrong[f"{path}.positions"] = f"must be 1 to {MOST_POSITIONS} positions"
    count = Counter(p.key for p in lever.positions)
    joined = {p.key for p in d.parts} | {s.key for s in d.shafts} | {m.key for m in d.meshes}
    for n, position in enumerate(lever.positions):
        here = f"{path}.positions[{n}]"
        if not is_key(position.key):
            wrong[f"{here}.key"] = (
                f"must be small letters, digits and dashes, at most 40 (got {position.key!r})"
            )
        elif count[position.key] > 1:
            wrong[f"{here}.key"] = f"is used twice: {position.key}"
        for k, key in enumerate(position.joins):
            part = d.part(key)
            if key not in joined:
                wrong[f"{here}.joins[{k}]"] = f"names no gear, shaft or mesh of this unit (got {key!r})"
            elif part is not None and dog is not None and part.shaft == dog.shaft and not part.free:
                wrong[f"{here}.joins[{k}]"] = (
                    f"{part.label} is fast on this shaft: say that it turns free on it, or join another"
                )
    if sum(not p.joins for p in lever.positions) > 1:
        wrong[f"{path}.positions"] = "has more than one neutral"


def _timing(d: Definition, wrong: dict[str, str]) -> None:
    for i, mark in enumerate(d.timing):
        mesh = d.mesh(mark.mesh)
        if mesh is None:
            wrong[f"timing[{i}].mesh"] = f"names no mesh of this unit (got {mark.mesh!r})"
            continue
        one, other = (mesh.driven, mesh.driver) if mark.tooth_on == "driven" else (mesh.driver, mesh.driven)
        for name, key, number in (("tooth", one, mark.tooth), ("space", other, mark.space)):
            part = d.part(key)
            teeth = part.teeth if part else 0
            if not teeth:
                wrong[f"timing[{i}].{name}"] = f"needs the teeth of {part.label if part else key}"
            elif not 1 <= number <= teeth:
                wrong[f"timing[{i}].{name}"] = f"must be 1 to {teeth} (got {number})"


def _covers(d: Definition, wrong: dict[str, str]) -> None:
    for i, cover in enumerate(d.covers):
        if d.part(cover.part) is None:
            wrong[f"covers[{i}].part"] = f"names no part of this unit (got {cover.part!r})"
        if d.mesh(cover.mesh) is None:
            wrong[f"covers[{i}].mesh"] = f"names no mesh of this unit (got {cover.mesh!r})"
        for name, lo, hi in BOUNDS:
            value = getattr(cover, name)
            if not lo <= value <= hi:
                wrong[f"covers[{i}].{name}"] = f"must be {lo:g} to {hi:g} (got {value:g})"
