"""What shafts in shafts, ring gears and planets must keep; the ratio of a set of planets."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass

from bornek.core.units.definition import Definition, Part, Shaft
from bornek.core.units.mesh import Mesh

CORRECTED = 2
"""So many teeth a ring may have more or fewer than sun and planets ask for: cut with corrected teeth."""


@dataclass(frozen=True)
class PlanetSet:
    """A sun and a ring on the same planets; `pins`: the row of their shaft."""

    pins: int
    sun: Part
    planet: Part
    ring: Part
    count: int

    @property
    def told(self) -> bool:
        """Whether all its teeth are."""
        return min(self.sun.teeth, self.planet.teeth, self.ring.teeth) > 0

    @property
    def ratio(self) -> float:
        """Turns of the sun for one of the carrier while the ring is held: 1 + z_ring / z_sun (Willis, 1841)."""
        return 1 + self.ring.teeth / self.sun.teeth


def planet_sets(d: Definition) -> Iterator[PlanetSet]:
    """Every sun and ring that mesh with the same planet gear."""
    for i, s in enumerate(d.shafts):
        for planet in d.on(s.key) if s.pins else ():
            mates = [
                (m, d.part(_mate(m, planet.key))) for m in d.meshes if planet.key in (m.driver, m.driven)
            ]
            suns = [p for m, p in mates if p is not None and m.mesh_kind == "spur" and not d.carrier_of(p)]
            rings = [p for m, p in mates if p is not None and m.mesh_kind == "internal"]
            if suns and rings:
                yield PlanetSet(i, suns[0], planet, rings[0], planet.count)


def _mate(mesh: Mesh, key: str) -> str:
    return mesh.driven if mesh.driver == key else mesh.driver


def planet_problems(d: Definition) -> dict[str, str]:
    """What does not hold, by path.

    >>> from bornek.core.units.definition import read_definition
    >>> def hub(planets, teeth=24, ring=72):
    ...     on = [("s", "a", 24, 1), ("p", "b", teeth, planets), ("r", "c", ring, 1)]
    ...     parts = [{"key": k, "label": k, "kind": "ring_gear" if k == "r" else "gear", "shaft": s, "teeth": z,
    ...               "count": n} for k, s, z, n in on]
    ...     return read_definition({"shafts": [{"key": "a", "label": "A"}, {"key": "b", "label": "B", "pins": "w"},
    ...         {"key": "c", "label": "C"}], "parts": [*parts, {"key": "w", "label": "W", "kind": "planet_carrier",
    ...         "shaft": "c"}], "meshes": [{"key": "m", "label": "M", "driver": "s", "driven": "p"},
    ...         {"key": "n", "label": "N", "driver": "p", "driven": "r", "kind": "internal"}]})
    >>> planet_problems(hub(3)), planet_problems(hub(5))["parts[1].count"]
    ({}, 'cannot be put in at even angles: (24 + 72) / 5 is not whole. Count the teeth again, or say that they stand at uneven angles')
    >>> planet_problems(hub(3, ring=80))["parts[2].teeth"]
    'do not go round: sun 24 + 2 × planet 24 = 72, and the ring has 80'
    """
    wrong: dict[str, str] = {}
    rows = {p.key: i for i, p in enumerate(d.parts)}
    for i, s in enumerate(d.shafts):
        for field, why in _shaft_problems(d, s).items():
            wrong[f"shafts[{i}].{field}"] = why
    for i, m in enumerate(d.meshes):
        ends = [p for k in (m.driver, m.driven) if (p := d.part(k)) is not None]
        rings = [p for p in ends if p.part_kind == "ring_gear"]
        if m.mesh_kind == "internal" and len(rings) != 1:
            wrong[f"meshes[{i}].kind"] = (
                "is internal: one of the two must be an internal ring gear, the other not"
            )
        elif m.mesh_kind != "internal" and rings:
            wrong[f"meshes[{i}].kind"] = f"must be internal: “{rings[0].label}” has its teeth inside"
        elif m.mesh_kind == "internal" and len(ends) == 2 and all(p.teeth for p in ends):
            pinion = next(p for p in ends if p is not rings[0])
            if pinion.teeth >= rings[0].teeth:
                wrong[f"parts[{rows[pinion.key]}].teeth"] = (
                    f"must be fewer than the {rings[0].teeth} of “{rings[0].label}” round it"
                )
    for i, key in enumerate(d.plate):
        if d.part(key) is None:
            wrong[f"plate[{i}]"] = f"names no part of this unit (got {key!r})"
    for found in planet_sets(d):
        if found.told:
            _set_problems(found, rows, wrong)
    return wrong


def _set_problems(s: PlanetSet, rows: dict[str, int], wrong: dict[str, str]) -> None:
    sun, planet, ring, n = s.sun.teeth, s.planet.teeth, s.ring.teeth, s.count
    around = sun + 2 * planet
    if abs(around - ring) > CORRECTED:
        wrong[f"parts[{rows[s.ring.key]}].teeth"] = (
            f"do not go round: sun {sun} + 2 × planet {planet} = {around}, and the ring has {ring}"
        )
    elif n > 1 and (sun + ring) % n and not s.planet.uneven:
        wrong[f"parts[{rows[s.planet.key]}].count"] = (
            f"cannot be put in at even angles: ({sun} + {ring}) / {n} is not whole. Count the teeth again, or say "
            "that they stand at uneven angles"
        )
    if n > 1 and (sun + planet) * math.sin(math.pi / n) <= planet:
        wrong.setdefault(
            f"parts[{rows[s.planet.key]}].count",
            f"do not find room: {n} planets of {planet} teeth would touch each other",
        )


def _shaft_problems(d: Definition, s: Shaft) -> dict[str, str]:
    wrong: dict[str, str] = {}
    outer, carrier, enters = d.shaft(s.inside), d.part(s.pins), d.part(s.enters)
    if s.inside and (outer is None or outer is s):
        wrong["inside"] = f"names no other shaft of this unit (got {s.inside!r})"
    elif outer is not None and outer.line != s.line:
        wrong["inside"] = f"must lie the same way as this one: “{outer.label}” lies {outer.line}"
    elif outer is not None and _within_itself(d, s):
        wrong["inside"] = "leads round in a circle: no shaft runs inside itself"
    if s.enters and (enters is None or enters.shaft != s.key):
        wrong["enters"] = f"names no part of this shaft (got {s.enters!r})"
    if s.pins and (carrier is None or carrier.part_kind != "planet_carrier"):
        wrong["pins"] = f"names no planet carrier of this unit (got {s.pins!r})"
    elif carrier is not None and carrier.shaft == s.key:
        wrong["pins"] = "sits on these pins itself: a carrier sits on the shaft that it turns with"
    elif carrier is not None and (own := d.shaft(carrier.shaft)) is not None and own.line != s.line:
        wrong["pins"] = f"must lie the same way as its carrier: “{own.label}” lies {own.line}"
    return wrong


def _within_itself(d: Definition, s: Shaft) -> bool:
    seen = {s.key}
    at = d.shaft(s.inside)
    while at is not None:
        if at.key in seen:
            return True
        seen.add(at.key)
        at = d.shaft(at.inside) if at.inside else None
    return False


def planet_words(d: Definition) -> list[str]:
    """The ratio of every set whose teeth are told, with the ring held."""
    return [
        f"{d.shafts[s.pins].label}: sun {s.sun.teeth}, {s.count} × planet {s.planet.teeth}, ring {s.ring.teeth}; "
        f"{round(s.ratio, 3):g} : 1 from sun to carrier with the ring held."
        for s in planet_sets(d)
        if s.told
    ]
