"""What is read at equal angles around: how far it runs out, and where it is high."""

from __future__ import annotations

import cmath
import math
from collections.abc import Sequence

from bornek.core.errors import RangeError
from bornek.core.uncertainty import expanded

LEAST = 8


def first_harmonic(readings: Sequence[float], least: int = LEAST) -> complex:
    """Eccentricity vector from N equally spaced readings, 360° not repeated; in their unit.

    Needs at least `least`: fewer than eight tell the shape of a surface badly. Its size is e, its phase the high spot.
    Source: discrete Fourier series.

    >>> v = first_harmonic([0.01 * math.cos(math.radians(45 * k - 30)) for k in range(8)])
    >>> round(abs(v), 4), round(math.degrees(cmath.phase(v)))
    (0.01, 30)
    """
    n = len(readings)
    if n < least:
        raise RangeError(f"A harmonic needs at least {least} readings around (got {n}).", field="readings")
    return sum((r * cmath.exp(2j * math.pi * k / n) for k, r in enumerate(readings)), 0j) * 2 / n


def degrees_of(v: complex) -> float:
    """Where a vector points, 0 to 360°.

    >>> degrees_of(complex(0, -1))
    270.0
    """
    return math.degrees(cmath.phase(v)) % 360


def points_to(v: complex, u: float) -> float | None:
    """Where a vector of standard uncertainty u points, 0 to 360°; None where |v| ≤ 2·u: it may point anywhere then.

    `v` and `u` ≥ 0 in one unit. Source: U = 2·u, as for every value (`core/uncertainty.py`).

    >>> points_to(complex(0, -0.01), 0.002)
    270.0
    >>> points_to(complex(0.001, 0), 0.002) is None
    True
    """
    return degrees_of(v) if abs(v) > expanded(u) else None
