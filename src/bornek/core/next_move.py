"""The one sentence that says what to do next, and the move behind it."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from bornek.core.advice.belief import UM
from bornek.core.advice.memory import Pool
from bornek.core.advice.proposal import Candidate, Proposal
from bornek.core.advice.reconcile import Surprise
from bornek.core.advice.replay import History, Row
from bornek.core.phrases import Say, Span, adjust_all, chance, lower_first, plain, value_and_give
from bornek.core.quantities import Speech, shown_in
from bornek.core.settings.kind import Guide, Outcome, Result, Setting, speech
from bornek.core.settings.records import Context
from bornek.core.settings.state import StateView, show_state
from bornek.core.uncertainty import expanded
from bornek.core.windows import Normal

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
    shim = f"A {say.size(p.missing)} shim{_at(history, p)}"
    return f"{shim}, not in the drawer, would make it {chance(p.missing_p)}."


def _at(history: History, p: Proposal) -> str:
    """Where a missing shim would lie, where there are several places."""
    knob = next((k for k in history.knobs if k.key == p.missing_at), None)
    return (
        f" at the {lower_first(knob.title or knob.label)}"
        if knob is not None and len(history.knobs) > 1
        else ""
    )


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
    sentence = (*best.say, Span(_either(history, p.best, say) if p.tells else best.expect))
    head = f"First: {owed[0].lower()}{owed[1:]}" if owed else "Then read again"
    return Next(sentence, head, _reasons(history, p, say), bool(owed))


def _either(history: History, c: Candidate, say: Speech) -> str:
    """What a move shows whose sense is not known: so much more, or so much less."""
    row, found = history.row, history.last.found
    assert history.last.states is not None
    by = abs(history.travels(c.states)[0] - history.travels(history.last.states)[0]) / UM
    size = by * float(row.belief.w @ abs(row.belief.m[:, 1])) * UM / row.per
    if not isinstance(found, Normal):
        return "See which way it goes."
    return f"Expect {say.number(found.v + size)} or {say.number(found.v - size)}."


ASKED_SENSE = "Finished jobs of this type answered the other way than is given: look which it is."


def _reasons(history: History, p: Proposal, say: Speech) -> str:
    assert p.best is not None
    parts = []
    measured = sum(isinstance(r.found, Normal) and not r.held_out for r in history.standing)
    if measured > 1 and len(history.knobs) == 1:
        k, _ = history.row.belief.response()
        unit = history.knob.answers or (
            "mm of shim"
            if history.knob.domain.sort == "pack"
            else "degree"
            if history.knob.unit == "deg"
            else "mm"
        )
        own = shown_in(history.row.quantity, history.row.unit)
        gives = _gives(abs(k) * UM / history.row.per * own.per)
        of = "mm" if history.row.quantity == "length" else own.unit
        parts.append(f"This unit gives {gives} {of} for each {unit}, learned from {measured} rounds.")
    elif history.pool is not None:
        parts.append(_remembered(history, history.pool, say))
    if p.tells:
        return " ".join(["It shows which way it works.", *([ASKED_SENSE] if history.sense_asked else [])])
    if history.sense_asked:
        parts.append(ASKED_SENSE)
    parts.append(f"{chance(p.best.p_in)} that {'all land' if len(history.rows) > 1 else 'it lands'} in.")
    if not p.provable:
        parts.append("It cannot be proven with this gauge.")
    if p.seating:
        packed = history.knob.domain.sort != "position"
        what = "the seating more than the shims" if packed else "how it is done more than how far"
        parts.append(f"Reassembly scatters as much as the window: mind {what}.")
    if p.left_out:
        parts.append(f"Of the drawer {p.left_out} thicknesses were left out: too many to join them all.")
    if p.missing is not None:
        parts.append(f"A {say.size(p.missing)}{_at(history, p)} would make it {chance(p.missing_p)}.")
    return " ".join(parts)


def _remembered(history: History, found: Pool, say: Speech) -> str:
    """What finished jobs of the type say, re-seating included, and which of them was left out."""
    row, knob = history.row, history.knob
    k0 = abs(row.k0[0])
    by, what = (0.1, f"a {knob.noun.rstrip('s')} of {say.size(0.1)}")
    if knob.answers:
        what = f"{say.size(0.1)} {knob.answers}"
    elif knob.unit != "mm":
        by, what = 10.0, "a turn of 10°"
    gives = abs(found.k) * k0 * by
    give = expanded(math.hypot(found.sd * k0 * by, row.s_a))
    words = f"From {len(found.used)} jobs of this type: {what} gives {say.number(gives)}, give or take {say.spread(give)}."
    if found.left_out:
        named = ", ".join(f"{j.job or j.serial or j.setting} ({abs(j.k / k0):.2f})" for j in found.left_out)
        words += f" Left out, far from the others: {named}."
    return words


def _gives(k: float) -> str:
    """Two figures that tell something: 0.91 mm a mm, but 0.0056 mm a degree."""
    return f"{k:.2f}" if k >= 0.1 else f"{k:.2g}"


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
