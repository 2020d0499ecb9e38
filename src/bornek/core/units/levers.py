"""Levers of a gearbox: which dog joins what, and which levers must not be in gear together."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True)
class LeverPosition:
    """`joins`: gears free on a shaft, shafts, or meshes that a sliding gear comes into; none of them is neutral.
    `back`: the output turns backward here."""

    key: str
    label: str
    joins: tuple[str, ...] = ()
    back: bool = False


@dataclass(frozen=True)
class Lever:
    """`dog`: the sliding part that it moves; what a position joins is joined to that part's shaft."""

    key: str
    label: str
    dog: str
    positions: tuple[LeverPosition, ...] = ()

    @property
    def neutral(self) -> LeverPosition | None:
        return next((p for p in self.positions if not p.joins), None)

    def position(self, key: str) -> LeverPosition | None:
        return next((p for p in self.positions if p.key == key), None)


@dataclass(frozen=True)
class Interlock:
    """While one of two levers is out of neutral, the other must not leave it."""

    key: str
    label: str
    one: str
    other: str
