"""The section of a unit from its definition: shapes, flags on places, names of shafts."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace

from bornek.core.scenes import Section, SectionFlag, SectionLabel, SectionShape
from bornek.core.section.flags import Wanted, leader_end, place_boxes
from bornek.core.section.housing import draw_housing
from bornek.core.section.place_parts import SHIM, TOOTH, ZERO, Placed, Spot, place_parts
from bornek.core.section.shapes import SHAFT, Frame, draw_part, draw_seal
from bornek.core.units.definition import Definition, Place
from bornek.core.units.mesh import Mesh
from bornek.core.units.part_kinds import BEARINGS

WIDTH, HEIGHT = 880.0, 530.0
DRAWN = (740.0, 455.0)
MOST_SCALE = 1.35
FLAG = (104.0, 54.0)
LETTER, LINE = 7.9, 20.0
Point = tuple[float, float]


@dataclass(frozen=True)
class Laid:
    """A unit laid out, in the drawing's own lengths; `move` puts a point on the sheet."""

    d: Definition
    placed: Placed
    frames: dict[str, Frame]
    shapes: tuple[SectionShape, ...]
    anchors: tuple[tuple[Place, Point], ...]
    move: Callable[[Point], Point]


def draw_section(d: Definition, label: str = "Section") -> Section:
    """The whole drawing on a sheet of 880 by 580; a unit without shafts gives an empty sheet.

    Raises NotSolved when the order of parts and the meshes contradict each other.
    """
    laid = lay_out(d)
    return Section(label, WIDTH, HEIGHT, ()) if laid is None else section_of(laid, label)


def lay_out(d: Definition) -> Laid | None:
    """Everything drawn and not yet on the sheet; None for a unit without shafts. Raises NotSolved."""
    if not any(d.on(s.key) for s in d.shafts):
        return None
    placed = place_parts(d)
    frames = {s.key: Frame(s.line == "upright", placed.lines[s.key]) for s in d.shafts}
    shapes = draw_housing(placed, d.shafts, frames)
    shimmed = {p.at for p in d.places if p.shim_form not in ("", "none")}
    spots: dict[str, Point] = {}
    for shaft in d.shafts:
        row = placed.spots[shaft.key]
        if row:
            shapes += _shaft(d, shaft.key, row, frames[shaft.key])
    for shaft in d.shafts:
        shapes += _parts(d, placed, shaft.key, frames[shaft.key], shimmed, spots)
    taken: list[Point] = []
    anchors = tuple((p, _anchor(d, p, placed, frames, spots, taken)) for p in d.places)
    shapes += _centres(placed, frames)
    return Laid(d, placed, frames, tuple(shapes), anchors, _fit(shapes))


def section_of(laid: Laid, label: str) -> Section:
    """What was laid out, on its sheet: flags on places, names of shafts."""
    placed, frames, anchors, move = laid.placed, laid.frames, laid.anchors, laid.move
    shapes = [replace(s, points=tuple(move(p) for p in s.points)) for s in laid.shapes]
    names = [
        (s.label, move(_name_spot(placed, s.key, frames[s.key])))
        for s in laid.d.shafts
        if placed.spots[s.key]
    ]
    wanted = [Wanted(move(at), *FLAG) for _, at in anchors]
    wanted += [Wanted(at, LETTER * len(text) + 8, LINE, led=False) for text, at in names]
    boxes = place_boxes(wanted, shapes, WIDTH, HEIGHT)
    flags = tuple(
        SectionFlag(
            key=p.key,
            number=n + 1,
            label=p.label,
            x=box[0],
            y=box[1],
            w=FLAG[0],
            h=FLAG[1],
            spot=want.spot,
            leader=leader_end(want.spot, box),
        )
        for n, ((p, _), want, box) in enumerate(zip(anchors, wanted, boxes, strict=False))
    )
    labels = tuple(
        SectionLabel(text, box[0], box[1], box[2] - box[0], box[3] - box[1])
        for (text, _), box in zip(names, boxes[len(anchors) :], strict=True)
    )
    return Section(label=label, width=WIDTH, height=HEIGHT, shapes=tuple(shapes), flags=flags, labels=labels)


def _shaft(d: Definition, key: str, row: Sequence[Spot], frame: Frame) -> list[SectionShape]:
    own = next((p.key for p in d.parts if p.part_kind == "shaft" and p.shaft == key), "")
    low, high = (0.0 if s.part.part_kind == "bevel_pinion" else 8.0 for s in (row[0], row[-1]))
    return [frame.box("shaft", row[0].lo - low, row[-1].hi + high, -SHAFT, SHAFT, own)]


def _parts(
    d: Definition, placed: Placed, shaft: str, frame: Frame, shimmed: set[str], spots: dict[str, Point]
) -> list[SectionShape]:
    row = placed.spots[shaft]
    borne = [i for i, s in enumerate(row) if s.part.part_kind in BEARINGS]
    shapes: list[SectionShape] = []
    for i, s in enumerate(row):
        low_end = (
            (bool(borne) and i < borne[0])
            or (bool(borne) and i == borne[0])
            or (not borne and i < len(row) / 2)
        )
        solid = _shims(s, frame, low_end, spots, shapes) if s.part.key in shimmed else s
        shapes += draw_part(solid, frame, _flip(d, s, low_end, frame.upright))
    return shapes + _seals(d, placed, shaft, frame)


def _flip(d: Definition, s: Spot, low_end: bool, upright: bool) -> int:
    """Which way a part that is not the same from both ends points along its shaft."""
    turn = -1 if s.part.flip else 1
    shape = s.part.about.shape
    mesh = next((m for m in d.meshes if s.part.key in (m.driver, m.driven)), None)
    if shape == "bevel_pinion" and mesh:
        return turn if mesh.toward in ("right", "below") else -turn
    if shape == "bevel_gear" and mesh:
        return turn if mesh.body in ("right", "below") else -turn
    if shape == "flange":
        return -turn if low_end else turn
    return turn if low_end else -turn


def _shims(s: Spot, frame: Frame, low_end: bool, spots: dict[str, Point], shapes: list[SectionShape]) -> Spot:
    """Draws the pack beside its part, between part and wall; returns the part without that room."""
    outside = s.part.part_kind in BEARINGS
    at_hi = low_end != outside
    u0 = s.hi - SHIM if at_hi else s.lo
    inner = SHAFT + 6 if outside else s.radius * 0.62
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
            host = next((p for p in near if p.part_kind in ("cover", "cage")), near[0] if near else None)
            if host:
                shapes += draw_seal(at[host.key].at, frame, part.key)
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
        u, v = spots.get(place.at, (s.at, max(s.radius - 6, SHAFT)))
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
    found = placed.spot(mesh.driver)
    if found is None:
        return 0.0, 0.0
    shaft, s = found
    sign = 1 if mesh.toward in ("right", "below") else -1
    body = 1 if mesh.body in ("right", "below") else -1
    if mesh.crossed:
        return frames[shaft].at(s.at + sign * 4, body * s.radius * 0.8)
    return frames[shaft].at(s.at, sign * (s.radius - TOOTH / 2))


def _centres(placed: Placed, frames: dict[str, Frame]) -> list[SectionShape]:
    return [
        SectionShape(
            "centre", (frames[key].at(row[0].lo - 26, 0), frames[key].at(row[-1].hi + 26, 0)), "", False
        )
        for key, row in placed.spots.items()
        if row
    ]


def _name_spot(placed: Placed, shaft: str, frame: Frame) -> Point:
    row = placed.spots[shaft]
    w = placed.walls
    first, last = row[0].lo - 30, row[-1].hi + 30
    if w is None:
        return frame.at(first, 0)
    low, high = (w.top, w.bottom) if frame.upright else (w.left, w.right)
    return frame.at(first, 0) if low - first >= last - high else frame.at(last, 0)


def _fit(shapes: Sequence[SectionShape]) -> Callable[[Point], Point]:
    """The scale and shift that put everything drawn in the middle of the sheet."""
    xs = [p[0] for s in shapes for p in s.points]
    ys = [p[1] for s in shapes for p in s.points]
    wide, high = max(xs) - min(xs), max(ys) - min(ys)
    scale = min(DRAWN[0] / wide, DRAWN[1] / high, MOST_SCALE)
    dx, dy = (WIDTH - scale * wide) / 2 - scale * min(xs), (HEIGHT - scale * high) / 2 - scale * min(ys)
    return lambda p: (round(scale * p[0] + dx, 1), round(scale * p[1] + dy, 1))
