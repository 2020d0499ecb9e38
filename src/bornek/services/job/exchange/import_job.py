"""A job on its way in: read through the core, rehearsed in a yard of its own, then written here at one go."""

from __future__ import annotations

import logging
from collections.abc import Callable
from contextlib import AbstractContextManager
from dataclasses import dataclass
from datetime import date

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.core.errors import InputError
from bornek.services.desk import Desk
from bornek.services.job.exchange.adopt import Adoption, adopt
from bornek.services.job.exchange.check_rows import check_rows
from bornek.services.job.exchange.format import AGAIN, OWN, Row
from bornek.services.job.exchange.rehearse import Draw, rehearse
from bornek.services.job.exchange.unpack import Bundle, unpack
from bornek.services.job.exchange.write_rows import write_rows
from bornek.services.job.index_job import index_job
from bornek.services.strip.add_photo import Files
from bornek.store import tables as t
from bornek.store.base import Base

log = logging.getLogger("bornek")
Reading = Callable[[], AbstractContextManager[Session]]
CHOOSE_ANOTHER = "Open it from the board; nothing was changed."


@dataclass(frozen=True)
class Incoming:
    """A job that was read, rehearsed and found whole: its rows and its pictures."""

    adoption: Adoption
    bundle: Bundle

    @property
    def job_id(self) -> str:
        return str(self.adoption.rows["job"][0]["id"])


def read_incoming(data: bytes, reading: Reading, today: date, draw: Draw) -> Incoming:
    """Everything slow and everything that may fail, before anything is written here.

    `draw` makes the record's document from its view. Raises InputError for a file that is not one, was
    changed, holds what this version does not know, or of which a view cannot be made.
    """
    bundle = unpack(data)
    try:
        check_rows(bundle.rows)
        with reading() as session:
            adoption = adopt(session, bundle.rows, bundle.yard)
    except (LookupError, TypeError, ValueError, AttributeError) as error:
        log.warning("an exchange file was refused unread", exc_info=error)
        raise InputError(
            "The exchange file does not hold together.", field="file", next_step=AGAIN
        ) from error
    rehearse(bundle, adoption.rows, today, draw)
    return Incoming(adoption, bundle)


def take_in(desk: Desk, files: Files, incoming: Incoming) -> str:
    """Writes the rows here; returns the job's id. What the yard has is left alone.

    Raises InputError when the job is here already or an id of it was taken in between.
    """
    session, adoption = desk.session, incoming.adoption
    if session.get(t.Job, incoming.job_id) is not None:
        raise InputError("This job is in the yard already.", field="file", next_step=CHOOSE_ANOTHER)
    for name in OWN:
        _check_new(session, name, adoption.rows[name])
    for picture in incoming.bundle.pictures.values():
        files.put(picture.data)
        files.put(picture.thumb)
    write_rows(session, incoming.bundle, adoption.new_rows)
    index_job(session, incoming.job_id)
    return incoming.job_id


def _check_new(session: Session, name: str, rows: list[Row]) -> None:
    table = Base.metadata.tables[name]
    ids = [row["id"] for row in rows]
    for start in range(0, len(ids), 500):
        taken = session.scalars(select(table.c.id).where(table.c.id.in_(ids[start : start + 500]))).first()
        if taken is not None:
            raise InputError(
                f"{name} {taken} is in the yard already and belongs to another job.",
                field="file",
                next_step="A job that is here cannot come in again; nothing was taken in.",
            )
