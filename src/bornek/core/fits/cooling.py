"""How long a hot hub stays wide enough and a cold shaft small enough.

Lumped cooling: (T − Ta) falls as e^(−t/τ). The countdown is made to end early: τ is taken at its short end, the
temperature at its cold end, and the last moment is half the entering clearance, never zero.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from bornek.core.errors import RangeError
from bornek.core.fits.materials import Material, growth_mm

BRISK_W_PER_M2K = 25.0
"""Heat that leaves a hand-warm to oven-hot surface in a draughty shop: the quick end, 8 to 25."""
PROBE_U_K = 3.0
"""What a contact probe or crayon may be off by, at most."""
LONGEST_S = 24 * 3600.0
STEPS = 60


@dataclass(frozen=True)
class Reading:
    """A temperature [°C] at a moment [s]."""

    at_s: float
    t_c: float


@dataclass(frozen=True)
class Fall:
    """A part on its way to the air's temperature: `t_c` at `at_s`, time constant `tau_s`; `learned` from two
    readings."""

    at_s: float
    t_c: float
    air_c: float
    tau_s: float
    learned: bool = False

    def at(self, s: float) -> float:
        """Temperature at a moment [°C].

        >>> round(Fall(0, 135, 20, 6500).at(230), 1)
        131.0
        """
        return self.air_c + (self.t_c - self.air_c) * math.exp(-(s - self.at_s) / self.tau_s)

    def when(self, t_c: float) -> float | None:
        """The moment at which it has come to a temperature [s]; None where it never does.

        >>> round(Fall(0, 135, 20, 6500).when(80))
        4229
        """
        ratio = (self.t_c - self.air_c) / (t_c - self.air_c) if t_c != self.air_c else math.inf
        if not math.isfinite(ratio) or ratio <= 0:
            return None
        return self.at_s + self.tau_s * math.log(ratio)


def hub_tau_s(material: Material, outside_mm: float, bore_mm: float, length_mm: float) -> float:
    """Time constant of a ring in still to draughty air [s], at its quick end.

    Equation: τ = ρ c V / (h A), h = 25 W/(m²·K), A both faces, outside and bore. Lengths [mm].
    Raises RangeError unless outside > bore ≥ 0 and length > 0. An estimate until a second reading teaches it.

    >>> from bornek.core.fits.materials import materials
    >>> round(hub_tau_s(materials()["carbon_steel"], 240, 140, 100))
    2512
    """
    if not outside_mm > bore_mm >= 0 or length_mm <= 0:
        raise RangeError(
            f"The outside ({outside_mm:g}) must be larger than the bore ({bore_mm:g}), the length above 0.",
            field="outside",
            next_step="Measure the hub's outside and its length.",
        )
    big, small, long = outside_mm / 1000, bore_mm / 1000, length_mm / 1000
    face = math.pi / 4 * (big**2 - small**2)
    area = math.pi * (big + small) * long + 2 * face
    return material.density * material.heat * face * long / (BRISK_W_PER_M2K * area)


def fall_of(
    readings: Sequence[Reading], air_c: float, tau_s: float, u_k: float = PROBE_U_K, hot: bool = True
) -> Fall:
    """The fall as it must be reckoned with: never later than the part itself.

    From one reading: the estimated `tau_s`, the reading at its near end (`u_k` nearer to the air). From two: τ from
    the first at its far end and the last at its near end, so that it is no longer than the true one.
    Raises RangeError without a reading, for one that is not away from the air, or for times that do not rise.

    >>> fall_of([Reading(0, 135), Reading(230, 131)], 20, 2500, u_k=0.0).learned
    True
    """
    if not readings:
        raise RangeError("No temperature was read yet.", next_step="Read it at the bore as it comes out.")
    away = 1.0 if hot else -1.0
    last = readings[-1]
    near = away * (last.t_c - air_c) - u_k
    if near <= 0:
        raise RangeError(
            f"{last.t_c:g} °C is the air's own ({air_c:g} °C), give or take {u_k:g}.",
            field="t_c",
            next_step="Read it at the bore with a contact probe or a crayon.",
        )
    tau, learned = tau_s, False
    for first in readings[:-1]:
        span, far = last.at_s - first.at_s, away * (first.t_c - air_c) + u_k
        if span <= 0 or far <= near:
            continue
        found = span / math.log(far / near)
        tau, learned = (max(tau, found), True) if learned else (found, True)
    return Fall(last.at_s, air_c + away * near, air_c, tau, learned)


@dataclass(frozen=True)
class Pair:
    """Hub and shaft at one fit: diameters grow and shrink by their own materials. `interference_mm` at `room_c`."""

    d_mm: float
    interference_mm: float
    hub: Material
    shaft: Material
    room_c: float = 20.0

    def clearance_mm(self, hub_c: float, shaft_c: float) -> float:
        """What is free at these temperatures [mm]; negative once it grips.

        >>> from bornek.core.fits.materials import materials
        >>> steel = materials()["carbon_steel"]
        >>> round(Pair(140, 0.098, steel, steel).clearance_mm(122.6, 20), 3)
        0.07
        """
        grown = growth_mm(self.hub, self.d_mm, self.room_c, hub_c)
        return grown - growth_mm(self.shaft, self.d_mm, self.room_c, shaft_c) - self.interference_mm


def until_mm(pair: Pair, hub: Fall | None, shaft: Fall | None, left_mm: float, from_s: float) -> float | None:
    """The moment at which no more than `left_mm` is free [s]; None where it stays free for a day.

    The clearance only falls, so halving finds it. `hub` and `shaft` are None where they are at room temperature.
    """

    def free(s: float) -> float:
        hub_c = hub.at(s) if hub else pair.room_c
        shaft_c = shaft.at(s) if shaft else pair.room_c
        return pair.clearance_mm(hub_c, shaft_c) - left_mm

    lo, hi = from_s, from_s + LONGEST_S
    if free(lo) <= 0:
        return lo
    if free(hi) > 0:
        return None
    for _ in range(STEPS):
        middle = (lo + hi) / 2
        lo, hi = (middle, hi) if free(middle) > 0 else (lo, middle)
    return lo
