"""Found against predicted: by how much, what it implies, and what the mechanic can answer."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.advice.domains import travel
from bornek.core.advice.replay import UM, History, Row
from bornek.core.phrases import lower_first
from bornek.core.quantities import Speech, say_quantity
from bornek.core.settings.kind import Setting
from bornek.core.settings.records import Context
from bornek.core.windows import Normal

ANSWERS = (
    ("recounted", "The pack was another one: I have counted it"),
    ("reread", "The reading was bad: re-seated, I read again"),
    ("unexplained", "Checked, and nothing found"),
)
DEAD_RESPONSE = 0.05
"""Below this share of its prior a response says nothing of what was changed."""


@dataclass(frozen=True)
class Surprise:
    """A round far from its prediction, held out until explained."""

    round: int
    sentence: str
    implied: str
    slips: tuple[str, ...]
    answers: tuple[tuple[str, str], ...] = ANSWERS


def surprise(kind: Setting, ctx: Context, history: History) -> Surprise | None:
    """The last round's surprise, if it was flagged and nobody has said what happened."""
    last = history.last
    explained = {e.round for e in ctx.explanations}
    row = _oddest(history)
    if not last.flagged or last.number in explained or row is None:
        return None
    say, predicted = Speech(ctx.unit), last.promised[row.key]
    value = last.values.get(row.key)
    found = value.v if isinstance(value, Normal) else -0.0
    if isinstance(value, Normal):
        gap = found - predicted.v
        side = "more" if gap > 0 else "short"
        gap_words = f"found {_said(found, row, say)}: {_said(abs(gap), row, say)} {side}"
    else:
        gap_words = "found no movement at all"
    of = f" of the {lower_first(row.label)}" if len(history.rows) > 1 else ""
    sentence = f"Expected {_said(predicted.v, row, say)}{of}, {gap_words}."
    slips = tuple(h.sentence for h in kind.slips(ctx, found, predicted.v))
    return Surprise(last.number, sentence, _implied(history, row, found, say), slips)


def _said(value: float, row: Row, say: Speech) -> str:
    return say.number(value) if row.quantity == "length" else say_quantity(value, row.quantity, say)


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
        for r in history.rounds[:-1]
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
