"""The inspection of a job whole: parts with their verdicts, causes, holds, orders, gauges."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.facts.cause import CauseNamed
from bornek.core.facts.evidence import EvidenceLooked
from bornek.core.facts.judged import Judged
from bornek.core.facts.kind import Fact
from bornek.core.parts.causes import EVIDENCE_SUBJECT, Diagnosis, all_causes, all_evidence, diagnose
from bornek.core.parts.gauge_plan import GaugeLine, gauge_line
from bornek.core.parts.grades import GRADES
from bornek.core.parts.holds import Hold, holds, open_holds
from bornek.core.parts.inspection import (
    Inspected,
    inspect,
    not_checked,
    say_inspect,
    seal_of,
)
from bornek.core.parts.known import AsFound, contradicted, known_evidence, looked_at
from bornek.core.parts.look_fors import LookFor
from bornek.core.parts.orders import known_substitutes
from bornek.core.parts.teeth import DAMAGE
from bornek.core.phrases import Span
from bornek.core.plain import dump
from bornek.core.practice.veil import veil_inspection
from bornek.core.scenes import Section
from bornek.core.strip.part_counts import part_counts
from bornek.core.units.definition import Definition
from bornek.services.inspect.fits import (
    FitOffer,
    FitView,
    fit_offers,
    fits_of,
    known_beside,
    reuse_school,
)
from bornek.services.inspect.orders import OrderView, job_orders
from bornek.services.inspect.part_view import InspectPart, part_view, seal_view, teeth_view
from bornek.services.job.components import condemned_parts, condemned_words
from bornek.services.job.job_definition import definition_of
from bornek.services.job.job_section import section_of
from bornek.services.setting.find_gauges import find_gauges
from bornek.services.setting.load_setting import load_setting
from bornek.services.setting.station_gauges import need_of
from bornek.services.setting.veiled import is_veiled
from bornek.services.shop.shop_lists import number_pairs, own_look_fors
from bornek.services.strip.facts_of import facts_of
from bornek.services.strip.offered import OfferedFact, WrittenFact, offered_facts, written_facts
from bornek.services.strip.photos_of import struck_photos
from bornek.store import tables as t
from bornek.store.queries.facts import photos_of
from bornek.store.queries.jobs import job_with_unit, settings_of


@dataclass(frozen=True)
class EvidenceView:
    """`offered`: what is written down already and shows it, while nobody has said that it was seen."""

    key: str
    label: str
    zone: str
    seen: str
    words: str
    photos: int
    offered: str


@dataclass(frozen=True)
class GradeView:
    key: str
    label: str
    typed: str


@dataclass(frozen=True)
class DamageView:
    key: str
    label: str


@dataclass(frozen=True)
class PlaceParts:
    """A place of the section with the keys of its parts."""

    key: str
    parts: list[str]


@dataclass(frozen=True)
class InspectHead:
    id: str
    tag: str
    unit_name: str
    complaint: str
    stands: str
    length_unit: str
    version: int


@dataclass(frozen=True)
class InspectView:
    job: InspectHead
    say: list[Span]
    cautions: list[str]
    grades: list[GradeView]
    damages: list[DamageView]
    parts: list[InspectPart]
    judged: int
    not_checked: list[str]
    evidence: list[EvidenceView]
    diagnosis: Diagnosis
    contradictions: list[str]
    named: list[str]
    holds: list[Hold]
    orders: list[OrderView]
    gauges: list[GaugeLine]
    section: Section
    places: list[PlaceParts]
    fit_offers: list[FitOffer]
    offered: list[OfferedFact]
    written: list[WrittenFact]


SHORT = {"reuse": "re-use", "dress": "dress", "send_out": "send out", "replace": "replace", "hold": "hold"}


def view_inspect(session: Session, job_id: str, today: date) -> dict[str, Any]:
    job, unit = job_with_unit(session, job_id)
    d, facts = definition_of(job), facts_of(session, job_id)
    orders = job_orders(session, job, unit.tag, d, facts, today)
    found, fits = inspect_all(session, job, d, facts, today)
    looked = {f.body.evidence: f.body for f in facts if isinstance(f.body, EvidenceLooked)}
    seen = looked_at(facts)
    known = known_evidence(d, facts, as_found(session, job, today))
    offered = {o.evidence: o.words for o in known}
    diagnosis = diagnose(seen)
    struck = struck_photos(facts)
    photos = Counter(a.subject for a, _ in photos_of(session, job_id) if a.id not in struck)
    ordered = frozenset(o.part for o in orders)
    off = {s.part.key: s.off for s in part_counts(d, facts)}
    pairs, school = number_pairs(session), reuse_school(job)
    parts = [
        part_view(
            x,
            fits[x.part.key],
            school,
            off[x.part.key],
            photos[x.part.key],
            next((o for o in reversed(orders) if o.part == x.part.key), None),
            known_substitutes(x.part.number.upper(), pairs) if x.part.number else [],
            teeth_view(d, x.part, facts),
            seal_view(seal_of(facts, x.part.key), job.length_unit),
        )
        for x in found
    ]
    view = InspectView(
        job=InspectHead(
            id=job.id,
            tag=unit.tag,
            unit_name=unit.name,
            complaint=job.complaint,
            stands=job.stands,
            length_unit=job.length_unit,
            version=job.seq,
        ),
        say=list(say_inspect(found, ordered, len(open_holds(facts)))),
        cautions=[
            *condemned_words(session, job),
            "Clean first, then look: dirt hides cracks. Gloves off turning parts, eyes covered for wire and air.",
            *d.cautions,
            "The maker's manual, the shop's rules and local codes come first.",
        ],
        grades=[GradeView(g.key, g.label, g.typed) for g in GRADES],
        damages=[DamageView(k, words) for k, words in DAMAGE],
        parts=parts,
        judged=sum(bool(x.chosen) and not x.stale for x in found),
        not_checked=not_checked(found),
        evidence=[
            EvidenceView(
                key=e.key,
                label=e.label,
                zone=e.zone,
                seen=looked[e.key].seen if e.key in looked else "not looked",
                words=looked[e.key].words if e.key in looked else "",
                photos=photos[EVIDENCE_SUBJECT + e.key],
                offered=offered.get(e.key, "") if seen.get(e.key) != "seen" else "",
            )
            for e in all_evidence()
        ],
        diagnosis=diagnosis,
        contradictions=contradicted(facts, seen, known, diagnosis),
        named=list(dict.fromkeys(f.body.cause for f in facts if isinstance(f.body, CauseNamed))),
        holds=holds(facts),
        orders=orders,
        gauges=gauge_lines(session, job_id, today),
        section=section_of(job, [], f"{unit.tag} {unit.name}", _flags(d, found)),
        places=[PlaceParts(p.key, [x.key for x in d.parts_at(p)]) for p in d.places],
        fit_offers=fit_offers(),
        offered=offered_facts(d, "inspect"),
        written=written_facts(d, facts, "inspect"),
    )
    shown: dict[str, Any] = dump(view)
    return veil_inspection(shown, [(c.key, c.label) for c in all_causes()]) if is_veiled(session) else shown


def inspect_all(
    session: Session, job: t.Job, d: Definition, facts: Sequence[Fact], today: date
) -> tuple[list[Inspected], dict[str, list[FitView]]]:
    """Every part as inspected, with its measured fits."""
    own: list[LookFor] = own_look_fors(session)
    fits = {p.key: fits_of(session, job, d, p.key, today) for p in d.parts}
    condemned, school = condemned_parts(session, job), reuse_school(job)
    found = [
        inspect(
            d, p, facts, own, known_beside(fits[p.key], condemned.get(p.key, "")), school, job.length_unit
        )
        for p in d.parts
    ]
    return found, fits


def as_found(session: Session, job: t.Job, today: date) -> list[AsFound]:
    """Every setting and fit as it was first read, with the evidence that its kind says it is."""
    found = []
    for setting in settings_of(session, job.id):
        loaded = load_setting(session, setting.id, today)
        first = loaded.reckoning.outcome(1)
        tells = loaded.kind.tells(loaded.ctx.at(1), first.verdict.code)
        if tells:
            found.append(AsFound(setting.label, f"{first.verdict.words} as found", tells))
    return found


def inspect_open(session: Session, job: t.Job, d: Definition, facts: Sequence[Fact]) -> int:
    """How much of the stage is open once it was begun: parts without a verdict, holds."""
    judged = {f.subject for f in facts if isinstance(f.body, Judged)}
    left = sum(p.key not in judged for p in d.parts) if judged else 0
    return left + len(open_holds(facts))


def gauge_lines(session: Session, job_id: str, today: date) -> list[GaugeLine]:
    """The tool and gauge list: every setting's gauge against its window and the shelf."""
    shelf = list(find_gauges(session, today).values())
    lines = []
    for setting in settings_of(session, job_id):
        loaded = load_setting(session, setting.id, today)
        target = loaded.reckoning.now.target()
        lines.append(
            gauge_line(
                setting.label,
                target.window if target else None,
                loaded.ctx.find_gauge(),
                [g for g in shelf if g.can_take("length", need_of(loaded.reckoning.guide.slots))],
                loaded.kind.tools(loaded.ctx),
            )
        )
    return lines


def _flags(d: Definition, found: Sequence[Inspected]) -> dict[str, str]:
    """What stands at each place: the gravest verdict of its parts."""
    chosen = {x.part.key: x.chosen for x in found if x.chosen}
    flags = {}
    for place in d.places:
        here = [chosen[p.key] for p in d.parts_at(place) if p.key in chosen]
        flags[place.key] = SHORT[max(here, key=list(SHORT).index)] if here else ""
    return flags
