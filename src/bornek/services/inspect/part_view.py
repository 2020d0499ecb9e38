"""One part as the inspection shows it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from bornek.core.facts.kind import Fact
from bornek.core.facts.seal_set import SealSet
from bornek.core.parts.grades import LABELS
from bornek.core.parts.inspection import (
    Inspected,
    by_school,
    mates_of,
    teeth_of,
)
from bornek.core.parts.seal_track import fill_words, lip_words, track_words
from bornek.core.parts.teeth import ToothMark, ToothRing, draw_ring, hunting_words
from bornek.core.parts.verdicts import WORDS, School
from bornek.core.quantities import Speech, parse
from bornek.core.schools import school_words
from bornek.core.units.definition import Definition, Part
from bornek.services.inspect.fits import FitView
from bornek.services.inspect.orders import OrderView


@dataclass(frozen=True)
class LookView:
    """A look-for of one part with the grade given, empty if none."""

    key: str
    label: str
    means: str
    own: bool
    grade: str


@dataclass(frozen=True)
class SchoolVerdict:
    """What a school says: the verdict, its label, why, and whether re-use needs a written reason."""

    school: str
    does: str
    verdict: str
    label: str
    words: str
    reason: bool


@dataclass(frozen=True)
class MateView:
    label: str
    teeth: str
    words: str


@dataclass(frozen=True)
class TeethView:
    ring: ToothRing
    marks: list[ToothMark]
    mates: list[MateView]


@dataclass(frozen=True)
class SealView:
    """As typed, and what it comes to."""

    found: str
    planned: str
    groove: str
    lip: str
    oil: str
    other: str
    fill: float | None
    words: list[str]


@dataclass(frozen=True)
class InspectPart:
    key: str
    label: str
    kind: str
    kind_label: str
    group: str
    number: str
    count: int
    off: int
    safety: bool
    scarce: bool
    single_use: bool
    looks: list[LookView]
    worst: str
    worst_label: str
    fits: list[FitView]
    in_force: SchoolVerdict
    other: SchoolVerdict
    notes: list[str]
    chosen: str
    chosen_label: str
    reason: str
    by: str
    stale: bool
    photos: int
    teeth: TeethView | None
    seal: SealView | None
    seal_asked: bool
    folds_asked: bool
    folds: int | None
    fresh: int | None
    order: str
    substitutes: list[str]


def part_view(
    x: Inspected,
    fits: list[FitView],
    school: School,
    off: int,
    photos: int,
    order: OrderView | None,
    substitutes: list[str],
    teeth: TeethView | None,
    seal: SealView | None,
) -> InspectPart:
    p = x.part
    return InspectPart(
        key=p.key,
        label=p.label,
        kind=p.part_kind,
        kind_label=p.about.label,
        group=p.about.group,
        number=p.number,
        count=p.count,
        off=off,
        safety=p.safety,
        scarce=p.scarce,
        single_use=p.single_use,
        looks=[
            LookView(look.key, look.label, look.means, look.own, x.basis.grades.get(look.key, ""))
            for look in x.looks
        ],
        worst=x.worst,
        worst_label=LABELS.get(x.worst, ""),
        fits=fits,
        in_force=_school(x, school),
        other=_school(x, "A" if school == "B" else "B"),
        notes=list(x.notes),
        chosen=x.chosen,
        chosen_label=WORDS[x.chosen] if x.chosen else "",
        reason=x.reason,
        by=x.by,
        stale=x.stale,
        photos=photos,
        teeth=teeth,
        seal=seal,
        seal_asked=p.about.group == "seal",
        folds_asked=p.about.group == "lock_washer",
        folds=x.basis.folds,
        fresh=x.basis.fresh,
        order=_order_words(order),
        substitutes=substitutes,
    )


def _school(found: Inspected, school: School) -> SchoolVerdict:
    v = by_school(found, school)
    does, _ = school_words("reuse", {"reuse": school})
    return SchoolVerdict(
        school=school, does=does, verdict=v.verdict, label=v.label, words=v.words, reason=v.reason
    )


def _order_words(order: OrderView | None) -> str:
    if order is None:
        return ""
    promised = f", promised {order.promised}" if order.promised and order.state != "received" else ""
    return order.state + promised


def teeth_view(d: Definition, p: Part, facts: Sequence[Fact]) -> TeethView | None:
    if not p.teeth:
        return None
    mates = mates_of(d, p.key)
    marks = teeth_of(facts, p.key)
    first = mates[0][1].teeth if mates else 0
    return TeethView(
        draw_ring(f"{p.label}, {p.teeth} teeth", p.teeth, marks, first),
        list(marks),
        [
            MateView(
                other.label,
                f"{me.teeth}/{other.teeth}",
                hunting_words(me.teeth, other.teeth, kind == "bevel"),
            )
            for me, other, kind in mates
            if other.teeth
        ],
    )


def seal_view(seal: SealSet | None, unit: str) -> SealView | None:
    if seal is None:
        return None
    found, planned, groove = (
        parse(text, "length", unit).value for text in (seal.found, seal.planned, seal.groove)
    )
    words = [lip_words(seal.lip, seal.oil), track_words(found, planned, groove, Speech(unit))]
    if seal.fill is not None:
        words.append(fill_words(seal.fill))
    return SealView(
        found=seal.found,
        planned=seal.planned,
        groove=seal.groove,
        lip=seal.lip,
        oil=seal.oil,
        other=seal.other,
        fill=seal.fill,
        words=words,
    )
