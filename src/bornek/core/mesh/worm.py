"""A worm in its wheel: lost motion at the handle as it is at the wheel, and what an eccentric carrier does to it."""

from __future__ import annotations

import math

from bornek.core.errors import RangeError


def at_wheel_deg(handle_deg: float, ratio: float) -> float:
    """Lost motion at the wheel, φ/i [°]; `ratio` i = wheel teeth / starts, above 1. Raises RangeError.

    >>> round(at_wheel_deg(8.0, 60) * 60, 2)
    8.0
    """
    if ratio <= 1:
        raise RangeError(
            f"A worm turns more often than its wheel (ratio {ratio:g}).",
            field="teeth",
            next_step="Give the wheel's teeth and the worm's starts.",
        )
    return handle_deg / ratio


def length_at_mm(wheel_deg: float, radius_mm: float) -> float:
    """The same as a length at a radius: R·φ·π/180 [mm].

    >>> round(length_at_mm(8 / 60, 125.0), 3)
    0.291
    """
    return radius_mm * math.radians(wheel_deg)


def float_at_handle_deg(float_mm: float, lead_mm: float) -> float:
    """What the worm's own end float adds at the handle: f/lead × 360 [°]; lead above 0. Raises RangeError.

    >>> float_at_handle_deg(0.02, 8.0)
    0.9
    """
    if lead_mm <= 0:
        raise RangeError(
            f"The lead must be above 0 (got {lead_mm:g}).",
            field="lead",
            next_step="Measure how far one turn of the worm moves the wheel's rim.",
        )
    return float_mm / lead_mm * 360


def eccentric_shift_mm(throw_mm: float, at_deg: float, deepest_deg: float) -> float:
    """How far a worm in an eccentric carrier stands from where the throw is square: −e·cos(θ − θ0) [mm], above 0 apart.

    a(θ) = a0 − e·cos(θ − θ0); `deepest_deg`: θ0, where the mesh is deepest.

    >>> [round(eccentric_shift_mm(2.0, t, 0.0), 3) for t in (0, 90, 180)]
    [-2.0, -0.0, 2.0]
    """
    return -throw_mm * math.cos(math.radians(at_deg - deepest_deg))


def lash_per_apart(pressure_deg: float) -> float:
    """Backlash along the pitch line for each mm that parallel or worm axes go apart: 2·tan α.

    α: pressure angle in the section across the teeth (a worm: its axial section), 10 to 35°. Raises RangeError.

    >>> round(lash_per_apart(20.0), 4)
    0.7279
    """
    if not 10 <= pressure_deg <= 35:
        raise RangeError(
            f"The pressure angle must be 10 to 35° (got {pressure_deg:g}).",
            field="pressure_angle",
            next_step="Take it from the drawing, along the worm or across the teeth.",
        )
    return 2 * math.tan(math.radians(pressure_deg))
