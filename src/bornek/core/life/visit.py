"""One quantity over the visits of a unit: what was found and what was left, and the series that its wear is told from."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from typing import Literal

from bornek.core.wear import Seen
from bornek.core.windows import AtMost, Interval, Normal, Value

Base = Literal["hours", "days"]
SAME = 1e-9


@dataclass(frozen=True)
class Visit:
    """A quantity in one job: when, what was found and left (None where it was not read), whether it was set anew;
    `hours` of running then, None where no meter was read. `fresh`: new parts went in."""

    job: str
    day: date
    hours: float | None
    found: Value | None
    left: Value | None
    reset: bool = False
    fresh: bool = False


def as_normal(value: Value | None) -> Normal | None:
    """What a value says of where the quantity stands: the middle of a bracket, with its half width over √3 as its
    uncertainty; nothing where a zero may hide a preload.

    >>> bracket = as_normal(Interval(0.04, 0.06))
    >>> round(bracket.v, 3), round(bracket.u, 4)
    (0.05, 0.0058)
    >>> as_normal(AtMost(0.0)) is None
    True
    """
    if isinstance(value, Interval):
        return Normal((value.a + value.b) / 2, (value.b - value.a) / 2 / 3**0.5)
    return None if isinstance(value, AtMost) else value


def base_of(visits: Sequence[Visit]) -> Base:
    """Running hours where every visit has them and they rise; else days.

    >>> base_of([Visit("a", date(2020, 1, 1), 100.0, None, None), Visit("b", date(2021, 1, 1), None, None, None)])
    'days'
    """
    hours = [v.hours for v in visits]
    known = [h for h in hours if h is not None]
    return "hours" if len(known) == len(hours) and known == sorted(set(known)) else "days"


def time_of(visit: Visit, base: Base) -> float:
    """When a visit was, in hours or days."""
    return float(visit.hours or 0.0) if base == "hours" else float(visit.day.toordinal())


def series(visits: Sequence[Visit], base: Base, sense: int = 1) -> list[Seen]:
    """What was found and left as points towards wear: what was set anew begins a line.

    `sense` +1 where the value rises with wear, −1 where it falls.

    >>> left = Visit("a", date(2020, 1, 1), None, None, Normal(0.05, 0.003), reset=True)
    >>> found = Visit("b", date(2022, 1, 1), None, Normal(0.11, 0.003), Normal(0.05, 0.003), reset=True)
    >>> [(round(s.y, 2), s.reset) for s in series([left, found], "days")]
    [(0.05, True), (0.11, False), (0.05, True)]
    """
    seen: list[Seen] = []
    for visit in visits:
        t = time_of(visit, base)
        found, left = as_normal(visit.found), as_normal(visit.left)
        if found is not None:
            seen.append(Seen(t, sense * found.v, found.u))
        if left is not None and (visit.reset or found is None):
            seen.append(Seen(t, sense * left.v, left.u, reset=True))
    return seen


@dataclass(frozen=True)
class Stretch:
    """Between two visits: how fast it wore, per hour or day; `bedding`: the first running of new parts."""

    since: str
    until: str
    rate: float
    rate_u: float
    bedding: bool


def intervals(visits: Sequence[Visit], base: Base, sense: int = 1) -> list[Stretch]:
    """The rate of each stretch from what was left to what was found next.

    >>> a = Visit("a", date(2020, 1, 1), 0.0, None, Normal(0.05, 0.003), reset=True)
    >>> b = Visit("b", date(2022, 1, 1), 2000.0, Normal(0.07, 0.003), None)
    >>> round(intervals([a, b], "hours")[0].rate * 1000, 4)
    0.01
    """
    stretches = []
    last: tuple[Visit, Normal] | None = None
    for visit in visits:
        found, left = as_normal(visit.found), as_normal(visit.left)
        if last is not None and found is not None:
            span = time_of(visit, base) - time_of(last[0], base)
            if span > SAME:
                u = (found.u**2 + last[1].u ** 2) ** 0.5 / span
                rate = sense * (found.v - last[1].v) / span
                stretches.append(Stretch(last[0].job, visit.job, rate, u, last[0].fresh))
        stands = left if left is not None and (visit.reset or found is None) else found
        last = (visit, stands) if stands is not None else last
    return stretches
