"""The inspection of a job whole: parts with their verdicts, causes, holds, orders, gauges."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from datetime import date
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.parts.causes import EVIDENCE_SUBJECT, all_evidence, diagnose
from bornek.core.parts.facts import CauseNamed, EvidenceLooked, SealSet
from bornek.core.parts.gauge_plan import GaugeLine, gauge_line
from bornek.core.parts.grades import GRADES, LABELS
from bornek.core.parts.holds import holds, open_holds
from bornek.core.parts.inspection import (
    Inspected,
    by_school,
    inspect,
    mates_of,
    not_checked,
    say_inspect,
    seal_of,
    teeth_of,
)
from bornek.core.parts.look_fors import LookFor
from bornek.core.parts.orders import known_substitutes
from bornek.core.parts.seal_track import fill_words, lip_words, track_words
from bornek.core.parts.teeth import DAMAGE, draw_ring, hunting_words
from bornek.core.parts.verdicts import WORDS, School
from bornek.core.plain import dump
from bornek.core.quantities import Speech, parse
from bornek.core.schools import school_words
from bornek.core.strip.facts import Fact
from bornek.core.strip.removal import standings
from bornek.core.units.definition import Definition, Part
from bornek.services.bench import find_gauges, open_bench
from bornek.services.facts_of import facts_of
from bornek.services.fits import fits_of, reuse_school
from bornek.services.inspect_views import (
    DamageView,
    EvidenceView,
    FitView,
    GradeView,
    InspectHead,
    InspectPart,
    InspectView,
    LookView,
    MateView,
    OrderView,
    PlaceParts,
    SchoolVerdict,
    SealView,
    TeethView,
)
from bornek.services.job_definition import definition_of, section_of
from bornek.services.orders import job_orders
from bornek.services.shop_lists import number_pairs, own_look_fors
from bornek.store import tables as t
from bornek.store.queries.facts import photos_of
from bornek.store.queries.jobs import job_with_unit, settings_of

SHORT = {"reuse": "re-use", "dress": "dress", "send_out": "send out", "replace": "replace", "hold": "hold"}


def view_inspect(session: Session, job_id: str, today: date) -> dict[str, Any]:
    job, unit = job_with_unit(session, job_id)
    d, facts = definition_of(job), facts_of(session, job_id)
    orders = job_orders(session, job, unit.tag, d, facts, today)
    found, fits = inspect_all(session, job, d, facts, today)
    looked = {f.body.evidence: f.body for f in facts if isinstance(f.body, EvidenceLooked)}
    photos = Counter(a.subject for a, _ in photos_of(session, job_id))
    ordered = frozenset(o.part for o in orders)
    off = {s.part.key: s.off for s in standings(d, facts)}
    pairs, school = number_pairs(session), reuse_school(job)
    parts = [
        _part(x, fits[x.part.key], school, off[x.part.key], photos[x.part.key],
              next((o for o in reversed(orders) if o.part == x.part.key), None),
              known_substitutes(x.part.number.upper(), pairs) if x.part.number else [],
              _teeth(d, x.part, facts), seal_view(seal_of(facts, x.part.key), job.length_unit))
        for x in found
    ]  # fmt: skip
    view = InspectView(
        InspectHead(job.id, unit.tag, unit.name, job.complaint, job.stands, job.length_unit, job.seq),
        list(say_inspect(found, ordered, len(open_holds(facts)))),
        ["Clean first, then look: dirt hides cracks. Gloves off turning parts, eyes covered for wire and air.",
         *d.cautions, "The maker's manual, the shop's rules and local codes come first."],
        [GradeView(g.key, g.label, g.typed) for g in GRADES], [DamageView(k, words) for k, words in DAMAGE],
        parts, sum(bool(x.chosen) and not x.stale for x in found), not_checked(found),
        [EvidenceView(e.key, e.label, e.zone, looked[e.key].seen if e.key in looked else "not looked",
                      looked[e.key].words if e.key in looked else "", photos[EVIDENCE_SUBJECT + e.key])
         for e in all_evidence()],
        diagnose({k: b.seen for k, b in looked.items() if b.seen != "not looked"}),
        list(dict.fromkeys(f.body.cause for f in facts if isinstance(f.body, CauseNamed))),
        holds(facts), orders, gauge_lines(session, job_id, today),
        section_of(job, [], f"{unit.tag} {unit.name}", _flags(d, found)),
        [PlaceParts(p.key, [x.key for x in d.parts_at(p)]) for p in d.places],
    )  # fmt: skip
    shown: dict[str, Any] = dump(view)
    return shown


def inspect_all(
    session: Session, job: t.Job, d: Definition, facts: Sequence[Fact], today: date
) -> tuple[list[Inspected], dict[str, list[FitView]]]:
    """Every part as inspected, with its measured fits."""
    own: list[LookFor] = own_look_fors(session)
    fits = {p.key: fits_of(session, job, d, p.key, today) for p in d.parts}
    return [inspect(d, p, facts, own, [f.verdict for f in fits[p.key]]) for p in d.parts], fits


def inspect_open(session: Session, job: t.Job, d: Definition, facts: Sequence[Fact]) -> int:
    """How much of the stage is open once it was begun: parts without a verdict, holds."""
    judged = {f.subject for f in facts if f.kind == "judged"}
    left = sum(p.key not in judged for p in d.parts) if judged else 0
    return left + len(open_holds(facts))


def gauge_lines(session: Session, job_id: str, today: date) -> list[GaugeLine]:
    """The tool and gauge list: every setting's gauge against its window and the shelf."""
    shelf = list(find_gauges(session, today).values())
    lines = []
    for setting in settings_of(session, job_id):
        bench = open_bench(session, setting.id, today)
        target = bench.kind.evaluate(bench.ctx).target()
        lines.append(
            gauge_line(
                setting.label,
                target.window if target else None,
                bench.ctx.find_gauge(),
                shelf,
                bench.kind.tools(bench.ctx),
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


def _school(found: Inspected, school: School) -> SchoolVerdict:
    v = by_school(found, school)
    does, _ = school_words("reuse", {"reuse": school})
    return SchoolVerdict(school, does, v.verdict, v.label, v.words, v.reason)


def _part(x: Inspected, fits: list[FitView], school: School, off: int, photos: int, order: OrderView | None,
          substitutes: list[str], teeth: TeethView | None, seal: SealView | None) -> InspectPart:  # fmt: skip
    p = x.part
    return InspectPart(
        p.key, p.label, p.kind, p.about.label, p.about.group, p.number, p.count, off, p.safety, p.scarce, p.single_use,
        [LookView(look.key, look.label, look.means, look.own, x.basis.grades.get(look.key, "")) for look in x.looks],
        x.worst, LABELS.get(x.worst, ""), fits, _school(x, school), _school(x, "A" if school == "B" else "B"),
        list(x.notes), x.chosen, WORDS[x.chosen] if x.chosen else "", x.reason, x.by, x.stale, photos, teeth, seal,
        p.about.group == "seal", p.about.group == "lock_washer", x.basis.folds, x.basis.fresh,
        _order_words(order), substitutes,
    )  # fmt: skip


def _order_words(order: OrderView | None) -> str:
    if order is None:
        return ""
    promised = f", promised {order.promised}" if order.promised and order.state != "received" else ""
    return order.state + promised


def _teeth(d: Definition, p: Part, facts: Sequence[Fact]) -> TeethView | None:
    if not p.teeth:
        return None
    mates = mates_of(d, p.key)
    marks = teeth_of(facts, p.key)
    first = mates[0][1].teeth if mates else 0
    return TeethView(
        draw_ring(f"{p.label}, {p.teeth} teeth", p.teeth, marks, first), list(marks),
        [MateView(other.label, f"{me.teeth}/{other.teeth}", hunting_words(me.teeth, other.teeth, kind == "bevel"))
         for me, other, kind in mates if other.teeth],
    )  # fmt: skip


def seal_view(seal: SealSet | None, unit: str) -> SealView | None:
    if seal is None:
        return None
    found, planned, groove = (
        parse(text, "length", unit).value for text in (seal.found, seal.planned, seal.groove)
    )
    words = [lip_words(seal.lip, seal.oil), track_words(found, planned, groove, Speech(unit))]
    if seal.fill is not None:
        words.append(fill_words(seal.fill))
    return SealView(seal.found, seal.planned, seal.groove, seal.lip, seal.oil, seal.other, seal.fill, words)
