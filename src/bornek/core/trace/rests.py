"""Where the needle rested: spans in which it kept to a band for long enough."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from bornek.core.trace.trace import Trace, noise

SETTLE_S = 0.4
"""A needle that keeps to its band for so long has settled."""
NEARLY = 0.9
"""Values come a little early or late: so much of that time is enough."""
LEAST_VALUES = 4
"""Fewer values than this show no rest, however far apart in time they are."""
STEPS, SIGMAS = 2.0, 6.0
"""The band: so many steps of the gauge, or so many times its noise, whichever is wider."""
FURTHER = 2.0
"""What is more than so many bands away is another place."""


@dataclass(frozen=True)
class Rest:
    """Values `begin` to `end` of the trace (not with `end`), and where the needle stood."""

    begin: int
    end: int
    level: float


def band_of(trace: Trace, step: float) -> float:
    """How far a settled needle may wander, in the trace's unit; `step` is what the gauge shows apart."""
    return max(STEPS * step, SIGMAS * noise(trace.v))


def find_rests(trace: Trace, band: float, settle_s: float = SETTLE_S) -> list[Rest]:
    """The spans in which every stretch of `settle_s` keeps to the band, in order.

    >>> t = np.arange(0, 3, 0.1)
    >>> v = np.where(t < 1.0, 0.0, np.where(t < 2.0, 0.15, 0.0))
    >>> [(r.begin, r.end, r.level) for r in find_rests(Trace(t, v), 0.005)]
    [(0, 10, 0.0), (10, 20, 0.15), (20, 30, 0.0)]
    """
    t, v = trace.t, trace.v
    found: list[Rest] = []
    begin = 0
    while begin < len(t):
        end = _still_to(v, begin, band)
        if end - begin >= LEAST_VALUES and t[end - 1] - t[begin] >= settle_s * NEARLY:
            found.append(Rest(begin, end, float(np.median(v[begin:end]))))
            begin = end
        else:
            begin += 1
    return _joined(v, found, band)


def _still_to(v: np.ndarray, begin: int, band: float) -> int:
    """The first value that no longer keeps to the band together with those from `begin` on."""
    low = high = v[begin]
    for i in range(begin + 1, len(v)):
        low, high = min(low, v[i]), max(high, v[i])
        if high - low > band:
            return i
    return len(v)


def _joined(v: np.ndarray, rests: list[Rest], band: float) -> list[Rest]:
    """Rests that lie against each other at the same place are one: a needle that wandered slowly."""
    out: list[Rest] = []
    for rest in rests:
        last = out[-1] if out else None
        if last and rest.begin - last.end <= 2 and abs(rest.level - last.level) <= band:
            out[-1] = Rest(last.begin, rest.end, float(np.median(v[last.begin : rest.end])))
        else:
            out.append(rest)
    return out
