"""What a station may take of a trace: by itself, and at each press of a key or a pedal."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from bornek.core.trace.presses import Answered, Motion, Press, answer_presses
from bornek.core.trace.pries import find_pries
from bornek.core.trace.taken import Taken, taken
from bornek.core.trace.trace import Trace
from bornek.core.trace.turns import find_turns

LOOKED_S = 45.0
"""So far back is looked for what a station may take."""
MARKED_S = 4.0
MARKED = "The zero is marked: turn it once round, and mark it again or let it rest."
"""Said for so long after the press."""


@dataclass(frozen=True)
class Seen:
    """What was seen by itself, in order; each press with what it took; what is to be said now; where the seat is."""

    takes: tuple[Taken, ...] = ()
    presses: tuple[Answered, ...] = ()
    words: str = ""
    seat: float | None = None


def look(motion: Motion, trace: Trace, step: float, pressed: Sequence[Press] = ()) -> Seen:
    """What a station of such a motion may take of a trace. `step` is what the gauge shows apart, `pressed` are the
    presses of key or pedal: at a turn they mark the zero, else each is answered.

    >>> import numpy as np
    >>> t = np.arange(0, 2, 0.05)
    >>> seen = look("still", Trace(t, 0 * t + 0.2), 0.001, [Press(1, 1.5)])
    >>> [x.taken.value for x in seen.presses]
    [0.2]
    """
    trace, pressed = _lately(trace, pressed)
    if motion == "turn":
        return _turning(trace, step, [p.at for p in pressed])
    presses = answer_presses(motion, trace, step, pressed)
    if motion != "pry":
        return Seen(presses=presses)
    pries = find_pries(trace, step)
    by_itself = (p for p in pries.pries if not any(_within(x.taken, p) for x in presses if x.taken))
    return Seen(tuple(by_itself), presses, pries.words, pries.seat)


def _turning(trace: Trace, step: float, zeros: Sequence[float]) -> Seen:
    turns = find_turns(trace, step, zeros)
    just = bool(zeros) and len(trace) > 0 and float(trace.t[-1]) - zeros[-1] < MARKED_S
    return Seen(turns.turns, words=turns.words or (MARKED if just else ""))


def each_line(trace: Trace) -> Seen:
    """Every value is a reading: the gauge sends one only when its button or pedal is pressed."""
    parts = [trace.cut(i, i + 1) for i in range(len(trace))]
    return Seen(tuple(taken("line", p, float(p.v[0]), float(p.v[0]), float(p.v[0])) for p in parts))


def _within(press: Taken, pry: Taken) -> bool:
    """What was taken by a press is not taken again when the pry ends."""
    return pry.first <= press.last <= pry.last and press.value > 0


def _lately(trace: Trace, pressed: Sequence[Press]) -> tuple[Trace, Sequence[Press]]:
    if not len(trace):
        return trace, pressed
    since = float(trace.t[-1]) - LOOKED_S
    return trace.cut(int((trace.t < since).sum()), len(trace)), [p for p in pressed if p.at >= since]
