"""Where everything lies in the section: one linear programme over positions along and across.

Unknowns: each part's middle along its shaft, each shaft's line, the four housing walls. Constraints:
parts keep their order and width; meshing gears stand where they touch; bearings stand in their wall;
nothing inside reaches through a wall. The least total length is taken.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from itertools import pairwise

import numpy as np
from scipy.optimize import linprog

from bornek.core.errors import NotSolved
from bornek.core.units.definition import Definition, Part, Shaft
from bornek.core.units.mesh import PARALLEL, Mesh
from bornek.core.units.part_kinds import BEARINGS, GEARS

GAP = 10.0
WALL = 20.0
CLEAR = 26.0
SHIM = 14.0
CENTRES = 128.0
TOOTH = 9.0
BEVEL_FACE = 34.0
OUTSIDE = frozenset(
    {"cover", "cage", "coupling", "chuck", "table", "drum", "pulley", "nut", "lock_washer", "oil_part"}
)
ZERO = frozenset({"seal", "felt"})


@dataclass(frozen=True)
class Spot:
    """A part placed: middle `at` along its shaft, from `lo` to `hi`, out to `radius`."""

    part: Part
    at: float
    along: float
    radius: float

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


@dataclass(frozen=True)
class Placed:
    """Everything placed: spots by shaft in their order, the line of each shaft, the walls (or none)."""

    spots: Mapping[str, tuple[Spot, ...]]
    lines: Mapping[str, float]
    walls: Walls | None
    carried: Mapping[str, str] = field(default_factory=dict)

    def spot(self, key: str) -> tuple[str, Spot] | None:
        """A part's shaft and its spot."""
        return next(((shaft, s) for shaft, row in self.spots.items() for s in row if s.part.key == key), None)


class _Rows:
    """Rows of a linear programme, built by name."""

    def __init__(self) -> None:
        self.names: dict[str, int] = {}
        self.least: list[tuple[dict[str, float], float]] = []
        self.equal: list[tuple[dict[str, float], float]] = []
        self.cost: dict[str, float] = {}

    def at_least(self, terms: dict[str, float], bound: float) -> None:
        """Σ terms ≥ bound."""
        self._know(terms)
        self.least.append((terms, bound))

    def same(self, terms: dict[str, float], value: float) -> None:
        self._know(terms)
        self.equal.append((terms, value))

    def minimise(self, terms: dict[str, float]) -> None:
        self._know(terms)
        for name, weight in terms.items():
            self.cost[name] = self.cost.get(name, 0.0) + weight

    def _know(self, terms: dict[str, float]) -> None:
        for name in terms:
            self.names.setdefault(name, len(self.names))

    def solve(self) -> dict[str, float]:
        n = len(self.names)
        cost = np.zeros(n)
        for name, weight in self.cost.items():
            cost[self.names[name]] = weight
        upper, bounds = self._matrix(self.least, n)
        equal, values = self._matrix(self.equal, n)
        answer = linprog(
            cost,
            A_ub=-upper if len(bounds) else None,
            b_ub=-bounds if len(bounds) else None,
            A_eq=equal if len(values) else None,
            b_eq=values if len(values) else None,
            bounds=[(-5000, 5000)] * n,
            method="highs",
        )
        if not answer.success:
            raise NotSolved(
                "The section cannot be drawn: the order of the parts and the meshes contradict each other.",
                field="parts",
                next_step="Look at the order of the gears on their shafts, and at which side each mesh lies.",
            )
        return {name: float(answer.x[i]) for name, i in self.names.items()}

    def _matrix(self, rows: list[tuple[dict[str, float], float]], n: int) -> tuple[np.ndarray, np.ndarray]:
        matrix = np.zeros((len(rows), n))
        for i, (terms, _) in enumerate(rows):
            for name, weight in terms.items():
                matrix[i, self.names[name]] += weight
        return matrix, np.array([bound for _, bound in rows])


def place_parts(d: Definition) -> Placed:
    """Positions of all drawn parts; NotSolved if order and meshes contradict each other."""
    rows, radii = _Rows(), gear_radii(d)
    shafts = {s.key: s for s in d.shafts}
    order = {
        key: [p for p in d.on(key) if p.about.shape != "none" and p.part_kind not in ZERO] for key in shafts
    }
    sides = {key: _carrier_side(order[key]) for key, s in shafts.items() if s.carried}
    reach = {p.key: radii.get(p.key, p.about.radius * p.size) for row in order.values() for p in row}
    shimmed = {p.at for p in d.places if p.shim_form not in ("", "none")}
    wide = {p.key: _along(p, p.key in shimmed) for row in order.values() for p in row}
    has_walls = any(s for s in shafts.values() if any(p.part_kind in BEARINGS for p in order[s.key]))
    for key, shaft in shafts.items():
        rows.minimise({_line(key): 0.001})
        _order(rows, order[key], wide)
        if has_walls:
            followed = any(other.after == key for other in shafts.values())
            _walls(rows, shaft, order[key], wide, reach, sides.get(key, ""), followed)
        if shaft.after:
            _after(rows, order[shaft.after], order[key], wide)
            rows.same({_line(key): 1, _line(shaft.after): -1}, 0)
        elif shaft.beside:
            rows.at_least({_line(key): 1, _line(shaft.beside): -1}, _apart(order, shaft, reach))
    for mesh in d.meshes:
        _touch(rows, d, mesh, reach, wide)
    if has_walls:
        rows.minimise({"right": 2, "left": -2, "bottom": 2, "top": -2})
    else:
        rows.same({next(iter(rows.names), "left"): 1}, 0)
    found = rows.solve()
    spots = {
        key: tuple(Spot(p, found[p.key], wide[p.key], reach[p.key]) for p in row)
        for key, row in order.items()
    }
    walls = Walls(*(found[w] for w in ("left", "right", "top", "bottom"))) if has_walls else None
    return Placed(spots, {key: found[_line(key)] for key in shafts}, walls, sides)


def gear_radii(d: Definition) -> dict[str, float]:
    """Outer radii that fit the tooth counts: parallel pairs of the same two shafts share one distance."""
    parts = {p.key: p for p in d.parts}
    radii: dict[str, float] = {}
    for mesh in d.meshes:
        a, b = parts[mesh.driver], parts[mesh.driven]
        share = a.teeth / (a.teeth + b.teeth) if a.teeth and b.teeth else 0.5
        if mesh.mesh_kind in PARALLEL:
            share = min(max(share, 0.2), 0.8)
            radii.setdefault(a.key, CENTRES * share + TOOTH / 2)
            radii.setdefault(b.key, CENTRES * (1 - share) + TOOTH / 2)
        else:
            radii.setdefault(a.key, a.about.radius * a.size)
            radii.setdefault(b.key, b.about.radius * b.size)
    return radii


def _line(key: str) -> str:
    return f"line {key}"


def _along(part: Part, shimmed: bool) -> float:
    return part.about.along * (part.size if part.part_kind not in BEARINGS else 1) + (SHIM if shimmed else 0)


def _carrier_side(row: Sequence[Part]) -> str:
    """On which end of a carried shaft the carrier stands out: the end away from its gear."""
    at = [i for i, p in enumerate(row) if p.part_kind in BEARINGS]
    gears = [i for i, p in enumerate(row) if p.part_kind in GEARS]
    return "hi" if gears and at and gears[0] < at[0] else "lo"


def _order(rows: _Rows, row: Sequence[Part], wide: Mapping[str, float]) -> None:
    row = [p for p in row if p.part_kind != "cage"]
    for a, b in pairwise(row):
        rows.at_least({b.key: 1, a.key: -1}, (wide[a.key] + wide[b.key]) / 2 + _gap(a, b))
    if row:
        rows.minimise({row[-1].key: 1, row[0].key: -1})


def _gap(a: Part, b: Part) -> float:
    close = {"cover", "nut", "lock_washer", "spacer", "snap_ring", "thrust_bearing", "oil_part"}
    return 0.0 if a.part_kind in close or b.part_kind in close else GAP


def _after(rows: _Rows, first: Sequence[Part], then: Sequence[Part], wide: Mapping[str, float]) -> None:
    if first and then:
        a, b = first[-1], then[0]
        rows.at_least({b.key: 1, a.key: -1}, (wide[a.key] + wide[b.key]) / 2 + GAP)


def _apart(order: Mapping[str, Sequence[Part]], shaft: Shaft, reach: Mapping[str, float]) -> float:
    far = [max((reach[p.key] for p in order[key]), default=20.0) for key in (shaft.key, shaft.beside)]
    return sum(far) + CLEAR


def _walls(
    rows: _Rows,
    shaft: Shaft,
    row: Sequence[Part],
    wide: Mapping[str, float],
    reach: Mapping[str, float],
    side: str,
    followed: bool,
) -> None:
    lo, hi = ("left", "right") if shaft.line == "level" else ("top", "bottom")
    low_across, high_across = ("top", "bottom") if shaft.line == "level" else ("left", "right")
    borne = [i for i, p in enumerate(row) if p.part_kind in BEARINGS]
    if not borne:
        return
    first, last = borne[0], borne[-1]
    if side == "lo":
        rows.same({row[last].key: 1, lo: -1}, wide[row[last].key] / 2 - WALL / 2)
        _flanges(rows, row, lo, -1, wide)
        inside = row[last + 1 :]
    elif side == "hi":
        rows.same({row[first].key: 1, hi: -1}, WALL / 2 - wide[row[first].key] / 2)
        _flanges(rows, row, hi, 1, wide)
        inside = row[:first]
    else:
        if not shaft.after:
            rows.same({row[first].key: 1, lo: -1}, wide[row[first].key] / 2)
        if not followed and (last > first or shaft.after):
            rows.same({row[last].key: 1, hi: -1}, -wide[row[last].key] / 2)
        inside = row[0 if shaft.after else first : len(row) if followed else last + 1]
        _covers(rows, [] if shaft.after else row[:first], [] if followed else row[last + 1 :], lo, hi, wide)
    for p in inside:
        rows.at_least({_line(shaft.key): 1, low_across: -1}, WALL + CLEAR + reach[p.key])
        rows.at_least({high_across: 1, _line(shaft.key): -1}, WALL + CLEAR + reach[p.key])
        if p.part_kind not in BEARINGS:
            rows.at_least({p.key: 1, lo: -1}, WALL + GAP + wide[p.key] / 2)
            rows.at_least({hi: 1, p.key: -1}, WALL + GAP + wide[p.key] / 2)


def _flanges(rows: _Rows, row: Sequence[Part], wall: str, out: int, wide: Mapping[str, float]) -> None:
    """A carrier's flange lies on the outer face of the wall; it takes no room on the shaft."""
    for p in row:
        if p.part_kind == "cage":
            rows.same({p.key: 1, wall: -1}, out * wide[p.key] / 2)


def _covers(
    rows: _Rows, before: Sequence[Part], behind: Sequence[Part], lo: str, hi: str, wide: Mapping[str, float]
) -> None:
    """The cover next to the bearing lies on the outer face of its wall; whatever else is outside stays there."""
    if before and before[-1].part_kind == "cover":
        rows.same({before[-1].key: 1, lo: -1}, -wide[before[-1].key] / 2)
    if behind and behind[0].part_kind == "cover":
        rows.same({behind[0].key: 1, hi: -1}, wide[behind[0].key] / 2)
    for p in before:
        rows.at_least({lo: 1, p.key: -1}, wide[p.key] / 2)
    for p in behind:
        rows.at_least({p.key: 1, hi: -1}, wide[p.key] / 2)


def _touch(
    rows: _Rows, d: Definition, mesh: Mesh, reach: Mapping[str, float], wide: Mapping[str, float]
) -> None:
    if mesh.toward == "out":
        return
    parts = {p.key: p for p in d.parts}
    a, b = parts[mesh.driver], parts[mesh.driven]
    here, there = _line(a.shaft), _line(b.shaft)
    sign = 1 if mesh.toward in ("right", "below") else -1
    body = 1 if mesh.body in ("right", "below") else -1
    if mesh.crossed:
        rows.same({there: 1, a.key: -1}, sign * (reach[b.key] - BEVEL_FACE / 2 + 6))
        rows.same({b.key: 1, here: -1}, body * (reach[a.key] - 4 + wide[b.key] / 2 - TOOTH))
    else:
        rows.same({b.key: 1, a.key: -1}, 0)
        rows.same({there: 1, here: -1}, sign * (reach[a.key] + reach[b.key] - TOOTH))
