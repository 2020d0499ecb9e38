"""Every combination of lever positions: what it must give, or that it must not go."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property
from itertools import product

from bornek.core.errors import BornekError
from bornek.core.train.members import Hand, hand_unknown, links, members
from bornek.core.train.solve import Turning, solve
from bornek.core.units.definition import Definition
from bornek.core.units.levers import Lever

NEUTRAL = "neutral"


@dataclass(frozen=True)
class Position:
    """The levers `at` their positions. `driven`: turns of every member for one of the input, None where nothing
    drives it. `unsure`: members of which nobody knows which way they turn. `back`: meant to turn backward.
    `barred`: an interlock keeps it out. `trouble`: why it cannot be reckoned."""

    key: str
    label: str
    at: Mapping[str, str]
    driven: Mapping[str, float | None]
    locked: bool = False
    unsure: frozenset[str] = frozenset()
    back: bool = False
    barred: str = ""
    trouble: str = ""

    def turns(self, member: str) -> float | None:
        return self.driven.get(member)


def position_key(at: Mapping[str, str]) -> str:
    """
    >>> position_key({"low": "n", "high": "third"})
    'high=third low=n'
    """
    return " ".join(f"{lever}={p}" for lever, p in sorted(at.items()))


@dataclass(frozen=True)
class Train:
    """A unit's gears and levers, thought through once. `turned`: the shaft at which power comes in; empty if nobody
    said."""

    d: Definition

    @property
    def turned(self) -> str:
        return next((s.key for s in self.d.shafts if s.power == "in"), "")

    @property
    def outputs(self) -> list[str]:
        return [s.key for s in self.d.shafts if s.power == "out"]

    @property
    def told(self) -> bool:
        """Whether there is something to count: power goes in, comes out, and gears that go all round lie between."""
        whole = all(m.mesh_kind != "sector" for m in self.d.meshes)
        return bool(self.turned and self.outputs and whole and (self.d.meshes or self.d.levers))

    @cached_property
    def positions(self) -> tuple[Position, ...]:
        """Every combination in the order of the levers, those that an interlock bars with them."""
        if not self.told:
            return ()
        keys = [x.key for x in self.d.levers]
        return tuple(_position(self, dict(zip(keys, at, strict=True))) for at in _all(self.d.levers))

    def at(self, at: Mapping[str, str]) -> Position | None:
        """One combination by itself; None where the levers are others."""
        known = {x.key: {p.key for p in x.positions} for x in self.d.levers}
        if set(at) != set(known) or any(at[k] not in keys for k, keys in known.items()):
            return None
        return _position(self, dict(at))

    def find(self, key: str) -> Position | None:
        return next((p for p in self.positions if p.key == key), None)

    @cached_property
    def reached(self) -> tuple[Position, ...]:
        """Combinations that the levers must reach: none of them barred."""
        return tuple(sorted((p for p in self.positions if not p.barred), key=self._by_speed))

    def _by_speed(self, p: Position) -> tuple[bool, bool, float]:
        """Neutral, then from slow to fast, what runs backward at the end."""
        speed = max((abs(p.turns(o) or 0.0) for o in self.outputs), default=0.0)
        return p.locked, p.back, speed

    @cached_property
    def driving(self) -> tuple[Position, ...]:
        """Those of them in which an output turns."""
        return tuple(p for p in self.reached if not p.locked and any(p.turns(o) for o in self.outputs))


def _all(levers: tuple[Lever, ...]) -> list[tuple[str, ...]]:
    return [tuple(p.key for p in row) for row in product(*(x.positions for x in levers))]


def _position(train: Train, at: Mapping[str, str]) -> Position:
    d = train.d
    chosen = [(x, p) for x in d.levers if (p := x.position(at[x.key])) is not None]
    active = [p for _, p in chosen if p.joins]
    label = " + ".join(p.label for p in active) or (NEUTRAL if d.levers else "as it stands")
    barred = _barred(d, {x.key for x, p in chosen if p.joins})
    back = any(p.back for p in active)
    try:
        one = turning(d, train.turned, at)
        other = turning(d, train.turned, at, "left") if any(map(hand_unknown, d.meshes)) else one
    except BornekError as error:
        return Position(position_key(at), label, at, {}, back=back, barred=barred, trouble=error.message)
    unsure = frozenset(m for m in one.speeds if one.speeds[m] != other.speeds[m])
    return Position(position_key(at), label, at, one.speeds, one.locked, unsure, back, barred)


def _barred(d: Definition, out: set[str]) -> str:
    return next((lock.label for lock in d.interlocks if {lock.one, lock.other} <= out), "")


def turning(d: Definition, turned: str, at: Mapping[str, str], unknown_hand: Hand = "right") -> Turning:
    """What everything does in one combination of positions, for one turn of the shaft `turned`."""
    return solve([x.row for x in links(d, at, unknown_hand)], turned, members(d))
