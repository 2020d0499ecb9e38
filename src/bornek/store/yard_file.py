"""A yard's file as a whole: made new, looked at, copied, put in another's place."""

from __future__ import annotations

import os
import shutil
import sqlite3
from collections.abc import Callable
from contextlib import closing
from pathlib import Path

from alembic.config import Config
from alembic.script import ScriptDirectory
from sqlalchemy.orm import Session

from bornek.core.errors import InputError
from bornek.store.blobs import Blobs
from bornek.store.database import MIGRATIONS, Database, files_beside
from bornek.store.empty_yard import lay_empty
from bornek.store.tables import APPEND_ONLY

ENDINGS = ("", "-wal", "-shm")


def make_yard(path: Path, fill: Callable[[Session, Blobs], None]) -> None:
    """A new file with what `fill` writes, in one transaction. It is made under another name and renamed when
    it is whole: a start that is cut off leaves nothing half made."""
    if path.exists():
        raise InputError(f"{path} is there already.", field="data", next_step="Name a new file.")
    path.parent.mkdir(parents=True, exist_ok=True)
    for left in path.parent.glob(f"{path.stem}.begun-*"):
        _remove(left)
    draft = path.with_name(f"{path.stem}.begun-{os.getpid()}{path.suffix}")
    database = lay_empty(draft)
    with database.writing() as session:
        fill(session, Blobs(database.files))
    database.close()
    if database.files.is_dir():
        shutil.copytree(database.files, files_beside(path), dirs_exist_ok=True)
        _remove(database.files)
    os.replace(draft, path)


def _remove(left: Path) -> None:
    shutil.rmtree(left) if left.is_dir() else left.unlink(missing_ok=True)


def check_yard(path: Path, field: str = "from") -> None:
    """Raises InputError with the reason where a file is no yard of this or an earlier edition."""
    if not path.is_file():
        raise InputError(
            f"There is no file at {path}.", field=field, next_step="Give the path of a yard's file."
        )
    try:
        with closing(sqlite3.connect(f"file:{path}?mode=ro", uri=True)) as connection:
            sound = connection.execute("PRAGMA integrity_check").fetchone()[0]
            tables = {r[0] for r in connection.execute("SELECT name FROM sqlite_master WHERE type = 'table'")}
            edition = (
                connection.execute("SELECT version_num FROM alembic_version").fetchone()
                if "alembic_version" in tables
                else None
            )
            loose = connection.execute("PRAGMA foreign_key_check").fetchone()
    except sqlite3.DatabaseError as error:
        sound, tables, edition, loose = str(error), set(), None, None
    why = ""
    if sound != "ok":
        why = f"it is damaged or no SQLite file ({sound})"
    elif not edition or not {"job", "setting", "entry"} <= tables:
        why = "it is a database, but no yard"
    elif edition[0] not in _editions():
        why = f"it is of edition {edition[0]}, newer than this version reads ({_editions()[0]})"
    elif loose:
        why = f"a row of {loose[0]} points at nothing"
    if why:
        raise InputError(
            f"{path} cannot be used: {why}.", field=field, next_step="Take another file; nothing was changed."
        )


def _editions() -> list[str]:
    """Every edition that this version reads, the newest first."""
    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    return [s.revision for s in ScriptDirectory.from_config(config).walk_revisions()]


def open_yard(path: Path) -> Database:
    """The file brought to the newest edition. Raises InputError for a file that is no yard or a newer one."""
    if path.exists() and path.stat().st_size:
        check_yard(path, "data")
    database = Database(path)
    database.migrate()
    return database


def back_up(path: Path, to: Path) -> None:
    """A copy of a yard that may be in use, with its photos."""
    check_yard(path, "data")
    if to.exists():
        raise InputError(f"{to} is there already.", field="to", next_step="Name a new file.")
    _copy(path, to)


def restore(path: Path, source: Path) -> Path | None:
    """Puts a backup in the place of a yard; returns where the old one is kept, None if there was none.

    The backup is brought to the newest edition and looked at whole before anything takes its place.
    """
    check_yard(source)
    draft = path.with_name(f"{path.stem}.begun-{os.getpid()}{path.suffix}")
    _copy(source, draft)
    open_yard(draft).close()
    _check_guards(draft)
    check_yard(draft)
    _settle(draft)
    kept = None
    if path.exists():
        kept = _unused(path)
        _copy(path, kept)
    if files_beside(draft).is_dir():
        shutil.copytree(files_beside(draft), files_beside(path), dirs_exist_ok=True)
        _remove(files_beside(draft))
    for ending in ENDINGS[1:]:
        Path(f"{path}{ending}").unlink(missing_ok=True)
    os.replace(draft, path)
    return kept


def _settle(path: Path) -> None:
    """All of it in the one file, nothing left in the log beside it."""
    with closing(sqlite3.connect(path)) as connection:
        connection.execute("PRAGMA wal_checkpoint(TRUNCATE)")


def _check_guards(path: Path) -> None:
    with closing(sqlite3.connect(path)) as connection:
        rows = connection.execute("SELECT name FROM sqlite_master WHERE type = 'trigger'").fetchall()
    missing = [
        f"keep_{table}_{verb}"
        for table in APPEND_ONLY
        for verb in ("update", "delete", "insert")
        if (f"keep_{table}_{verb}",) not in rows
    ]
    if missing:
        raise InputError(
            f"{path} cannot be used: what keeps its records from being changed was taken away ({missing[0]}).",
            field="from",
            next_step="Take another backup; nothing was changed.",
        )


def _unused(path: Path) -> Path:
    """A name beside it that no earlier restore has taken."""
    n = 1
    while (kept := path.with_name(f"{path.stem}.before-restore-{n}{path.suffix}")).exists():
        n += 1
    return kept


def _copy(source: Path, target: Path) -> None:
    target.parent.mkdir(parents=True, exist_ok=True)
    with closing(sqlite3.connect(source)) as old, closing(sqlite3.connect(target)) as new:
        old.backup(new)
    if files_beside(source).is_dir():
        shutil.copytree(files_beside(source), files_beside(target), dirs_exist_ok=True)
