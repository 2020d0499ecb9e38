"""The yard's report: jobs, hours by stage, waits, rounds against the best possible, shims used. Nobody is scored."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date, datetime
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.core.build.standing import waits
from bornek.core.facts.registry import fact_kinds
from bornek.core.life.hands import hours_by_stage
from bornek.core.plain import dump
from bornek.core.prove.released import release_words
from bornek.core.quantities import from_nm
from bornek.core.settings.registry import known_kind
from bornek.core.stages import STAGES
from bornek.core.windows import verdict
from bornek.services.plan.load_plan import load_plan
from bornek.services.setting.load_setting import load_setting
from bornek.services.strip.facts_of import facts_of
from bornek.services.unit.measured import measured
from bornek.store import tables as t
from bornek.store.queries.jobs import settings_of
from bornek.store.queries.report import job_events, orders_out, stock_used
from bornek.store.queries.yard import local, local_day


@dataclass(frozen=True)
class ReportJob:
    """`state`: open, released, closed. `hours` by stage, as far as entries tell; `waited` [h] by itself."""

    job_id: str
    tag: str
    complaint: str
    opened: str
    closed: str
    state: str
    days: int
    hours: dict[str, float]
    waited: float
    orders_days: int


@dataclass(frozen=True)
class ReportRounds:
    """Moves made for one sort of setting over its signed jobs, beside the fewest that there could have been."""

    kind: str
    title: str
    signed: int
    moves: int
    best: int


@dataclass(frozen=True)
class ReportShim:
    form: str
    thickness: str
    used: int


@dataclass(frozen=True)
class YardReport:
    since: str
    until: str
    stages: list[tuple[str, str]]
    jobs: list[ReportJob]
    rounds: list[ReportRounds]
    shims: list[ReportShim]


def yard_report(session: Session, now: datetime, since: str = "", until: str = "") -> dict[str, Any]:
    """Jobs that were open at some time between two days, both included; without them all."""
    moment = local(session, now)
    jobs = [(job, unit) for job, unit in _jobs(session) if _touches(session, job, since, until)]
    shown: dict[str, Any] = dump(
        YardReport(
            since=since,
            until=until,
            stages=[(s.key, s.label) for s in STAGES],
            jobs=[_job(session, job, unit, moment) for job, unit in jobs],
            rounds=_rounds(session, [job for job, _ in jobs], moment.date()),
            shims=[
                ReportShim(form, f"{from_nm(nm):g}", n)
                for form, nm, n in stock_used(session, [job.id for job, _ in jobs])
            ],
        )
    )
    return shown


def _jobs(session: Session) -> list[tuple[t.Job, t.Unit]]:
    rows = session.execute(
        select(t.Job, t.Unit).join(t.Unit, t.Unit.id == t.Job.unit_id).order_by(t.Job.opened_at, t.Job.id)
    )
    return [(job, unit) for job, unit in rows]


def _touches(session: Session, job: t.Job, since: str, until: str) -> bool:
    opened = local_day(session, job.opened_at).isoformat()
    closed = local_day(session, job.closed_at).isoformat() if job.closed_at else "9999"
    return (not until or opened <= until) and (not since or closed >= since)


def _job(session: Session, job: t.Job, unit: t.Unit, moment: datetime) -> ReportJob:
    end = job.closed_at.astimezone(moment.tzinfo) if job.closed_at else moment
    plan = load_plan(session, job, moment)
    waited = sum((w.ready - w.begun).total_seconds() for w in waits(plan.order, plan.bench).values()) / 3600
    return ReportJob(
        job_id=job.id,
        tag=unit.tag,
        complaint=job.complaint,
        opened=local_day(session, job.opened_at).isoformat(),
        closed=local_day(session, job.closed_at).isoformat() if job.closed_at else "",
        state="closed" if job.closed_at else release_words(facts_of(session, job.id)),
        days=max(0, (end.date() - local_day(session, job.opened_at)).days),
        hours=hours_by_stage(list(_events(session, job))),
        waited=round(waited, 1),
        orders_days=orders_out(session, job.id, end),
    )


def _events(session: Session, job: t.Job) -> Iterator[tuple[datetime, str]]:
    """When something was written on a job, and on which stage."""
    stage_of = {k.key: k.stage for k in fact_kinds()}
    kinds = {s.id: s.kind for s in settings_of(session, job.id)}
    for at, fact_kind, setting in job_events(session, job.id):
        if setting:
            yield at, getattr(known_kind(kinds[setting]), "stage", "set")
        else:
            yield at, stage_of.get(fact_kind, "receive").replace("job", "receive")


def _rounds(session: Session, jobs: list[t.Job], today: date) -> list[ReportRounds]:
    signed, moves, best = Counter[str](), Counter[str](), Counter[str]()
    for job in jobs:
        for setting in settings_of(session, job.id):
            loaded = load_setting(session, setting.id, today)
            if loaded.log.signature is None:
                continue
            made = sum(a.act_kind == "move" for a in loaded.ctx.acts)
            first = next(iter(measured(loaded)), None)
            value = first.found if first else None
            was_in = (
                value is not None
                and first is not None
                and first.window is not None
                and verdict(value, first.window).code in ("in", "at_edge")
            )
            signed[setting.kind] += 1
            moves[setting.kind] += made
            best[setting.kind] += 0 if was_in or not made else 1
    return [
        ReportRounds(kind, getattr(known_kind(kind), "title", kind), n, moves[kind], best[kind])
        for kind, n in sorted(signed.items())
    ]
