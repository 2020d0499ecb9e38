"""The values that a gauge sent, in their order."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

Floats = NDArray[np.float64]
MOST_POINTS = 60
"""A trace is kept with a reading in so many points: enough to see what the needle did."""


@dataclass(frozen=True)
class Trace:
    """`t` [s] rising, `v` the values in one unit, `first` the number of its first value since the gauge was opened."""

    t: Floats
    v: Floats
    first: int = 0

    def __len__(self) -> int:
        return len(self.t)

    def cut(self, begin: int, end: int) -> Trace:
        """From value `begin` up to, not with, `end`, counted from its own first one."""
        return Trace(self.t[begin:end], self.v[begin:end], self.first + begin)

    def numbered(self, first: int, last: int) -> Trace:
        """The values number `first` to `last` since the gauge was opened; empty where they are gone."""
        begin, end = first - self.first, last - self.first + 1
        return self.cut(begin, end) if 0 <= begin < end <= len(self) else self.cut(0, 0)

    def points(self, most: int = MOST_POINTS) -> tuple[float, ...]:
        """The values at evenly spaced moments, at most so many.

        >>> Trace(np.array([0.0, 1.0, 2.0]), np.array([0.0, 0.1, 0.2])).points(5)
        (0.0, 0.05, 0.1, 0.15, 0.2)
        """
        if not len(self):
            return ()
        at = np.linspace(self.t[0], self.t[-1], most)
        return tuple(round(float(x), 6) for x in np.interp(at, self.t, self.v))


def noise(v: Floats) -> float:
    """Standard deviation of the needle about where it stands, from the steps between values; what moves for a short
    time does not count.

    σ = 1.4826 · median|v(i+1) − v(i)| / √2. Valid from 3 values on; 0 below.

    >>> noise(np.array([0.0, 0.001, 0.0, 0.001, 0.0, 5.0])) < 0.002
    True
    """
    if len(v) < 3:
        return 0.0
    return float(1.4826 * np.median(np.abs(np.diff(v))) / np.sqrt(2))
