"""A job that came in is tried out: alone, in an empty yard of its own, every view of it is made."""

from __future__ import annotations

import tempfile
from collections.abc import Callable, Iterator, Mapping
from contextlib import contextmanager
from datetime import UTC, date, datetime, time
from functools import partial
from pathlib import Path
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.errors import BornekError, InputError
from bornek.core.settings.registry import find_calculation
from bornek.core.settings.unread import UnreadSetting
from bornek.services.inspect.view import view_inspect
from bornek.services.job.build_sheet import build_sheet
from bornek.services.job.exchange.format import AGAIN, Rows
from bornek.services.job.exchange.unpack import Bundle
from bornek.services.job.exchange.write_rows import write_rows
from bornek.services.job.index_job import index_job
from bornek.services.job.record import view_record
from bornek.services.job.view import view_job
from bornek.services.prove.view import view_prove
from bornek.services.setting.kept_settings import KeptSettings
from bornek.services.setting.load_setting import load_setting
from bornek.services.setting.view import view_setting
from bornek.services.shop.board import refresh_board, view_board
from bornek.services.strip.view import view_strip
from bornek.services.unit.life import view_life
from bornek.store import tables as t
from bornek.store.empty_yard import lay_empty
from bornek.store.queries.jobs import job_with_unit, settings_of

Draw = Callable[[Mapping[str, Any]], object]


def rehearse(bundle: Bundle, rows: Rows, today: date, draw: Draw) -> None:
    """Every view of the job is made, or InputError says which cannot be."""
    with alone(bundle, rows) as session:
        for what, look in _looks(session, str(rows["job"][0]["id"]), today, draw):
            _make(what, look)


@contextmanager
def alone(bundle: Bundle, rows: Rows) -> Iterator[Session]:
    """A session over an empty yard that holds this job only. It reads; the rows of its board go with it."""
    with tempfile.TemporaryDirectory() as folder:
        database = lay_empty(Path(folder) / "rehearsal.sqlite")
        try:
            with database.writing() as session:
                write_rows(session, bundle, lambda name: rows[name])
                index_job(session, str(rows["job"][0]["id"]))
            with database.reading() as session:
                KeptSettings().lend(session)
                yield session
        finally:
            database.close()


def _looks(
    session: Session, job_id: str, today: date, draw: Draw
) -> Iterator[tuple[str, Callable[[], object]]]:
    for setting in settings_of(session, job_id):
        yield f"setting {setting.key}", partial(_look_at, session, setting, today)
    yield "job", lambda: view_job(session, job_id, today)
    yield "strip", lambda: view_strip(session, job_id)
    yield "inspection", lambda: view_inspect(session, job_id, today)
    noon = datetime.combine(today, time(12), UTC)
    yield "last look", lambda: view_prove(session, job_id, noon)
    yield "build sheet", lambda: build_sheet(session, job_id, noon)
    yield "life", lambda: view_life(session, job_with_unit(session, job_id)[1].id, today)
    yield "record", lambda: draw(view_record(session, job_id, today))
    yield "board", lambda: (refresh_board(session, today), view_board(session, today))


def _look_at(session: Session, setting: t.Setting, today: date) -> None:
    loaded = load_setting(session, setting.id, today)
    if isinstance(loaded.kind, UnreadSetting) and not _is_outgrown(setting):
        raise InputError(loaded.kind.trouble)
    view_setting(session, setting.id, today)


def _make(what: str, look: Callable[[], object]) -> None:
    try:
        look()
    except Exception as error:
        why = error.message if isinstance(error, BornekError) else type(error).__name__
        raise InputError(
            f"The exchange file cannot be shown: its {what} cannot be made ({why}).",
            field="file",
            next_step=AGAIN,
        ) from error


def _is_outgrown(setting: t.Setting) -> bool:
    """Laid out under an earlier version of its kind: it may ask for more than was given, and says so."""
    return setting.kind_version < find_calculation(setting.kind).version
