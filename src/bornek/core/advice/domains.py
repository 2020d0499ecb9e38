"""What a knob can be brought to: its reachable states as positions, with what each costs."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from functools import singledispatch
from typing import Any

import numpy as np
from numpy.typing import NDArray

from bornek.core.advice.packs import Ints, Reachable, reachable
from bornek.core.errors import NotSolved, RangeError
from bornek.core.quantities import from_nm
from bornek.core.settings.kind import Continuous, Domain, Lattice, Packs, Points
from bornek.core.settings.records import State


@dataclass(frozen=True)
class Choices:
    """Positions [mm or deg]; of equals the fewest `handled` wins, then the least `second`: plates
    in a pack, or the distance from the aim. `state(i)` gives the absolute state."""

    at: NDArray[np.floating[Any]]
    handled: Ints
    second: NDArray[np.floating[Any]]
    packs: Reachable | None = None

    def state(self, i: int) -> State:
        return self.packs.pack(i) if self.packs else float(self.at[i])

    def find(self, position: float) -> int | None:
        near = np.flatnonzero(np.abs(self.at - position) < 1e-9)
        return int(near[0]) if len(near) else None


def position(state: State) -> float:
    """A pack's thickness in mm, or the position itself.

    >>> position((500_000, 80_000))
    0.58
    """
    return from_nm(sum(state)) if isinstance(state, tuple) else float(state)


@singledispatch
def choices(domain: Domain, now: State, stock: Mapping[int, int], near: float) -> Choices:
    raise NotSolved(
        f"No advice yet for adjusters of type {type(domain).__name__}.",
        next_step="Enter what you did; the value is judged all the same.",
    )


@choices.register
def _(domain: Packs, now: Any, stock: Mapping[int, int], near: float) -> Choices:
    if not isinstance(now, tuple):
        raise RangeError("A pack's state is a list of shims.", field="states")
    found = reachable(stock, now, domain.most)
    return Choices(found.sums / 1e6, found.handled, found.plates.astype(float), found)


@choices.register
def _(domain: Continuous, now: Any, stock: Mapping[int, int], near: float) -> Choices:
    """A grid about `near`, and the place where it stands now."""
    step = domain.resolution
    middle = round(near / step) * step
    grid = middle + step * np.arange(-60, 61)
    at = np.unique(np.append(grid[(grid >= domain.lo - 1e-9) & (grid <= domain.hi + 1e-9)], now).round(9))
    return Choices(at, (np.abs(at - now) > 1e-9).astype(np.int64), np.abs(at - near).round(6))


@choices.register
def _(domain: Lattice, now: Any, stock: Mapping[int, int], near: float) -> Choices:
    at = domain.offset + domain.step * np.arange(domain.n)
    return Choices(at, (np.abs(at - now) > 1e-9).astype(np.int64), np.abs(at - near).round(6))


@choices.register
def _(domain: Points, now: Any, stock: Mapping[int, int], near: float) -> Choices:
    at = np.array(sorted(domain.at))
    return Choices(at, (np.abs(at - now) > 1e-9).astype(np.int64), np.abs(at - near).round(6))
