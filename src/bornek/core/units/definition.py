"""A unit type's definition: shafts, parts, meshes, places, setting points with their limits.

It is what a job is begun from; the job keeps its own copy. Parts of a shaft are listed in the order in
which they sit on it, from the left or from the top: that order is all that the section is drawn from.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from functools import cached_property
from typing import Any, Literal

from bornek.core.errors import InputError
from bornek.core.plain import CALLED
from bornek.core.structure import build
from bornek.core.units.levers import Interlock, Lever
from bornek.core.units.mesh import EccentricCover, Mesh, TimingMark, Way
from bornek.core.units.part_kinds import PART_KINDS, PartKind
from bornek.core.units.prove import Lock, Lubricant, OwnPoint, RunStage
from bornek.core.units.step import BuildStep
from bornek.core.units.told import words_of

EDITION = 6


@dataclass(frozen=True)
class Shaft:
    """`line`: level or upright in the drawing. `carried`: its bearings sit in a carrier that is let into
    the housing. `after`: the shaft in line with it that comes before it. `beside`: the shaft it lies
    beside when no gears say how far. `built`: outside as one piece, or threaded through its parts in the case.
    `power`: it comes in or goes out here. `turns`: going forward, seen from its left or its top end. `inside`: the
    shaft in whose bore it runs, which it `enters` after this one of its own parts; its bearings are then between
    the two. `hollow`: bored through though nothing runs in it. `pins`: the planet carrier whose pins it stands for,
    drawn once; its gears are the planets, their `count` how many there are. `stands`: it stands still, and what is round it turns."""

    key: str
    label: str
    line: Literal["level", "upright"] = "level"
    carried: bool = False
    after: str = ""
    beside: str = ""
    built: Literal["", "outside", "threaded"] = ""
    power: Literal["", "in", "out"] = ""
    turns: Way = ""
    inside: str = ""
    enters: str = ""
    hollow: bool = False
    pins: str = ""
    stands: bool = False


@dataclass(frozen=True)
class Part:
    """`shaft` and its place in the list say where it is drawn. `identity`: it has its own serial and may
    move to another housing. `faces`: which way round matters. `safety`: may hurt someone if it fails.
    `inside`: the place that it lies in. `seat`: the others of its shaft go on outward from it. `goes_in`: for a
    seal, from inside before what enters it or from outside as the last. `tools`: what it takes to fit it. `free`: a
    gear that turns on its shaft until a dog joins it. `cut`: teeth there are, where only a sector of `teeth` is cut.
    `lock`: how it keeps a thread from working loose. `left_hand`: its thread is. `held`: it stands fast in the housing
    while its shaft turns in it. `uneven`: planets that do not stand at even angles."""

    key: str
    label: str
    part_kind: str = field(metadata={CALLED: "kind"})
    shaft: str = ""
    count: int = 1
    number: str = ""
    teeth: int = 0
    size: float = 1.0
    single_use: bool = False
    safety: bool = False
    scarce: bool = False
    identity: bool = False
    faces: str = ""
    flip: bool = False
    inside: str = ""
    seat: bool = False
    goes_in: Literal["", "inside", "outside"] = ""
    tools: tuple[str, ...] = ()
    mass_kg: float = 0
    free: bool = False
    cut: int = 0
    lock: Lock = ""
    left_hand: bool = False
    held: bool = False
    uneven: bool = False

    @property
    def about(self) -> PartKind:
        return PART_KINDS[self.part_kind]


@dataclass(frozen=True)
class Place:
    """A spot that is opened, shimmed, set or looked at. `at`: the part or mesh where it is. `closed_by`: parts that,
    all in, close it. `ways_in`: openings that stay when they are in."""

    key: str
    label: str
    shim_form: str = "none"
    at: str = ""
    closed_by: tuple[str, ...] = ()
    ways_in: tuple[str, ...] = ()


@dataclass(frozen=True)
class Limit:
    """One row of a limit table: for serials from … to …, for new parts or worn matched ones.

    `text` is what the table itself says. `meant` answers the question that such a text raises.
    """

    least: str = ""
    greatest: str = ""
    source: str = ""
    edition: str = ""
    basis: Literal["new parts", "worn matched parts"] = "new parts"
    serial_from: str = ""
    serial_to: str = ""
    text: str = ""
    meant: Literal["", "play", "preload"] = ""


@dataclass(frozen=True)
class SettingPoint:
    """A quantity to be set at a place, by a kind. `rests_on`: places whose moves disturb it. `rides_on`:
    the part with a serial whose history this setting is. `in_service`: how far it may wear before it is rebuilt, as
    spoken, from `service_source`."""

    key: str
    label: str
    kind: str
    place: str
    given: dict[str, Any]
    gauge: str = ""
    rests_on: tuple[str, ...] = ()
    rides_on: str = ""
    limits: tuple[Limit, ...] = ()
    in_service: str = ""
    service_source: str = ""


@dataclass(frozen=True)
class Definition:
    """`prove`: points of its own. `second_person`: two people release it. `split`: where the housing parts, along the
    level shafts' line or across it. `plate`: bearings that sit in an intermediate plate."""

    shafts: tuple[Shaft, ...] = ()
    parts: tuple[Part, ...] = ()
    meshes: tuple[Mesh, ...] = ()
    places: tuple[Place, ...] = ()
    settings: tuple[SettingPoint, ...] = ()
    steps: tuple[BuildStep, ...] = ()
    levers: tuple[Lever, ...] = ()
    interlocks: tuple[Interlock, ...] = ()
    timing: tuple[TimingMark, ...] = ()
    covers: tuple[EccentricCover, ...] = ()
    lubricant: tuple[Lubricant, ...] = ()
    prove: tuple[OwnPoint, ...] = ()
    run_in: tuple[RunStage, ...] = ()
    second_person: bool = False
    split: Literal["", "along", "across"] = ""
    plate: tuple[str, ...] = ()
    cautions: tuple[str, ...] = ()
    notes: str = ""

    def part(self, key: str) -> Part | None:
        return self._parts.get(key)

    @cached_property
    def _parts(self) -> dict[str, Part]:
        return {p.key: p for p in reversed(self.parts)}

    @cached_property
    def _labels(self) -> dict[str, str]:
        labels = {x.key: x.label for x in self.parts} | {x.key: x.label for x in self.meshes}
        return labels | {x.key: x.label for x in self.places}

    @cached_property
    def _on(self) -> dict[str, tuple[Part, ...]]:
        found: dict[str, list[Part]] = {}
        for p in self.parts:
            if p.part_kind != "shaft":
                found.setdefault(p.shaft, []).append(p)
        return {shaft: tuple(row) for shaft, row in found.items()}

    def place(self, key: str) -> Place | None:
        return next((p for p in self.places if p.key == key), None)

    def mesh(self, key: str) -> Mesh | None:
        return next((m for m in self.meshes if m.key == key), None)

    def shaft(self, key: str) -> Shaft | None:
        return next((s for s in self.shafts if s.key == key), None)

    def runs_in(self, shaft: str) -> tuple[Shaft, ...]:
        """The shafts that run in the bore of this one."""
        return tuple(s for s in self.shafts if s.inside == shaft)

    def by_hand(self) -> tuple[Shaft, ...]:
        """The shafts that are turned by hand: none that stands still, none of a planet's pins."""
        return tuple(s for s in self.shafts if not s.stands and not s.pins)

    def turned_for(self, shaft: str) -> str:
        """The shaft that is turned to feel what sits on this one: its planets' carrier, or what runs round it.

        >>> d = read_definition({"shafts": [{"key": "hub", "label": "Hub"},
        ...     {"key": "axle", "label": "Axle", "inside": "hub", "stands": True}]})
        >>> d.turned_for("axle"), d.turned_for("hub")
        ('hub', 'hub')
        """
        own = self.shaft(shaft)
        carrier = self.part(own.pins) if own is not None and own.pins else None
        if carrier is not None:
            return carrier.shaft
        return own.inside if own is not None and own.stands and own.inside else shaft

    def carrier_of(self, part: Part) -> Part | None:
        """The carrier on whose pins a part sits; None for one that is on no planet pin."""
        shaft = self.shaft(part.shaft)
        return self.part(shaft.pins) if shaft is not None and shaft.pins else None

    def on(self, shaft: str) -> tuple[Part, ...]:
        """The parts of a shaft in their order, the shaft itself left out."""
        return self._on.get(shaft, ())

    def label_of(self, key: str) -> str:
        """What a part, place or mesh is called; empty if there is none of that key."""
        return self._labels.get(key, "")

    def parts_at(self, place: Place) -> tuple[Part, ...]:
        """The parts to which a place belongs: its own, or both of its mesh."""
        mesh = self.mesh(place.at)
        keys = (mesh.driver, mesh.driven) if mesh else (place.at,)
        return tuple(p for p in self.parts if p.key in keys)


def read_definition(data: Mapping[str, Any]) -> Definition:
    """Plain JSON data → a definition; InputError names every row that does not hold by its label.

    >>> read_definition({"shafts": [{"key": "in", "label": "input shaft"}]}).shafts[0].line
    'level'
    """
    try:
        return build(Definition, data, "The unit type")
    except InputError as error:
        fields: dict[str, str] = error.details["fields"]
        raise InputError(
            "The unit type does not hold together. " + words_of(data, fields),
            field=error.field,
            next_step="Mend what is named; nothing was stored.",
            details={"fields": fields},
        ) from error
