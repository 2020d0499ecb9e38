"""The quantities of a unit over its jobs: visits of each, its wear, and what other units of the type wear by."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field
from datetime import date

from sqlalchemy.orm import Session

from bornek.core.facts.hour_meter import HourMeter, hours_of
from bornek.core.life.forecast import Forecast, forecast, type_rate
from bornek.core.life.visit import Base, Visit, base_of, intervals
from bornek.core.parts.orders import order_lines
from bornek.core.quantities import parse
from bornek.core.settings.registry import known_kind
from bornek.core.units.definition import Definition
from bornek.core.windows import Window
from bornek.services.job.job_definition import definition_of
from bornek.services.setting.load_setting import load_setting
from bornek.services.strip.facts_of import facts_of
from bornek.services.unit.measured import Measured, measured
from bornek.store import tables as t
from bornek.store.queries.jobs import settings_of
from bornek.store.queries.units import jobs_of_unit, units_of_type
from bornek.store.queries.yard import local_day

Key = tuple[str, str, str]
"""A setting by what it is remembered as, its kind, and which of its quantities."""


@dataclass(frozen=True)
class Quantity:
    """`limit` how far it may go, `sense` which way it wears; `words` where the limit comes from."""

    key: Key
    label: str
    place: str
    quantity: str
    unit: str
    window: Window | None
    limit: float | None
    sense: int
    source: str
    visits: list[Visit] = field(default_factory=list)


def quantities_of(session: Session, unit_id: str, today: date, until: t.Job | None = None) -> list[Quantity]:
    """In the order in which they first came; `until`: as they stood when that job was done."""
    found: dict[Key, Quantity] = {}
    for job in jobs_of_unit(session, unit_id):
        if until is not None and (job.opened_at, job.id) > (until.opened_at, until.id):
            break
        _add_job(session, job, today, found)
    return list(found.values())


def _add_job(session: Session, job: t.Job, today: date, found: dict[Key, Quantity]) -> None:
    hours, fresh = _hours(session, job), _fresh_shafts(session, job)
    d = definition_of(job)
    for setting in settings_of(session, job.id):
        loaded = load_setting(session, setting.id, today)
        sense = getattr(known_kind(setting.kind), "wears", 0)
        several = measured(loaded)
        for m in several:
            if m.found is None and m.left is None:
                continue
            key = (setting.remembered_as or setting.key, setting.kind, m.key)
            limit, source = _limit(d, setting.key, m, sense)
            seen = found.get(key)
            found[key] = Quantity(
                key=key,
                label=setting.label if len(several) == 1 else f"{setting.label}: {m.label}",
                place=loaded.log.place.label,
                quantity=m.quantity,
                unit=job.length_unit,
                window=m.window,
                limit=limit if limit is not None else (seen.limit if seen else None),
                sense=sense,
                source=source,
                visits=[
                    *(seen.visits if seen else []),
                    Visit(
                        job.id,
                        local_day(session, job.opened_at),
                        hours,
                        m.found,
                        m.left,
                        m.moved,
                        _shaft_at(d, setting.key) in fresh,
                    ),
                ],
            )


def _limit(d: Definition, key: str, m: Measured, sense: int) -> tuple[float | None, str]:
    """How far it may go in service; where nobody says, the end of the window that it is set in."""
    point = next((s for s in d.settings if s.key == key), None)
    if point is not None and point.in_service:
        return parse(point.in_service, m.quantity).value, point.service_source
    if m.window is None:
        return None, ""
    end = m.window.hi if sense > 0 else m.window.lo
    return end, f"{m.window.source}; nobody says how far it may go in service"


def _shaft_at(d: Definition, key: str) -> str:
    point = next((s for s in d.settings if s.key == key), None)
    place = d.place(point.place) if point else None
    parts = d.parts_at(place) if place else ()
    return parts[0].shaft if parts else ""


def _fresh_shafts(session: Session, job: t.Job) -> set[str]:
    """Shafts that got a new bearing in this job."""
    d = definition_of(job)
    lines = order_lines(d, facts_of(session, job.id), job.length_unit)
    parts = [d.part(o.part) for o in lines if o.state == "received" and o.what == "order"]
    return {p.shaft for p in parts if p is not None and p.shaft and p.about.group == "rolling_bearing"}


def _hours(session: Session, job: t.Job) -> float | None:
    """The hour meter as it came in."""
    read = [
        f.body
        for f in facts_of(session, job.id)
        if isinstance(f.body, HourMeter) and f.body.when == "receiving" and f.body.reading
    ]
    return hours_of(read[0].reading) if read else None


def wear_of(
    session: Session, unit: t.Unit, quantities: Sequence[Quantity], today: date
) -> list[Forecast | None]:
    """The wear of each, with what at least three other units of the type wear by, where there are as many."""
    others = [
        {x.key: x for x in quantities_of(session, other, today)}
        for other in units_of_type(session, unit.unit_type_id, unit.id)
    ]
    return [_wear(q, [mine[q.key] for mine in others if q.key in mine]) for q in quantities]


def _wear(q: Quantity, others: Sequence[Quantity]) -> Forecast | None:
    if q.limit is None or not q.sense:
        return None
    base = base_of(q.visits)
    rates = [_mean_rate(x.visits, base, q.sense) for x in others if base_of(x.visits) == base]
    lowest = (q.window.low if q.sense > 0 else q.window.high) if q.window else 0.0
    prior = type_rate([r for r in rates if r is not None])
    return forecast(q.visits, q.limit, q.sense, lowest, prior=prior)


def _mean_rate(visits: Sequence[Visit], base: Base, sense: int) -> float | None:
    """One rate a unit: all its stretches together, bedding in left out."""
    stretches = [s for s in intervals(visits, base, sense) if not s.bedding]
    if not stretches:
        return None
    weights = [1 / s.rate_u**2 if s.rate_u else 1.0 for s in stretches]
    return sum(w * s.rate for w, s in zip(weights, stretches, strict=True)) / sum(weights)
