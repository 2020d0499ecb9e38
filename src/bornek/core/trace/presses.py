"""What each press of a key or a pedal takes; where it takes nothing, why."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from bornek.core.trace.pries import take_pull
from bornek.core.trace.still import is_short, take_still
from bornek.core.trace.taken import Taken
from bornek.core.trace.trace import Trace

Motion = Literal["pry", "turn", "still", ""]
"""How a station's reading is made: by pulling, by turning once round, or where the needle stands."""
AT_ONCE_S = 0.3
"""A key that is pressed twice in so short a time was meant once."""
STALE_S = 1.5
"""A value so old says nothing of where the needle stands now."""
UNSETTLED = "Not taken: the needle still moves. Hold it until it stands, then press again."
TOO_EARLY = "Not taken: the gauge has hardly sent anything yet. Press again in a moment."
NOTHING_NEW = (
    "Not taken: the gauge has sent nothing since the press before. See whether it is on, then press again."
)
STALE = "Not taken: the gauge sends nothing any more. See whether it is on, then press again."
AT_ONCE = "Taken once: it was pressed twice at once. Press again for another reading."


@dataclass(frozen=True)
class Press:
    """`number` counts the presses since the gauge was opened, from 1; `at` is the trace's time [s]."""

    number: int
    at: float


@dataclass(frozen=True)
class Answered:
    """A press with what it took; or, where that is nothing, with the words that say why."""

    press: Press
    taken: Taken | None
    words: str = ""


def answer_presses(
    motion: Motion, trace: Trace, step: float, presses: Sequence[Press]
) -> tuple[Answered, ...]:
    """Each press at a station where a press takes: what stood then, or why that is no reading. None is left out.

    `step` is what the gauge shows apart, in the trace's unit; a press sees only what was sent before it.

    >>> import numpy as np
    >>> t = np.arange(0, 2, 0.05)
    >>> both = answer_presses("still", Trace(t, 0 * t + 0.2), 0.001, [Press(1, 1.5), Press(2, 1.6)])
    >>> both[0].taken.value, both[1].words == AT_ONCE
    (0.2, True)
    """
    found: list[Answered] = []
    before: Answered | None = None
    for press in presses:
        until = trace.cut(0, int((trace.t <= press.at).sum()))
        words = _no_ground(until, press, before)
        taken = None if words else _take(motion, until, step)
        answer = Answered(press, taken, words or ("" if taken else UNSETTLED))
        before = answer if taken else before
        found.append(answer)
    return tuple(found)


def _take(motion: Motion, until: Trace, step: float) -> Taken | None:
    return take_pull(until, step) if motion == "pry" else take_still(until, step)


def _no_ground(until: Trace, press: Press, before: Answered | None) -> str:
    """Why nothing could be taken wherever the needle stood; `before` is the last press that took something."""
    if before and press.at - before.press.at < AT_ONCE_S:
        return AT_ONCE
    if before and before.taken and until.first + len(until) - 1 == before.taken.last:
        return NOTHING_NEW
    if len(until) and press.at - float(until.t[-1]) > STALE_S:
        return STALE
    return TOO_EARLY if is_short(until) else ""
