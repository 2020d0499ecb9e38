"""Backlash as it was read around the gear, as the limit means it."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.around import first_harmonic, points_to
from bornek.core.errors import RangeError
from bornek.core.mesh.bevel_set import BevelSet
from bornek.core.mesh.lash import normal_lash, transverse_lash
from bornek.core.settings.bevel_form import KNOWN

SCATTER_PRIOR_MM = 0.004
LEAST_SPREAD_MM = 0.01
BEYOND = 1.02
"""An indicator farther out than this share of the outer pitch radius touches no tooth."""


def per_reading(given: Mapping[str, Any], s: BevelSet | None) -> float:
    """What the limit's backlash is for each mm that the indicator reads.

    As read: 1. Transverse: (r_e/r)/(cos ψ(r)·cos θ). Normal: that times cos ψ·cos α.

    >>> per_reading({"meant": "as_read"}, None)
    1.0
    """
    if given.get("meant", "as_read") == "as_read":
        return 1.0
    radius, outer = float(given["indicator_radius"]), _outer_radius(given)
    if radius > BEYOND * outer:
        raise RangeError(
            f"The indicator stands at {radius:g} mm, beyond the teeth: they end at {outer:.1f} mm.",
            field="indicator_radius",
            next_step="Measure from the gear's axis, not across it.",
        )
    spiral = math.radians(float(given["spiral_angle"]))
    if s is not None and s.spiral:
        spiral = s.spiral_at(s.outer_cone_mm * radius / outer)
    off = math.radians(float(given.get("indicator_angle", 0.0)))
    across = transverse_lash(1.0, outer / radius, off, spiral)
    if given["meant"] == "transverse":
        return across
    return normal_lash(across, spiral, math.radians(float(given["pressure_angle"])))


def _outer_radius(given: Mapping[str, Any]) -> float:
    """Outer pitch radius of the gear, m·z2/2 [mm], or as it was measured."""
    if given.get("geometry") == KNOWN:
        return float(given["module"]) * float(given["z2"]) / 2
    return float(given["outer_radius"])


def tightest_at(values: Sequence[float], u: float) -> float | None:
    """Where around the gear the backlash is least [deg from the first], by the first harmonic of at least four readings
    at equal angles, each of standard uncertainty u: the harmonic's is u·√(2/N). None where no one place is.

    `values` and `u` in one unit. Source: discrete Fourier series.

    >>> tightest_at([0.30, 0.34, 0.30, 0.26], 0.003)
    270.0
    >>> tightest_at([0.30, 0.36, 0.30, 0.36], 0.003) is None
    True
    """
    return points_to(-first_harmonic(values, 4), u * math.sqrt(2 / len(values)))
