"""The one factor between a standard uncertainty and what is called give or take.

U = k·u with k = 2: about 95 % for a normal value (GUM, JCGM 100:2008, 6.2).
"""

from __future__ import annotations

COVERAGE = 2.0


def expanded(u: float) -> float:
    """Give or take of a standard uncertainty, in its own unit.

    >>> expanded(0.004)
    0.008
    """
    return COVERAGE * u
