"""Runout by itself: greatest less smallest over one turn, and where the high spot stood when the zero was marked."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

import numpy as np

from bornek.core.trace.rests import SIGMAS, STEPS, Rest, find_rests
from bornek.core.trace.taken import Taken, taken
from bornek.core.trace.trace import Trace, noise

LEAST_S = 1.5
"""Nobody turns a shaft once round in less by hand."""
SMOOTHED = 11
"""Values over which a turn is smoothed, so that noise does not add to its greatest and smallest."""


LEFT = 0.45
"""Share of the noise that is left after it."""
REST_S = 1.0
"""A shaft that is let go stands for so long; at its high spot the needle only lingers."""
CLEAR = 3.0
"""A runout of fewer bands than this hides when the turn began and ended."""


@dataclass(frozen=True)
class SeenTurns:
    turns: tuple[Taken, ...] = ()
    words: str = ""


def find_turns(trace: Trace, step: float, zeros: Sequence[float] = ()) -> SeenTurns:
    """Each turn of a trace: from a rest to the next at which the needle stands as it stood before, or from one mark of
    the zero to the next.

    `step` is what the gauge shows apart, in the trace's unit; `zeros` the moments [s] at which the zero passed.
    The high spot's angle takes the turning as steady.

    >>> t = np.arange(0, 8, 0.05)
    >>> v = np.where((t > 1) & (t < 7), 0.02 * np.sin(2 * np.pi * (t - 1) / 6), 0.0)
    >>> [round(x.value, 2) for x in find_turns(Trace(t, v), 0.001).turns]
    [0.04]
    """
    if len(trace) < SMOOTHED:
        return SeenTurns()
    from scipy.signal import savgol_filter  # half a second, which no start needs to wait for

    smooth = Trace(trace.t, savgol_filter(trace.v, SMOOTHED, 2), trace.first)
    band = max(STEPS * step, SIGMAS * noise(trace.v) * LEFT)
    found: list[Taken] = []
    words = ""
    begun: Rest | None = None
    for rest in find_rests(smooth, band, REST_S):
        if begun is None or _seconds(trace, begun, rest) < LEAST_S:
            begun = rest
            continue
        part = _span(smooth, begun, rest)
        if abs(rest.level - begun.level) > band:
            words = "It stands elsewhere than where it began: turn it on until it is once round."
            continue
        if float(np.ptp(part.v)) < CLEAR * band:
            words = "What it moves is hardly more than its noise: mark the zero as it passes, and again."
        else:
            found.append(_turn(trace, part, band, _near(zeros, part)))
            words = ""
        begun = rest
    found += [_turn(trace, p, band, p.t[0]) for p in _marked(smooth, zeros) if not _seen(p, found)]
    return SeenTurns(tuple(found), "" if found and not words else words)


def _seconds(trace: Trace, before: Rest, after: Rest) -> float:
    return float(trace.t[after.begin] - trace.t[before.end - 1])


def _span(smooth: Trace, before: Rest, after: Rest) -> Trace:
    """From where it left its rest to where it came to rest again."""
    return smooth.cut(max(before.end - 1, 0), after.begin + 1)


def _near(zeros: Sequence[float], part: Trace) -> float | None:
    """The mark of the zero that belongs to a turn: made in it, or while it rested before."""
    return next((z for z in zeros if part.t[0] - REST_S <= z <= part.t[-1]), None)


def _marked(smooth: Trace, zeros: Sequence[float]) -> list[Trace]:
    """What lies between one mark of the zero and the next."""
    pairs = (
        (a, b) for a, b in pairwise(zeros) if b - a >= LEAST_S and smooth.t[0] <= a and b <= smooth.t[-1]
    )
    cut = (np.searchsorted(smooth.t, pair) for pair in pairs)
    return [p for a, b in cut if len(p := smooth.cut(int(a), int(b))) >= SMOOTHED]


def _seen(part: Trace, found: Sequence[Taken]) -> bool:
    last = part.first + len(part) - 1
    return any(x.first <= last and part.first <= x.last for x in found)


def _turn(trace: Trace, part: Trace, band: float, zero: float | None) -> Taken:
    """What hardly stands out of its noise is high nowhere."""
    low, high = float(part.v.min()), float(part.v.max())
    angle = None
    if zero is not None and high - low >= CLEAR * band:
        whole = float(part.t[-1] - part.t[0])
        angle = round(360 * (float(part.t[int(part.v.argmax())]) - zero) / whole % 360, 1)
    bare = trace.numbered(part.first, part.first + len(part) - 1)
    return taken("turn", bare, high - low, low, high, angle, mark=part.first + len(part) // 2)
