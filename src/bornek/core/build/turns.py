"""The free-turn log: from free to tight, the suspects are what went in since the last good turn."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from bornek.core.build.findings.joints import takes_sealant
from bornek.core.build.gather import turning_shaft
from bornek.core.build.order import BuildOrder
from bornek.core.facts.kind import Fact
from bornek.core.facts.turned import FEEL_WORDS, Turned
from bornek.core.phrases import Say, Span, lower_first, plain

BADNESS = {"free": 0, "rough_once": 1, "rough": 2, "tight": 3, "locked": 4}
NEAR = ("on the same shaft", "on a shaft that meshes with it", "under a cover they share", "elsewhere")


@dataclass(frozen=True)
class Turn:
    """One turn as it was written down, with what went in since the one before."""

    fact: str
    shaft: str
    feel: str
    words: str
    drag: str
    by: str
    at: str
    added: tuple[str, ...]
    good: bool


@dataclass(frozen=True)
class Suspect:
    """`near` says why it comes in this place of the list; `test` what to loosen."""

    step: str
    label: str
    near: str
    test: str


@dataclass(frozen=True)
class TurnLog:
    turns: tuple[Turn, ...]
    last_good: str
    suspects: tuple[Suspect, ...]
    say: Say
    owed: str


def turn_log(order: BuildOrder) -> TurnLog:
    """Every turn in its order, and what to loosen first when the last one is worse than one before.

    >>> from bornek.core.build.order import build_order
    >>> from bornek.core.units.definition import Definition
    >>> turn_log(build_order(Definition(), [])).turns
    ()
    """
    facts = [f for f in order.facts if isinstance(f.body, Turned)]
    turns: list[Turn] = []
    since = 0
    for fact in facts:
        added = tuple(
            d.step for d in order.worked.done.values() if since < d.seq < fact.seq and d.how != "skipped"
        )
        turns.append(_turn(fact, added, _good(facts, fact)))
        since = fact.seq
    if not turns or turns[-1].good:
        return TurnLog(tuple(turns), turns[-1].fact if turns else "", (), plain(""), owed(order))
    shaft = turns[-1].shaft
    good = [t for t in turns if t.good and t.shaft == shaft] or [t for t in turns if t.good]
    last = good[-1] if good else None
    suspects = suspects_since(order, shaft, _seq(facts, last.fact) if last else 0)
    return TurnLog(
        tuple(turns),
        last.fact if last else "",
        tuple(suspects),
        _say(order, turns, last, suspects),
        owed(order),
    )


def _seq(facts: Sequence[Fact], fact_id: str) -> int:
    return next((f.seq for f in facts if f.id == fact_id), 0)


def _good(facts: Sequence[Fact], fact: Fact) -> bool:
    """No worse than the best that this shaft ever was in this job."""
    mine = [BADNESS[f.body.feel] for f in facts if f.body.shaft == fact.body.shaft and f.seq <= fact.seq]
    return BADNESS[fact.body.feel] <= min(mine) and BADNESS[fact.body.feel] < BADNESS["tight"]


def _turn(fact: Fact, added: tuple[str, ...], good: bool) -> Turn:
    body: Turned = fact.body
    return Turn(
        fact=fact.id,
        shaft=body.shaft,
        feel=body.feel,
        words=FEEL_WORDS[body.feel] + (f", {body.words}" if body.words else ""),
        drag=body.drag,
        by=fact.by,
        at=fact.at,
        added=added,
        good=good,
    )


def suspects_since(order: BuildOrder, shaft: str, seq: int) -> list[Suspect]:
    """What was worked after a moment: the same shaft first, then meshing ones, then shared covers; latest first."""
    since = [
        d for d in order.worked.done.values() if d.seq > seq and d.how != "skipped" and _moves(order, d.step)
    ]
    ranked = sorted(since, key=lambda d: (_near(order, shaft, d.step), -d.seq))
    return [
        Suspect(d.step, order.label(d.step), NEAR[_near(order, shaft, d.step)], _test(order, d.step))
        for d in ranked
    ]


def _moves(order: BuildOrder, key: str) -> bool:
    """Whether a step fits, tightens or sets anything; a wait or a wash does not."""
    step = order.by_key[key].step if key in order.by_key else None
    return step is not None and bool(step.parts or step.torque or step.setting)


def _near(order: BuildOrder, shaft: str, step: str) -> int:
    parts = [p for key in order.by_key[step].step.parts if (p := order.d.part(key)) is not None]
    shafts = {p.shaft for p in parts if p.shaft} | {turning_shaft(order.d, order.by_key[step].step.parts)}
    if shaft in shafts:
        return 0
    of = {p.key: p.shaft for p in order.d.parts}
    meshing = {of.get(m.driven) for m in order.d.meshes if of.get(m.driver) == shaft}
    meshing |= {of.get(m.driver) for m in order.d.meshes if of.get(m.driven) == shaft}
    if shafts & meshing:
        return 1
    return 2 if any(p.part_kind in ("cover", "cage", "housing") for p in parts) else 3


def _test(order: BuildOrder, key: str) -> str:
    """The quick test; never where something would fall, spring or leak."""
    step = order.by_key[key].step
    if step.support or step.lift:
        first = step.support or f"the load hung on {step.lift}"
        return f"It carries a load: first {first}. Then half a turn, and turn again; its torque falls to read again."
    if takes_sealant(step):
        return "Its sealant is fresh: loosened it must be cleaned and laid again. Try the others first."
    if step.torque or step.bolts:
        return (
            "Loosen its bolts by half a turn and turn again; if it frees, it is this one: shim, bore or burr."
        )
    return "Take it off and turn again; if it frees, look for a bright ring, a burr or dirt."


def _say(order: BuildOrder, turns: Sequence[Turn], last: Turn | None, suspects: Sequence[Suspect]) -> Say:
    now = turns[-1]
    if not suspects:
        return (
            Span(f"{now.words.capitalize()}: "),
            Span("turn it back to the last step", True),
            Span(" and look."),
        )
    first = suspects[0]
    since = f"Free up to {_after(order, last)}, " if last and _after(order, last) else ""
    feel = FEEL_WORDS[now.feel]
    lead = f"{since}{feel} since: " if since else f"{feel.capitalize()}: "
    return Span(f"{lead}loosen "), Span(lower_first(first.label), True), Span(" first and turn again.")


def _after(order: BuildOrder, turn: Turn) -> str:
    """What went in last before a turn, in words."""
    at = next((f.seq for f in order.facts if f.id == turn.fact), 0)
    before = [d for d in order.worked.done.values() if d.seq < at and d.how != "skipped"]
    return lower_first(order.label(before[-1].step)) if before else ""


def owed(order: BuildOrder) -> str:
    """The shaft that is to be turned now: the last step worked put something turning in, and nobody turned since."""
    turned = max((f.seq for f in order.facts if isinstance(f.body, Turned)), default=0)
    for done in reversed(list(order.worked.done.values())):
        if done.seq < turned:
            return ""
        if done.how == "skipped" or done.step not in order.by_key:
            continue
        step = order.by_key[done.step].step
        shaft = step.turn or turning_shaft(order.d, step.parts)
        if shaft:
            return shaft
    return ""
