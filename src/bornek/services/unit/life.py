"""A unit's life: its visits, how each quantity wears and when its limit is met, who lived where, what it owes."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.facts.hour_meter import HourMeter
from bornek.core.life.draw_life import draw_life
from bornek.core.life.forecast import Forecast
from bornek.core.life.say_life import numbers, rate_words, say_life
from bornek.core.life.visit import Visit, as_normal
from bornek.core.phrases import Say, Span, lower_first
from bornek.core.plain import dump
from bornek.core.scenes import Life
from bornek.services.job.job_definition import definition_of
from bornek.services.shop.mechanics import mechanic_names
from bornek.services.strip.facts_of import facts_of
from bornek.services.strip.photos_of import PhotoView, photos_view
from bornek.services.unit.owed import OwedView, unit_owed
from bornek.services.unit.quantities import Quantity, quantities_of, wear_of
from bornek.services.unit.stays import Dwelling, dwellings
from bornek.store import tables as t
from bornek.store.queries.owed import unit_entries
from bornek.store.queries.units import find_unit, jobs_of_unit
from bornek.store.queries.yard import local_day


@dataclass(frozen=True)
class VisitView:
    job_id: str
    day: str
    complaint: str
    hours: str
    closed: str
    signed: int
    settings: int


@dataclass(frozen=True)
class VisitRow:
    """One quantity at one visit, as it was found and left."""

    job_id: str
    day: str
    hours: str
    found: str
    left: str
    rate: str


@dataclass(frozen=True)
class LifeQuantity:
    """`told` how its wear stands: date, too few, no trend, read again, not before, past; empty where it is no wear.
    Days as 2030-06-01; empty where there is none."""

    key: str
    label: str
    place: str
    unit: str
    say: Say
    aside: str
    told: str
    act_before: str
    likely: str
    source: str
    rows: list[VisitRow]
    scene: Life | None


@dataclass(frozen=True)
class LifePhotos:
    """Photos of one thing, by the visit at which they were taken."""

    subject: str
    label: str
    by_visit: list[list[PhotoView]]


@dataclass(frozen=True)
class DoneView:
    what: str
    words: str
    by: str
    at: str


@dataclass(frozen=True)
class LifeView:
    id: str
    tag: str
    name: str
    serial: str
    type_id: str
    type_name: str
    open_job: str
    say: Say
    aside: str
    visits: list[VisitView]
    quantities: list[LifeQuantity]
    dwellings: list[Dwelling]
    owed: list[OwedView]
    done: list[DoneView]
    photos: list[LifePhotos]


def view_life(session: Session, unit_id: str, today: date) -> dict[str, Any]:
    unit = find_unit(session, unit_id)
    jobs = jobs_of_unit(session, unit_id)
    quantities = quantities_of(session, unit_id, today)
    wears = wear_of(session, unit, quantities, today)
    shown = [_quantity(q, found) for q, found in zip(quantities, wears, strict=True)]
    shown.sort(key=_soonest)
    unit_type = session.get(t.UnitType, unit.unit_type_id)
    lead = shown[0] if shown else None
    view: dict[str, Any] = dump(
        LifeView(
            id=unit.id,
            tag=unit.tag,
            name=unit.name,
            serial=unit.serial,
            type_id=unit.unit_type_id,
            type_name=unit_type.name if unit_type else "",
            open_job=next((j.id for j in reversed(jobs) if j.closed_at is None), ""),
            say=_say(lead),
            aside=lead.aside if lead else "",
            visits=[_visit(session, j) for j in jobs],
            quantities=shown,
            dwellings=dwellings(session, unit, jobs),
            owed=unit_owed(session, unit_id, today.isoformat()),
            done=_done(session, unit_id),
            photos=_photos(session, jobs),
        )
    )
    return view


def _soonest(q: LifeQuantity) -> tuple[int, str]:
    """What must be acted on first in front; then what was read again and again, then the rest."""
    order = {"past": 0, "read again": 1, "date": 2, "not before": 3, "no trend": 4, "too few": 5}
    return order.get(q.told, 6), q.act_before or "9999"


def _say(lead: LifeQuantity | None) -> Say:
    if lead is None:
        return (Span("Nothing was measured on it yet."),)
    return (
        Span(f"{lead.label}: "),
        *(Span(lower_first(s.text) if n == 0 else s.text, s.move) for n, s in enumerate(lead.say)),
    )


def _visit(session: Session, job: t.Job) -> VisitView:
    settings = session.query(t.Setting).filter(t.Setting.job_id == job.id).count()
    signed = (
        session.query(t.Signature.setting_id)
        .join(t.Setting, t.Setting.id == t.Signature.setting_id)
        .filter(t.Setting.job_id == job.id)
        .distinct()
        .count()
    )
    return VisitView(
        job_id=job.id,
        day=local_day(session, job.opened_at).isoformat(),
        complaint=job.complaint,
        hours=_hours_words(session, job),
        closed=local_day(session, job.closed_at).isoformat() if job.closed_at else "",
        signed=signed,
        settings=settings,
    )


def _hours_words(session: Session, job: t.Job) -> str:
    read = [f.body.reading for f in facts_of(session, job.id) if isinstance(f.body, HourMeter)]
    return next((f"{reading} h" for reading in read if reading), "")


def _quantity(q: Quantity, found: Forecast | None) -> LifeQuantity:
    say = numbers(q.quantity, q.unit)
    if found is None or q.limit is None:
        spoken: Say = (Span("Shown over its visits; no wear is told from it."),)
        aside, scene = "", None
    else:
        spoken, aside = quantity_words(q, found)
        names = [(f"{v.day:%b %Y}", f"{v.hours:g} h" if v.hours is not None else "") for v in q.visits]
        scene = draw_life(q.label, q.visits, names, found, q.window, q.limit, say)
    return LifeQuantity(
        key=".".join(q.key),
        label=q.label,
        place=q.place,
        unit=say.unit,
        say=spoken,
        aside=aside,
        told=found.wear.told if found else "",
        act_before=found.act_before.isoformat() if found and found.act_before else "",
        likely=found.likely.isoformat() if found and found.likely else "",
        source=q.source,
        rows=[_row(v, found, say) for v in q.visits],
        scene=scene,
    )


def quantity_words(q: Quantity, found: Forecast) -> tuple[Say, str]:
    """The sentence on a quantity's wear, and what is said beside it."""
    left = as_normal(q.visits[-1].left)
    return say_life(found, q.limit or 0.0, left.v if left else None, numbers(q.quantity, q.unit))


def _row(visit: Visit, found: Forecast | None, say: Any) -> VisitRow:
    was, left = as_normal(visit.found), as_normal(visit.left)
    stretch = next((s for s in found.stretches if s.until == visit.job), None) if found else None
    return VisitRow(
        job_id=visit.job,
        day=visit.day.isoformat(),
        hours=f"{visit.hours:g}" if visit.hours is not None else "",
        found=say.number(was.v) if was else "",
        left=say.number(left.v) if left else "",
        rate=rate_words(stretch.rate, found.base, say) if stretch and found else "",
    )


def _done(session: Session, unit_id: str) -> list[DoneView]:
    names = mechanic_names(session)
    found = []
    for entry in unit_entries(session, unit_id):
        fact = session.get(t.Fact, entry.answers)
        found.append(
            DoneView(
                str(fact.body.get("what", "")) if fact else "",
                entry.words,
                names.get(entry.mechanic_id, ""),
                local_day(session, entry.at).isoformat(),
            )
        )
    return found


def _photos(session: Session, jobs: Sequence[t.Job]) -> list[LifePhotos]:
    """What was shown most often first: side by side between strips."""
    shots: dict[str, list[list[PhotoView]]] = {}
    labels: dict[str, str] = {}
    for n, job in enumerate(jobs):
        d = definition_of(job)
        for p in photos_view(session, job.id, facts_of(session, job.id)):
            if not p.struck:
                labels[p.subject] = d.label_of(p.subject) or "the unit"
                shots.setdefault(p.subject, [[] for _ in jobs])[n].append(p)
    ranked = sorted(shots.items(), key=lambda item: -sum(bool(x) for x in item[1]))
    return [LifePhotos(subject, labels[subject], by_visit) for subject, by_visit in ranked]
