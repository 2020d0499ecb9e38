"""What a rig cost, against the best that could be done: teardowns, an hour each."""

from __future__ import annotations

from dataclasses import dataclass

LOOK_COSTS = 0.1
ASK_COSTS = 1.0
SHOWN_MOST, SHOWN_OF_A_JOB = 6, 2


@dataclass(frozen=True)
class Score:
    """`value` in teardowns: those done, one for each advice asked, a tenth for each look. `best`: what the one needs who
    knows the truth. `most`: to where the rule is drawn. `slack`: what may be over the best and is as good."""

    value: float
    teardowns: int
    asks: int
    looks: int
    best: float
    most: int
    words: str
    as_good: bool
    slack: float = 1.0


def score_of(teardowns: int, asks: int, looks: int, best: float, slack: float = 1.0) -> Score:
    """`looks`: all that costs a tenth.

    >>> score_of(2, 1, 3, 1).value, score_of(1, 0, 0, 1).words
    (3.3, 'as good as can be')
    """
    value = round(teardowns + ASK_COSTS * asks + LOOK_COSTS * looks, 1)
    over = value - best
    as_good = over < slack
    words = "as good as can be" if as_good else f"{over:.1f} over the best".replace(".0 ", " ")
    if not value:
        words = "nothing spent"
    return Score(
        value,
        teardowns,
        asks,
        looks,
        best,
        max(SHOWN_MOST if slack >= 1 else SHOWN_OF_A_JOB, int(value) + 2),
        words,
        as_good,
        slack,
    )
