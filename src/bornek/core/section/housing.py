"""Housing walls with their bores, bosses around bearings, carriers, where the housing parts, an intermediate plate."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import replace

from bornek.core.scenes import SectionShape
from bornek.core.section.lengths import WALL
from bornek.core.section.place_parts import Placed, Spot, Walls
from bornek.core.section.shapes import Frame
from bornek.core.section.walls import in_walls
from bornek.core.units.definition import Definition

BOSS = 13.0
EAR = 14.0
PLATE = 14.0
ROUND_SHAFT = 8.0
Frames = Mapping[str, Frame]


def draw_housing(d: Definition, placed: Placed, frames: Frames) -> list[SectionShape]:
    """Four walls, open where a shaft passes, and what holds each bearing."""
    if placed.walls is None:
        return []
    bores: dict[str, list[tuple[float, float]]] = {"left": [], "right": [], "top": [], "bottom": []}
    shapes: list[SectionShape] = []
    walled = in_walls(d, {key: [s.part for s in row] for key, row in placed.spots.items()})
    for shaft in d.shafts:
        borne = [s for s in placed.spots[shaft.key] if s.part in walled.get(shaft.key, ())]
        if not borne:
            continue
        low, high = ("left", "right") if shaft.line == "level" else ("top", "bottom")
        side = placed.carried.get(shaft.key, "")
        frame, line = frames[shaft.key], placed.lines[shaft.key]
        if side:
            shapes += _carrier(borne, frame)
            wide = max(s.radius for s in borne) + BOSS
            bores[low if side == "lo" else high].append((line - wide, line + wide))
            continue
        for s in borne:
            wall = _wall_of(s, placed.walls, low, high)
            if wall:
                bores[wall].append((line - s.radius, line + s.radius))
            shapes += _boss(s, frame, bool(wall))
    return _halves(d, placed, [*_walls(placed.walls, bores), *shapes]) + _plate(d, placed)


def _wall_of(s: Spot, walls: Walls, low: str, high: str) -> str:
    if abs(s.lo - getattr(walls, low)) < 0.5:
        return low
    return high if abs(s.hi - getattr(walls, high)) < 0.5 else ""


def _boss(s: Spot, frame: Frame, in_wall: bool) -> list[SectionShape]:
    found = []
    for side in (1, -1):
        found.append(frame.box("cut", s.lo, s.hi, side * s.radius, side * (s.radius + BOSS)))
        if not in_wall:
            web = (s.lo + s.hi) / 2
            found.append(
                frame.box("cut", web - 6, web + 6, side * (s.radius + BOSS), side * (s.radius + BOSS + 14))
            )
    return found


def _carrier(borne: Sequence[Spot], frame: Frame) -> list[SectionShape]:
    lo, hi, r = borne[0].lo, borne[-1].hi, max(s.radius for s in borne)
    return [frame.box("cut", lo, hi, side * r, side * (r + BOSS)) for side in (1, -1)]


def _walls(w: Walls, bores: Mapping[str, list[tuple[float, float]]]) -> list[SectionShape]:
    shapes = []
    for wall, (x0, x1) in (("left", (w.left, w.left + WALL)), ("right", (w.right - WALL, w.right))):
        for lo, hi in _between(w.top, w.bottom, bores[wall]):
            shapes.append(_box(x0, x1, lo, hi))
    for wall, (y0, y1) in (("top", (w.top, w.top + WALL)), ("bottom", (w.bottom - WALL, w.bottom))):
        for lo, hi in _between(w.left + WALL, w.right - WALL, bores[wall]):
            shapes.append(_box(lo, hi, y0, y1))
    return shapes


def _plate(d: Definition, placed: Placed) -> list[SectionShape]:
    """The wall between, open where bearings sit in it and where a shaft or a gear passes."""
    w = placed.walls
    if w is None or w.plate is None:
        return []
    x0, x1 = w.plate - PLATE / 2, w.plate + PLATE / 2
    bores, shapes = [], []
    for shaft in d.shafts:
        row = placed.spots[shaft.key]
        if shaft.line != "level" or not row:
            continue
        line = placed.lines[shaft.key]
        passing = [s.radius for s in row if s.lo < x1 and s.hi > x0]
        if passing or row[0].lo < w.plate < row[-1].hi:
            room = max(passing, default=placed.reach.outer[shaft.key] + ROUND_SHAFT)
            bores.append((line - room, line + room))
        for s in row:
            if s.part.key in d.plate:
                shapes += [
                    _box(s.lo, s.hi, line + side * s.radius, line + side * (s.radius + BOSS))
                    for side in (1, -1)
                ]
    walls = [_box(x0, x1, lo, hi) for lo, hi in _between(w.top + WALL, w.bottom - WALL, bores)]
    return [*walls, *shapes]


def _halves(d: Definition, placed: Placed, shapes: list[SectionShape]) -> list[SectionShape]:
    """The housing where it parts: along the level shafts' line or across it; the second half is hatched the other
    way. Across it, with ears."""
    w = placed.walls
    if w is None or not d.split:
        return shapes
    if d.split == "along":
        lines = [placed.lines[s.key] for s in d.shafts if s.line == "level" and placed.spots[s.key]]
        return _cut_at(shapes, 1, lines[0] if lines else (w.top + w.bottom) / 2)
    x = (w.left + w.right) / 2 if w.plate is None else w.plate
    ears = [
        _box(x + a, x + b, y0, y1)
        for y0, y1 in ((w.top - EAR, w.top), (w.bottom, w.bottom + EAR))
        for a, b in ((-EAR - PLATE / 2, 0), (0, EAR + PLATE / 2))
    ]
    return _cut_at([*shapes, *ears], 0, x)


def _cut_at(shapes: list[SectionShape], axis: int, at: float) -> list[SectionShape]:
    found = []
    for shape in shapes:
        low = [p for p in shape.points if p[axis] < at]
        high = [p for p in shape.points if p[axis] > at]
        if high and shape.role == "cut":
            if low:
                found.append(_clipped(shape, axis, at, min))
            found.append(replace(_clipped(shape, axis, at, max), role="half"))
        else:
            found.append(shape)
    return found


def _clipped(shape: SectionShape, axis: int, at: float, of: Callable[[float, float], float]) -> SectionShape:
    return replace(
        shape,
        points=tuple((of(x, at), y) if axis == 0 else (x, of(y, at)) for x, y in shape.points),
    )


def _box(x0: float, x1: float, lo: float, hi: float) -> SectionShape:
    return SectionShape("cut", ((x0, lo), (x1, lo), (x1, hi), (x0, hi)))


def _between(lo: float, hi: float, bores: Sequence[tuple[float, float]]) -> list[tuple[float, float]]:
    """What is left of a wall between its bores."""
    found, at = [], lo
    for start, end in sorted(bores):
        if start > at:
            found.append((at, min(start, hi)))
        at = max(at, end)
    return [*found, (at, hi)] if at < hi else found
