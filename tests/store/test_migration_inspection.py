"""From a yard of the former schema to the present one: nothing entered is lost, what can be made anew is."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path

import pytest
from alembic import command
from alembic.config import Config
from sqlalchemy import inspect, text
from sqlalchemy.exc import IntegrityError, OperationalError

import bornek.store.database as module
from bornek.store.database import Database

SCRIPTS = Path(module.__file__).parent / "migrations"


def upgrade(database: Database, revision: str) -> None:
    config = Config()
    config.set_main_option("script_location", str(SCRIPTS))
    with database.engine.connect() as connection:
        config.attributes["connection"] = connection
        command.upgrade(config, revision)


@pytest.fixture
def former(tmp_path: Path) -> Iterator[Database]:
    """A yard at the schema before inspection, with a mechanic, a job, a fact and a standing."""
    database = Database(tmp_path / "former.sqlite")
    upgrade(database, "0002")
    with database.writing() as session:
        for row in (
            "INSERT INTO mechanic (id, name) VALUES ('jun', 'Jun Havers')",
            "INSERT INTO unit_type (id, name) VALUES ('u', 'Unit')",
            "INSERT INTO unit_type_revision (id, unit_type_id, number, definition, sha256) "
            "VALUES ('u.1', 'u', 1, '{}', 'x')",
            "INSERT INTO unit (id, tag, name, serial, unit_type_id) VALUES ('m', 'M-1', 'Machine', 's', 'u')",
            "INSERT INTO job (id, unit_id, unit_type_revision_id, definition, complaint, length_unit, schools, bench, "
            "waits_for, opened_at, seq) VALUES ('j', 'm', 'u.1', '{}', '', 'mm', '{}', '', '', '2026-01-01 00:00:00', 1)",
            "INSERT INTO fact (id, job_id, kind, subject, body, void, seq, mechanic_id, at) VALUES "
            "('f', 'j', 'loose', '', '{\"what\": \"pin\", \"where\": \"sump\"}', 0, 1, 'jun', '2026-01-01 00:00:00')",
            "INSERT INTO standing (job_id, seq, mark, band, rank, row) VALUES ('j', 1, '', 'hands', 1, '{}')",
        ):
            session.execute(text(row))
    yield database
    database.close()


def count(database: Database, table: str) -> int:
    with database.reading() as session:
        return int(session.execute(text(f"SELECT count(*) FROM {table}")).scalar() or 0)


def test_what_was_entered_is_still_there(former: Database) -> None:
    former.migrate()
    assert (count(former, "job"), count(former, "fact"), count(former, "mechanic")) == (1, 1, 1)


def test_standings_are_made_anew(former: Database) -> None:
    former.migrate()
    assert count(former, "standing") == 0


def test_the_new_lists_are_there_and_empty(former: Database) -> None:
    former.migrate()
    assert (count(former, "look_for"), count(former, "cross_number")) == (0, 0)
    assert "ix_fact_kind" in {i["name"] for i in inspect(former.engine).get_indexes("fact")}


@pytest.mark.parametrize("command_", ["UPDATE fact SET kind = 'x'", "DELETE FROM fact"])
def test_the_guards_of_old_tables_still_hold(former: Database, command_: str) -> None:
    former.migrate()
    with pytest.raises((IntegrityError, OperationalError), match="append-only"), former.writing() as session:
        session.execute(text(command_))


def test_migrating_again_changes_nothing(former: Database) -> None:
    former.migrate()
    before = inspect(former.engine).get_table_names()
    former.migrate()
    assert inspect(former.engine).get_table_names() == before
