"""An adjuster's absolute state: a pack of shims, a pair of packs, or a position with its unit and step.

Everything that depends on the sort of a state is answered here; nobody else asks which it is.
"""

from __future__ import annotations

from abc import ABC, abstractmethod
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any, ClassVar, Literal

from bornek.core.errors import InputError
from bornek.core.quantities import Speech, decimals, from_nm, parse, signed, to_nm

Sort = Literal["pack", "pair", "position"]
Side = Literal["left", "right"]
SIDES: tuple[Side, Side] = ("left", "right")
MOST_PLATES = 20
THICKEST_MM = 20.0
WANTED: dict[Sort, str] = {
    "pack": "a list of shims",
    "pair": "two lists of shims, left and right",
    "position": "one number",
}


class State(ABC):
    """Absolute, never a change. `position` is how far the adjuster is set, in its own unit."""

    sort: ClassVar[Sort]

    @property
    @abstractmethod
    def position(self) -> float:
        """A pack's thickness [mm], the left pack's of a pair [mm], else the position itself [mm or deg]."""

    @property
    def packs(self) -> tuple[tuple[int, ...], ...]:
        """The packs in it, as thicknesses [nm]; none for a position."""
        return ()

    @abstractmethod
    def label(self, say: Speech) -> str:
        """In short: what it comes to."""

    @abstractmethod
    def words(self, say: Speech) -> str:
        """In full, for the record."""

    @abstractmethod
    def dump(self) -> dict[str, Any]:
        """As it is stored."""

    def by_place(self, places: Sequence[str]) -> dict[str, State]:
        """What lies at each of the adjuster's places."""
        return {places[0]: self}


@dataclass(frozen=True)
class ShimPack(State):
    """Shims in one place [nm], thickest first.

    >>> ShimPack((80_000, 500_000)).words(Speech())
    '0.50 + 0.08 = 0.58'
    """

    plates: tuple[int, ...]
    sort: ClassVar[Sort] = "pack"

    def __post_init__(self) -> None:
        object.__setattr__(self, "plates", tuple(sorted(self.plates, reverse=True)))

    @property
    def position(self) -> float:
        return from_nm(sum(self.plates))

    @property
    def packs(self) -> tuple[tuple[int, ...], ...]:
        return (self.plates,)

    def label(self, say: Speech) -> str:
        return say.size(self.position)

    def words(self, say: Speech) -> str:
        return _sum_words(self.plates, say)

    def dump(self) -> dict[str, Any]:
        return {"type": self.sort, "plates": list(self.plates)}


@dataclass(frozen=True)
class PackPair(State):
    """Two packs that share a fixed total [nm]: what leaves one side goes to the other.

    >>> PackPair((300_000,), (200_000,)).label(Speech())
    '0.30 left, 0.20 right'
    """

    left: tuple[int, ...]
    right: tuple[int, ...]
    sort: ClassVar[Sort] = "pair"

    def __post_init__(self) -> None:
        for side in SIDES:
            object.__setattr__(self, side, tuple(sorted(getattr(self, side), reverse=True)))

    @property
    def position(self) -> float:
        return from_nm(sum(self.left))

    @property
    def packs(self) -> tuple[tuple[int, ...], ...]:
        return (self.left, self.right)

    def label(self, say: Speech) -> str:
        return ", ".join(f"{say.size(from_nm(sum(getattr(self, s))))} {s}" for s in SIDES)

    def words(self, say: Speech) -> str:
        return "; ".join(f"{side} {_sum_words(getattr(self, side), say)}" for side in SIDES)

    def dump(self) -> dict[str, Any]:
        return {"type": self.sort, "left": list(self.left), "right": list(self.right)}

    def by_place(self, places: Sequence[str]) -> dict[str, State]:
        return dict(zip(places, (ShimPack(p) for p in self.packs), strict=True))


@dataclass(frozen=True)
class Position(State):
    """Where a nut, spacer or lever stands: `at` in `unit`; `step` is the least that it can be moved by,
    0 if it can stand anywhere.

    >>> Position(63.0, "deg").label(Speech("thou"))
    '63.0°'
    """

    at: float
    unit: str = "mm"
    step: float = 0.0
    sort: ClassVar[Sort] = "position"

    @property
    def position(self) -> float:
        return self.at

    def label(self, say: Speech) -> str:
        return say.size(self.at) if self.unit == "mm" else degrees(self.at)

    def words(self, say: Speech) -> str:
        return self.label(say)

    def dump(self) -> dict[str, Any]:
        return {"type": self.sort, "at": self.at, "unit": self.unit, "step": self.step}


def degrees(at: float) -> str:
    """An angle as it is said everywhere: one decimal, two where a lock position needs them.

    >>> degrees(63.0), degrees(39.158)
    ('63.0°', '39.16°')
    """
    return f"{signed(at, decimals(round(at, 2), 1, 2))}°"


def _sum_words(plates: Sequence[int], say: Speech) -> str:
    total = say.size(from_nm(sum(plates)))
    return f"{' + '.join(say.size(from_nm(nm)) for nm in plates)} = {total}" if plates else f"none = {total}"


def stored_state(data: Mapping[str, Any]) -> State | None:
    """A state as it was stored, in this form or in the first, which named no type and no unit.

    >>> stored_state({"plates": [80000, 500000]})
    ShimPack(plates=(500000, 80000))
    >>> stored_state({"at": 6.78})
    Position(at=6.78, unit='mm', step=0.0)
    >>> stored_state({}) is None
    True
    """
    if "plates" in data:
        return ShimPack(tuple(data["plates"]))
    if "left" in data:
        return PackPair(tuple(data["left"]), tuple(data["right"]))
    if "at" in data:
        return Position(float(data["at"]), data.get("unit", "mm"), float(data.get("step", 0.0)))
    return None


def read_state(
    sort: Sort, raw: Any, speech_unit: str = "mm", unit: str = "mm", step: float = 0.0, field: str = "states"
) -> State:
    """What was typed or sent for an adjuster of this sort → its state.

    Numbers are the core's unit (mm or deg); a bare number in a text is in the job's unit, an angle in
    degrees. Raises InputError that says what is wanted.

    >>> read_state("position", "63", "thou", "deg").position
    63.0
    >>> read_state("pack", ["20", "8"], "thou").packs
    ((508000, 203200),)
    """
    if sort == "pack" and isinstance(raw, list | tuple):
        return ShimPack(_plates(raw, speech_unit, field))
    if sort == "pair" and isinstance(raw, Mapping) and set(raw) == set(SIDES):
        return PackPair(*(_plates(raw[side], speech_unit, field) for side in SIDES))
    if sort == "position" and isinstance(raw, str):
        quantity = "length" if unit == "mm" else "angle"
        return Position(parse(raw, quantity, speech_unit if unit == "mm" else None).value, unit, step)
    if sort == "position" and isinstance(raw, int | float) and not isinstance(raw, bool):
        return Position(float(raw), unit, step)
    raise InputError(
        f"This adjuster's state is {WANTED[sort]} (got {str(raw)[:60]!r}).",
        field=field,
        next_step=f"Give {WANTED[sort]}.",
    )


def _plates(raw: Any, unit: str, field: str) -> tuple[int, ...]:
    wrong = InputError(
        f"A pack is a list of at most {MOST_PLATES} shims, each above 0 and at most {THICKEST_MM:g} mm.",
        field=field,
    )
    if not isinstance(raw, list | tuple) or len(raw) > MOST_PLATES:
        raise wrong
    plates = [parse(p, default_unit=unit).value if isinstance(p, str) else p for p in raw]
    for p in plates:
        if not isinstance(p, int | float) or isinstance(p, bool) or not 0 < p <= THICKEST_MM:
            raise wrong
    return tuple(to_nm(p) for p in plates)


@dataclass(frozen=True)
class PlateView:
    """One shim as it is shown: thickness [mm], and as the job says it."""

    thickness: float
    label: str


@dataclass(frozen=True)
class StateView:
    """A state as the page shows and sends it back: nothing in it is to be converted."""

    sort: Sort
    label: str
    words: str
    packs: tuple[tuple[PlateView, ...], ...]
    position: float


def show_state(state: State, say: Speech) -> StateView:
    packs = tuple(tuple(PlateView(from_nm(nm), say.size(from_nm(nm))) for nm in p) for p in state.packs)
    return StateView(state.sort, state.label(say), state.words(say), packs, state.position)
