"""A value taken where the needle stands: by a key or a pedal, and only once it has settled."""

from __future__ import annotations

import numpy as np

from bornek.core.trace.rests import LEAST_VALUES, SETTLE_S, band_of
from bornek.core.trace.taken import Taken, taken
from bornek.core.trace.trace import Trace


def settled(trace: Trace, step: float) -> Trace | None:
    """The last stretch of the trace where it kept to its band for long enough, however few values a slow gauge sends in
    that time; None where it still moves.

    >>> t = np.arange(0, 1, 0.05)
    >>> settled(Trace(t, t), 0.001) is None, settled(Trace(t, 0 * t), 0.001) is None
    (True, False)
    """
    if not len(trace):
        return None
    begin = int(np.searchsorted(trace.t, trace.t[-1] - SETTLE_S))
    part = trace.cut(max(0, min(begin, len(trace) - LEAST_VALUES)), len(trace))
    long = len(part) >= LEAST_VALUES and float(part.t[-1] - part.t[0]) >= 0.75 * SETTLE_S
    return part if long and float(np.ptp(part.v)) <= band_of(trace, step) else None


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
