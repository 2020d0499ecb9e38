"""A yard of the edition before gets a first card for every gauge, small rows of requests, and guards on every key."""

import json
import sqlite3
from contextlib import closing
from pathlib import Path

import pytest
from alembic import command
from alembic.config import Config

from bornek.store.database import MIGRATIONS, Database
from bornek.store.tables import APPEND_ONLY


@pytest.fixture
def migrated(tmp_path: Path) -> Path:
    path = tmp_path / "old.sqlite"
    database = Database(path)
    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    with database.engine.connect() as connection:
        config.attributes["connection"] = connection
        command.upgrade(config, "0005")
    with closing(sqlite3.connect(path)) as c, c:
        c.execute("INSERT INTO mechanic VALUES ('m', 'Mel')")
        c.execute(
            "INSERT INTO gauge (id, name, quantity, unit, division, interpolation, calibration_u, due)"
            " VALUES ('d', 'Dial', 'length', 'mm', 0.01, 0.5, 0.002, '2027-01-01')"
        )
        for key, answer in (
            ("k", {"answer": {"id": "s", "sheet": "long"}}),
            ("i", {"answer": {"job_id": "w17"}}),
        ):
            c.execute(
                "INSERT INTO idempotency VALUES (?, 'sha', ?, '2026-11-20 08:00:00')",
                (key, json.dumps(answer)),
            )
    database.migrate()
    database.close()
    return path


def rows(path: Path, query: str) -> list[tuple[object, ...]]:
    with closing(sqlite3.connect(path)) as connection:
        return connection.execute(query).fetchall()


def test_every_gauge_gets_the_card_that_it_had(migrated: Path) -> None:
    said = "name, quantity, unit, division, interpolation, calibration_u, due"
    assert rows(migrated, f"SELECT {said} FROM gauge_card") == rows(migrated, f"SELECT {said} FROM gauge")
    assert rows(migrated, "SELECT id, number, mechanic_id FROM gauge_card") == [("d.1", 1, None)]


def test_a_request_keeps_its_key_and_at_most_an_id(migrated: Path) -> None:
    assert rows(migrated, "SELECT key, request_sha256, made FROM idempotency ORDER BY key") == [
        ("i", "sha", "w17"),
        ("k", "sha", None),
    ]


def test_every_record_is_guarded_against_change_removal_and_replacement(migrated: Path) -> None:
    found = {str(name) for (name,) in rows(migrated, "SELECT name FROM sqlite_master WHERE type = 'trigger'")}
    wanted = {f"keep_{table}_{verb}" for table in APPEND_ONLY for verb in ("update", "delete", "insert")}
    assert wanted <= found


def test_what_was_there_is_guarded_too(migrated: Path) -> None:
    with closing(sqlite3.connect(migrated)) as c, pytest.raises(sqlite3.IntegrityError, match="append-only"):
        c.execute("REPLACE INTO mechanic (id, name) VALUES ('m', 'Another')")
