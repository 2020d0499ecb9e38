"""Opens the SQLite file: WAL, foreign keys, full sync, and writes that begin at once."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

from alembic import command
from alembic.config import Config
from sqlalchemy import Engine, event
from sqlalchemy.orm import Session

from bornek.store.engine import engine_of
from bornek.store.fair_queue import FairQueue
from bornek.store.trouble import said_plainly

PRAGMAS = ("journal_mode=WAL", "foreign_keys=ON", "busy_timeout=10000", "synchronous=FULL")


MIGRATIONS = Path(__file__).parent / "migrations"


def files_beside(path: Path) -> Path:
    """The folder beside a database where its photos lie."""
    return path.with_suffix(".files")


class Database:
    """Sessions over one SQLite file.

    Writers of this process wait in one queue, in the order in which they came: SQLite's own waiting starves
    some. A write begins with BEGIN IMMEDIATE: a deferred transaction upgraded midway would ignore the
    busy timeout. It is committed before the answer is given, with synchronous=FULL.
    """

    def __init__(self, path: str | Path) -> None:
        self.path = Path(path)
        self.path.parent.mkdir(parents=True, exist_ok=True)
        self.engine = _engine(self.path)
        self._writer = self.engine.execution_options(bornek_write=True)
        self._queue = FairQueue()

    @property
    def files(self) -> Path:
        """The folder beside the database where photos lie."""
        return files_beside(self.path)

    @contextmanager
    def reading(self) -> Iterator[Session]:
        with Session(self.engine) as session:
            yield session

    @contextmanager
    def writing(self) -> Iterator[Session]:
        with (
            said_plainly(),
            self._queue,
            Session(self._writer, expire_on_commit=False) as session,
            session.begin(),
        ):
            yield session

    def migrate(self) -> None:
        """Brings the file to the newest schema."""
        config = Config()
        config.set_main_option("script_location", str(MIGRATIONS))
        with self.engine.connect() as connection:
            config.attributes["connection"] = connection
            command.upgrade(config, "head")

    def close(self) -> None:
        self.engine.dispose()


def _engine(path: Path) -> Engine:
    engine = engine_of(path)

    @event.listens_for(engine, "connect")
    def _connect(connection: Any, _record: Any) -> None:
        connection.isolation_level = None
        cursor = connection.cursor()
        for pragma in PRAGMAS:
            cursor.execute(f"PRAGMA {pragma}")
        cursor.close()

    @event.listens_for(engine, "begin")
    def _begin(connection: Any) -> None:
        write = connection.get_execution_options().get("bornek_write")
        connection.exec_driver_sql("BEGIN IMMEDIATE" if write else "BEGIN")

    return engine
