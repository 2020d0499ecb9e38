"""Spur and helical pairs: centre distance, what it does to backlash, what squeezed wire and a lash around tell."""

from __future__ import annotations

import math

from bornek.core.errors import RangeError
from bornek.core.mesh.worm import lash_per_apart


def centre_mm(z1: int, z2: int, module_mm: float, helix_deg: float = 0.0) -> float:
    """Centre distance of a pair without shift: m_n·(z1 + z2)/(2·cos β) [mm]; helix below 60°. Raises RangeError.

    >>> centre_mm(17, 71, 4.0), round(centre_mm(17, 71, 4.0, 15.0), 3)
    (176.0, 182.209)
    """
    if not 0 <= helix_deg < 60:
        raise RangeError(
            f"The helix angle must be 0 to 60° (got {helix_deg:g}).",
            field="helix",
            next_step="Take it from the drawing; 0 for straight teeth.",
        )
    return module_mm * (z1 + z2) / (2 * math.cos(math.radians(helix_deg)))


def transverse_pressure_deg(pressure_deg: float, helix_deg: float) -> float:
    """α_t from tan α_t = tan α_n / cos β [°].

    >>> round(transverse_pressure_deg(20.0, 0.0), 6), round(transverse_pressure_deg(20.0, 30.0), 3)
    (20.0, 22.796)
    """
    return math.degrees(math.atan(math.tan(math.radians(pressure_deg)) / math.cos(math.radians(helix_deg))))


def lash_by_centre_mm(apart_mm: float, pressure_deg: float, helix_deg: float = 0.0) -> float:
    """Transverse backlash that a pair gains as its axes go apart: 2·tan α_t·Δa [mm].

    >>> round(lash_by_centre_mm(0.10, 20.0), 4)
    0.0728
    """
    return lash_per_apart(transverse_pressure_deg(pressure_deg, helix_deg)) * apart_mm


def squeezed_lash_mm(loaded_mm: float, other_mm: float, pressure_deg: float, helix_deg: float = 0.0) -> float:
    """Transverse backlash from a wire squeezed in both flanks: (t1 + t2)/(cos α_n·cos β) [mm].

    The two thicknesses together are the backlash square to the tooth. Raises RangeError below 0.

    >>> round(squeezed_lash_mm(0.10, 0.09, 20.0), 4)
    0.2022
    """
    if loaded_mm < 0 or other_mm < 0:
        raise RangeError(
            "A squeezed wire is not thinner than nothing.",
            field="wire",
            next_step="Measure both squeezed places again.",
        )
    square = math.cos(math.radians(pressure_deg)) * math.cos(math.radians(helix_deg))
    return (loaded_mm + other_mm) / square


def runout_of_lash_mm(amplitude_mm: float, pressure_deg: float, helix_deg: float = 0.0) -> float:
    """Runout (full reading) of a gear whose transverse backlash swings by ± amplitude around: 2·A/(2·tan α_t) [mm].

    The gear stands an eccentricity e nearer where it is tight: the lash swings by 2·tan α_t·e.

    >>> round(runout_of_lash_mm(0.0364, 20.0), 3)
    0.1
    """
    return 2 * amplitude_mm / lash_per_apart(transverse_pressure_deg(pressure_deg, helix_deg))
