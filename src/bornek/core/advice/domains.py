"""What a knob can be brought to: its reachable states as travels, with what each costs."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from functools import singledispatch
from typing import Any

import numpy as np
from numpy.typing import NDArray

from bornek.core.advice.packs import Ints, reachable
from bornek.core.advice.pairs import reachable_pairs
from bornek.core.errors import NotSolved
from bornek.core.settings.knobs import Continuous, Curve, Domain, JointPacks, Lattice, Packs, Points
from bornek.core.settings.state import PackPair, Position, ShimPack, State
from bornek.core.shims import pack_nm

Floats = NDArray[np.floating[Any]]
GRID_REACH = 60
"""Steps to either side of the aim that a continuous adjuster is tried at."""


@dataclass(frozen=True)
class Choices:
    """Travels [mm or deg]; of equals the fewest `handled` wins, then the least `second`: plates in a pack,
    or the distance from the aim. `state(i)` gives the absolute state."""

    at: Floats
    handled: Ints
    second: Floats
    state: Callable[[int], State]
    left_out: int = 0
    """Thicknesses of the drawer that were not tried."""

    def find(self, travel: float) -> int | None:
        near = np.flatnonzero(np.abs(self.at - travel) < 1e-9)
        return int(near[0]) if len(near) else None


def travel(domain: Domain, state: State) -> float:
    """How far the adjuster has brought the part: its position, or what its curve says of it.

    >>> travel(Curve((0.0, 90.0), (0.0, 0.5)), Position(90.0, "deg"))
    0.5
    """
    if isinstance(domain, Packs) and domain.miked:
        return pack_nm(state.packs[0], dict(domain.miked)) / 1e6
    if domain.type != "curve":
        return state.position
    order = np.argsort(domain.at)
    return float(np.interp(state.position, np.array(domain.at)[order], np.array(domain.moves)[order]))


@singledispatch
def choices(domain: Domain, now: State, stock: Mapping[int, int], near: float) -> Choices:
    """Every state that `domain` can be brought to from `now`; `near` is the travel aimed at."""
    raise NotSolved(
        f"No advice yet for adjusters of type {type(domain).__name__}.",
        next_step="Enter what you did; the value is judged all the same.",
    )


@choices.register
def _(domain: Packs, now: Any, stock: Mapping[int, int], near: float) -> Choices:
    found = reachable(stock, now.packs[0], domain.most)
    measured = dict(domain.miked)
    sums = found.counts @ np.array([measured.get(t, t) for t in found.thicknesses], dtype=np.int64)
    return Choices(
        sums / 1e6 if measured else found.sums / 1e6,
        found.handled,
        found.plates.astype(float),
        lambda i: ShimPack(found.pack(i)),
        found.left_out,
    )


@choices.register
def _(domain: JointPacks, now: Any, stock: Mapping[int, int], near: float) -> Choices:
    found = reachable_pairs(stock, now.packs[0], now.packs[1], domain.most)
    return Choices(
        found.left_sums / 1e6,
        found.handled,
        found.plates.astype(float),
        lambda i: PackPair(*found.pair(i)),
        found.left_out,
    )


@choices.register
def _(domain: Continuous, now: Any, stock: Mapping[int, int], near: float) -> Choices:
    """A grid about `near`, and the place where it stands now."""
    step = domain.resolution
    middle = round(near / step) * step
    grid = middle + step * np.arange(-GRID_REACH, GRID_REACH + 1)
    inside = grid[(grid >= domain.lo - 1e-9) & (grid <= domain.hi + 1e-9)]
    return _positions(np.unique(np.append(inside, now.position).round(9)), now, near, step)


@choices.register
def _(domain: Lattice, now: Any, stock: Mapping[int, int], near: float) -> Choices:
    return _positions(domain.offset + domain.step * np.arange(domain.n), now, near, domain.step)


@choices.register
def _(domain: Points, now: Any, stock: Mapping[int, int], near: float) -> Choices:
    return _positions(np.array(sorted(domain.at)), now, near)


@choices.register
def _(domain: Curve, now: Any, stock: Mapping[int, int], near: float) -> Choices:
    order = np.argsort(domain.moves, kind="stable")
    at, moves = np.array(domain.at)[order], np.array(domain.moves)[order]
    return Choices(
        at=moves,
        handled=(np.abs(at - now.position) > 1e-9).astype(np.int64),
        second=np.abs(moves - near).round(6),
        state=lambda i: Position(float(at[i]), now.unit),
    )


def _positions(at: Floats, now: Position, near: float, step: float = 0.0) -> Choices:
    return Choices(
        at=at,
        handled=(np.abs(at - now.position) > 1e-9).astype(np.int64),
        second=np.abs(at - near).round(6),
        state=lambda i: Position(float(at[i]), now.unit, step),
    )
