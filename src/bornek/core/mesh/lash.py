"""Backlash of a bevel set: what is left of it as the members move, and what an indicator makes of it."""

from __future__ import annotations

import math

from bornek.core.errors import RangeError
from bornek.core.mesh.bevel_set import SIDES, BevelSet, Side
from bornek.core.mesh.contact import HOME, Shift, gap_mm
from bornek.core.mesh.flank import flank_of


def lash_change_mm(s: BevelSet, at: Shift, since: Shift = HOME) -> float:
    """Δj_t = Re sin Γ (Δθ_drive + Δθ_coast), transverse at the gear's outer pitch circle, pinion held [mm].

    θ is the least angular gap of a flank. Within 2 % of the published check values.

    >>> from bornek.core.mesh.bevel_set import S1
    >>> round(lash_change_mm(S1, Shift(pinion=0.1)), 3)
    0.026
    """
    return float(s.gear_radius_mm * sum(_least(s, side, at) - _least(s, side, since) for side in SIDES))


def _least(s: BevelSet, side: Side, at: Shift) -> float:
    f = flank_of(s, side)
    return float((gap_mm(f, at) / f.arm)[f.active].min())


def lash_slopes(pressure: float, spiral: float, pinion_angle: float) -> tuple[float, float]:
    """∂j_t/∂(pinion out), ∂j_t/∂(gear out) at pitch-line contact: 2 tan α (sin γ, sin Γ)/cos ψ; angles in rad.

    Exact on the pitch line at the cone distance where it touches; off it the pinion's differs by up to a quarter.

    >>> a, b = lash_slopes(math.radians(20), 0.0, math.atan2(14, 39))
    >>> round(a, 3), round(b, 3)
    (0.246, 0.685)
    """
    k = 2 * math.tan(pressure) / math.cos(spiral)
    return k * math.sin(pinion_angle), k * math.cos(pinion_angle)


def transverse_lash(
    read_mm: float, radius_ratio: float = 1.0, off_square: float = 0.0, spiral: float = 0.0
) -> float:
    """j_t = m·(r_e/r)/(cos ψ·cos θ): a reading m at radius r, θ off square to the tooth in the pitch plane [rad].

    `radius_ratio`: r_e/r, the outer pitch radius over the indicator's. Raises RangeError beyond 60° off square.

    >>> round(transverse_lash(0.20, 2.0), 3)
    0.4
    """
    if not 0 < radius_ratio <= 5 or abs(off_square) > math.radians(60):
        raise RangeError(
            "The indicator must stand within 60° of square, at a fifth of the outer radius or more.",
            field="indicator",
            next_step="Set it square to the tooth near the outer end and read again.",
        )
    return read_mm * radius_ratio / (math.cos(spiral) * math.cos(off_square))


def normal_lash(transverse_mm: float, spiral: float, pressure: float) -> float:
    """j_n = j_t·cos ψ·cos α.

    >>> round(normal_lash(0.20, 0.0, math.radians(20)), 4)
    0.1879
    """
    return transverse_mm * math.cos(spiral) * math.cos(pressure)
