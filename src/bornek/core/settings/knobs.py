"""Adjusters: what the mechanic turns or swaps, where it can be brought to, and how the value answers."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from typing import ClassVar, Literal

from bornek.core.settings.state import Sort


@dataclass(frozen=True)
class Packs:
    """Shims from the drawer, at most `most` plates in a pack. `miked`: nominal and measured thickness [nm] of those
    that were measured."""

    most: int = 6
    miked: tuple[tuple[int, int], ...] = ()
    type: Literal["packs"] = "packs"
    sort: ClassVar[Sort] = "pack"
    step: ClassVar[float] = 0.0


@dataclass(frozen=True)
class JointPacks:
    """Two packs at two places whose total [nm] stays: what leaves one side goes to the other."""

    places: tuple[str, str]
    total_nm: int
    most: int = 6
    type: Literal["joint_packs"] = "joint_packs"
    sort: ClassVar[Sort] = "pair"
    step: ClassVar[float] = 0.0


@dataclass(frozen=True)
class Lattice:
    """Positions offset, offset + step, … that can be locked."""

    offset: float
    step: float
    n: int
    type: Literal["lattice"] = "lattice"
    sort: ClassVar[Sort] = "position"


@dataclass(frozen=True)
class Points:
    at: tuple[float, ...]
    type: Literal["points"] = "points"
    sort: ClassVar[Sort] = "position"
    step: ClassVar[float] = 0.0


@dataclass(frozen=True)
class Curve:
    """Positions whose effect is not proportional: at `at[i]` the part stands `moves[i]` [mm] (an eccentric
    cover: e·sin θ). The value answers the part's travel, not the position."""

    at: tuple[float, ...]
    moves: tuple[float, ...]
    type: Literal["curve"] = "curve"
    sort: ClassVar[Sort] = "position"
    step: ClassVar[float] = 0.0


@dataclass(frozen=True)
class Continuous:
    """Any position in steps of `resolution` between lo and hi (mm or deg)."""

    resolution: float
    lo: float
    hi: float
    type: Literal["continuous"] = "continuous"
    sort: ClassVar[Sort] = "position"

    @property
    def step(self) -> float:
        return self.resolution


Domain = Packs | JointPacks | Lattice | Points | Curve | Continuous


@dataclass(frozen=True)
class Scale:
    """Another measure of a move: `per` of it for each unit of the knob: mm of tape on a rim, degrees of a nut."""

    per: float
    unit: str
    words: str


@dataclass(frozen=True)
class Knob:
    """What the mechanic turns or swaps. `sense` +1: more of it raises the value; None: unknown.

    `place` is the key of the unit's place where it lies: stock moves there and what rests on it is
    disturbed; empty for the setting's own place. A pair of packs has the places of its domain.
    """

    key: str
    label: str
    place: str
    unit: str
    domain: Domain
    sense: Literal[1, -1] | None = 1
    one_way: bool = False
    """It cannot be taken back (a ring driven up a taper, a crush spacer): the advice never overshoots."""
    noun: str = "shims"
    title: str = ""
    read: bool = False
    """Its state comes with the readings: nobody needs to enter it."""
    more: str = ""
    less: str = ""
    """What is done to raise or lower it, before the size: "Ream the bush to"."""
    first: str = ""
    """What must be done before every move of it, as a sentence."""
    scales: tuple[Scale, ...] = ()
    """The same move by other measures."""
    answers: str = ""
    """What the value answers, for each of it, where that is not the adjuster's own unit: mm that the axes go apart."""

    @property
    def places(self) -> tuple[str, ...]:
        return getattr(self.domain, "places", (self.place,))


@dataclass(frozen=True)
class Drag:
    """How a preload that cannot be seen shows itself: which result is its drag [N·m], how much of it comes
    with each mm of preload by what the windows say, and what drags without any."""

    key: str
    per_mm: float
    idle: float = 0.0

    def nominal_um(self, torque: float) -> float:
        """A drag as the preload that it would nominally mean [µm].

        >>> Drag("drag", 40.0, 1.0).nominal_um(3.0)
        50.0
        """
        return max(torque - self.idle, 0.0) / self.per_mm * 1000.0


@dataclass(frozen=True)
class Response:
    """How rows (quantities) answer knobs: prior of k with its relative sd, and the scatters.

    k0[row][knob] in quantity per unit of knob; rho[row][knob] relative sd; s_a, s_r [row's unit] scatter
    of reassembly and of one reading; harm[row] is the side that does damage, empty for none, and
    harm_at[row] where it begins: None for a window's half beyond its end, or the physical bound if that is
    nearer.
    """

    rows: tuple[str, ...]
    knobs: tuple[str, ...]
    k0: tuple[tuple[float, ...], ...]
    rho: tuple[tuple[float, ...], ...]
    s_a: tuple[float, ...]
    s_r: tuple[float, ...]
    harm: tuple[Literal["low", "high", ""], ...] = ("low",)
    harm_at: tuple[float | None, ...] = ()
    repeats: int = 6
    drag: Drag | None = None
    geometry: bool = False
    """k0 and s_a are plain geometry: nothing is reassembled, so neither is learned."""


def with_miked(knobs: Sequence[Knob], miked: Mapping[int, int]) -> tuple[Knob, ...]:
    """The same adjusters, their packs made of shims as they were measured."""
    if not miked:
        return tuple(knobs)
    known = tuple(sorted(miked.items()))
    return tuple(
        replace(k, domain=replace(k.domain, miked=known)) if isinstance(k.domain, Packs) else k for k in knobs
    )
