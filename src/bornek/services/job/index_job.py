"""Puts what can be looked for of a job into the search index."""

from __future__ import annotations

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.core.errors import InputError
from bornek.core.facts.registry import find_fact_kind
from bornek.core.structure import build
from bornek.core.units.definition import Definition
from bornek.core.units.part_kinds import PART_KINDS
from bornek.services.job.job_definition import definition_of
from bornek.store import tables as t
from bornek.store.queries.facts import live_facts
from bornek.store.queries.jobs import job_with_unit
from bornek.store.search import Found, add_rows, forget_job


def index_job(session: Session, job_id: str) -> None:
    """All rows of a job afresh: the job, its parts, its components, what came off."""
    job, unit = job_with_unit(session, job_id)
    forget_job(session, job_id)
    title = f"{unit.tag} {unit.name}"
    rows = [Found("job", job_id, "", title, f"{title} {unit.serial} {job.complaint} {job.bench}")]
    for p in session.scalars(select(t.Part).where(t.Part.job_id == job_id).order_by(t.Part.position)):
        kind = PART_KINDS[p.part_kind].label if p.part_kind in PART_KINDS else p.part_kind
        rows.append(Found("part", job_id, p.key, p.label, f"{p.label} {p.number} {kind}"))
    stays = session.execute(
        select(t.ComponentStay, t.Component)
        .join(t.Component, t.Component.id == t.ComponentStay.component_id)
        .where(t.ComponentStay.job_id == job_id)
    )
    rows += [component_row(job_id, stay.part_key, component) for stay, component in stays]
    add_rows(session, rows)
    if facts := live_facts(session, job_id):
        definition = definition_of(job)
        add_rows(session, [r for f in facts if (r := _fact_row(f, unit.tag, definition))])


def component_row(job_id: str, part_key: str, component: t.Component) -> Found:
    return Found(
        "serial",
        job_id,
        part_key,
        f"{component.label}, serial {component.serial}",
        f"{component.label} {component.serial}",
    )


def index_fact(session: Session, fact: t.Fact) -> None:
    """What a fact declares to be found by."""
    job, unit = job_with_unit(session, fact.job_id)
    row = _fact_row(fact, unit.tag, definition_of(job))
    add_rows(session, [row] if row else [])


def _fact_row(fact: t.Fact, tag: str, definition: Definition) -> Found | None:
    try:
        kind = find_fact_kind(fact.fact_kind)
        body = build(kind.body, fact.body)
    except InputError:
        return None
    found = kind.findable(body, tag, definition.label_of(fact.subject) or fact.subject)
    return Found(found.what, fact.job_id, fact.subject, found.title, found.words) if found else None
