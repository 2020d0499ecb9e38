"""A photo hung on a job: checked by content, kept by the hash of what is left."""

from __future__ import annotations

from typing import Any, Protocol

from sqlalchemy import or_, select
from sqlalchemy.orm import Session

from bornek.core.errors import InputError, NotFound
from bornek.core.parts.causes import evidence_shown
from bornek.services.desk import Desk
from bornek.services.job.job_definition import definition_of
from bornek.services.strip.images import Picture
from bornek.store import tables as t
from bornek.store.queries.jobs import open_job


class Files(Protocol):
    """Where files are kept by their hash."""

    def put(self, data: bytes) -> str: ...

    def get(self, sha: str) -> bytes | None: ...


def add_photo(desk: Desk, job_id: str, files: Files, picture: Picture, sent: dict[str, Any]) -> None:
    """sent: id, subject (a part, place or mesh of the unit, or empty), caption. The files are on disk
    before the rows are committed."""
    who = desk.mechanic()
    job, _ = open_job(desk.session, job_id)
    subject = str(sent.get("subject", ""))
    if subject and not definition_of(job).label_of(subject) and evidence_shown(subject) is None:
        raise InputError(
            f"This unit has no part, place or mesh {subject[:60]!r}.",
            field="subject",
            next_step="Choose what the photo shows, or leave it empty.",
        )
    sha, thumb = files.put(picture.data), files.put(picture.thumb)
    if desk.session.get(t.Blob, sha) is None:
        desk.session.add(
            t.Blob(
                sha256=sha,
                media_type=picture.media_type,
                size=len(picture.data),
                width=picture.width,
                height=picture.height,
                thumb=thumb,
                at=desk.now,
            )
        )
        desk.session.flush()
    job.seq += 1
    desk.session.add(
        t.Attachment(
            id=sent["id"],
            job_id=job_id,
            sha256=sha,
            subject=subject,
            caption=str(sent.get("caption", ""))[:200],
            seq=job.seq,
            mechanic_id=who.id,
            at=desk.now,
        )
    )
    desk.session.flush()


def photo_file(session: Session, sha: str) -> tuple[str, str]:
    """The media type of a kept picture or small picture and the hash under which its bytes lie; NotFound for
    anything that is not a photo's."""
    blob = session.scalars(
        select(t.Blob).where(or_(t.Blob.sha256 == sha, t.Blob.thumb == sha)).limit(1)
    ).first()
    if blob is None:
        raise NotFound("No photo is kept under that name.", field="sha256", next_step="Open the job again.")
    return (blob.media_type, blob.file or sha) if blob.sha256 == sha else ("image/jpeg", sha)
