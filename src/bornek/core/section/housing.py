"""Housing walls with their bores, bosses around bearings, carriers."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from bornek.core.scenes import SectionShape
from bornek.core.section.place_parts import WALL, Placed, Spot, Walls
from bornek.core.section.shapes import Frame
from bornek.core.units.definition import Shaft
from bornek.core.units.part_kinds import BEARINGS

BOSS = 13.0


def draw_housing(placed: Placed, shafts: Sequence[Shaft], frames: Mapping[str, Frame]) -> list[SectionShape]:
    """Four walls, open where a shaft passes, and what holds each bearing."""
    if placed.walls is None:
        return []
    bores: dict[str, list[tuple[float, float]]] = {"left": [], "right": [], "top": [], "bottom": []}
    shapes: list[SectionShape] = []
    for shaft in shafts:
        row = placed.spots[shaft.key]
        borne = [s for s in row if s.part.part_kind in BEARINGS]
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
    return _walls(placed.walls, bores) + shapes


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


def _box(x0: float, x1: float, y0: float, y1: float) -> SectionShape:
    return SectionShape("cut", ((x0, y0), (x1, y0), (x1, y1), (x0, y1)))


def _between(lo: float, hi: float, bores: Sequence[tuple[float, float]]) -> list[tuple[float, float]]:
    """What is left of a wall between its bores."""
    found, at = [], lo
    for start, end in sorted(bores):
        if start > at:
            found.append((at, min(start, hi)))
        at = max(at, end)
    return [*found, (at, hi)] if at < hi else found
