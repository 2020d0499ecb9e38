"""Puts what can be looked for of a job into the search index."""

from __future__ import annotations

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.core.units.part_kinds import PART_KINDS
from bornek.store import tables as t
from bornek.store.queries.facts import live_facts
from bornek.store.queries.jobs import job_with_unit
from bornek.store.search import Found, add_rows, forget_job


def bag_code(tag: str, bag: str) -> str:
    """What stands on a bag's label, and what the search takes.

    >>> bag_code("W-17", "3")
    'W-17/3'
    """
    return f"{tag}/{bag}"


def index_job(session: Session, job_id: str) -> None:
    """All rows of a job afresh: the job, its parts, its components, what came off."""
    job, unit = job_with_unit(session, job_id)
    forget_job(session, job_id)
    title = f"{unit.tag} {unit.name}"
    rows = [Found("job", job_id, "", title, f"{title} {unit.serial} {job.complaint} {job.bench}")]
    for p in session.scalars(select(t.Part).where(t.Part.job_id == job_id).order_by(t.Part.position)):
        kind = PART_KINDS[p.kind].label if p.kind in PART_KINDS else p.kind
        rows.append(Found("part", job_id, p.key, p.label, f"{p.label} {p.number} {kind}"))
    stays = session.execute(
        select(t.ComponentStay, t.Component)
        .join(t.Component, t.Component.id == t.ComponentStay.component_id)
        .where(t.ComponentStay.job_id == job_id)
    )
    rows += [component_row(job_id, stay.part_key, component) for stay, component in stays]
    add_rows(session, rows)
    for fact in live_facts(session, job_id):
        index_fact(session, unit.tag, fact)


def component_row(job_id: str, part_key: str, component: t.Component) -> Found:
    return Found(
        "serial",
        job_id,
        part_key,
        f"{component.label}, serial {component.serial}",
        f"{component.label} {component.serial}",
    )


def index_fact(session: Session, tag: str, fact: t.Fact) -> None:
    """A removal by its tag, bag and part; anything else written down by its words."""
    body = fact.body
    if fact.kind == "removed":
        part = session.get(t.Part, f"{fact.job_id}.{fact.subject}")
        label = part.label if part else fact.subject
        bag = bag_code(tag, body["bag"]) if body.get("bag") else ""
        words = " ".join(x for x in (label, body.get("tag", ""), bag, body.get("remark", "")) if x)
        if bag or body.get("tag"):
            title = " · ".join(x for x in (label, f"bag {bag}" if bag else "", body.get("tag", "")) if x)
            add_rows(session, [Found("bag", fact.job_id, fact.subject, title, words)])
    elif fact.kind == "ordered":
        words = f"{body.get('number', '')} {body.get('supplier', '')}".strip()
        add_rows(session, [Found("order", fact.job_id, fact.subject, f"{words}, on order", words)])
    elif fact.kind in ("loose", "wrong"):
        words = f"{body.get('what', '')} {body.get('where', '')} {body.get('words', '')}"
        add_rows(session, [Found(fact.kind, fact.job_id, fact.subject, words.strip(), words)])
