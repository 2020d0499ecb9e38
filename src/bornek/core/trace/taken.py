"""What was taken of a trace by itself, by a key or by a pedal, with the figures that it rests on."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import asdict, dataclass
from typing import Any, Literal

from bornek.core.door import a_number
from bornek.core.errors import InputError
from bornek.core.structure import build
from bornek.core.trace.trace import MOST_POINTS, Trace, noise

How = Literal["pry", "turn", "still", "line"]
HOW_WORDS = {
    "pry": "a pry seen in the trace",
    "turn": "a turn seen in the trace",
    "still": "taken where the needle stood",
    "line": "sent by the gauge",
}


@dataclass(frozen=True)
class Taken:
    """`value` is the reading, from `low` to `high` where the needle settled (in a turn: its least and greatest);
    `least` and `most` are the bare values; `first` and `last` the numbers of the values. `angle`: where the high
    spot of a turn stood after the zero [°]. All in the gauge's unit."""

    how: How
    value: float
    low: float
    high: float
    least: float
    most: float
    noise: float
    seconds: float
    values: int
    first: int
    last: int
    angle: float | None = None
    mark: int = 0
    """The value by which it is told from the one before: what lies around it is seen a little otherwise as the trace
    grows."""

    def figures(self, trace: Trace) -> dict[str, Any]:
        """What is kept with the reading."""
        return asdict(self) | {"points": list(trace.numbered(self.first, self.last).points())}


def check_figures(stored: Mapping[str, Any] | None) -> None:
    """Raises InputError for kept figures that are none; nothing kept is a typed reading.

    >>> check_figures(None)
    >>> check_figures({"points": 3})
    Traceback (most recent call last):
    bornek.core.errors.InputError: What was taken does not hold: points must be a short list.
    """
    if stored is None:
        return
    points = stored.get("points", [])
    if not isinstance(points, list) or len(points) > 2 * MOST_POINTS:
        raise InputError("What was taken does not hold: points must be a short list.", field="trace")
    for point in points:
        a_number(point, "points")
    build(Taken, {key: value for key, value in stored.items() if key != "points"}, "What was taken")


def figure_words(stored: Mapping[str, Any] | None) -> str:
    """The kept figures in words, in the gauge's unit; empty for a typed reading.

    >>> figure_words(None)
    ''
    """
    if not stored:
        return ""
    found = f"{HOW_WORDS.get(stored['how'], stored['how'])}, {stored['values']} values in {stored['seconds']:.1f} s"
    if stored["how"] in ("pry", "turn"):
        found += f", {stored['low']:.4g} to {stored['high']:.4g}"
    if stored.get("angle") is not None:
        found += f", high spot {stored['angle']:.0f}° after the zero"
    return found


def taken(
    how: How,
    part: Trace,
    value: float,
    low: float,
    high: float,
    angle: float | None = None,
    mark: int | None = None,
) -> Taken:
    return Taken(
        how=how,
        value=value,
        low=low,
        high=high,
        least=float(part.v.min()),
        most=float(part.v.max()),
        noise=noise(part.v),
        seconds=round(float(part.t[-1] - part.t[0]), 3),
        values=len(part),
        first=part.first,
        last=part.first + len(part) - 1,
        angle=angle,
        mark=part.first + len(part) - 1 if mark is None else mark,
    )
