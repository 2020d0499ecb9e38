"""The benchmark of an adjuster that cannot be taken back: how often the advice goes past the window."""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np

from bornek.core.advice.one_way import follow, step
from bornek.core.practice.streams import Stream

GRID_UM, MOST_UM, CAP = 2.0, 400.0, 20
RHO = 0.15


@dataclass(frozen=True)
class Drive:
    """`y0` from the aim, true response k a µm, reading scatter."""

    stream: Stream
    y0: float
    k: float
    s_r: float


def make_drive(seed: int, number: int) -> Drive:
    """Case `number` of the nut benchmark."""
    s = Stream(seed, number)
    return Drive(s, 60 + 190 * s.u(60), max(0.4, 1 + 0.15 * s.n(61)), (2 + 3 * s.u(62)) / math.sqrt(3))


@dataclass(frozen=True)
class Driven:
    rounds: int
    past: bool


def drive(case: Drive, half: float, careful: bool = True) -> Driven:
    """Driven in steps until the reading is at most `half`; past: the true value went below −half."""
    y, travel = case.y0, 0.0
    rounds: list[tuple[float, float, float]] = []
    offers = np.arange(GRID_UM, MOST_UM + GRID_UM, GRID_UM)
    for i in range(CAP):
        z = y + case.s_r * case.stream.n(63, i)
        rounds.append((travel, z, case.s_r**2))
        if z <= half:
            return Driven(i, y < -half)
        if careful:
            found = step(follow(-1.0, RHO, rounds), offers, -half, half, case.s_r**2)
            if found.stop:
                return Driven(i, y < -half)
            d = float(offers[found.index])
        else:
            d = float(offers[np.argmin(np.abs(offers - z))])
        y += -case.k * d + math.sqrt(4 + (0.03 * case.k * d) ** 2) * case.stream.n(64, i)
        travel += d
    return Driven(CAP, y < -half)
