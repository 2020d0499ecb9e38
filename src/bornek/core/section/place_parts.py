"""Where everything lies in the section: one linear programme over positions along and across.

Unknowns: each part's middle along its shaft, each shaft's line, the housing walls. Parts keep their order and width;
meshing gears stand where they touch, bearings in their wall, nothing inside reaches through a wall: where these
contradict each other the least gives way, and it is said which. The least total length is taken.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from functools import cached_property
from itertools import pairwise

from bornek.core.section.lengths import BARE, BEVEL_FACE, CLEAR, GAP, SHAFT, TOOTH
from bornek.core.section.nested import place_nested
from bornek.core.section.reach import Reach, drawn_row, pinned_row, reach_of
from bornek.core.section.rows import Rows, Tag
from bornek.core.section.stand_apart import stand_apart
from bornek.core.section.walls import carrier_side, in_walls, place_walls
from bornek.core.units.definition import Definition, Part, Shaft
from bornek.core.units.mesh import Mesh

CLOSE = frozenset(
    {"planet_carrier", "cover", "nut", "lock_washer", "spacer", "snap_ring", "thrust_bearing", "oil_part"}
)


@dataclass(frozen=True)
class Spot:
    """A part placed: middle `at` along its shaft, from `lo` to `hi`, from `near` the line out to `radius`; `pitch`: of
    a gear whose mate says it."""

    part: Part
    at: float
    along: float
    radius: float
    near: float = SHAFT
    pitch: float = 0.0

    @property
    def lo(self) -> float:
        return self.at - self.along / 2

    @property
    def hi(self) -> float:
        return self.at + self.along / 2


@dataclass(frozen=True)
class Walls:
    left: float
    right: float
    top: float
    bottom: float
    plate: float | None = None


@dataclass(frozen=True)
class Placed:
    """Everything placed: spots by shaft in their order, the line of each shaft, the walls (or none), the ends of
    shafts in which another runs; what gave way; the middle of each shaft on which nothing sits yet."""

    spots: Mapping[str, tuple[Spot, ...]]
    lines: Mapping[str, float]
    walls: Walls | None
    reach: Reach
    carried: Mapping[str, str] = field(default_factory=dict)
    tubes: Mapping[str, tuple[float, float]] = field(default_factory=dict)
    gave_way: Mapping[Tag, float] = field(default_factory=dict)
    bare: Mapping[str, float] = field(default_factory=dict)

    def ends(self, shaft: str) -> tuple[float, float]:
        """Of what sits on a shaft; of the bare shaft where nothing does yet."""
        row = self.spots[shaft]
        if not row:
            return self.bare[shaft] - BARE / 2, self.bare[shaft] + BARE / 2
        return min(s.lo for s in row), max(s.hi for s in row)

    def spot(self, key: str) -> tuple[str, Spot] | None:
        """A part's shaft and its spot."""
        return self._by_part.get(key)

    @cached_property
    def _by_part(self) -> dict[str, tuple[str, Spot]]:
        return {s.part.key: (shaft, s) for shaft, row in self.spots.items() for s in row}


def place_parts(d: Definition) -> Placed:
    """Positions of all drawn parts of a definition whose keys are known."""
    rows, reach = Rows(), reach_of(d)
    order = {s.key: drawn_row(d, s.key) for s in d.shafts}
    sides = {s.key: carrier_side(order[s.key]) for s in d.shafts if s.carried}
    walled = in_walls(d, order)
    solid = {s.key: _order(rows, d, order[s.key], reach) for s in d.shafts}
    for s in d.shafts:
        if s.after:
            _after(rows, s, solid, reach)
        elif s.beside:
            apart = _across(order[s.key], reach) + _across(order[s.beside], reach) + CLEAR
            rows.at_least({line(s.key): 1, line(s.beside): -1}, apart, ("beside", s.key))
    if walled:
        place_walls(rows, d, order, reach, sides, walled)
    for mesh in d.meshes:
        _touch(rows, d, mesh, reach)
    tubes = place_nested(rows, d, order, reach)
    stand_apart(rows, d, order, reach, bool(walled))
    _lean(rows, d.shafts, order)
    found = rows.solve()
    at = found.at
    spots = {
        key: tuple(
            Spot(
                p,
                at[p.key],
                reach.wide[p.key],
                reach.far[p.key],
                reach.near[p.key],
                reach.pitch.get(p.key, 0),
            )
            for p in row
        )
        for key, row in order.items()
    }
    walls = Walls(at["left"], at["right"], at["top"], at["bottom"], at.get("plate")) if walled else None
    ends = {key: (at[f"lo {key}"], at[f"hi {key}"]) for key in tubes}
    lines = {s.key: at[line(s.key)] for s in d.shafts}
    bare = {key: at[bare_shaft(key)] for key, row in order.items() if not row}
    return Placed(spots, lines, walls, reach, sides, ends, found.gave_way, bare)


def bare_shaft(key: str) -> str:
    return f"bare {key}"


def line(key: str) -> str:
    return f"line {key}"


def _order(rows: Rows, d: Definition, row: Sequence[Part], reach: Reach) -> list[Part]:
    """One behind the other; what lies round or within another part has its place from that. Those that do."""
    meshed = {k for m in d.meshes if m.toward != "out" for k in (m.driver, m.driven)}
    pinned = [p for p, _ in pinned_row(tuple(row))] if row and d.carrier_of(row[0]) else []
    rings = [p for p in row if p.part_kind == "ring_gear" and p.key in meshed]
    for a, b in pairwise(row):
        if b in rings and not b.held and not b.flip and a not in rings:
            rows.at_least(
                {b.key: 1, a.key: -1}, (reach.wide[a.key] + reach.wide[b.key]) / 2 + GAP, ("ring", b.key)
            )
    around = [p for p in row if p.part_kind == "cage" or p in rings or p in pinned]
    row = [p for p in row if p not in around]
    for p in around:
        rows.wish({p.key: 1, (row or around)[0].key: -1}, 0, 0.001)
    for a, b in pairwise(row):
        rows.at_least({b.key: 1, a.key: -1}, (reach.wide[a.key] + reach.wide[b.key]) / 2 + _gap(a, b))
    if row:
        rows.minimise({row[-1].key: 1, row[0].key: -1})
    return row


def _gap(a: Part, b: Part) -> float:
    return 0.0 if a.part_kind in CLOSE or b.part_kind in CLOSE else GAP


def _after(rows: Rows, shaft: Shaft, order: Mapping[str, Sequence[Part]], reach: Reach) -> None:
    first, then = order[shaft.after], order[shaft.key]
    tag = ("after", shaft.key)
    if not first or not then:
        ends = [
            (row[i].key if row else bare_shaft(k))
            for row, k, i in ((first, shaft.after, -1), (then, shaft.key, 0))
        ]
        rows.at_least({ends[1]: 1, ends[0]: -1}, BARE, tag)
    else:
        a, b = first[-1], then[0]
        rows.at_least({b.key: 1, a.key: -1}, (reach.wide[a.key] + reach.wide[b.key]) / 2 + _gap(a, b), tag)
    rows.same({line(shaft.key): 1, line(shaft.after): -1}, 0, tag)


def _across(row: Sequence[Part], reach: Reach) -> float:
    return max((reach.far[p.key] for p in row), default=20.0)


def _touch(rows: Rows, d: Definition, mesh: Mesh, reach: Reach) -> None:
    a, b = d.part(mesh.driver), d.part(mesh.driven)
    if mesh.toward == "out" or a is None or b is None:
        return
    tag = ("mesh", mesh.key)
    here, there = line(a.shaft), line(b.shaft)
    sign = 1 if mesh.toward in ("right", "below") else -1
    body = 1 if mesh.body in ("right", "below") else -1
    if mesh.crossed:
        rows.same({there: 1, a.key: -1}, sign * (reach.far[b.key] - BEVEL_FACE / 2 + 6), tag)
        rows.same({b.key: 1, here: -1}, body * (reach.far[a.key] - 4 + reach.wide[b.key] / 2 - TOOTH), tag)
        return
    rows.same({b.key: 1, a.key: -1}, 0, tag)
    if a.shaft == b.shaft:
        return
    planet = d.carrier_of(a) or d.carrier_of(b)
    if planet:
        sign = 1 if d.carrier_of(a) else -1
    rows.same({there: 1, here: -1}, sign * centres(mesh, reach), tag)


def centres(mesh: Mesh, reach: Reach) -> float:
    """From line to line where two gears of parallel shafts touch."""
    one, other = (reach.pitch.get(k, reach.far[k] - TOOTH / 2) for k in (mesh.driver, mesh.driven))
    return abs(one - other) if mesh.mesh_kind == "internal" else one + other


def _lean(rows: Rows, shafts: Sequence[Shaft], order: Mapping[str, Sequence[Part]]) -> None:
    """What nothing else places lies by the first of its kind; the whole stands at nought."""
    for lies in ("level", "upright"):
        own = [s for s in shafts if s.line == lies]
        first = [order[s.key][0].key if order[s.key] else bare_shaft(s.key) for s in own]
        for s in own[1:]:
            rows.wish({line(s.key): 1, line(own[0].key): -1}, 0, 0.001)
        for p in first[1:]:
            rows.wish({p: 1, first[0]: -1}, 0, 0.001)
    for s in shafts:
        rows.wish({order[s.key][0].key if order[s.key] else bare_shaft(s.key): 1}, 0, 0.0001)
        rows.wish({line(s.key): 1}, 0, 0.0001)
