import sqlite3

import pytest
from sqlalchemy import text
from sqlalchemy.exc import IntegrityError

from bornek.store.base import Base
from bornek.store.database import Database
from bornek.store.tables import APPEND_ONLY

EMPTY_IN_THE_YARD = {
    "explanation": (
        "INSERT INTO explanation VALUES ('x', 'w17.output-end-play', 2, 'reread', '', 99, 'marl', '2026-01-01')",
    ),
    "attachment": (
        "INSERT INTO blob VALUES ('s', 'image/png', 1, 1, 1, 't', '2026-01-01', NULL)",
        "INSERT INTO attachment VALUES ('x', 'w17', 's', '', '', 99, 'marl', '2026-01-01')",
    ),
    "unit_entry": (
        "INSERT INTO unit_entry SELECT 'x', 'u-w26', id, 'done', 'marl', '2026-01-01' FROM fact WHERE kind = 'deferred' LIMIT 1",
    ),
    "deed": ("INSERT INTO deed VALUES (1, '2026-01-01', 'marl', NULL, 'x', '', 'named')",),
    "blob": ("INSERT INTO blob VALUES ('s', 'image/png', 1, 1, 1, 't', '2026-01-01', NULL)",),
}
KEYS = {"blob": "sha256"}


@pytest.mark.parametrize("table", APPEND_ONLY)
@pytest.mark.parametrize(
    "verb",
    [
        "UPDATE {0} SET {1} = {1}",
        "DELETE FROM {0}",
        "INSERT OR REPLACE INTO {0} SELECT * FROM {0} LIMIT 1",
        "REPLACE INTO {0} SELECT * FROM {0}",
    ],
)
def test_append_only_tables_refuse_change_by_trigger(yard: Database, table: str, verb: str) -> None:
    if table in EMPTY_IN_THE_YARD:
        yard_row(yard, EMPTY_IN_THE_YARD[table])
    with yard.writing() as session, pytest.raises(IntegrityError, match="append-only"):
        session.execute(text(verb.format(table, KEYS.get(table, "id"))))


def test_no_insert_takes_the_place_of_a_row_by_any_of_its_keys(yard: Database) -> None:
    """REPLACE deletes without a DELETE trigger: by the number in the job, and by the row's own number too."""
    with sqlite3.connect(yard.path) as connection:
        columns = [r[1] for r in connection.execute("PRAGMA table_info(entry)")]
        before = connection.execute("SELECT * FROM entry ORDER BY id").fetchall()
        row = dict(zip(columns, before[0], strict=True))
        number = connection.execute("SELECT rowid FROM entry WHERE id = ?", (row["id"],)).fetchone()[0]
        forged = {**row, "id": "forged", "as_typed": "0.99", "supersedes": None}
        for names, values in (
            (list(forged), list(forged.values())),
            (["rowid", *forged], [number, *({**forged, "seq": 9999}).values()]),
        ):
            marks = ", ".join("?" * len(values))
            with pytest.raises(sqlite3.IntegrityError, match="append-only"):
                connection.execute(f"REPLACE INTO entry ({', '.join(names)}) VALUES ({marks})", values)
        assert connection.execute("SELECT * FROM entry ORDER BY id").fetchall() == before


def yard_row(yard: Database, rows: tuple[str, ...]) -> None:
    with yard.writing() as session:
        for row in rows:
            session.execute(text(row))


def test_the_migrated_schema_is_the_declared_one(empty: Database) -> None:
    with sqlite3.connect(empty.path) as connection:
        rows = connection.execute("SELECT name FROM sqlite_master WHERE type = 'table'").fetchall()
    own = {r[0] for r in rows if not r[0].startswith("search_index")}
    assert own - {"alembic_version"} == set(Base.metadata.tables)


def test_migrating_twice_changes_nothing(empty: Database) -> None:
    empty.migrate()
    with empty.reading() as session:
        assert session.execute(text("SELECT count(*) FROM alembic_version")).scalar() == 1


def test_pragmas_hold_on_every_connection(empty: Database) -> None:
    with empty.reading() as session:
        found = {
            p: session.execute(text(f"PRAGMA {p}")).scalar()
            for p in ("foreign_keys", "synchronous", "journal_mode")
        }
    assert found == {"foreign_keys": 1, "synchronous": 2, "journal_mode": "wal"}


def test_seq_is_unique_and_rising_within_a_job(yard: Database) -> None:
    with yard.reading() as session:
        seqs = [
            r[0] for r in session.execute(text("SELECT seq FROM entry WHERE job_id = 'w17' ORDER BY rowid"))
        ]
        last = session.execute(text("SELECT seq FROM job WHERE id = 'w17'")).scalar()
    assert seqs == sorted(set(seqs))
    assert last is not None
    assert seqs[-1] <= last


def test_a_time_without_a_zone_is_refused(yard: Database) -> None:
    from datetime import datetime

    from sqlalchemy.exc import StatementError

    from bornek.store import tables as t

    with yard.writing() as session:
        session.add(t.Idempotency(key="k", request_sha256="", made=None, at=datetime(2026, 1, 1)))
        with pytest.raises(StatementError, match="without a zone"):
            session.flush()
        session.rollback()


def test_a_batch_migration_drops_the_guards_and_guard_puts_them_back(empty: Database) -> None:
    """Why every migration that rebuilds an append-only table must call `guard` again."""
    from alembic.migration import MigrationContext
    from alembic.operations import Operations
    from sqlalchemy import Column, String

    from bornek.store.migrations.guards import guard, guard_keys

    def guards(connection: object) -> int:
        query = "SELECT count(*) FROM sqlite_master WHERE type = 'trigger' AND tbl_name = 'signature'"
        return int(connection.exec_driver_sql(query).scalar())  # type: ignore[attr-defined]

    with (
        empty.engine.connect() as connection,
        Operations.context(MigrationContext.configure(connection)) as op,
    ):
        assert guards(connection) == 3
        with op.batch_alter_table("signature", recreate="always") as batch:
            batch.add_column(Column("extra", String))
        assert guards(connection) == 0
        guard("signature")
        guard_keys("signature")
        assert guards(connection) == 3
