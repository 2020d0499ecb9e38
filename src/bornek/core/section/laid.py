"""A unit laid out: every shape in the drawing's own lengths, and the spots of its places."""

from __future__ import annotations

from dataclasses import dataclass, replace

from bornek.core.scenes import SectionShape
from bornek.core.section.clashes import Clash, clashes
from bornek.core.section.drawable import drawable
from bornek.core.section.housing import draw_housing
from bornek.core.section.lengths import SHAFT, SHIM, TOOTH
from bornek.core.section.nested import tube_of
from bornek.core.section.place_parts import Placed, Spot, centres, place_parts
from bornek.core.section.reach import ZERO
from bornek.core.section.shapes import Frame, draw_part, draw_seal
from bornek.core.section.sheet_size import Sheet, fit_sheet
from bornek.core.units.definition import Definition, Place, Shaft
from bornek.core.units.mesh import Mesh
from bornek.core.units.part_kinds import BEARINGS

Point = tuple[float, float]
HUB_ROOM, HUB_WALL, SEAL = 8.0, 10.0, 6.0


@dataclass(frozen=True)
class Laid:
    """`move` puts a point on the sheet. `clashes`: what could not lie where the definition puts it."""

    d: Definition
    placed: Placed
    frames: dict[str, Frame]
    shapes: tuple[SectionShape, ...]
    anchors: tuple[tuple[Place, Point], ...]
    sheet: Sheet
    clashes: tuple[Clash, ...] = ()

    def move(self, p: Point) -> Point:
        return self.sheet.move(p)


def lay_out(given: Definition) -> Laid | None:
    """Everything of a definition that can be drawn, also of one half-built; None where there is no shaft."""
    d = drawable(given)
    if not d.shafts:
        return None
    placed = place_parts(d)
    frames = {s.key: Frame(s.line == "upright", placed.lines[s.key]) for s in d.shafts}
    shapes = draw_housing(d, placed, frames)
    shimmed = {p.at for p in d.places if p.shim_form not in ("", "none")}
    spots: dict[str, Point] = {}
    for shaft in sorted(d.shafts, key=lambda s: -placed.reach.outer[s.key]):
        shapes += _shaft(d, shaft, placed, frames[shaft.key])
    for shaft in d.shafts:
        shapes += _parts(d, placed, shaft.key, frames[shaft.key], shimmed, spots)
    taken: list[Point] = []
    anchors = tuple((p, _anchor(d, p, placed, frames, spots, taken)) for p in d.places)
    shapes += _centres(placed, frames)
    found = tuple(clashes(given, dict(placed.gave_way)))
    return Laid(d, placed, frames, tuple(shapes), anchors, fit_sheet(shapes, len(anchors)), found)


def _shaft(d: Definition, shaft: Shaft, placed: Placed, frame: Frame) -> list[SectionShape]:
    """Solid, or the two walls of a tube; none where all its parts are held in the housing."""
    row = placed.spots[shaft.key]
    if row and all(s.part.held for s in row):
        return []
    own = next((p.key for p in d.parts if p.part_kind == "shaft" and p.shaft == shaft.key), "")
    lo, hi = _ends(d, shaft, placed)
    outer, bore = placed.reach.outer[shaft.key], placed.reach.bore[shaft.key]
    if not bore:
        return [frame.box("shaft", lo, hi, -outer, outer, own)]
    tube = [frame.box("shaft", lo, hi, side * bore, side * outer, own) for side in (-1, 1)]
    return [frame.box("bore", lo, hi, -bore, bore), *tube, *_hub(shaft, placed, frame, own)]


def hub_radius(shaft: Shaft, placed: Placed) -> float:
    """How far a hub must reach round what lies between the end of its tube and its own carrier; 0 where it has none."""
    _, beyond = tube_of([s.part for s in placed.spots[shaft.key]])
    if shaft.key not in placed.tubes or not beyond or beyond[0].part_kind != "planet_carrier":
        return 0.0
    end, carrier = placed.tubes[shaft.key][1], placed.spot(beyond[0].key)
    line = placed.lines[shaft.key]
    round_it = [
        abs(placed.lines[key] - line) + s.radius
        for key, row in placed.spots.items()
        for s in row
        if key != shaft.key and carrier is not None and end - 1 <= s.at <= carrier[1].at and s.part.teeth
    ]
    return max(round_it, default=placed.reach.outer[shaft.key]) + HUB_ROOM


def _hub(shaft: Shaft, placed: Placed, frame: Frame, own: str) -> list[SectionShape]:
    """From the end of its tube out and along to the carrier that drives it."""
    far = hub_radius(shaft, placed)
    if not far:
        return []
    start, carrier = placed.tubes[shaft.key][1], tube_of([s.part for s in placed.spots[shaft.key]])[1][0]
    found = placed.spot(carrier.key)
    if found is None or found[1].hi <= start + HUB_WALL:
        return []
    outer = placed.reach.outer[shaft.key]
    shapes = []
    for side in (-1, 1):
        shapes.append(
            frame.box("shaft", start - HUB_WALL, start, side * (outer - 2), side * (far + HUB_WALL), own)
        )
        shapes.append(frame.box("shaft", start, found[1].hi, side * far, side * (far + HUB_WALL), own))
    return shapes


def _ends(d: Definition, shaft: Shaft, placed: Placed) -> tuple[float, float]:
    row = placed.spots[shaft.key]
    if shaft.key in placed.tubes:
        lo, hi = placed.tubes[shaft.key]
        along, beyond = tube_of([s.part for s in row])
        return lo - (8 if along or not beyond else 0), hi
    if not row:
        return placed.ends(shaft.key)
    low, high = (0.0 if s.part.part_kind == "bevel_pinion" else 8.0 for s in (row[0], row[-1]))
    lo, hi = placed.ends(shaft.key)
    lo, hi = lo - low, hi + high
    found = placed.spot(shaft.pins) if shaft.pins else None
    if found is not None:
        return min(lo, found[1].lo), max(hi, found[1].hi)
    return lo, hi


def _parts(
    d: Definition, placed: Placed, shaft: str, frame: Frame, shimmed: set[str], spots: dict[str, Point]
) -> list[SectionShape]:
    row = placed.spots[shaft]
    own = d.shaft(shaft)
    hub = hub_radius(own, placed) if own is not None else 0.0
    borne = [i for i, s in enumerate(row) if s.part.part_kind in BEARINGS]
    shapes: list[SectionShape] = []
    for i, s in enumerate(row):
        low_end = (bool(borne) and i <= borne[0]) or (not borne and i < len(row) / 2)
        solid = _shims(s, frame, low_end, spots, shapes) if s.part.key in shimmed else s
        if s.part.part_kind == "planet_carrier":
            solid = replace(solid, radius=max(solid.radius, hub), near=SHAFT if hub else solid.near)
        shapes += draw_part(solid, frame, _flip(d, s, low_end))
    return shapes + _seals(d, placed, shaft, frame)


def _flip(d: Definition, s: Spot, low_end: bool) -> int:
    """Which way a part that is not the same from both ends points along its shaft."""
    turn = -1 if s.part.flip else 1
    shape = s.part.about.shape
    mesh = next((m for m in d.meshes if s.part.key in (m.driver, m.driven)), None)
    if shape == "bevel_pinion" and mesh:
        return turn if mesh.toward in ("right", "below") else -turn
    if shape == "bevel_gear" and mesh:
        return turn if mesh.body in ("right", "below") else -turn
    if shape == "ring_gear":
        return turn
    if shape == "flange":
        return -turn if low_end else turn
    return turn if low_end else -turn


def _shims(s: Spot, frame: Frame, low_end: bool, spots: dict[str, Point], shapes: list[SectionShape]) -> Spot:
    """Draws the pack beside its part, between part and wall; returns the part without that room."""
    outside = s.part.part_kind in BEARINGS
    at_hi = low_end != outside
    u0 = s.hi - SHIM if at_hi else s.lo
    inner = s.near + 6 if outside else max(s.radius * 0.62, s.near + 2)
    for side in (1, -1):
        for leaf in range(3):
            a = u0 + 1 + leaf * (SHIM - 2) / 3
            shapes.append(frame.box("shim", a, a + (SHIM - 2) / 3, side * inner, side * s.radius, s.part.key))
    spots[s.part.key] = (u0 + SHIM / 2, (inner + s.radius) / 2)
    return replace(s, at=s.at + (-SHIM / 2 if at_hi else SHIM / 2), along=s.along - SHIM)


def _seals(d: Definition, placed: Placed, shaft: str, frame: Frame) -> list[SectionShape]:
    parts = [p for p in d.on(shaft) if p.about.shape != "none"]
    at = {s.part.key: s for s in placed.spots[shaft]}
    shapes: list[SectionShape] = []
    for i, part in enumerate(parts):
        if part.part_kind in ZERO:
            near = [p for p in parts[max(i - 1, 0) : i + 2] if p.key in at]
            host = next((p for p in near if p.part_kind in ("cover", "cage")), None)
            if near:
                beside = at[near[0].key]
                alone = beside.hi + SEAL if near[0] in parts[:i] else beside.lo - SEAL
                u = at[host.key].at if host else alone
                shapes += draw_seal(u, frame, part.key, placed.reach.outer[shaft])
    return shapes


def _anchor(
    d: Definition,
    place: Place,
    placed: Placed,
    frames: dict[str, Frame],
    spots: dict[str, Point],
    taken: list[Point],
) -> Point:
    """The exact spot of a place; a second place at the same part takes the other side of the shaft."""
    mesh = d.mesh(place.at)
    if mesh:
        at = mesh_spot(mesh, placed, frames)
    elif (found := placed.spot(place.at)) is not None:
        shaft, s = found
        u, v = spots.get(place.at, (s.at, max(s.radius - 6, s.near)))
        choices = [frames[shaft].at(u, -v), frames[shaft].at(u, v)]
        at = next((c for c in choices if all(_apart(c, t) > 34 for t in taken)), choices[0])
    else:
        w = placed.walls
        at = (w.left + 40.0 * (len(taken) + 1), w.bottom - 10.0) if w else (40.0 * len(taken), 60.0)
    taken.append(at)
    return at


def _apart(a: Point, b: Point) -> float:
    return abs(a[0] - b[0]) + abs(a[1] - b[1])


def mesh_spot(mesh: Mesh, placed: Placed, frames: dict[str, Frame]) -> Point:
    """Where the teeth of a mesh meet."""
    found, other = placed.spot(mesh.driver), placed.spot(mesh.driven)
    if found is None or other is None:
        return 0.0, 0.0
    shaft, s = found
    sign = 1 if mesh.toward in ("right", "below") else -1
    body = 1 if mesh.body in ("right", "below") else -1
    if mesh.crossed:
        return frames[shaft].at(s.at + sign * 4, body * s.radius * 0.8)
    if shaft != other[0] and mesh.toward != "out":
        sign = 1 if placed.lines[other[0]] > placed.lines[shaft] else -1
        if mesh.mesh_kind == "internal" and s.part.part_kind != "ring_gear":
            sign = -sign
        return frames[shaft].at(s.at, sign * (s.pitch or centres(mesh, placed.reach) / 2))
    return frames[shaft].at(s.at, sign * (s.radius - TOOTH / 2))


def _centres(placed: Placed, frames: dict[str, Frame]) -> list[SectionShape]:
    return [
        SectionShape(
            "centre",
            (frames[key].at(placed.ends(key)[0] - 26, 0), frames[key].at(placed.ends(key)[1] + 26, 0)),
            "",
            False,
        )
        for key in placed.spots
    ]
