"""A value taken where the needle stands: by a key or a pedal, and only once it has settled."""

from __future__ import annotations

import numpy as np

from bornek.core.trace.rests import LEAST_VALUES, NEARLY, SETTLE_S, band_of
from bornek.core.trace.taken import Taken, taken
from bornek.core.trace.trace import Trace


def is_short(trace: Trace) -> bool:
    """Whether it shows nothing of where the needle stands, moving or not: fewer than `LEAST_VALUES` values, or of less
    than `NEARLY` of `SETTLE_S` [s].

    >>> is_short(Trace(np.array([0.0, 0.1, 0.2, 0.3]), np.zeros(4))), is_short(Trace(np.arange(4.0), np.zeros(4)))
    (True, False)
    """
    return len(trace) < LEAST_VALUES or float(trace.t[-1] - trace.t[0]) < NEARLY * SETTLE_S


def settled(trace: Trace, step: float) -> Trace | None:
    """The last stretch of the trace where it kept to its band for long enough, however few values a slow gauge sends in
    that time, and however many come at once after the line was held up; None where it still moves.

    `step` is what the gauge shows apart, in the trace's unit; the band is `band_of`'s.

    >>> t = np.arange(0, 1, 0.05)
    >>> settled(Trace(t, t), 0.001) is None, settled(Trace(t, 0 * t), 0.001) is None
    (True, False)
    >>> settled(Trace(np.where(t < 0.5, t, 2.0), 0 * t), 0.001) is None
    False
    """
    if is_short(trace):
        return None
    long_ago = int(np.searchsorted(trace.t, trace.t[-1] - SETTLE_S, side="right")) - 1
    part = trace.cut(max(0, min(long_ago, len(trace) - LEAST_VALUES)), len(trace))
    return part if float(np.ptp(part.v)) <= band_of(trace, step) else None


def take_still(trace: Trace, step: float) -> Taken | None:
    """The middle of what the needle showed since it settled; None where it still moves.

    >>> t = np.arange(0, 1, 0.05)
    >>> take_still(Trace(t, 0 * t + 0.2), 0.001).value
    0.2
    """
    part = settled(trace, step)
    if part is None:
        return None
    value = float(np.median(part.v))
    return taken("still", part, value, value, value)
