"""Jobs with their units, places and settings."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from bornek.core.errors import JobClosed, NotFound
from bornek.store import tables as t
from bornek.store.queries.yard import local_day


def job_with_unit(session: Session, job_id: str) -> tuple[t.Job, t.Unit]:
    row = session.execute(
        select(t.Job, t.Unit).join(t.Unit, t.Unit.id == t.Job.unit_id).where(t.Job.id == job_id)
    ).one_or_none()
    if row is None:
        raise NotFound(f"No job has the id {job_id!r}.", field="job_id", next_step="Go back to the board.")
    return row[0], row[1]


def open_job(session: Session, job_id: str) -> tuple[t.Job, t.Unit]:
    """The same, to be written on. Raises JobClosed for one that takes nothing any more."""
    job, unit = job_with_unit(session, job_id)
    check_open(session, job)
    return job, unit


def check_open(session: Session, job: t.Job) -> None:
    """Raises JobClosed with the way to open it again."""
    if job.closed_at is not None:
        raise JobClosed(
            f"This job was closed on {local_day(session, job.closed_at).isoformat()}: it takes nothing any more.",
            field="job_id",
            next_step="Open it again with a reason, on Receive.",
        )


def settings_of(session: Session, job_id: str) -> Sequence[t.Setting]:
    return session.scalars(
        select(t.Setting).where(t.Setting.job_id == job_id).order_by(t.Setting.position)
    ).all()


def places_of(session: Session, job_id: str) -> Sequence[t.Place]:
    return session.scalars(select(t.Place).where(t.Place.job_id == job_id).order_by(t.Place.id)).all()


_UNREAD = (
    select(t.Job, t.Unit)
    .join(t.Unit, t.Unit.id == t.Job.unit_id)
    .outerjoin(t.Standing, t.Standing.job_id == t.Job.id)
    .where(t.Job.closed_at.is_(None), (t.Standing.seq.is_(None)) | (t.Standing.seq != t.Job.seq))
    .order_by(t.Job.opened_at, t.Unit.tag)
)
_UNREAD_COUNT = (
    select(func.count())
    .select_from(t.Job)
    .outerjoin(t.Standing, t.Standing.job_id == t.Job.id)
    .where(t.Job.closed_at.is_(None), (t.Standing.seq.is_(None)) | (t.Standing.seq != t.Job.seq))
)
_IN_BAND = (
    select(t.Standing.job_id, t.Standing.mark)
    .join(t.Job, t.Job.id == t.Standing.job_id)
    .where(t.Job.closed_at.is_(None))
    .order_by(t.Standing.rank, t.Job.opened_at, t.Standing.job_id)
)


def unread_jobs(session: Session, most: int) -> list[tuple[t.Job, t.Unit]]:
    """Open jobs whose standing on the board is missing or older than their last seq."""
    return [(job, unit) for job, unit in session.execute(_UNREAD.limit(most))]


def count_unread(session: Session) -> int:
    return session.scalars(_UNREAD_COUNT).one()


def marks_in(session: Session, band: str, most: int) -> list[tuple[str, str]]:
    """Job and mark of the first part_counts of a band that belong to open jobs."""
    rows = session.execute(_IN_BAND.where(t.Standing.band == band).limit(most))
    return [(job_id, mark) for job_id, mark in rows]


def standing_rows(session: Session, job_ids: Sequence[str]) -> list[dict[str, Any]]:
    """What the board shows of these jobs, in their order."""
    rows = session.execute(select(t.Standing.job_id, t.Standing.row).where(t.Standing.job_id.in_(job_ids)))
    found: dict[str, dict[str, Any]] = dict(rows.all())
    return [found[job_id] for job_id in job_ids]


def band_counts(session: Session) -> dict[str, int]:
    rows = session.execute(
        select(t.Standing.band, func.count())
        .join(t.Job, t.Job.id == t.Standing.job_id)
        .where(t.Job.closed_at.is_(None))
        .group_by(t.Standing.band)
    )
    return dict(rows.all())


def signed_like(
    session: Session, setting: t.Setting, unit_type_id: str
) -> Sequence[tuple[t.Signature, t.Unit]]:
    """Last signatures of the same setting on other jobs with units of the same type, each with its unit."""
    same = (
        select(t.Setting.id)
        .join(t.Job, t.Job.id == t.Setting.job_id)
        .join(t.Unit, t.Unit.id == t.Job.unit_id)
        .where(
            t.Unit.unit_type_id == unit_type_id,
            func.coalesce(func.nullif(t.Setting.remembered_as, ""), t.Setting.key)
            == (setting.remembered_as or setting.key),
            t.Setting.kind == setting.kind,
            t.Setting.id != setting.id,
        )
    )
    rows = session.execute(
        select(t.Signature, t.Unit)
        .join(t.Setting, t.Setting.id == t.Signature.setting_id)
        .join(t.Job, t.Job.id == t.Setting.job_id)
        .join(t.Unit, t.Unit.id == t.Job.unit_id)
        .where(t.Signature.setting_id.in_(same))
        .order_by(t.Signature.seq)
    )
    return list({signature.setting_id: (signature, unit) for signature, unit in rows}.values())
