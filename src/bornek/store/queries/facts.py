"""What is written down about a job besides readings, in the order of seq."""

from __future__ import annotations

from collections.abc import Sequence

from sqlalchemy import exists, select
from sqlalchemy.orm import Session, aliased

from bornek.store import tables as t

_later = aliased(t.Fact)


def live_facts(session: Session, job_id: str) -> Sequence[t.Fact]:
    """Facts that nothing supersedes and that strike nothing."""
    return session.scalars(
        select(t.Fact)
        .where(t.Fact.job_id == job_id, ~t.Fact.void, ~exists().where(_later.supersedes == t.Fact.id))
        .order_by(t.Fact.seq)
    ).all()


def photos_of(session: Session, job_id: str) -> list[tuple[t.Attachment, t.Blob]]:
    rows = session.execute(
        select(t.Attachment, t.Blob)
        .join(t.Blob, t.Blob.sha256 == t.Attachment.sha256)
        .where(t.Attachment.job_id == job_id)
        .order_by(t.Attachment.seq)
    )
    return [(a, b) for a, b in rows]


def stays_of(session: Session, job_id: str) -> dict[str, tuple[t.ComponentStay, t.Component]]:
    """The component of each part that has one: the last stay counts."""
    rows = session.execute(
        select(t.ComponentStay, t.Component)
        .join(t.Component, t.Component.id == t.ComponentStay.component_id)
        .where(t.ComponentStay.job_id == job_id)
        .order_by(t.ComponentStay.seq)
    )
    return {stay.part_key: (stay, component) for stay, component in rows}


def earlier_stays(
    session: Session, component_id: str, job_id: str
) -> list[tuple[t.ComponentStay, t.Job, t.Unit]]:
    """Where a component was before this job, newest first."""
    rows = session.execute(
        select(t.ComponentStay, t.Job, t.Unit)
        .join(t.Job, t.Job.id == t.ComponentStay.job_id)
        .join(t.Unit, t.Unit.id == t.Job.unit_id)
        .where(t.ComponentStay.component_id == component_id, t.ComponentStay.job_id != job_id)
        .order_by(t.ComponentStay.at.desc())
    )
    return [(stay, job, unit) for stay, job, unit in rows]
