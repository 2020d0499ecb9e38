"""Whether an archive is what it says, and every signature in it what was signed."""

from __future__ import annotations

import tempfile
from datetime import date
from pathlib import Path

from sqlalchemy import select

from bornek.services.archive.read_archive import read_archive, refused
from bornek.services.archive.take_archive import take_archive
from bornek.services.job.verify_file import Verified, verified
from bornek.store import tables as t
from bornek.store.blobs import Blobs
from bornek.store.empty_yard import lay_empty


def verify_archive(data: bytes, today: date) -> tuple[list[Verified], str]:
    """Every job with its seals and its end, and the archive's own code. Raises InputError for what is no archive, was
    changed, or does not hold together."""
    archive = read_archive(data)
    with tempfile.TemporaryDirectory() as folder:
        database = lay_empty(Path(folder) / "looked-at.sqlite")
        try:
            with database.writing() as session:
                take_archive(session, Blobs(database.files), archive)
                jobs = session.scalars(select(t.Job.id).order_by(t.Job.id)).all()
                found = [verified(session, key, today) for key in jobs]
        finally:
            database.close()
    told = {v.job: v.end for v in found}
    if told != archive.jobs:
        changed = sorted(k for k in told.keys() | archive.jobs.keys() if told.get(k) != archive.jobs.get(k))
        raise refused(f"the rows of {', '.join(changed[:3])} do not end where it says")
    return found, archive.end
