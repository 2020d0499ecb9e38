"""An archive taken into an empty yard, whole or not at all."""

from __future__ import annotations

from sqlalchemy import func, select, text
from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session

from bornek.core.errors import InputError
from bornek.services.archive.format import archived
from bornek.services.archive.read_archive import Archive, refused
from bornek.services.archive.write_archive import store_edition
from bornek.services.job.exchange.write_rows import insert_rows, typed_row
from bornek.services.job.index_job import index_job
from bornek.services.strip.add_photo import Files
from bornek.store import tables as t


def is_empty(session: Session) -> bool:
    """Whether nothing was ever written in a yard."""
    return not any(
        session.scalar(select(func.count()).select_from(table))
        for table in archived()
        if table.name != "yard"
    )


def take_archive(session: Session, files: Files, archive: Archive) -> None:
    """Every row as it was: ids, times, names and orders. Raises InputError for a yard that is not empty, for tables of
    another edition, and for rows that point at nothing."""
    if not is_empty(session):
        raise InputError(
            "This yard is not empty: an archive is taken into an empty one only.",
            field="data",
            next_step="Name a new file; a single job comes in by its exchange file.",
        )
    here = store_edition(session)
    if archive.store != here:
        raise refused(f"its tables are of edition {archive.store}, this version's of {here}")
    session.execute(text("PRAGMA defer_foreign_keys=ON"))
    session.query(t.Yard).delete()
    try:
        for table in archived():
            insert_rows(session, table, [typed_row(table.name, row) for row in archive.rows[table.name]])
        session.flush()
    except IntegrityError as error:
        raise refused("two of its rows are one, or one lacks what it needs") from error
    loose = session.execute(text("PRAGMA foreign_key_check")).first()
    if loose is not None:
        raise refused(f"a row of {loose[0]} points at something that is not in it")
    for data in archive.files.values():
        files.put(data)
    for job_id in session.scalars(select(t.Job.id).order_by(t.Job.opened_at, t.Job.id)).all():
        index_job(session, job_id)
