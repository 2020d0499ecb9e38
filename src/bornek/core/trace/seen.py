"""What a station may take of a trace: by itself, and at each press of a key or a pedal."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from bornek.core.trace.pries import find_pries, take_pull
from bornek.core.trace.still import take_still
from bornek.core.trace.taken import Taken, taken
from bornek.core.trace.trace import Trace
from bornek.core.trace.turns import find_turns

Motion = Literal["pry", "turn", "still", ""]
"""How a station's reading is made: by pulling, by turning once round, or where the needle stands."""
LOOKED_S = 45.0
"""So far back is looked for what a station may take."""
UNSETTLED = "Not taken: the needle still moves. Hold it until it stands, then press again."
UNSEATED = "Not taken: the needle never stood at its seat. Let go, let it rest, then pull."


@dataclass(frozen=True)
class Refused:
    """A press that took nothing, at value number `last`."""

    last: int
    words: str


@dataclass(frozen=True)
class Seen:
    """What may be taken, in order; presses that took nothing; what is to be said now; where the seat is."""

    takes: tuple[Taken, ...] = ()
    refused: tuple[Refused, ...] = ()
    words: str = ""
    seat: float | None = None


def look(motion: Motion, trace: Trace, step: float, pressed: Sequence[float] = ()) -> Seen:
    """What a station of such a motion may take of a trace. `step` is what the gauge shows apart, `pressed` the
    moments [s] at which key or pedal was pressed: at a turn they mark the zero, else they take.

    >>> import numpy as np
    >>> t = np.arange(0, 2, 0.05)
    >>> seen = look("still", Trace(t, 0 * t + 0.2), 0.001, [1.5])
    >>> [x.value for x in seen.takes]
    [0.2]
    """
    trace = _lately(trace)
    if not len(trace):
        return Seen()
    if motion == "turn":
        turns = find_turns(trace, step, pressed)
        return Seen(turns.turns, words=turns.words)
    takes: list[Taken] = []
    refused: list[Refused] = []
    for moment in pressed:
        until = trace.cut(0, int((trace.t <= moment).sum()))
        if not len(until):
            continue
        found = take_pull(until, step) if motion == "pry" else take_still(until, step)
        if found is not None:
            takes.append(found)
        else:
            moves = motion != "pry" or take_still(until, step) is None
            refused.append(Refused(until.first + len(until) - 1, UNSETTLED if moves else UNSEATED))
    if motion != "pry":
        return Seen(tuple(takes), tuple(refused))
    pries = find_pries(trace, step)
    by_itself = [p for p in pries.pries if not any(_within(x, p) for x in takes)]
    both = sorted([*takes, *by_itself], key=lambda x: x.last)
    return Seen(tuple(both), tuple(refused), pries.words, pries.seat)


def each_line(trace: Trace) -> Seen:
    """Every value is a reading: the gauge sends one only when its button or pedal is pressed."""
    parts = [trace.cut(i, i + 1) for i in range(len(trace))]
    return Seen(tuple(taken("line", p, float(p.v[0]), float(p.v[0]), float(p.v[0])) for p in parts))


def _within(press: Taken, pry: Taken) -> bool:
    """What was taken by a press is not taken again when the pry ends."""
    return pry.first <= press.last <= pry.last and press.value > 0


def _lately(trace: Trace) -> Trace:
    if not len(trace):
        return trace
    return trace.cut(int((trace.t < trace.t[-1] - LOOKED_S).sum()), len(trace))
