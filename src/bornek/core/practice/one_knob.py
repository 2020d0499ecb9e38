"""A simulated setting with one adjuster: an end play or a backlash answered by shims; all µm."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from bornek.core.practice.streams import Stream

THICKNESSES_UM = (100, 110, 120, 130, 150, 200, 300, 500)
EACH = 10
MOST = 6
Family = Literal["E", "B", "W"]
PRIORS: dict[Family, tuple[float, float]] = {"E": (1.0, 0.05), "B": (0.85, 0.15), "W": (1.0, 0.30)}


@dataclass(frozen=True)
class Case:
    """The hidden truth of one unit: response k, first error d0, scatters of assembly and reading."""

    family: Family
    stream: Stream
    k: float
    d0: float
    s_a: float
    s_r: float
    pack: tuple[int, ...]

    def value(self, change: float, number: int) -> float:
        """The true value, from its aim, after assembly `number` with the pack changed by `change`."""
        return self.d0 + self.k * change + self.s_a * self.stream.n(7, number)

    def reading(self, change: float, number: int) -> float:
        """The mean of three readings of it."""
        noise = sum(self.stream.n(8, 16 * number + j) for j in range(3)) / 3
        return self.value(change, number) + self.s_r * noise


def make_case(family: Family, seed: int, number: int) -> Case:
    """Case `number` of a family: E end play, B backlash, W unknown response.

    >>> c = make_case("E", 2026, 0)
    >>> round(c.k, 6), round(c.d0, 4), round(c.s_a, 5)
    (0.963759, -240.6887, 9.78553)
    >>> round(make_case("B", 2026, 0).k, 6)
    0.717142
    """
    s = Stream(seed, number)
    k = {
        "E": 1 + 0.05 * s.n(1),
        "B": 0.6 + 0.5 * s.u(1),
        "W": min(max(1 + 0.3 * s.n(1), 0.4), 1.9),
    }[family]
    size = 60 + 340 * s.u(2)
    types = [THICKNESSES_UM[int(8 * s.u(6, i))] for i in (0, 1)]
    pack = tuple(sorted((500, 300, *types), reverse=True))
    return Case(
        family=family,
        stream=s,
        k=k,
        d0=size if s.u(3) < 0.5 else -size,
        s_a=3 + 7 * s.u(4),
        s_r=2 + 3 * s.u(5),
        pack=pack,
    )
