"""Which way the members turn when a flank is loaded, and which way the teeth then push them."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

import numpy as np

from bornek.core.mesh.bevel_set import BevelSet, Side
from bornek.core.mesh.flank import flank_of

Way = Literal["clockwise", "counter-clockwise"]
Hand = Literal["left", "right"]
OTHER: dict[Side, Side] = {"drive": "coast", "coast": "drive"}


def hand_of(pinion: Hand) -> Literal[1, -1]:
    """The model's hand by the pinion's: +1 is a left-hand pinion in a right-hand gear.

    >>> hand_of("left")
    1
    """
    return 1 if pinion == "left" else -1


def pinion_turns(s: BevelSet, side: Side) -> Way:
    """How the pinion turns, seen from its shaft's end, while it drives the gear by this flank of the gear.

    The gear's tooth pushes back by the normal: the pinion turns against (r × n)·k_p. Seen from its back, against
    the axis, that way round is clockwise where it is negative.

    >>> from bornek.core.mesh.bevel_set import S2
    >>> pinion_turns(S2, "drive"), pinion_turns(S2, "coast")
    ('clockwise', 'counter-clockwise')
    """
    return "counter-clockwise" if float(np.mean(flank_of(s, side).turns)) < 0 else "clockwise"


def loaded_flank(s: BevelSet, forward: Way, driver: Literal["pinion", "gear"] = "pinion") -> Side:
    """The flank of the gear that carries the load when the pinion turns `forward`, seen from its shaft's end:
    `drive` is the gear's convex one on a spiral set. The other one if the gear drives.

    >>> from bornek.core.mesh.bevel_set import S2
    >>> loaded_flank(S2, "clockwise"), loaded_flank(S2, "clockwise", "gear")
    ('drive', 'coast')
    """
    by_pinion: Side = "drive" if pinion_turns(s, "drive") == forward else "coast"
    return by_pinion if driver == "pinion" else OTHER[by_pinion]


@dataclass(frozen=True)
class Thrust:
    """Shares of the tooth force along the axes: out of mesh above 0."""

    pinion: float
    gear: float


def thrust(s: BevelSet, side: Side) -> Thrust:
    """Which way the loaded teeth push the members, at the middle of the pitch line.

    >>> from bornek.core.mesh.bevel_set import S2
    >>> thrust(S2, "drive").pinion > 0 > thrust(S2, "coast").pinion
    True
    """
    f = flank_of(s, side)
    rows, columns = f.x.shape
    row, column = int(rows * (1 - s.gear_addendum / s.depth)), columns // 2
    return Thrust(float(f.pinion_out[row, column]), float(f.gear_out[row, column]))
