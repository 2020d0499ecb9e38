"""Counter-based random numbers: anyone can reproduce a case from its seed and number."""

from __future__ import annotations

from dataclasses import dataclass

from scipy.special import ndtri

MASK = (1 << 64) - 1


def mix(z: int) -> int:
    """A 64-bit finaliser with wraparound.

    >>> hex(mix(0))
    '0xe220a8397b1dcdaf'
    """
    z = (z + 0x9E3779B97F4A7C15) & MASK
    z = ((z ^ (z >> 30)) * 0xBF58476D1CE4E5B9) & MASK
    z = ((z ^ (z >> 27)) * 0x94D049BB133111EB) & MASK
    return z ^ (z >> 31)


@dataclass(frozen=True)
class Stream:
    """The numbers of one case: `u(ch, i)` uniform in (0, 1), `n(ch, i)` standard normal.

    >>> Stream(1, 0).u(0)
    0.8847898165349133
    """

    seed: int
    case: int

    def u(self, channel: int, i: int = 0) -> float:
        h = mix((mix((mix((mix(self.seed) + self.case) & MASK) + channel) & MASK) + i) & MASK)
        return ((h >> 11) + 0.5) * 2.0**-53

    def n(self, channel: int, i: int = 0) -> float:
        return float(ndtri(self.u(channel, i)))
