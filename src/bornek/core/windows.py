"""Limits with their source, values that are not always one number, and the verdict over both.

Guard bands after ISO 14253-1: with U = 2u a value is in only if the whole band is in.
"""

from __future__ import annotations

import math
from dataclasses import dataclass, field
from typing import Literal

from bornek.core.errors import RangeError
from bornek.core.quantities import Speech, signed
from bornek.core.uncertainty import expanded


@dataclass(frozen=True)
class Normal:
    """A value with its standard uncertainty `u`, both in the quantity's own unit."""

    v: float
    u: float

    def __post_init__(self) -> None:
        if not math.isfinite(self.v) or not self.u >= 0:
            raise RangeError(
                f"A value must be finite and its uncertainty not negative (got {self.v} ± {self.u}).",
                field="value",
                next_step="Look at the readings and the gauge's card.",
            )


@dataclass(frozen=True)
class Interval:
    """A bracket: the value lies between `a` and `b` and nothing more is known."""

    a: float
    b: float

    def __post_init__(self) -> None:
        if not self.a <= self.b:
            raise RangeError(
                f"A bracket's lower end must not lie above its upper end (got {self.a} to {self.b}).",
                field="value",
                next_step="Give the end that goes first, then the one that does not.",
            )


@dataclass(frozen=True)
class AtMost:
    """A censored value: it is `c` or less (a needle that did not move)."""

    c: float


Value = Normal | Interval | AtMost
Code = Literal["in", "at_edge", "not_proven", "out_low", "out_high", "read_again", "not_read"]


@dataclass(frozen=True)
class Window:
    """Permitted range; either end may be open. `source` names where it comes from.

    `floor` is the physical bound of the quantity: an open lower end is met down to it and no further (a
    clearance below 0 is an interference, whatever the card leaves out).
    """

    lo: float | None
    hi: float | None
    source: str
    basis: str = "new parts"
    edition: str = ""
    floor: float | None = None

    def __post_init__(self) -> None:
        if self.lo is not None and self.hi is not None and self.lo >= self.hi:
            raise RangeError(
                f"The window's lower end ({signed(self.lo, 3)}) must lie below its upper end "
                f"({signed(self.hi, 3)}).",
                field="window",
                next_step="Check whether the two were swapped, or a preload was entered as play.",
            )
        if self.floor is not None and self.hi is not None and self.hi <= self.floor:
            raise RangeError(
                f"The greatest ({signed(self.hi, 3)}) must lie above {signed(self.floor, 2)}: nothing could meet it.",
                field="greatest",
                next_step="Check the sign and the unit on the card.",
            )

    @property
    def low(self) -> float:
        """The lower end that is judged against: its own, the physical bound, or none at all."""
        return next((e for e in (self.lo, self.floor) if e is not None), -math.inf)

    @property
    def high(self) -> float:
        return math.inf if self.hi is None else self.hi

    @property
    def middle(self) -> float | None:
        return None if math.isinf(self.half) else (self.low + self.high) / 2

    @property
    def half(self) -> float:
        return (self.high - self.low) / 2

    def holds(self, v: float) -> bool:
        return self.low <= v <= self.high

    def words(self, speech: Speech) -> str:
        """
        >>> Window(0.06, 0.12, "drawing").words(Speech())
        '0.06–0.12'
        """
        if self.lo is None:
            return f"at most {speech.size(self.hi or 0)}"
        if self.hi is None:
            return f"at least {speech.size(self.lo)}"
        dash = " to " if self.lo < 0 else "–"
        return f"{speech.size(self.lo)}{dash}{speech.size(self.hi)}"


WORDS: dict[Code, str] = {
    "in": "in",
    "at_edge": "at the edge",
    "not_proven": "not proven",
    "out_low": "out low",
    "out_high": "out high",
    "read_again": "read again",
    "not_read": "not read",
}


@dataclass(frozen=True)
class Verdict:
    """`margin` is the distance from the guard band to the nearest end: negative when beyond it."""

    code: Code
    leaning: Literal["low", "high", ""] = ""
    margin: float | None = None

    words: str = field(default="", init=False)

    def __post_init__(self) -> None:
        words = WORDS[self.code]
        if self.code == "not_proven" and self.leaning:
            words = f"{words}, reads out {self.leaning}"
        object.__setattr__(self, "words", words)


NOT_READ = Verdict("not_read")


def verdict(value: Value | None, window: Window | None) -> Verdict:
    """Judge a value against a window; total over every kind of value.

    Normal, with U = 2u: v − U ≥ lo and v + U ≤ hi: in; v + U < lo or v − U > hi: out;
    inside with 2U < hi − lo: at the edge; otherwise not proven.
    A bracket wholly inside is in, disjoint is out, otherwise not proven.

    >>> w = Window(0.06, 0.12, "drawing")
    >>> verdict(Normal(0.145, 0.0035), w).code, verdict(Normal(0.09, 0.0035), w).code
    ('out_high', 'in')
    >>> verdict(Normal(0.118, 0.0035), w).code, verdict(Interval(0.05, 0.07), w).code
    ('at_edge', 'not_proven')
    """
    if value is None:
        return NOT_READ
    if window is None:
        return Verdict("not_proven")
    lo, hi = window.low, window.high
    if isinstance(value, Normal):
        return _normal(value, lo, hi)
    a, b = (value.a, value.b) if isinstance(value, Interval) else (-math.inf, value.c)
    if b < lo:
        return Verdict("out_low", "low", b - lo)
    if a > hi:
        return Verdict("out_high", "high", hi - a)
    if a >= lo and b <= hi:
        return Verdict("in", margin=min(a - lo, hi - b))
    return Verdict("not_proven", "low" if a < lo and b <= hi else "high" if b > hi and a >= lo else "")


def _normal(value: Normal, lo: float, hi: float) -> Verdict:
    v, guard = value.v, expanded(value.u)
    margin = min(v - guard - lo, hi - v - guard)
    if v - guard >= lo and v + guard <= hi:
        return Verdict("in", margin=margin)
    if v + guard < lo:
        return Verdict("out_low", "low", v + guard - lo)
    if v - guard > hi:
        return Verdict("out_high", "high", hi - (v - guard))
    side: Literal["low", "high"] = "high" if hi - v < v - lo else "low"
    if lo <= v <= hi:
        return Verdict(
            "at_edge" if 2 * guard < hi - lo else "not_proven", side if 2 * guard < hi - lo else "", margin
        )
    return Verdict("not_proven", "low" if v < lo else "high", margin)


def chance_in(value: Normal, window: Window) -> float:
    """Probability that the true value lies in the window.

    >>> round(chance_in(Normal(0.12, 0.003), Window(0.06, 0.12, "d")), 3)
    0.5
    """

    def below(x: float) -> float:
        if math.isinf(x) or value.u == 0:
            return float(x >= value.v)
        return 0.5 * math.erfc((value.v - x) / (value.u * math.sqrt(2)))

    return max(0.0, below(window.high) - below(window.low))


def worst(codes: list[Verdict]) -> Verdict:
    """The verdict that decides when several targets must all be met."""
    order = ["out_high", "out_low", "read_again", "not_read", "not_proven", "at_edge", "in"]
    return min(codes, key=lambda v: order.index(v.code)) if codes else NOT_READ
