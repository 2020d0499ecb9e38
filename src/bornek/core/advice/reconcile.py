"""Found against predicted: by how much, what it implies, and what the mechanic can answer."""

from __future__ import annotations

import math
from dataclasses import dataclass

from bornek.core.advice.belief import UM
from bornek.core.advice.domains import travel
from bornek.core.advice.history import History, Row
from bornek.core.phrases import lower_first
from bornek.core.quantities import Speech, say_quantity
from bornek.core.settings.kind import Setting, speech
from bornek.core.settings.records import Context
from bornek.core.uncertainty import expanded
from bornek.core.windows import Interval, Normal

ANSWERS = (
    ("recounted", "The pack was another one: I have counted it"),
    ("reread", "The reading was bad: re-seated, I read again"),
    ("soft", "Counted and read again, both are right: this unit answers so"),
    ("unexplained", "Checked, and nothing found"),
)
SCALES = (10.0, 25.4, 0.1, 1 / 25.4)
WELL = 0.25
"""A scale explains a gap when it leaves less than a quarter of it."""
SCALE_WORDS = {10.0: "ten times", 25.4: "25.4 times", 0.1: "a tenth of", 1 / 25.4: "1/25.4 of"}
DEAD_RESPONSE = 0.05
"""Below this share of its prior a response says nothing of what was changed."""


@dataclass(frozen=True)
class Surprise:
    """A round far from its prediction, held out until explained."""

    round: int
    sentence: str
    implied: str
    slips: tuple[str, ...]
    either: bool = False
    """It may as well be the unit that answers otherwise: nothing is held out, it is asked which."""
    answers: tuple[tuple[str, str], ...] = ANSWERS


def surprise(kind: Setting, ctx: Context, history: History) -> Surprise | None:
    """The last round's surprise, if it was flagged and nobody has said what happened."""
    last = history.last
    explained = {e.round for e in ctx.explanations}
    row = _oddest(history)
    if not last.flagged or last.number in explained or row is None:
        return None
    say, predicted = speech(ctx), last.promised[row.key]
    value = last.values.get(row.key)
    found = value.v if isinstance(value, Normal) else -0.0
    if isinstance(value, Normal):
        gap = found - predicted.v
        side = "more" if gap > 0 else "short"
        gap_words = f"found {_said(found, row, say)}: {_said(abs(gap), row, say)} {side}"
    elif isinstance(value, Interval):
        gap_words = f"found {_said(value.a, row, say)} to {_said(value.b, row, say)}"
    else:
        gap_words = "found no movement at all"
    asked = ""
    if last.either:
        miscounted = history.knob.domain.sort != "position"
        again = (
            "Count the pack again: either a shim was miscounted"
            if miscounted
            else f"Look at the {history.knob.noun} again: either it stands elsewhere than was written"
        )
        asked = f" {again}, or this unit answers otherwise than most."
    elif last.doubted and last.doubted != last.number:
        asked = f" Round {last.doubted} is likelier to be off than this one."
    elif not last.doubted and len(history.standing) > 1:
        asked = f" This round or round {_rival(history)}: either may be the bad one."
    of = f" of the {lower_first(row.label)}" if len(history.rows) > 1 else ""
    sentence = f"Expected {_said(predicted.v, row, say)}{of}, {gap_words}.{asked}"
    hints = [*_scale_hints(history, row), *(h.sentence for h in kind.slips(ctx, found, predicted.v))]
    return Surprise(last.number, sentence, _implied(history, row, found, say), tuple(hints), last.either)


def _rival(history: History) -> int:
    """The earlier round that is likeliest to be the bad one."""
    row = history.row
    chances = [(row.belief.p_off(i), -n) for i, n in enumerate(row.learned) if n != history.last.number]
    return -max(chances)[1] if chances else history.last.number - 1


def _scale_hints(history: History, row: Row) -> list[str]:
    """A reading that would fit if it were ten or 25.4 times what was typed, in this round or the one before."""
    rounds = [r for r in history.standing if isinstance(r.values.get(row.key), Normal)]
    if len(rounds) < 2:
        return []
    last, before = rounds[-1], rounds[-2]
    promised = last.promised.get(row.key)
    found, earlier = last.values[row.key], before.values[row.key]
    assert isinstance(found, Normal) and isinstance(earlier, Normal)
    if promised is None:
        return []
    reach = expanded(math.hypot(promised.u, found.u))
    change = promised.v - earlier.v
    reach = min(reach, WELL * abs(found.v - promised.v))
    for f in SCALES:
        if promised.v > 0 and abs(found.v / f - promised.v) < reach:
            return [f"Round {last.number} reads {SCALE_WORDS[f]} what would fit: unit or decimal point."]
        if abs(earlier.v / f + change - found.v) < reach:
            return [f"Round {before.number} reads {SCALE_WORDS[f]} what would fit: unit or decimal point."]
    return []


def _said(value: float, row: Row, say: Speech) -> str:
    if row.quantity == "length":
        return say.number(value)
    return say_quantity(value, row.quantity, say, row.unit or None)


def _oddest(history: History) -> Row | None:
    """The quantity that lies farthest from what was promised, in its own sds."""

    def gap(row: Row) -> float:
        p, value = history.last.promised[row.key], history.last.values.get(row.key)
        return abs(value.v - p.v) / max(p.u, 1e-9) if isinstance(value, Normal) else 0.0

    promised = [r for r in history.rows if r.key in history.last.promised and r.key in history.last.values]
    return max(promised, key=gap, default=None)


def _implied(history: History, row: Row, found: float, say: Speech) -> str:
    """The knob's change that the found value would mean, from the last round that was trusted."""
    last = history.last
    if len(history.knobs) > 1 or last.states is None:
        return ""
    trusted = [
        (v, r.states)
        for r in history.standing[:-1]
        if r.states is not None and not r.held_out and isinstance(v := r.values.get(row.key), Normal)
    ]
    if not trusted:
        return ""
    before, states = trusted[-1]
    knob = history.knob
    k = row.belief.response()[0] * UM / row.per
    if abs(k) < DEAD_RESPONSE * abs(row.k0[0]):
        return ""
    change = (found - before.v) / k
    done = travel(knob.domain, last.states[knob.key]) - travel(knob.domain, states[knob.key])
    noun = "pack" if knob.domain.sort == "pack" else "adjuster"
    if knob.unit != "mm":
        return f"That would be the {noun} changed by {change:+.1f}°; {done:+.1f}° was written down."
    return (
        f"That would be the {noun} changed by {say.number(change, plus=True)} {say.unit}; "
        f"{say.number(done, plus=True)} was written down."
    )
