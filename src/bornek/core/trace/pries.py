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
MUCH_LONGER = 1.5
BACK_SHARE = 0.1
"""A pry ends where it began, to this share of its travel."""


@dataclass(frozen=True)
class SeenPries:
    """The pries that were whole, and what is to be said of the last that was not."""

    pries: tuple[Taken, ...] = ()
    words: str = ""
    seat: float | None = None
    """Where it stood last before it was pulled."""


def find_pries(trace: Trace, step: float) -> SeenPries:
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
        return SeenPries()
    band = band_of(trace, step)
    rests = find_rests(trace, band)
    found: list[Taken] = []
    words = ""
    sat: Rest | None = None
    i = 0
    while i + 1 < len(rests):
        seat, after = rests[i], rests[i + 1]
        if _away(seat, after) <= FURTHER * band:
            if _swing(trace, seat, after) > FURTHER * band:
                words = "Pulled, and let go before the needle settled: hold it until it stands."
            i += 1
            continue
        home = _home(trace, rests, i, band)
        if home is None or _stood(trace, rests, seat, band) < _stood(
            trace, rests, _furthest(rests, i, home), band
        ):
            i += 1
            continue
        found.append(_pry(trace, seat, rests[i + 1 : home], rests[home]))
        words, i, sat = "", home, rests[home]
    return SeenPries(tuple(found), words, _seat_now(trace, rests, sat, band))


def _away(one: Rest, other: Rest) -> float:
    return abs(one.level - other.level)


def _home(trace: Trace, rests: list[Rest], i: int, band: float) -> int | None:
    """The rest at which the needle is back where it was at rest `i`; None where it is not yet, or stood elsewhere for so
    long that it was moved."""
    most = 0.0
    for j in range(i + 1, len(rests)):
        away = _away(rests[i], rests[j])
        if away <= max(FURTHER * band, BACK_SHARE * most):
            return j
        if _seconds(trace, rests[j]) > HELD_S:
            return None
        most = max(most, away)
    return None


def _furthest(rests: list[Rest], i: int, home: int) -> Rest:
    return max(rests[i + 1 : home], key=lambda r: _away(rests[i], r))


def _stood(trace: Trace, rests: list[Rest], at: Rest, band: float) -> float:
    """How long it stood there in all: a bar is let go for longer than it is pulled."""
    return sum(_seconds(trace, r) for r in rests if _away(r, at) <= FURTHER * band)


def _seat_now(trace: Trace, rests: list[Rest], sat: Rest | None, band: float) -> float | None:
    """Where it sits: where the last pry came home, unless it has stood elsewhere for long since. Before there was one, the
    first of the last places, or one where it stood much longer."""
    if not rests:
        return None
    if sat is not None and (_away(sat, rests[-1]) <= FURTHER * band or _seconds(trace, rests[-1]) < HELD_S):
        return sat.level
    lately = rests[-1:] if sat is not None else rests[-3:]
    longest = max(lately, key=lambda r: _stood(trace, rests, r, band))
    much = _stood(trace, rests, longest, band) > MUCH_LONGER * _stood(trace, rests, lately[0], band)
    return longest.level if much else lately[0].level


def _seconds(trace: Trace, rest: Rest) -> float:
    return float(trace.t[rest.end - 1] - trace.t[rest.begin])


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


def _swing(trace: Trace, before: Rest, after: Rest) -> float:
    """How far the needle went between two rests, beyond both."""
    between = trace.v[before.end : after.begin]
    if not len(between):
        return 0.0
    return float(max(abs(between - before.level)))
