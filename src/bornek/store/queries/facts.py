"""What is written down about a job besides readings, in the order of seq."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from sqlalchemy import BindParameter, bindparam, exists, select
from sqlalchemy.orm import Session, aliased

from bornek.store import tables as t
from bornek.store.once import read_once

_JOB_ID: BindParameter[str] = bindparam("job_id")
_later = aliased(t.Fact)
_LIVE = (
    select(t.Fact)
    .where(t.Fact.job_id == _JOB_ID, ~t.Fact.void, ~exists().where(_later.supersedes == t.Fact.id))
    .order_by(t.Fact.seq)
)
_PHOTOS = (
    select(t.Attachment, t.Blob)
    .join(t.Blob, t.Blob.sha256 == t.Attachment.sha256)
    .where(t.Attachment.job_id == _JOB_ID)
    .order_by(t.Attachment.seq)
)
_STAYS = (
    select(t.ComponentStay, t.Component)
    .join(t.Component, t.Component.id == t.ComponentStay.component_id)
    .where(t.ComponentStay.job_id == _JOB_ID)
    .order_by(t.ComponentStay.seq)
)


def live_facts(session: Session, job_id: str) -> Sequence[t.Fact]:
    """Facts that nothing supersedes and that strike nothing."""
    return read_once(session, ("facts", job_id), lambda: session.scalars(_LIVE, {"job_id": job_id}).all())


def photos_of(session: Session, job_id: str) -> list[tuple[t.Attachment, t.Blob]]:
    return [(a, b) for a, b in session.execute(_PHOTOS, {"job_id": job_id})]


def stays_of(session: Session, job_id: str) -> Mapping[str, tuple[t.ComponentStay, t.Component]]:
    """The component of each part that has one: the last stay counts."""
    return read_once(session, ("stays", job_id), lambda: _stays(session, job_id))


def _stays(session: Session, job_id: str) -> dict[str, tuple[t.ComponentStay, t.Component]]:
    rows = session.execute(_STAYS, {"job_id": job_id})
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
