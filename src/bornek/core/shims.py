"""What a shim really measures: its nominal within a tolerance, or what it was miked at."""

from __future__ import annotations

import math
from collections.abc import Iterable, Mapping

TOLERANCE_SHARE, TOLERANCE_NM = 0.02, 2_000
"""A shim that was not miked is within 2 % of its nominal and 2 µm: rolled stock as it is bought."""
MIKED_U_NM = 1_000


def tolerance_nm(nominal_nm: int) -> float:
    """Half the width within which an unmiked shim lies: 2 µm + 2 % of its nominal.

    >>> tolerance_nm(500_000), tolerance_nm(50_000)
    (12000.0, 3000.0)
    """
    return TOLERANCE_NM + TOLERANCE_SHARE * nominal_nm


def pack_nm(plates: Iterable[int], miked: Mapping[int, int]) -> int:
    """What a pack measures, each plate as it was miked, else its nominal.

    >>> pack_nm([500_000, 100_000], {500_000: 497_000})
    597000
    """
    return sum(miked.get(t, t) for t in plates)


def plates_u_mm(plates: Iterable[int], miked: Mapping[int, int]) -> float:
    """Standard uncertainty of plates that are put in or taken out [mm]: rectangular over the tolerance for those
    that were not miked, 1 µm for those that were.

    >>> round(plates_u_mm([500_000, 100_000], {500_000: 497_000}), 4)
    0.0025
    """
    squares = ((MIKED_U_NM if t in miked else tolerance_nm(t) / math.sqrt(3)) ** 2 for t in plates)
    return math.sqrt(sum(squares)) / 1e6
