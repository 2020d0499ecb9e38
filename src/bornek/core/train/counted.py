"""Turns put in and counted out, against what the train must give."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

from bornek.core.quantities import decimals, signed
from bornek.core.train.positions import Position, Train
from bornek.core.units.mesh import Way

GIVE_TURNS = 0.125
"""A count by a chalk mark is good to an eighth of a turn."""
Seen = Literal["clockwise", "counter-clockwise", "still", "locks"]
Found = Literal["agrees", "reversed", "ratio", "still", "turns", "locks"]
OTHER: dict[str, Way] = {"clockwise": "counter-clockwise", "counter-clockwise": "clockwise"}
SIGNS = {"clockwise": 1, "counter-clockwise": -1}


@dataclass(frozen=True)
class Count:
    """What was done and seen: the levers `at`, the input turned clockwise `turned` times, `out` turns of `shaft`
    counted that `way`; each seen from its own left or top end."""

    at: Mapping[str, str]
    shaft: str
    turned: float
    out: float
    way: Seen

    @property
    def signed(self) -> float:
        """Turns out, clockwise above 0; nothing where it stood or the train was locked."""
        return self.out * SIGNS.get(self.way, 0)


def way_of(speed: float) -> Way:
    """
    >>> way_of(-0.4)
    'counter-clockwise'
    """
    return "clockwise" if speed > 0 else "counter-clockwise" if speed < 0 else ""


def compare(position: Position, count: Count) -> Found:
    """What a count says of one position: whether it agrees within an eighth of a turn, or how it does not."""
    speed = position.turns(count.shaft)
    if count.way == "locks":
        return "agrees" if position.locked else "locks"
    if position.locked or not speed:
        return "agrees" if count.way == "still" or abs(count.out) <= GIVE_TURNS else "turns"
    expected = speed * count.turned
    if abs(count.signed) <= GIVE_TURNS < abs(expected):
        return "still"
    seen = count.signed
    if count.shaft in position.unsure:
        seen, expected = abs(seen), abs(expected)
    if abs(seen - expected) <= GIVE_TURNS:
        return "agrees"
    return "reversed" if abs(seen + expected) <= GIVE_TURNS else "ratio"


def turns_words(turns: float) -> str:
    """
    >>> turns_words(4.36314), turns_words(10.0), turns_words(-2.5)
    ('4.36', '10', '2.5')
    """
    return signed(abs(turns), decimals(round(abs(turns), 2), 0, 2))


def ratio_words(speed: float | None) -> str:
    """How many turns of the input make one of the output, or the other way where it runs faster.

    >>> ratio_words(0.27396), ratio_words(1.0), ratio_words(2.0), ratio_words(None)
    ('3.65 : 1', '1 : 1', '1 : 2', 'not driven')
    """
    if not speed:
        return "not driven"
    more = abs(1 / speed)
    if more >= 1:
        return f"{signed(more, decimals(round(more, 3), 0, 3))} : 1"
    return f"1 : {signed(1 / more, decimals(round(1 / more, 3), 0, 3))}"


def found_words(train: Train, position: Position, count: Count) -> str:
    """What was counted against what it must be, in words.

    The sentence never tells a cause: that is looked for over all counts together.
    """
    label = _shaft(train, count.shaft)
    state = compare(position, count)
    speed = position.turns(count.shaft) or 0.0
    wanted = f"{turns_words(speed * count.turned)} {way_of(speed)}".strip()
    got = count.way if count.way in ("still", "locks") else f"{turns_words(count.out)} {count.way}"
    if state == "agrees":
        return f"{position.label}: as it must."
    if state == "locks":
        return f"{position.label}: it locks, and must turn."
    if state == "turns":
        return f"{position.label}: {label} turned {got}, and nothing should drive it."
    if state == "still":
        return f"{position.label}: {label} stood still, and must make {wanted}."
    tail = ", the wrong way round" if state == "reversed" else ""
    return f"{position.label}: {label} made {got}, and must make {wanted}{tail}."


def _shaft(train: Train, key: str) -> str:
    shaft = train.d.shaft(key)
    return shaft.label if shaft else key
