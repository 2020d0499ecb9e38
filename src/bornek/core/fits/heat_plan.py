"""Which hub heat and which shaft cold give the clearance to slide on, each within its part's limit."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from bornek.core.fits.cooling import Pair
from bornek.core.fits.materials import ROOM_C, growth_mm, temperature_for

ENTERING_SHARE = 1 / 2000
"""Clearance to slide on without a hammer, of the diameter, where none is given."""


@dataclass(frozen=True)
class Combination:
    """One shaft temperature with what the hub then wants: `drops_on_c` to slide on, `home_c` at half the entering
    clearance, `grips_c` where it is gone; `most_c` is what the hub may be heated to. `barred` says why not."""

    label: str
    shaft_c: float
    shrink_mm: float
    drops_on_c: float
    home_c: float
    grips_c: float
    most_c: float
    barred: str = ""

    @property
    def possible(self) -> bool:
        return not self.barred and self.drops_on_c <= self.most_c


def combination(
    pair: Pair, entering_mm: float, label: str, shaft_c: float, most_c: float, barred: str = ""
) -> Combination:
    """Equation: α·d·(t − room) = δ + c − shrink of the shaft; at home c/2 is left, gripping none.

    Lengths [mm], temperatures [°C]. Raises RangeError where no temperature in the table does it.

    >>> from bornek.core.fits.materials import materials
    >>> steel = materials()["carbon_steel"]
    >>> c = combination(Pair(140, 0.098, steel, steel), 0.070, "as it is", 20, 250)
    >>> round(c.drops_on_c), round(c.home_c), round(c.grips_c)
    (123, 101, 80)
    """
    shrink = -growth_mm(pair.shaft, pair.d_mm, pair.room_c, shaft_c)

    def hub_at(clearance: float) -> float:
        grow = pair.interference_mm + clearance - shrink
        return temperature_for(pair.hub, pair.d_mm, grow, pair.room_c) if grow > 0 else pair.room_c

    return Combination(
        label,
        shaft_c,
        round(shrink, 6),
        hub_at(entering_mm),
        hub_at(entering_mm / 2),
        hub_at(0.0),
        most_c,
        barred,
    )


def least_chill(combinations: Sequence[Combination]) -> Combination | None:
    """The warmest shaft with which it can be done at all."""
    return next((c for c in sorted(combinations, key=lambda c: -c.shaft_c) if c.possible), None)


def soak_minutes(wall_mm: float, liquid: bool) -> float:
    """How long it stays in at temperature: about a minute a millimetre of wall in air, half in a liquid.

    An estimate: the temperature at the bore decides. wall_mm [mm], above 0.

    >>> soak_minutes(50, liquid=False), soak_minutes(50, liquid=True)
    (50, 25.0)
    """
    return wall_mm * (0.5 if liquid else 1)


def coolant_kg(mass_kg: float, heat_j_per_kg_k: float, to_c: float, latent_j_per_kg: float) -> float:
    """What turns to gas while a part is chilled from room temperature; handling takes as much again.

    Equation: m·c·ΔT / latent heat. An estimate, with the heat of room temperature (less when cold).

    >>> round(coolant_kg(12, 480, -78, 571e3), 2)
    0.99
    """
    return mass_kg * heat_j_per_kg_k * (ROOM_C - to_c) / latent_j_per_kg
