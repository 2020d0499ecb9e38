"""Travel by itself: a pry is seen as seat, pulled and seat again, each of them settled."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from bornek.core.trace.rests import FURTHER, Rest, band_of, find_rests
from bornek.core.trace.still import settled
from bornek.core.trace.taken import Taken, taken
from bornek.core.trace.trace import Trace

HELD_S = 6.0
"""A needle that stands somewhere else for so long was not pried: that is its seat now."""
BACK_SHARE = 0.1
"""A pry ends where it began, to this share of its travel."""


@dataclass(frozen=True)
class Seen:
    """The pries that were whole, and what is to be said of the last that was not."""

    pries: tuple[Taken, ...] = ()
    words: str = ""
    seat: float | None = None
    """Where it stood last before it was pulled."""


def find_pries(trace: Trace, step: float) -> Seen:
    """Each pry of a trace with its travel: the settled greatest less the settled least from seat to seat.

    `step` is what the gauge shows apart, in the trace's unit. A pull that never settled, and one that does not come
    back to its seat, is no reading; the words say why.

    >>> import numpy as np
    >>> t = np.arange(0, 3, 0.05)
    >>> v = np.where((t > 1) & (t < 2), 0.145, 0.0)
    >>> [round(p.value, 3) for p in find_pries(Trace(t, v), 0.001).pries]
    [0.145]
    """
    if len(trace) < 2:
        return Seen()
    band = band_of(trace, step)
    rests = find_rests(trace, band)
    found: list[Taken] = []
    words = ""
    seat: Rest | None = None
    pulled: list[Rest] = []
    for rest in rests:
        if seat is None:
            seat = rest
            continue
        away = abs(rest.level - seat.level)
        most = max((abs(p.level - seat.level) for p in pulled), default=0.0)
        if away > max(FURTHER * band, BACK_SHARE * most):
            pulled.append(rest)
            if not _long(trace, rest):
                continue
            words = "It stands elsewhere than it was: this is taken as its seat now."
        elif pulled:
            found.append(_pry(trace, seat, pulled, rest))
            words = ""
        elif _swing(trace, seat, rest) > FURTHER * band:
            words = "Pulled, and let go before the needle settled: hold it until it stands."
        seat, pulled = rest, []
    return Seen(tuple(found), words, seat.level if seat else None)


def take_pull(trace: Trace, step: float) -> Taken | None:
    """How far the needle stands from its seat, taken by a key or a pedal; None where it still moves or never sat.

    >>> import numpy as np
    >>> t = np.arange(0, 2, 0.05)
    >>> round(take_pull(Trace(t, np.where(t > 1, 0.145, 0.0)), 0.001).value, 3)
    0.145
    """
    part, seat = settled(trace, step), find_pries(trace, step).seat
    if part is None or seat is None:
        return None
    level = float(np.median(part.v))
    low, high = min(seat, level), max(seat, level)
    return taken("pry", part, high - low, low, high)


def _pry(trace: Trace, seat: Rest, pulled: list[Rest], back: Rest) -> Taken:
    """The seat is where it stood before and after: what lies between the two is no travel."""
    base = (seat.level + back.level) / 2
    levels = [base, *(p.level for p in pulled)]
    low, high = min(levels), max(levels)
    part = trace.cut(max(seat.begin, seat.end - 10), min(back.end, back.begin + 10))
    return taken("pry", part, high - low, low, high, mark=trace.first + pulled[0].begin)


def _long(trace: Trace, rest: Rest) -> bool:
    return float(trace.t[rest.end - 1] - trace.t[rest.begin]) > HELD_S


def _swing(trace: Trace, before: Rest, after: Rest) -> float:
    """How far the needle went between two rests, beyond both."""
    between = trace.v[before.end : after.begin]
    if not len(between):
        return 0.0
    return float(max(abs(between - before.level)))
