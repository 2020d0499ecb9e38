"""Whether what inspection writes down can be: grades, teeth, depths, evidence, orders."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from bornek.core.errors import InputError
from bornek.core.parts.causes import all_evidence, find_cause
from bornek.core.parts.facts import (
    CauseNamed,
    EvidenceLooked,
    Graded,
    HoldCleared,
    Ordered,
    Promised,
    Received,
    SealSet,
    TeethMarked,
)
from bornek.core.parts.grades import GRADES, is_grade
from bornek.core.parts.holds import open_holds
from bornek.core.parts.look_fors import LookFor, look_fors_of
from bornek.core.parts.orders import check_day
from bornek.core.parts.seal_track import fill_words
from bornek.core.parts.teeth import DAMAGE_WORDS
from bornek.core.quantities import parse
from bornek.core.strip.facts import Fact
from bornek.core.units.definition import Definition


def check_inspection(
    body: Any, d: Definition, facts: Sequence[Fact], own: Sequence[LookFor], unit: str
) -> None:
    """Raises InputError naming the field that does not hold; other bodies pass."""
    match body:
        case Graded():
            _graded(body, d, own)
        case TeethMarked():
            _teeth(body, d)
        case SealSet():
            for text in (body.found, body.planned, body.groove):
                parse(text, "length", unit)
            if body.fill is not None:
                fill_words(body.fill)
        case EvidenceLooked():
            if body.evidence not in {e.key for e in all_evidence()}:
                raise InputError(f"No evidence {body.evidence!r} is known.", field="evidence")
        case CauseNamed():
            find_cause(body.cause)
        case HoldCleared():
            if body.cause not in {h.cause for h in open_holds(facts)}:
                raise InputError("This hold is not open.", field="cause", next_step="Look at the page again.")
        case Ordered():
            _order(body)
        case Promised() | Received():
            _later(body, facts, unit)


def _graded(body: Graded, d: Definition, own: Sequence[LookFor]) -> None:
    part = d.part(body.part)
    known = {x.key for x in look_fors_of(part, own)} if part else set()
    for name, count in (("folds", body.folds), ("fresh", body.fresh)):
        if count is not None and not 0 <= count <= 60:
            raise InputError(f"{name} must be 0 to 60 (got {count}).", field=name)
    for key, grade in body.grades.items():
        if key not in known:
            raise InputError(f"{key!r} is not looked for on this part.", field="grades")
        if not isinstance(grade, str) or not is_grade(grade):
            raise InputError(
                f"A grade is one of {', '.join(g.key for g in GRADES)} (got {grade!r}).", field="grades"
            )


def _teeth(body: TeethMarked, d: Definition) -> None:
    part = d.part(body.part)
    total = part.teeth if part else 0
    if not total:
        raise InputError(
            "How many teeth this gear has is not written down.",
            field="part",
            next_step="Give its teeth under What it is made of.",
        )
    for mark in body.marks:
        if not 1 <= mark.tooth <= total:
            raise InputError(f"Teeth are numbered 1 to {total} (got {mark.tooth}).", field="marks")
        if mark.damage not in DAMAGE_WORDS:
            raise InputError(
                f"Damage is one of {', '.join(DAMAGE_WORDS)} (got {mark.damage!r}).", field="marks"
            )


def _order(body: Ordered) -> None:
    if not 1 <= body.count <= 500:
        raise InputError(f"count must be 1 to 500 (got {body.count}).", field="count")
    if body.promised:
        check_day(body.promised)


def _later(body: Promised | Received, facts: Sequence[Fact], unit: str) -> None:
    if not any(f.id == body.order and isinstance(f.body, Ordered) for f in facts):
        raise InputError("There is no order of that id.", field="order")
    if any(isinstance(f.body, Received) and f.body.order == body.order for f in facts):
        raise InputError("This order was received already.", field="order")
    if isinstance(body, Promised):
        check_day(body.promised)
        return
    if bool(body.width_old) != bool(body.width_new):
        raise InputError(
            "Both widths, or neither: the old part's and the new one's.",
            field="width_new",
            next_step="Measure the other, or leave both empty.",
        )
    for text in (body.width_old, body.width_new):
        if text:
            parse(text, "length", unit)
