"""SQLite as every yard speaks it: what was compiled for one file is compiled for all.

SQLAlchemy keeps compiled statements by the dialect object, and every engine makes one of its own. Rigs, rehearsals and
archives come with a file, hence an engine, each: they would compile the same few hundred statements anew every time.
"""

from __future__ import annotations

from pathlib import Path
from typing import Any

from sqlalchemy import Engine, create_engine
from sqlalchemy.dialects import registry
from sqlalchemy.dialects.sqlite.pysqlite import SQLiteDialect_pysqlite
from sqlalchemy.util import LRUCache

_COMPILED: LRUCache[Any, Any] = LRUCache(2000)


class YardDialect(SQLiteDialect_pysqlite):
    """Any two are the same one."""

    supports_statement_cache = True

    def __eq__(self, other: object) -> bool:
        return type(other) is type(self)

    def __hash__(self) -> int:
        return hash(type(self))


registry.register("sqlite.yard", __name__, "YardDialect")


def engine_of(path: Path) -> Engine:
    """An engine over one SQLite file, for use from any thread."""
    return create_engine(
        f"sqlite+yard:///{path}",
        connect_args={"timeout": 10, "check_same_thread": False},
        execution_options={"compiled_cache": _COMPILED},
    )
