"""Jobs with their units, places and settings."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from sqlalchemy import BindParameter, bindparam, func, select
from sqlalchemy.orm import Session

from bornek.core.errors import JobClosed, NotFound
from bornek.store import tables as t
from bornek.store.once import read_once
from bornek.store.queries.yard import local_day

_JOB_ID: BindParameter[str] = bindparam("job_id")
_JOB = select(t.Job, t.Unit).join(t.Unit, t.Unit.id == t.Job.unit_id).where(t.Job.id == _JOB_ID)
_SETTINGS = select(t.Setting).where(t.Setting.job_id == _JOB_ID).order_by(t.Setting.position)
_PLACES = select(t.Place).where(t.Place.job_id == _JOB_ID).order_by(t.Place.id)


def job_with_unit(session: Session, job_id: str) -> tuple[t.Job, t.Unit]:
    row = read_once(session, ("job", job_id), lambda: session.execute(_JOB, {"job_id": job_id}).one_or_none())
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
    return read_once(
        session, ("settings", job_id), lambda: session.scalars(_SETTINGS, {"job_id": job_id}).all()
    )


def places_of(session: Session, job_id: str) -> Sequence[t.Place]:
    return session.scalars(_PLACES, {"job_id": job_id}).all()


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
_ROWS = select(t.Standing.job_id, t.Standing.row).where(
    t.Standing.job_id.in_(bindparam("job_ids", expanding=True))
)
_COUNTS = (
    select(t.Standing.band, func.count())
    .join(t.Job, t.Job.id == t.Standing.job_id)
    .where(t.Job.closed_at.is_(None))
    .group_by(t.Standing.band)
)
_SAME = (
    select(t.Setting.id)
    .join(t.Job, t.Job.id == t.Setting.job_id)
    .join(t.Unit, t.Unit.id == t.Job.unit_id)
    .where(
        t.Unit.unit_type_id == bindparam("type_id"),
        func.coalesce(func.nullif(t.Setting.remembered_as, ""), t.Setting.key) == bindparam("remembered_as"),
        t.Setting.kind == bindparam("kind"),
        t.Setting.id != bindparam("but"),
    )
)
_SIGNED_LIKE = (
    select(t.Signature, t.Unit)
    .join(t.Setting, t.Setting.id == t.Signature.setting_id)
    .join(t.Job, t.Job.id == t.Setting.job_id)
    .join(t.Unit, t.Unit.id == t.Job.unit_id)
    .where(t.Signature.setting_id.in_(_SAME))
    .order_by(t.Signature.seq)
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
    rows = session.execute(_ROWS, {"job_ids": list(job_ids)})
    found: dict[str, dict[str, Any]] = dict(rows.all())
    return [found[job_id] for job_id in job_ids]


def band_counts(session: Session) -> dict[str, int]:
    return dict(session.execute(_COUNTS).all())


def signed_like(
    session: Session, setting: t.Setting, unit_type_id: str
) -> Sequence[tuple[t.Signature, t.Unit]]:
    """Last signatures of the same setting on other jobs with units of the same type, each with its unit."""
    like = {
        "type_id": unit_type_id,
        "remembered_as": setting.remembered_as or setting.key,
        "kind": setting.kind,
        "but": setting.id,
    }
    rows = session.execute(_SIGNED_LIKE, like)
    return list({signature.setting_id: (signature, unit) for signature, unit in rows}.values())
