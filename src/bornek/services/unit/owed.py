"""What units owe: put off in their jobs, on the board and in the calendar until it is done."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from itertools import groupby
from zoneinfo import ZoneInfo

from sqlalchemy.orm import Session

from bornek.core.facts.closed import ClosedKind
from bornek.core.facts.deferred import DeferredKind
from bornek.core.facts.kind import Fact
from bornek.core.facts.proved import ProvedKind
from bornek.core.prove.owed import Owed, owed_of
from bornek.services.shop.mechanics import mechanic_names
from bornek.services.strip.facts_of import core_fact
from bornek.store import tables as t
from bornek.store.queries.owed import facts_of_owing, unit_entries
from bornek.store.queries.yard import the_yard

KINDS = (DeferredKind.key, ProvedKind.key, ClosedKind.key)


@dataclass(frozen=True)
class OwedView:
    """Work put off, with the unit that it belongs to; `open_job`: its job is not closed, it is settled there."""

    fact: str
    unit_id: str
    tag: str
    unit_name: str
    job_id: str
    what: str
    why: str
    who: str
    until: str
    by: str
    at: str
    late: bool
    open_job: bool


def yard_owed(session: Session, today: str) -> list[OwedView]:
    """Of every unit of the yard, what is due first in front."""
    return sorted(_shown(session, "", today), key=lambda o: (o.until, o.tag, o.what))


def unit_owed(session: Session, unit_id: str, today: str) -> list[OwedView]:
    return _shown(session, unit_id, today)


def owed_before(session: Session, job: t.Job) -> list[Owed]:
    """What the unit owes from jobs before this one."""
    before = [(u, j, o) for u, j, o in _owed(session, job.unit_id) if j.id != job.id]
    return [o for _, j, o in before if (j.opened_at, j.id) < (job.opened_at, job.id)]


def _shown(session: Session, unit_id: str, today: str) -> list[OwedView]:
    return [
        OwedView(
            fact=o.fact,
            unit_id=unit.id,
            tag=unit.tag,
            unit_name=unit.name,
            job_id=job.id,
            what=o.what,
            why=o.why,
            who=o.who,
            until=o.until,
            by=o.by,
            at=o.at,
            late=o.late(today),
            open_job=job.closed_at is None,
        )
        for unit, job, o in _owed(session, unit_id)
    ]


def _owed(session: Session, unit_id: str) -> list[tuple[t.Unit, t.Job, Owed]]:
    done = {e.answers for e in unit_entries(session, unit_id)}
    rows = sorted(facts_of_owing(session, DeferredKind.key, KINDS, unit_id), key=lambda row: row[2].id)
    found = []
    for _, of_unit in groupby(rows, key=lambda row: row[2].id):
        kept = list(of_unit)
        jobs = {job.id: job for _, job, _ in kept}
        found += [(kept[0][2], jobs[o.job], o) for o in owed_of(_by_job(session, kept), done)]
    return found


def _by_job(session: Session, rows: Iterable[tuple[t.Fact, t.Job, t.Unit]]) -> list[tuple[str, list[Fact]]]:
    names, clock = mechanic_names(session), ZoneInfo(the_yard(session).zone)
    return [
        (job_id, [core_fact(fact, names, clock) for fact, _, _ in group])
        for job_id, group in groupby(rows, key=lambda row: row[1].id)
    ]
