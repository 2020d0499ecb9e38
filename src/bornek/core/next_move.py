"""The one sentence that says what to do next, and the move behind it."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.advice.propose import Proposal
from bornek.core.advice.reconcile import Surprise
from bornek.core.advice.replay import History
from bornek.core.phrases import Say, Span, adjust, chance, expecting, plain
from bornek.core.quantities import Speech, from_nm
from bornek.core.settings.kind import Candidate, Guide, Outcome, Packs, Setting, speech
from bornek.core.settings.records import Context, State
from bornek.core.windows import Normal


@dataclass(frozen=True)
class Option:
    """One state with what to expect of it and why it is or is not the pick."""

    state: State
    label: str
    say: Say
    v: float
    u: float
    p_in: float
    p_harm: float
    expect: str
    why: str


@dataclass(frozen=True)
class Move:
    best: Option | None
    alternatives: tuple[Option, ...]
    stay: str
    stay_words: str
    missing: str
    provable: bool


@dataclass(frozen=True)
class Next:
    say: Say
    aside_head: str = ""
    aside: str = ""
    provisional: bool = False


def describe_option(history: History, c: Candidate, say: Speech, best: Candidate | None) -> Option:
    now = history.last.state
    assert now is not None
    total = c.state
    label = say.size(from_nm(sum(total))) if isinstance(total, tuple) else say.size(float(total))
    return Option(
        state=c.state,
        label=label,
        say=adjust(history.knob, now, c.state, say),
        v=c.predicted.v,
        u=c.predicted.u,
        p_in=c.predicted.p_in,
        p_harm=c.p_harm,
        expect=expecting(c.predicted, say),
        why=_why_not(history, c, best, say),
    )


def _why_not(history: History, c: Candidate, best: Candidate | None, say: Speech) -> str:
    """Why this one was not picked, in words."""
    lands = f"{chance(c.predicted.p_in)} that it lands in"
    if best is None or c is best:
        return lands
    if not history.window.holds(c.predicted.v):
        side = "below" if history.window.lo is not None and c.predicted.v < history.window.lo else "above"
        return f"would land {side} the window; {lands}"
    if c.predicted.p_in < best.predicted.p_in - 0.005:
        return f"nearer the edge; {lands}"
    if c.p_harm > best.p_harm + 0.005:
        return f"likelier to go too tight; {lands}"
    if c.handled > best.handled:
        return f"more shims to handle; {lands}"
    return lands


_STAY = {
    "in": "It is in with margin: leave it alone.",
    "no better": "No move is likelier to be in than it is now. Leave it, or read again.",
    "nothing": "Nothing in the drawer gets nearer. Look at the seating, or get other shims.",
    "censored": "Make it loose first: enough to feel play, and measure that.",
}


def describe_move(history: History, p: Proposal, say: Speech) -> Move:
    missing = ""
    if p.missing is not None:
        missing = f"A {say.size(p.missing)} shim, not in the drawer, would make it {chance(p.missing_p)}."
    best = describe_option(history, p.best, say, None) if p.best else None
    others = tuple(describe_option(history, c, say, p.best) for c in p.alternatives)
    return Move(
        best=best,
        alternatives=others,
        stay=p.stay,
        stay_words=_STAY.get(p.stay, ""),
        missing=missing,
        provable=p.provable,
    )


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
    for knob in kind.knobs(ctx):
        if kind.state(ctx, knob.key) is None and not knob.read:
            what = "Measure the shims that are in now and enter the pack."
            if not isinstance(knob.domain, Packs):
                what = f"Measure the {knob.noun} that is in now and enter it."
            return Next(plain(what), "Before anything is moved", "The as-found state is the baseline.")
    for check in outcome.checks:
        if check.action == "ask":
            return Next(plain(check.sentence), "Asked before it counts", "What was typed is kept.")
    if odd:
        return Next(plain(odd.sentence + " Say what happened."), "Held out until you say", odd.implied)
    owed = _owed(guide, ctx)
    target = outcome.target()
    if outcome.next_sentence:
        return Next(plain(outcome.next_sentence), "First" if owed else "", owed)
    if target is None or target.value is None:
        return Next(plain(f"Read the {_noun(outcome)}. {owed}"), f"Round {ctx.round}", _posture(guide))
    for check in outcome.checks:
        if check.action in ("reseat", "stop", "prove_alive"):
            return Next(plain(check.sentence), "Then" if owed else "", owed)
    if proposal is None or history is None:
        return Next(plain(owed or f"{target.label} is {outcome.verdict.words}."))
    return _from_proposal(outcome, history, proposal, owed, say)


def _noun(outcome: Outcome) -> str:
    target = outcome.target()
    return target.label.lower() if target else "stations"


def _from_proposal(outcome: Outcome, history: History, p: Proposal, owed: str, say: Speech) -> Next:
    target = outcome.target()
    assert target is not None
    if p.stay == "in":
        spare = say.number(target.verdict.margin or 0)
        if owed:
            return Next(
                plain(f"{owed} It reads in so far, {spare} to spare."),
                "Not yet signed off",
                _proof_words(outcome),
                True,
            )
        if outcome.verdict.code != "in":
            return Next(
                plain(f"By the shims it is in, {spare} to spare, but the proof is not."),
                "Find out why before you move a shim",
                _proof_words(outcome),
            )
        return Next(plain(f"Leave it: in, with {spare} to spare. Sign it."), "Nothing to gain", "")
    if p.stay == "censored":
        return Next(
            plain(_STAY["censored"]),
            "A zero hides an unknown preload",
            "How tight it is cannot be told from here.",
        )
    if p.best is None:
        return Next(plain(_STAY["nothing"]))
    if p.stay:
        return Next(
            plain(_STAY[p.stay]),
            outcome.verdict.words.capitalize(),
            f"{chance(p.now_in)} that it is truly in as it stands.",
        )
    assert history.last.state is not None
    sentence = (
        *adjust(history.knob, history.last.state, p.best.state, say),
        Span(expecting(p.best.predicted, say)),
    )
    head = f"First: {owed[0].lower()}{owed[1:]}" if owed else "Then read again"
    return Next(sentence, head, _reasons(history, p, say), bool(owed))


def _reasons(history: History, p: Proposal, say: Speech) -> str:
    assert p.best is not None
    parts = []
    k, _ = history.belief.response()
    measured = sum(isinstance(r.found, Normal) and not r.held_out for r in history.rounds)
    if measured > 1:
        unit = "mm of shim" if isinstance(history.knob.domain, Packs) else "mm"
        parts.append(f"This unit gives {abs(k):.2f} mm for each {unit}, learned from {measured} rounds.")
    parts.append(f"{chance(p.best.predicted.p_in)} that it lands in.")
    if not p.provable:
        parts.append("It cannot be proven with this gauge.")
    if p.seating:
        parts.append("Reassembly scatters as much as the window: mind the seating more than the shims.")
    if p.missing is not None:
        parts.append(f"A {say.size(p.missing)} would make it {chance(p.missing_p)}.")
    return " ".join(parts)


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
    return f"{count.capitalize()}{' more' if some else ''} {noun}, {_lower_first(first.group)}."


def _lower_first(words: str) -> str:
    return words[:1].lower() + words[1:]


def _posture(guide: Guide) -> str:
    return next((s.posture for s in guide.slots if s.key == guide.next), "")


def _proof_words(outcome: Outcome) -> str:
    return " ".join(f"{r.label}: {r.verdict.words}." for r in outcome.results if r.role == "proof")
