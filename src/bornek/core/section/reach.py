"""How far each part reaches from its shaft's line, and how much of its shaft it takes: lengths of the drawing."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from bornek.core.section.lengths import (
    BORE_ROOM,
    CENTRES,
    HOLLOW,
    OVER_BORE,
    PIN,
    PIN_BEARING,
    PLANET_CENTRES,
    RIM,
    RING,
    SHAFT,
    SHIM,
    TOOTH,
    TUBE,
)
from bornek.core.units.definition import Definition, Part, Shaft
from bornek.core.units.mesh import PARALLEL, Mesh
from bornek.core.units.part_kinds import BEARINGS, GEARS

ZERO = frozenset({"seal", "felt"})
"""Parts that take no room of their own on a shaft."""
BELL = frozenset({"ring_gear", "planet_carrier"})
"""Where these begin on a shaft in which another runs, its tube ends and opens into a hub."""
IN_BORE = frozenset({"spacer", "snap_ring", "lock_washer", "nut", "thrust_bearing", "oil_part"})
"""What may lie between bearings in a bore."""


def drawn_row(d: Definition, shaft: str) -> tuple[Part, ...]:
    """The parts of a shaft that take room on it, in their order."""
    return tuple(p for p in d.on(shaft) if p.about.shape != "none" and p.part_kind not in ZERO)


@dataclass(frozen=True)
class Bored:
    """The parts of a shaft that runs in another: `before` the bore, in it, and `after` it."""

    before: tuple[Part, ...] = ()
    within: tuple[Part, ...] = ()
    after: tuple[Part, ...] = ()


def bored(d: Definition, shaft: Shaft) -> Bored:
    """From its first bearing to its last, or from behind the part after which it enters as far as bearings go."""
    row = drawn_row(d, shaft.key)
    start = next((i + 1 for i, p in enumerate(row) if p.key == shaft.enters), None)
    if start is None:
        borne = [i for i, p in enumerate(row) if p.part_kind in BEARINGS]
        return (
            Bored(row[: borne[0]], row[borne[0] : borne[-1] + 1], row[borne[-1] + 1 :])
            if borne
            else Bored(after=row)
        )
    end = start
    for i in range(start, len(row)):
        if row[i].part_kind in BEARINGS:
            end = i + 1
        elif row[i].part_kind not in IN_BORE:
            break
    return Bored(row[:start], row[start:end], row[end:])


@dataclass(frozen=True)
class Reach:
    """By part: `wide` along its shaft, out to `far`, from `near`; the `pitch` radius of gears. By shaft: `outer`
    radius and the radius of its `bore`, 0 where it is solid."""

    wide: Mapping[str, float]
    far: Mapping[str, float]
    near: Mapping[str, float]
    pitch: Mapping[str, float]
    outer: Mapping[str, float]
    bore: Mapping[str, float]


def reach_of(d: Definition) -> Reach:
    """All radii and widths of a definition whose keys are known."""
    outer, bore = _shafts(d)
    pitch = pitch_radii(d, outer)
    shimmed = {p.at for p in d.places if p.shim_form not in ("", "none")}
    wide: dict[str, float] = {}
    far: dict[str, float] = {}
    near: dict[str, float] = {}
    for s in d.shafts:
        row = drawn_row(d, s.key)
        pinned = _pinned(row) if s.pins else {}
        for p in row:
            near[p.key] = outer[s.key]
            wide[p.key] = _along(p, p.key in shimmed)
            far[p.key] = _far(p, pitch, outer[s.key])
        for p in row if s.pins else ():
            if p.key in pinned:
                wide[p.key], far[p.key] = pinned[p.key], PIN + PIN_BEARING
            elif p.part_kind in GEARS and pinned:
                near[p.key] = PIN + PIN_BEARING
        ring = max((far[p.key] for p in row if p.part_kind == "ring_gear" and not p.held), default=0.0)
        bell = (
            next((i for i, p in enumerate(row) if p.part_kind in BELL), len(row))
            if d.runs_in(s.key)
            else len(row)
        )
        behind = [p for p in row[bell:] if p.part_kind == "cover"]
        for p in behind:
            far[p.key] = max(far[p.key], ring)
            near[p.key] = 0.0
        for p in row:
            pins = next((x for x in d.shafts if x.pins == p.key), None)
            if pins is not None:
                far[p.key] = max(far[p.key], pin_distance(d, pins, pitch) + PIN + 8)
    return Reach(wide, far, near, pitch, outer, bore)


def _far(p: Part, pitch: Mapping[str, float], outer: float) -> float:
    if p.key in pitch:
        return pitch[p.key] + (RIM if p.part_kind == "ring_gear" else TOOTH / 2)
    return p.about.radius * p.size + (outer - SHAFT)


def _along(part: Part, shimmed: bool) -> float:
    return part.about.along * (part.size if part.part_kind not in BEARINGS else 1) + (SHIM if shimmed else 0)


def _pinned(row: tuple[Part, ...]) -> dict[str, float]:
    """Bearings of a planet pin lie in the planet's bore, side by side; none where there is no planet."""
    if not any(p.part_kind in GEARS for p in row):
        return {}
    gear = next(p for p in row if p.part_kind in GEARS)
    inside = [p for p in row if p.part_kind in BEARINGS]
    return {p.key: gear.about.along * gear.size / len(inside) for p in inside}


def pinned_row(row: tuple[Part, ...]) -> tuple[tuple[Part, float], ...]:
    """Those bearings with how far each lies from the middle of its planet."""
    wide = _pinned(row)
    inside = [p for p in row if p.key in wide]
    return tuple((p, (i - (len(inside) - 1) / 2) * wide[p.key]) for i, p in enumerate(inside))


def _shafts(d: Definition) -> tuple[dict[str, float], dict[str, float]]:
    outer: dict[str, float] = {}
    bore: dict[str, float] = {}

    def size(shaft: Shaft, seen: frozenset[str]) -> float:
        if shaft.key in outer:
            return outer[shaft.key]
        need = 0.0
        for inner in d.runs_in(shaft.key):
            if inner.key in seen:
                continue
            own = size(inner, seen | {inner.key})
            within = [p.about.radius * p.size + own - SHAFT for p in bored(d, inner).within]
            need = max(need, own + BORE_ROOM, *within)
        bore[shaft.key] = need or (SHAFT if shaft.hollow else 0.0)
        outer[shaft.key] = need + TUBE if need else PIN if shaft.pins else HOLLOW if shaft.hollow else SHAFT
        return outer[shaft.key]

    for s in d.shafts:
        size(s, frozenset({s.key}))
    return outer, bore


def _share(one: int, other: int) -> float:
    """A gear's part of the distance between centres."""
    return min(max(one / (one + other), 0.2), 0.8) if one and other else 0.5


def pitch_radii(d: Definition, outer: Mapping[str, float] | None = None) -> dict[str, float]:
    """Pitch radii that fit the tooth counts: parallel pairs of the same two shafts share one distance, a ring gear
    lies round its planets; all of them grow until each gear is clear of its own bore."""
    parts = {p.key: p for p in d.parts}
    radii: dict[str, float] = {}
    parallel = [m for m in d.meshes if m.mesh_kind in PARALLEL and {m.driver, m.driven} <= parts.keys()]
    for m in sorted(parallel, key=lambda m: m.mesh_kind == "internal"):
        a, b = parts[m.driver], parts[m.driven]
        if d.carrier_of(a) or d.carrier_of(b):
            _planet(d, m, a, b, radii)
        elif m.mesh_kind == "internal":
            ring, pinion = (a, b) if a.part_kind == "ring_gear" else (b, a)
            radii.setdefault(ring.key, RING)
            share = min(max(pinion.teeth / ring.teeth, 0.2), 0.75) if pinion.teeth and ring.teeth else 0.4
            radii.setdefault(pinion.key, radii[ring.key] * share)
        else:
            radii.setdefault(a.key, CENTRES * _share(a.teeth, b.teeth))
            radii.setdefault(b.key, CENTRES * _share(b.teeth, a.teeth))
    around = outer or {}
    short = [(around.get(parts[k].shaft, SHAFT) + OVER_BORE) / r for k, r in radii.items()]
    grow = max([1.0, *short])
    return {k: r * grow for k, r in radii.items()}


def _planet(d: Definition, mesh: Mesh, a: Part, b: Part, radii: dict[str, float]) -> None:
    """A sun, its planets and the ring round them have one distance from axis to pin."""
    planet, other = (a, b) if d.carrier_of(a) else (b, a)
    if mesh.mesh_kind == "internal":
        teeth = planet.teeth / (other.teeth - planet.teeth) if 0 < planet.teeth < other.teeth else 0.5
        radii.setdefault(planet.key, PLANET_CENTRES * min(max(teeth, 0.2), 0.8))
        radii.setdefault(other.key, PLANET_CENTRES + radii[planet.key])
    elif d.carrier_of(other) is None:
        radii.setdefault(planet.key, PLANET_CENTRES * _share(planet.teeth, other.teeth))
        radii.setdefault(other.key, PLANET_CENTRES - radii[planet.key])
    else:
        radii.setdefault(planet.key, PLANET_CENTRES * 0.3)
        radii.setdefault(other.key, PLANET_CENTRES * 0.3)


def pin_distance(d: Definition, pins: Shaft, pitch: Mapping[str, float]) -> float:
    """From the axis to the pins of a carrier; where no gear says it, a usual one."""
    own = {p.key for p in d.on(pins.key)}
    for m in d.meshes:
        planet, other = (m.driver, m.driven) if m.driver in own else (m.driven, m.driver)
        found = d.part(other)
        if (
            planet in own
            and found is not None
            and not d.carrier_of(found)
            and {planet, other} <= pitch.keys()
        ):
            sign = -1 if m.mesh_kind == "internal" else 1
            return abs(pitch[other] + sign * pitch[planet])
    return PLANET_CENTRES * 0.6
