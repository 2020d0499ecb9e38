"""Where a cause of failure stands: the parts that were looked at, and what was named."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from datetime import date

from sqlalchemy.orm import Session

from bornek.core.facts.cause import CauseNamed
from bornek.core.facts.evidence import EvidenceLooked
from bornek.core.facts.kind import Fact
from bornek.core.parts.causes import all_evidence, find_cause
from bornek.core.phrases import lower_first
from bornek.core.practice.rigs.cause import FALSE_LEAD, CauseRig, proved
from bornek.core.practice.rigs.signs import look_parts
from bornek.core.practice.score import Score
from bornek.services.practice.cloth import MARKS, Cloth, ClothRow, Result
from bornek.services.practice.rig_yard import job_id
from bornek.services.practice.rigs import LIFTED, LOOK, Rigs
from bornek.services.practice.stand import LookPoint, Stand
from bornek.services.strip.facts_of import facts_of

POINTS = tuple(LookPoint(p.key, p.label, signs=tuple(p.shows)) for p in look_parts())
LABEL = {p.key: p.label for p in look_parts()}
WORDS = {
    "in": "It was that, and it is proved.",
    "more": "It was that.",
    "out": "It was not that: it comes back.",
}


def stand_at_cause(session: Session, rigs: Rigs, key: str, rig: CauseRig, _today: date) -> Stand:
    events = rigs.book.events(key)
    went = list(dict.fromkeys(e.key for e in events if e.what == LOOK))
    facts = facts_of(session, job_id(key))
    parts = {p.key: p for p in look_parts()}
    return Stand(
        number=1 + len(went),
        closed=any(e.what == LIFTED for e in events),
        teardowns=0,
        tenths=0,
        best=rig.best(),
        setting="",
        looks=POINTS,
        see=lambda part: rig.shown(parts[part]),
        lift=lambda score: lift_cause(rig, went, facts, score),
    )


def named_in(facts: Sequence[Fact]) -> str:
    """The cause that was named last; empty where none was."""
    return next((f.body.cause for f in reversed(facts) if isinstance(f.body, CauseNamed)), "")


def lift_cause(rig: CauseRig, went: Sequence[str], facts: Sequence[Fact], score: Score) -> Cloth:
    named, truly = named_in(facts), rig.looked(went)
    right = named == rig.cause.key
    sure = proved(truly) is rig.cause
    result: Result = "out" if not right else "in" if sure and score.as_good else "more"
    told = rig.first_told(went)
    return Cloth(
        result=result,
        mark=MARKS[result],
        words=WORDS[result] + ("" if sure or not right else " What was looked at does not prove it."),
        rows=[
            ClothRow("Cause", find_cause(named).label if named else "none named", rig.cause.label),
            *_misread(facts, truly),
            ClothRow("Signs there", _labels(_seen(facts)), _labels(rig.signs)),
        ],
        fault=_fault(rig),
        told_first=f"{LABEL[told]} proved it."
        if told
        else "Nothing that was looked at proves it: one sign is no proof.",
        harm="" if right else "Put together on the wrong cause, it fails again: a teardown for nothing.",
        advice=rig.advice(),
    )


def _seen(facts: Sequence[Fact]) -> list[str]:
    looked = {f.body.evidence: f.body.seen for f in facts if isinstance(f.body, EvidenceLooked)}
    return [k for k, seen in looked.items() if seen == "seen"]


def _misread(facts: Sequence[Fact], truly: Mapping[str, str]) -> list[ClothRow]:
    """Signs written down otherwise than they were met, at the parts that were looked at."""
    looked = {f.body.evidence: f.body.seen for f in facts if isinstance(f.body, EvidenceLooked)}
    words = {"seen": "seen", "absent": "not there"}
    label = {e.key: e.label for e in all_evidence()}
    return [
        ClothRow(label[k], words[said], words[truly[k]])
        for k, said in looked.items()
        if said in words and k in truly and said != truly[k]
    ]


def _labels(keys: Sequence[str] | frozenset[str]) -> str:
    return "; ".join(e.label for e in all_evidence() if e.key in keys)


def _fault(rig: CauseRig) -> str:
    lead = next((e.label for e in all_evidence() if e.key in rig.signs - set(rig.cause.speaks)), "")
    said = lower_first(rig.cause.label)
    return f"{said}; of something else: {lower_first(lead)}" if rig.fault == FALSE_LEAD else said
