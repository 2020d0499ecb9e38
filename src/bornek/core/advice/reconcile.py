"""Found against predicted: by how much, what it implies, and what the mechanic can answer."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.advice.domains import position
from bornek.core.advice.replay import History
from bornek.core.quantities import Speech
from bornek.core.settings.kind import Packs, Setting
from bornek.core.settings.records import Context
from bornek.core.windows import Normal

ANSWERS = (
    ("recounted", "The pack was another one: I have counted it"),
    ("reread", "The reading was bad: re-seated, I read again"),
    ("unexplained", "Checked, and nothing found"),
)


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
    if not last.flagged or last.number in explained or last.predicted is None:
        return None
    if not isinstance(last.found, Normal):
        found = -0.0
        gap_words = "found no movement at all"
    else:
        found = last.found.v
        gap = found - last.predicted.v
        say = Speech(ctx.unit)
        gap_words = f"found {say.number(found)}: {say.number(abs(gap))} {'more' if gap > 0 else 'short'}"
    say = Speech(ctx.unit)
    sentence = f"Expected {say.number(last.predicted.v)}, {gap_words}."
    slips = tuple(h.sentence for h in kind.slips(ctx, found, last.predicted.v))
    return Surprise(last.number, sentence, _implied(history, found, say), slips)


def _implied(history: History, found: float, say: Speech) -> str:
    """The knob's change that the found value would mean, from the last round that was trusted."""
    last = history.last
    trusted = [r for r in history.rounds[:-1] if isinstance(r.found, Normal) and not r.held_out]
    if not trusted or last.state is None or trusted[-1].state is None:
        return ""
    before = trusted[-1]
    assert isinstance(before.found, Normal) and before.state is not None
    k, _ = history.belief.response()
    if abs(k) < 0.05:
        return ""
    change = (found - before.found.v) / k
    done = position(last.state) - position(before.state)
    noun = "pack" if isinstance(history.knob.domain, Packs) else "adjuster"
    return (
        f"That would be the {noun} changed by {say.number(change, plus=True)} {say.unit}; "
        f"{say.number(done, plus=True)} was written down."
    )
