"""Orders and send-outs of a job and of the whole yard."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.core.facts.kind import Fact
from bornek.core.facts.ordered import OrderedKind
from bornek.core.parts.days import is_late
from bornek.core.parts.orders import known_substitutes, order_lines
from bornek.core.plain import dump
from bornek.core.units.definition import Definition
from bornek.services.job.job_definition import definition_of
from bornek.services.shop.shop_lists import number_pairs
from bornek.services.strip.facts_of import facts_of
from bornek.store import tables as t


@dataclass(frozen=True)
class OrderView:
    id: str
    job_id: str
    tag: str
    part: str
    label: str
    what: str
    number: str
    count: int
    supplier: str
    promised: str
    state: str
    late: bool
    words: str
    read_again: list[str]
    substitutes: list[str]
    by: str


def job_orders(
    session: Session, job: t.Job, tag: str, d: Definition, facts: Sequence[Fact], today: date
) -> list[OrderView]:
    pairs = number_pairs(session)
    return [
        OrderView(
            id=o.id,
            job_id=job.id,
            tag=tag,
            part=o.part,
            label=o.label,
            what=o.what,
            number=o.number,
            count=o.count,
            supplier=o.supplier,
            promised=o.promised,
            state=o.state,
            late=o.state != "received" and is_late(o.promised, today.isoformat()),
            words=o.words,
            read_again=list(o.read_again),
            substitutes=known_substitutes(o.number.upper(), pairs),
            by=o.by,
        )
        for o in order_lines(d, facts, job.length_unit)
    ]


def yard_orders(session: Session, today: date) -> list[OrderView]:
    """Open orders of every open job, the late ones first, then by promise."""
    jobs = session.execute(
        select(t.Job, t.Unit)
        .join(t.Unit, t.Unit.id == t.Job.unit_id)
        .where(
            t.Job.closed_at.is_(None),
            t.Job.id.in_(select(t.Fact.job_id).where(t.Fact.fact_kind == OrderedKind.key)),
        )
    )
    found = [
        o
        for job, unit in jobs
        for o in job_orders(session, job, unit.tag, definition_of(job), facts_of(session, job.id), today)
        if o.state != "received"
    ]
    return sorted(found, key=lambda o: (not o.late, o.promised or "9999", o.tag))


def view_orders(session: Session, today: date) -> list[dict[str, Any]]:
    view: list[dict[str, Any]] = dump(yard_orders(session, today))
    return view
