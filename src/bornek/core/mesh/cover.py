"""A shaft in an eccentric cover that can be turned by its bolt holes only: where each of them puts it."""

from __future__ import annotations

import math
from dataclasses import dataclass

from bornek.core.errors import RangeError


@dataclass(frozen=True)
class Hole:
    """A position of the cover: `turned` from where it stands [°], which moves the shaft by `moves` [mm], above 0 apart.
    `between`: it is one between holes, had by turning the cover over or taking the other side's."""

    turned: float
    moves: float
    between: bool = False


def holes_of(
    n: int, throw_mm: float, angle_deg: float, sense: int = 1, between: bool = False
) -> tuple[Hole, ...]:
    """Where n holes can put the shaft: e·(sin(θ + kΔ) − sin θ), Δ = 360/n, θ from square to the line of centres.

    Parameters: 2 to 48 holes, throw 0.01 to 50 mm; `sense` +1 where a growing sine moves the gears apart, −1 together;
    `between`: the positions half a hole on as well. Raises RangeError outside.

    >>> [(h.turned, round(h.moves, 3)) for h in holes_of(4, 1.0, 0.0)]
    [(0.0, 0.0), (90.0, 1.0), (180.0, 0.0), (270.0, -1.0)]
    """
    if not 2 <= n <= 48:
        raise RangeError(
            f"A cover has 2 to 48 bolt holes (got {n}).",
            field="holes",
            next_step="Count the bolt holes of the cover.",
        )
    if not 0.01 <= throw_mm <= 50:
        raise RangeError(
            f"The throw must be 0.01 to 50 mm (got {throw_mm:g}).",
            field="throw",
            next_step="Measure how far its bore is off the middle.",
        )
    step = 360 / n
    turns = [(k * step, False) for k in range(n)]
    if between:
        turns += [((k + 0.5) * step, True) for k in range(n)]
    here = math.sin(math.radians(angle_deg))
    found = [
        Hole(
            round(turned, 6),
            round(sense * throw_mm * (math.sin(math.radians(angle_deg + turned)) - here), 9) + 0.0,
            half,
        )
        for turned, half in turns
    ]
    return tuple(sorted(found, key=lambda h: h.turned))
