"""A unit's train as rows: which members turn by themselves, what meshes, what a lever joins."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

from bornek.core.train.solve import Row, held, joined, pair, seen_from
from bornek.core.units.definition import Definition, Part
from bornek.core.units.mesh import Mesh

Hand = Literal["left", "right"]
AFTER = ("right", "below")
"""Sides that count positive: along a shaft from its left or its top end, and across."""


@dataclass(frozen=True)
class Link:
    """What ties two members together: a mesh, a lever's position, or a planet's pin in its carrier. `b` is empty where
    the housing holds `a`."""

    a: str
    b: str
    row: Row
    mesh: str = ""


def member_of(part: Part) -> str:
    """What it turns with: a free gear and what is held in the housing by themselves, any other with its shaft."""
    return part.key if part.free or part.held else part.shaft


def members(d: Definition) -> list[str]:
    return [*(s.key for s in d.shafts), *(p.key for p in d.parts if (p.free or p.held) and p.shaft)]


def sign_of(d: Definition, mesh: Mesh, unknown_hand: Hand = "right") -> int:
    """+1 where the driven shaft turns the other way, each seen from its own left or top end; −1 where the same.

    Crossed axes by where the gears lie: the tooth contact moves with both, ω_a·a × P = ω_b·b × P. A worm by its
    thread: a right-hand one that turns clockwise draws the teeth towards whoever looks.

    >>> from bornek.core.units.definition import Shaft
    >>> d = Definition(shafts=(Shaft("p", "Pinion", "upright"), Shaft("x", "Cross")), parts=(
    ...     Part("a", "A", "bevel_pinion", "p", teeth=11), Part("b", "B", "bevel_gear", "x", teeth=43)))
    >>> [sign_of(d, Mesh("m", "M", "a", "b", "bevel", "below", side)) for side in ("right", "left")]
    [-1, 1]
    """
    across = 1 if mesh.toward in AFTER else -1
    if mesh.crossed:
        return -across * (1 if mesh.body in AFTER else -1)
    if mesh.mesh_kind == "internal":
        return -1
    if mesh.mesh_kind != "worm":
        return 1
    part = d.part(mesh.driver)
    shaft = d.shaft(part.shaft) if part else None
    upright = shaft is not None and shaft.line == "upright"
    hand = 1 if (mesh.hand or unknown_hand) == "right" else -1
    return across * hand * (1 if upright else -1)


def hand_unknown(mesh: Mesh) -> bool:
    """Whether nobody said which way a worm's thread winds: then nobody knows which way its wheel turns."""
    return mesh.mesh_kind == "worm" and not mesh.hand


def links(d: Definition, at: Mapping[str, str], unknown_hand: Hand = "right") -> list[Link]:
    """All that ties members together with the levers `at` these positions. Raises RangeError without teeth.

    A mesh that a sliding gear comes into ties only where a lever says so.
    """
    positions = [p for x in d.levers if (p := x.position(at.get(x.key, ""))) is not None]
    brought = {key for x in d.levers for p in x.positions for key in p.joins}
    in_now = {key for p in positions for key in p.joins}
    found = []
    for m in d.meshes:
        a, b = d.part(m.driver), d.part(m.driven)
        if a is None or b is None or (m.key in brought and m.key not in in_now):
            continue
        one, other = member_of(a), member_of(b)
        row = pair(one, a.teeth, other, b.teeth, sign_of(d, m, unknown_hand))
        carrier = d.carrier_of(a) or d.carrier_of(b)
        found.append(Link(one, other, seen_from(member_of(carrier), row) if carrier else row, m.key))
    found += [
        Link(s.key, member_of(carrier), Row(())) for s in d.shafts if (carrier := d.part(s.pins)) is not None
    ]
    still = dict.fromkeys(member_of(p) for p in d.parts if p.held and p.shaft)
    still |= dict.fromkeys(s.key for s in d.shafts if s.stands)
    found += [Link(member, "", held(member)) for member in still]
    for lever in d.levers:
        dog, position = d.part(lever.dog), lever.position(at.get(lever.key, ""))
        for key in position.joins if position else ():
            part = d.part(key)
            other = member_of(part) if part is not None else key
            if dog is not None and d.mesh(key) is None:
                found.append(Link(dog.shaft, other, joined(dog.shaft, other)))
    return found
