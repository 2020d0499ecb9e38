"""Sentences with plain trade words; what is to be handled in this move is marked."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

from bornek.core.advice.packs import change
from bornek.core.quantities import Speech, from_nm, shown_in
from bornek.core.settings.knobs import Knob
from bornek.core.settings.records import Predicted
from bornek.core.settings.state import SIDES, State, degrees
from bornek.core.uncertainty import expanded


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


def pair(before: State, after: State, speech: Speech) -> Say:
    """A change of two packs with a fixed total.

    >>> from bornek.core.settings.state import PackPair
    >>> now, then = PackPair((300_000, 100_000), (200_000,)), PackPair((300_000,), (200_000, 100_000))
    >>> text_of(pair(now, then, Speech()))
    'Move the 0.10 from left to right. '
    """
    changes = [change(was, will) for was, will in zip(before.packs, after.packs, strict=True)]
    (left_out, left_new), (right_out, right_new) = changes
    if not any((left_out, left_new, right_out, right_new)):
        return plain("Leave both packs; re-seat and read again. ")
    for gone, come, way in ((left_out, right_new, "left to right"), (right_out, left_new, "right to left")):
        if gone and gone == come and len(left_out) + len(right_out) == len(gone):
            the = "the " if len(gone) == 1 else ""
            return Span(f"Move {the}"), Span(_sizes(gone, speech), True), Span(f" from {way}. ")
    said: Say = ()
    for side, was, will in zip(SIDES, before.packs, after.packs, strict=True):
        if sorted(was) != sorted(will):
            head, *rest = shims(was, will, speech)
            said += (Span(f"{side.capitalize()}: {lower_first(head.text)}", head.move), *rest)
    return said


def adjust(knob: Knob, before: State, after: State, speech: Speech, brief: bool = False) -> Say:
    """Any knob's change in words, what must come before it first; `brief`: the change alone."""
    if brief:
        knob = replace(knob, first="", scales=())
    first = (Span(f"{knob.first} "),) if knob.first and before != after else ()
    if knob.domain.sort == "pack":
        return first + shims(before.packs[0], after.packs[0], speech)
    if knob.domain.sort == "pair":
        return first + pair(before, after, speech)
    return first + _reposition(knob, before, after, speech)


def _reposition(knob: Knob, before: State, after: State, speech: Speech) -> Say:
    by = after.position - before.position
    if abs(by) < 1e-9:
        return plain("Change nothing; re-seat and read again. ")
    own = knob.more if by > 0 else knob.less
    size = Span(after.label(speech), True)
    if knob.one_way:
        far = f"{speech.size(abs(by))} {speech.unit}" if knob.unit == "mm" else degrees(abs(by))
        return (
            Span(f"{own or 'Tighten'} "),
            Span(far, True),
            Span(f", to {size.text}{_by_scales(knob, by)}. "),
        )
    if own:
        return Span(f"{own} "), size, Span(". ")
    if knob.unit != "mm":
        turn = "Back off" if by > 0 else "Tighten"
        where = f", to {after.label(speech)}{_by_scales(knob, by)}. "
        return Span(f"{turn} "), Span(f"{abs(by):.1f}°", True), Span(where)
    if by < 0:
        less = Span(speech.number(abs(by)), True)
        return Span("Grind "), less, Span(f" off the {knob.noun}, to "), size, Span(". ")
    return Span(f"Make a {knob.noun} of "), size, Span(". ")


def _by_scales(knob: Knob, by: float) -> str:
    """The same move by the knob's other measures.

    >>> from bornek.core.settings.knobs import Continuous, Scale
    >>> rim = Knob("nut", "Nut", "", "deg", Continuous(1, 0, 90), scales=(Scale(0.768, "mm", "of tape on the rim"),))
    >>> _by_scales(rim, 10.0)
    ' (7.7 mm of tape on the rim)'
    """
    said = [f"{abs(by) * s.per:.1f}{'' if s.unit == '°' else ' '}{s.unit} {s.words}" for s in knob.scales]
    return f" ({', '.join(said)})" if said else ""


def adjust_all(
    knobs: Sequence[Knob],
    before: Mapping[str, State],
    after: Mapping[str, State],
    speech: Speech,
    brief: bool = False,
) -> Say:
    """One teardown in words: each adjuster that changes, by its name where there are several."""
    if len(knobs) == 1:
        return adjust(knobs[0], before[knobs[0].key], after[knobs[0].key], speech, brief)
    said: Say = ()
    for knob in knobs:
        was, will = before[knob.key], after.get(knob.key, before[knob.key])
        if was != will:
            head, *rest = adjust(knob, was, will, speech, brief)
            said += (Span(f"{knob.title or knob.label}: "), Span(lower_first(head.text), head.move), *rest)
    return said or plain("Leave everything; re-seat and read again. ")


def count_words(n: int, noun: str) -> str:
    """
    >>> count_words(1, "hold"), count_words(3, "part")
    ('1 hold', '3 parts')
    """
    return f"{n} {noun}" if n == 1 else f"{n} {noun}s"


def lower_first(words: str) -> str:
    return words[:1].lower() + words[1:]


def value_and_give(p: Predicted, quantity: str, speech: Speech, unit: str = "") -> str:
    """
    >>> value_and_give(Predicted(0.085, 0.009), "length", Speech())
    '0.085, give or take 0.018'
    >>> value_and_give(Predicted(-0.02, 0.0075), "length", Speech())
    '0.020 tight, give or take 0.015'
    >>> value_and_give(Predicted(0.45, 0.05), "number", Speech())
    '0.45, give or take 0.10'
    """
    give = expanded(p.u)
    if quantity != "length":
        own = shown_in(quantity, unit)
        tail = f" {own.unit}" if own.unit else ""
        return f"{own.number(p.v)}{tail}, give or take {own.number(give)}"
    tight = " tight" if p.v < 0 else ""
    return f"{speech.number(abs(p.v))}{tight}, give or take {speech.spread(give)}"


def expecting(p: Predicted, speech: Speech) -> str:
    """
    >>> expecting(Predicted(0.085, 0.009), Speech()), expecting(Predicted(-0.02, 0.0075), Speech())
    ('Expect 0.085, give or take 0.018.', 'Expect 0.020 tight, give or take 0.015.')
    """
    return f"Expect {value_and_give(p, 'length', speech)}."


def chance(p: float) -> str:
    """
    >>> chance(0.97), chance(0.999), chance(0.002)
    ('97 in 100', '99 in 100', '1 in 100')
    """
    return f"{in_100(p)} in 100"


def in_100(p: float) -> int:
    """A chance of so many in 100; never none, never all.

    >>> in_100(0.5), in_100(0.0)
    (50, 1)
    """
    return min(99, max(1, round(100 * p)))
