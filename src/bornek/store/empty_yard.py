"""A yard without a row, of this edition: made once by a process, for making one takes as long as many views."""

from __future__ import annotations

import tempfile
from functools import cache
from pathlib import Path

from bornek.store.database import Database


def lay_empty(path: Path) -> Database:
    """A new file at `path`, open."""
    path.parent.mkdir(parents=True, exist_ok=True)
    path.write_bytes(_empty())
    return Database(path)


@cache
def _empty() -> bytes:
    with tempfile.TemporaryDirectory(prefix="bornek-") as folder:
        database = Database(Path(folder) / "empty.sqlite")
        database.migrate()
        database.close()
        return database.path.read_bytes()
