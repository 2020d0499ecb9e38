"""The way of power through a unit in section: along each shaft, through each mesh."""

from __future__ import annotations

from collections.abc import Sequence

from bornek.core.section.laid import Laid, Point, mesh_spot
from bornek.core.train.flow import PowerPath

BEYOND = 34.0
"""So far beyond the last part it comes in and goes out."""


def draw_flow(laid: Laid, paths: Sequence[PowerPath]) -> tuple[tuple[Point, ...], ...]:
    """One line for each path, on the sheet."""
    return tuple(tuple(map(laid.move, line)) for p in paths if len(line := _line(laid, p)) > 1)


def _line(laid: Laid, path: PowerPath) -> list[Point]:
    """Empty where a shaft or a gear on the way is not drawn."""
    meshes = [m for x in path.links if (m := laid.d.mesh(x.mesh)) is not None]
    first = _gear_on(laid, path, meshes[0].key, 0) if meshes else None
    if not all(laid.placed.spots.get(path.members[end]) for end in (0, -1)):
        return []
    points = [_end(laid, path.members[0], first)]
    for n, link in enumerate(path.links):
        mesh = laid.d.mesh(link.mesh)
        if mesh is None:
            points += _along_pin(laid, path.members[n], link.a, link.b)
            continue
        first_gear, then = (
            _axis(laid, gear) for gear in _in_order(laid, path.members[n], mesh.driver, mesh.driven)
        )
        if first_gear is None or then is None:
            return []
        meet = [] if mesh.toward == "out" else [mesh_spot(mesh, laid.placed, laid.frames)]
        points += [first_gear, *meet, then]
    last = _gear_on(laid, path, meshes[-1].key, -1) if meshes else None
    points.append(_end(laid, path.members[-1], last))
    return points


def _along_pin(laid: Laid, member: str, pins: str, carrier: str) -> list[Point]:
    """From a planet's pin to the axis of its carrier, or back; nothing for a dog."""
    shaft = laid.d.shaft(pins)
    found = laid.placed.spot(shaft.pins) if shaft is not None and shaft.pins else None
    if found is None:
        return []
    ends = [laid.frames[pins].at(found[1].at, 0), laid.frames[found[0]].at(found[1].at, 0)]
    return ends if member == pins else ends[::-1]


def _axis(laid: Laid, gear: str) -> Point | None:
    """The middle of a gear on its shaft's line; None where it is not drawn."""
    found = laid.placed.spot(gear)
    return None if found is None else laid.frames[found[0]].at(found[1].at, 0)


def _in_order(laid: Laid, member: str, driver: str, driven: str) -> tuple[str, str]:
    """The two gears of a mesh as power passes them, coming from a member."""
    part = laid.d.part(driver)
    from_driver = part is not None and member in (part.key, part.shaft)
    return (driver, driven) if from_driver else (driven, driver)


def _gear_on(laid: Laid, path: PowerPath, mesh_key: str, end: int) -> float | None:
    """Where on the first or the last shaft the gear sits that power leaves or reaches."""
    mesh, shaft = laid.d.mesh(mesh_key), path.members[end]
    for gear in (mesh.driver, mesh.driven) if mesh else ():
        found = laid.placed.spot(gear)
        if found is not None and found[0] == shaft:
            return found[1].at
    return None


def _end(laid: Laid, shaft: str, gear_at: float | None) -> Point:
    """Just beyond the end of a shaft that lies farther from its gear; the free end of one in line with another."""
    row = laid.placed.spots[shaft]
    low, high = row[0].lo - BEYOND, row[-1].hi + BEYOND
    behind = any(s.after == shaft for s in laid.d.shafts)
    own = laid.d.shaft(shaft)
    if behind or (own is not None and own.after):
        at = low if behind else high
    else:
        middle = gear_at if gear_at is not None else low
        at = low if middle - low > high - middle else high
    return laid.frames[shaft].at(at, 0)
