"""The one sentence that says what to do next, and the move behind it."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.advice.history import History
from bornek.core.advice.proposal import Proposal
from bornek.core.advice.reconcile import Surprise
from bornek.core.options import Option, describe_option
from bornek.core.phrases import Say, Span, chance, lower_first, plain
from bornek.core.quantities import Speech, shown_in
from bornek.core.reasons import either_of, reasons_of, where_missing
from bornek.core.settings.kind import Guide, Outcome, Result, Setting, speech
from bornek.core.settings.records import Context


@dataclass(frozen=True)
class Move:
    best: Option | None
    alternatives: tuple[Option, ...]
    stay: str
    stay_words: str
    missing: str
    provable: bool
    missing_mm: float | None = None
    missing_p: float = 0.0
    missing_at: str = ""
    """The adjuster that it would lie at."""


@dataclass(frozen=True)
class Next:
    say: Say
    aside_head: str = ""
    aside: str = ""
    provisional: bool = False


_STAY = {
    "in": "It is in with margin: leave it alone.",
    "no better": "No move is likelier to be in than it is now: anything else makes it worse. Leave it, or read again.",
    "nothing": "Nothing in the drawer gets nearer. Look at the seating, or get other shims.",
    "nowhere": "No position that it can be brought to gets nearer. Look at the parts, or read again.",
    "censored": "Make it loose first: enough to feel play, and measure that.",
    "loosen": "Make it loose first: a play must show before it can be set.",
    "edge": "Any further could go past the edge, and there is no way back. Stop here; read it finer, or release it.",
    "sense": "Which way it works cannot be tried safely from here: look where the shims lie, or start loose.",
}


def describe_move(history: History, p: Proposal, say: Speech) -> Move:
    best = describe_option(history, p.best, say, None) if p.best else None
    others = tuple(describe_option(history, c, say, p.best) for c in p.alternatives)
    return Move(
        best=best,
        alternatives=others,
        stay=p.stay,
        stay_words=_STAY.get(p.stay, ""),
        missing=_lacking(history, p, say),
        provable=p.provable,
        missing_mm=p.missing,
        missing_p=p.missing_p,
        missing_at=p.missing_at,
    )


def _lacking(history: History, p: Proposal, say: Speech) -> str:
    """The shim that the drawer lacks and that would do most."""
    if p.missing is None:
        return ""
    shim = f"A {say.size(p.missing)} shim{where_missing(history, p)}"
    return f"{shim}, not in the drawer, would make it {chance(p.missing_p)}."


def stops_everything(outcome: Outcome, guide: Guide) -> bool:
    """A stopped sequence, or a warning that asks for something: no move stands beside it."""
    return bool(guide.stop) or any(c.action for c in outcome.checks)


def next_say(
    kind: Setting,
    ctx: Context,
    outcome: Outcome,
    guide: Guide,
    history: History | None,
    proposal: Proposal | None,
    odd: Surprise | None,
) -> Next:
    """Picks the sentence: what stops everything first, then what is owed, then the move."""
    say = speech(ctx)
    if ctx.signed:
        return Next(plain(f"Signed: {outcome.verdict.words}. Nothing is left to do here."), "Take the record")
    if guide.stop:
        return Next(plain(guide.stop), "Stopped", "Nothing counts until it is started again.")
    for check in outcome.checks:
        if check.action == "ask":
            return Next(plain(check.sentence), "Asked before it counts", "What was typed is kept.")
    for knob in kind.knobs(ctx):
        if kind.state(ctx, knob.key) is None and not knob.read:
            what = f"Measure the {knob.noun} that are in now and enter the pack."
            if knob.unit == "deg":
                what = f"Read the {lower_first(knob.label)} as it is now and enter it."
            elif knob.domain.sort == "position" or not knob.noun.endswith("s"):
                what = f"Measure the {knob.noun} that is in now and enter it."
            return Next(plain(what), "Before anything is moved", "The as-found state is the baseline.")
    if odd:
        head = "Asked, not held out" if odd.either else "Held out until you say"
        return Next(plain(odd.sentence + " Say what happened."), head, odd.implied)
    owed = _owed(guide, ctx)
    target = outcome.target()
    nothing_read = target is None or target.value is None
    if not nothing_read or not owed:
        for check in outcome.checks:
            if check.action in ("reseat", "stop", "prove_alive"):
                return Next(plain(check.sentence), "Then" if owed else "", owed)
    if outcome.instruct and not owed:
        return Next(plain(outcome.instruct))
    if target is None or target.value is None:
        again = f" again: {ctx.disturbed_by}" if ctx.disturbed_by else ""
        step = next((s for s in guide.slots if s.key == guide.next), None)
        if step is not None and step.accepts == "confirm" and not again:
            nth = [s.key for s in guide.slots].index(step.key) + 1
            return Next(
                plain(step.posture), f"{step.label}", f"Step {nth} of {len(guide.slots)} in this round."
            )
        return Next(plain(f"Read the {_noun(outcome)}{again}. {owed}"), f"Round {ctx.round}", _posture(guide))
    if proposal is None or history is None:
        worst = next((r for r in outcome.results if r.verdict.code == outcome.verdict.code), target)
        return Next(plain(owed or f"{worst.label} is {outcome.verdict.words}."))
    return _from_proposal(outcome, history, proposal, owed, say)


def _noun(outcome: Outcome) -> str:
    target = outcome.target()
    return target.label.lower() if target else "stations"


def _spare(target: Result, say: Speech) -> str:
    """How much is to spare inside the window, in the unit that the value is said in."""
    margin = target.verdict.margin or 0.0
    if target.quantity == "length":
        return say.number(margin)
    own = shown_in(target.quantity, target.unit)
    return f"{own.number(margin)} {own.unit}".strip()


def _from_proposal(outcome: Outcome, history: History, p: Proposal, owed: str, say: Speech) -> Next:
    target = outcome.target()
    assert target is not None
    if p.stay == "in":
        spare = _spare(target, say)
        proved = outcome.verdict.code == "in" and target.verdict.code != "in"
        if owed:
            return Next(
                plain(f"{owed} It reads in so far, {spare} to spare."),
                "Not yet signed off",
                _proof_words(outcome),
                True,
            )
        if proved:
            return Next(
                plain("Leave it: the drag proves it in. Sign it."), "Nothing to gain", _proof_words(outcome)
            )
        if outcome.verdict.code != "in" and not any(r.role == "proof" for r in outcome.results):
            return Next(
                plain(f"By the shims it is in, {spare} to spare, and nothing proves it."),
                "No drag is given",
                "Sign it as not proven, or ask the maker for the rolling drag.",
            )
        if outcome.verdict.code != "in":
            return Next(
                plain(f"By the shims it is in, {spare} to spare, but the proof is not."),
                "Find out why before you move a shim",
                _proof_words(outcome),
            )
        if len(history.rows) > 1:
            return Next(plain("Leave it: everything is in. Sign it."), "Nothing to gain", "")
        return Next(plain(f"Leave it: in, with {spare} to spare. Sign it."), "Nothing to gain", "")
    if p.stay == "loosen" and p.best is not None:
        best = describe_option(history, p.best, say, None)
        return Next(
            (Span("Make it loose first. "), *best.say, Span("Then measure the play.")),
            "A zero hides an unknown preload",
            "Nine times in ten a play shows after that.",
            bool(owed),
        )
    if p.stay == "sense":
        return Next(plain(_STAY["sense"]), "Not known which way it works", "")
    if p.stay == "censored":
        return Next(
            plain(_STAY["censored"]),
            "A zero hides an unknown preload",
            "How tight it is cannot be told from here.",
        )
    if p.best is None and owed:
        return Next(plain(owed), "Then the move", "It rests on all that is to be read.", True)
    if p.best is None:
        stays = _STAY["nothing" if history.knob.domain.sort != "position" else "nowhere"]
        return Next(plain(f"{stays} {_lacking(history, p, say)}".strip()))
    if p.stay:
        return Next(
            plain(_STAY[p.stay]),
            outcome.verdict.words.capitalize(),
            f"{chance(p.now_in)} that it is truly in as it stands.",
        )
    best = describe_option(history, p.best, say, None)
    sentence = (*best.say, Span(either_of(history, p.best, say) if p.tells else best.expect))
    head = f"First: {owed[0].lower()}{owed[1:]}" if owed else "Then read again"
    return Next(sentence, head, reasons_of(history, p, say), bool(owed))


_COUNT = ("no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine")


def _owed(guide: Guide, ctx: Context) -> str:
    """What is still to be read, grouped: 'Two more readings, mark down.'"""
    filled = {e.slot for e in ctx.now()}
    open_slots = [s for s in guide.slots if s.key not in filled and not s.optional]
    if not open_slots:
        return ""
    first = open_slots[0]
    if first.accepts == "confirm":
        return first.posture
    n = sum(s.group == first.group for s in open_slots)
    some = any(s.group == first.group and s.key in filled for s in guide.slots)
    count = _COUNT[n] if n < len(_COUNT) else str(n)
    noun = "reading" if n == 1 else "readings"
    return f"{count.capitalize()}{' more' if some else ''} {noun}, {lower_first(first.group)}."


def _posture(guide: Guide) -> str:
    return next((s.posture for s in guide.slots if s.key == guide.next), "")


def _proof_words(outcome: Outcome) -> str:
    return " ".join(f"{r.label}: {r.verdict.words}." for r in outcome.results if r.role == "proof")
