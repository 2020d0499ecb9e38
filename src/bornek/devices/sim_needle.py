"""A simulated gauge's needle: what it shows of where the part stands, with the faults that real ones have."""

from __future__ import annotations

import random
from dataclasses import dataclass, field


@dataclass(frozen=True)
class Faults:
    """`resolution` what it shows apart, `noise` a standard deviation, `stiction` how far the part moves before the
    needle follows, all [mm]; `drift` [mm/s]; `dead` it never moves; `drops` and `garbage` the share of lines that
    are lost, or that are nonsense; `wrong_unit` it sends inches whatever its card says."""

    resolution: float = 0.001
    noise: float = 0.0
    stiction: float = 0.0
    drift: float = 0.0
    dead: bool = False
    drops: float = 0.0
    garbage: float = 0.0
    wrong_unit: bool = False


@dataclass
class Needle:
    """Unfrozen: a needle that sticks remembers where it stood.

    >>> needle = Needle(Faults(stiction=0.01))
    >>> needle.shows(0.0, 0.0), needle.shows(0.005, 0.1), needle.shows(0.145, 0.2)
    (0.0, 0.0, 0.14)
    """

    faults: Faults
    seed: int = 1
    _stands: float = 0.0
    _random: random.Random = field(init=False, repr=False)

    def __post_init__(self) -> None:
        self._random = random.Random(self.seed)

    def shows(self, at: float, t: float) -> float:
        """What it shows [mm] where the part stands `at` at moment `t` [s]. A needle that sticks follows late by half of
        its stiction."""
        f = self.faults
        if not f.dead and abs(at - self._stands) >= f.stiction:
            self._stands = at - (f.stiction / 2 if at > self._stands else -f.stiction / 2)
        seen = self._stands + f.drift * t + (self._random.gauss(0.0, f.noise) if f.noise else 0.0)
        return round(round(seen / f.resolution) * f.resolution, 9)

    def line(self, at: float, t: float) -> str | None:
        """The line that it sends; None where it drops it."""
        shown = self.shows(at, t)
        if self._random.random() < self.faults.drops:
            return None
        if self._random.random() < self.faults.garbage:
            return "".join(self._random.choices("#?%x-ERR", k=7))
        return f"{shown / 25.4:+.5f} IN" if self.faults.wrong_unit else f"{shown:+.4f} MM"
