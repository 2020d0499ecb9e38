"""Sizes are true at 20 °C: gauge, master and part at one temperature, or corrected."""

from __future__ import annotations

from bornek.core.errors import RangeError

STEEL_PER_K = 11.7e-6


TEMPERATURE_U_K = 0.58
"""Gauge and part lie within 1 K of what was given: 1/√3."""


def temperature_u_mm(size_mm: float) -> float:
    """Standard uncertainty of a size by what gauge and part may differ in temperature: α·d·u(ΔT), steel.

    >>> round(temperature_u_mm(100.0), 5)
    0.00068
    """
    return STEEL_PER_K * abs(size_mm) * TEMPERATURE_U_K


def size_correction_mm(
    size_mm: float, part_c: float, gauge_c: float, alpha_per_k: float = STEEL_PER_K
) -> float:
    """What to add to a size read on a part warmer than the gauge that measured it.

    Equation: −α · d · (T_part − T_gauge), one α for part and gauge.
    Parameters: size_mm [mm]; part_c, gauge_c [°C], −40 to 150; alpha_per_k [1/K].
    Source: linear expansion. Raises RangeError outside the range.

    >>> round(size_correction_mm(57.2, 30, 20), 4)
    -0.0067
    """
    for name, value in (("part_c", part_c), ("gauge_c", gauge_c)):
        if not -40 <= value <= 150:
            raise RangeError(
                f"{name} must be −40 to 150 °C (got {value:g}).",
                field=name,
                next_step="Let part and gauge come to one temperature, or check the unit.",
            )
    return -alpha_per_k * size_mm * (part_c - gauge_c)
