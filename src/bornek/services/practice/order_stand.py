"""Where a build order with a trap stands: what was moved, and what is still shut off."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import date

from sqlalchemy.orm import Session

from bornek.core.build.findings.finding import Finding
from bornek.core.build.order import build_order
from bornek.core.facts.kind import Fact
from bornek.core.facts.step_moved import StepMoved
from bornek.core.phrases import lower_first, text_of
from bornek.core.practice.rigs.order import OrderRig, traps_of
from bornek.core.practice.score import Score
from bornek.core.units.definition import read_definition
from bornek.services.practice.cloth import MARKS, Cloth, ClothRow, Result
from bornek.services.practice.rig_yard import job_id
from bornek.services.practice.rigs import LIFTED, Rigs
from bornek.services.practice.stand import Stand
from bornek.services.strip.facts_of import facts_of

WORDS = {
    "in": "It goes together, and nothing is left outside.",
    "more": "It goes together, in more moves than it needed.",
    "out": "Closed, and something is shut off.",
}


def stand_at_order(session: Session, rigs: Rigs, key: str, rig: OrderRig, _today: date) -> Stand:
    facts = facts_of(session, job_id(key))
    moves = sum(isinstance(f.body, StepMoved) for f in facts)
    return Stand(
        number=1 + moves,
        closed=any(e.what == LIFTED for e in rigs.book.events(key)),
        teardowns=0,
        tenths=moves,
        best=rig.best(),
        setting="",
        looks=(),
        see=lambda _: "",
        lift=lambda score: lift_order(rig, facts, score),
    )


def lift_order(rig: OrderRig, facts: Sequence[Fact], score: Score) -> Cloth:
    was = traps_of(rig.order())
    left = traps_of(build_order(read_definition(rig.definition()), facts))
    still = {f.key for f in left}
    result: Result = "out" if left else "in" if score.as_good else "more"
    made = [f for f in left if f.key not in {w.key for w in was}]
    return Cloth(
        result=result,
        mark=MARKS[result],
        words=WORDS[result],
        rows=[
            *(ClothRow(f.title, "left so" if f.key in still else "put right", f.words) for f in was),
            *(ClothRow(f.title, "made by a move", f.words) for f in made),
        ],
        fault="; ".join(lower_first(f"{f.title}: {f.words}") for f in was),
        told_first=f"The lid told it: {_said(was[0])}" if was else "",
        harm=_harm(left),
        advice=rig.advice(),
    )


def _said(f: Finding) -> str:
    return lower_first(text_of(f.say))


def _harm(left: Sequence[Finding]) -> str:
    if not left:
        return ""
    return f"Harm: {_said(left[0])} It comes apart again: {len(left)} teardown{'s' if len(left) > 1 else ''} for nothing."
