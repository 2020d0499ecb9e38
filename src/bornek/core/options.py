"""What the adjusters could be brought to, in words: what to expect of it, and why it is or is not the pick."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from bornek.core.advice.history import History, Row
from bornek.core.advice.proposal import Candidate
from bornek.core.phrases import Say, adjust_all, chance, lower_first, value_and_give
from bornek.core.quantities import Speech
from bornek.core.settings.state import StateView, show_state

SAME_CHANCE = 0.005
"""Chances closer than this are not told apart."""


@dataclass(frozen=True)
class Expected:
    """One quantity after a move: value and standard uncertainty in its own unit, and in words."""

    row: str
    label: str
    v: float
    u: float
    p_in: float
    words: str


@dataclass(frozen=True)
class Option:
    """What every adjuster could be brought to, what to expect of it and why it is or is not the pick.
    `p_in` is the chance that every quantity lands in."""

    states: Mapping[str, StateView]
    label: str
    say: Say
    expected: tuple[Expected, ...]
    p_in: float
    p_harm: float
    expect: str
    why: str


def describe_option(history: History, c: Candidate, say: Speech, best: Candidate | None) -> Option:
    now = history.last.states
    assert now is not None
    expected = tuple(
        Expected(
            row=row.key,
            label=row.label,
            v=p.v,
            u=p.u,
            p_in=p.p_in,
            words=value_and_give(p, row.quantity, say, row.unit),
        )
        for row in history.rows
        if (p := c.predicted.get(row.key)) is not None
    )
    return Option(
        states={k.key: show_state(c.states[k.key], say) for k in history.knobs},
        label="; ".join(c.states[k.key].label(say) for k in history.knobs),
        say=adjust_all(history.knobs, now, c.states, say),
        expected=expected,
        p_in=c.p_in,
        p_harm=c.p_harm,
        expect=_expect_words(history, c, expected, say),
        why=_why_not(history, c, best, say),
    )


def _expect_words(history: History, c: Candidate, expected: Sequence[Expected], say: Speech) -> str:
    if not expected:
        return ""
    if own := history.says(c.predicted, say):
        return own
    if len(expected) == 1:
        return f"Expect {expected[0].words}."
    return f"Expect {'; '.join(f'{lower_first(e.label)} {e.words}' for e in expected)}."


def _outside(history: History, c: Candidate) -> tuple[Row, str] | None:
    """The first quantity that is expected outside its window, and on which side."""
    for row in history.rows:
        if row.key not in c.predicted:
            continue
        v = c.predicted[row.key].v
        if not row.window.holds(v):
            return row, "below" if v < row.window.low else "above"
    return None


def _why_not(history: History, c: Candidate, best: Candidate | None, say: Speech) -> str:
    """Why this one was not picked, in words."""
    lands = f"{chance(c.p_in)} that it lands in"
    if best is None or c is best:
        return lands
    outside = _outside(history, c)
    if outside is not None:
        row, side = outside
        what = f"the {lower_first(row.label)} " if len(history.rows) > 1 else ""
        return f"{what}would land {side} the window; {lands}"
    if c.p_in < best.p_in - SAME_CHANCE:
        return f"nearer the edge; {lands}"
    if c.p_harm > best.p_harm + SAME_CHANCE:
        return f"likelier to go too tight; {lands}"
    if c.handled > best.handled:
        return f"more shims to handle; {lands}"
    return lands
