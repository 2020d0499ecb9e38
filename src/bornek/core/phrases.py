"""Sentences with plain trade words; what is to be handled in this move is marked."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from bornek.core.advice.domains import position
from bornek.core.advice.packs import change
from bornek.core.quantities import Speech, from_nm
from bornek.core.settings.kind import Knob
from bornek.core.settings.records import Predicted, State


@dataclass(frozen=True)
class Span:
    """A run of words; `move` marks what to take in the hand."""

    text: str
    move: bool = False


Say = tuple[Span, ...]


def plain(words: str) -> Say:
    return (Span(words),)


def text_of(say: Sequence[Span]) -> str:
    """
    >>> text_of((Span("Take out "), Span("0.25", True), Span(".")))
    'Take out 0.25.'
    """
    return "".join(span.text for span in say)


def _sizes(plates: Sequence[int], speech: Speech) -> str:
    return " + ".join(speech.size(from_nm(t)) for t in plates)


def shims(before: Sequence[int], after: Sequence[int], speech: Speech) -> Say:
    """A pack change in words.

    >>> text_of(shims([500_000, 150_000], [500_000, 80_000], Speech()))
    'Swap the 0.15 for a 0.08. '
    >>> text_of(shims([500_000, 250_000], [500_000], Speech()))
    'Take out the 0.25. '
    """
    out, new = change(before, after)
    if not out and not new:
        return plain("Leave the pack; re-seat and read again. ")
    gone, come = Span(_sizes(out, speech), True), Span(_sizes(new, speech), True)
    the = "the " if len(out) == 1 else ""
    if not new:
        return Span(f"Take out {the}"), gone, Span(". ")
    if not out:
        return Span("Add " if len(new) > 1 else "Add a "), come, Span(". ")
    if len(out) == len(new) == 1:
        return Span("Swap the "), gone, Span(" for a "), come, Span(". ")
    return Span(f"Take out {the}"), gone, Span(", put in "), come, Span(". ")


def adjust(knob: Knob, before: State, after: State, speech: Speech) -> Say:
    """Any knob's change in words."""
    if isinstance(before, tuple) and isinstance(after, tuple):
        return shims(before, after, speech)
    by = position(after) - position(before)
    if abs(by) < 1e-9:
        return plain("Change nothing; re-seat and read again. ")
    if knob.unit != "mm":
        turn = "Back off" if by > 0 else "Tighten"
        return Span(f"{turn} "), Span(f"{abs(by):.1f}°", True), Span(". ")
    size = Span(speech.size(position(after)), True)
    own = knob.more if by > 0 else knob.less
    if own:
        return Span(f"{own} "), size, Span(". ")
    if by < 0:
        less = Span(speech.number(abs(by)), True)
        return Span("Grind "), less, Span(f" off the {knob.noun}, to "), size, Span(". ")
    return Span(f"Make a {knob.noun} of "), size, Span(". ")


def expecting(p: Predicted, speech: Speech) -> str:
    """
    >>> expecting(Predicted(0.085, 0.009), Speech()), expecting(Predicted(-0.02, 0.0075), Speech())
    ('Expect 0.085, give or take 0.018.', 'Expect 0.020 tight, give or take 0.015.')
    """
    give = speech.spread(2 * p.u)
    tight = " tight" if p.v < 0 else ""
    return f"Expect {speech.number(abs(p.v))}{tight}, give or take {give}."


def chance(p: float) -> str:
    """
    >>> chance(0.97), chance(0.999), chance(0.002)
    ('97 in 100', '99 in 100', '1 in 100')
    """
    return f"{min(99, max(1, round(100 * p)))} in 100"
