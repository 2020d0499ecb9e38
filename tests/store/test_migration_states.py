"""Stored states get their sort, unit and step; given revisions the version they were typed under."""

import json
import sqlite3
from pathlib import Path

import pytest
from alembic import command
from alembic.config import Config

from bornek.store.database import Database

AT = "2026-11-20 08:00:00"


@pytest.fixture
def old(tmp_path: Path) -> Path:
    """A file of the schema before, with a pack, a spacer and a nut written down."""
    path = tmp_path / "old.sqlite"
    database = Database(path)
    config = Config()
    config.set_main_option("script_location", str(Path(__file__).parents[2] / "src/bornek/store/migrations"))
    with database.engine.connect() as connection:
        config.attributes["connection"] = connection
        command.upgrade(config, "0003")
    database.close()
    with sqlite3.connect(path) as c:
        c.execute("INSERT INTO mechanic VALUES ('m', 'Mel')")
        c.execute("INSERT INTO unit_type VALUES ('t', 'T')")
        c.execute("INSERT INTO unit_type_revision VALUES ('t.1', 't', 1, '{}', 'x')")
        c.execute("INSERT INTO unit (id, unit_type_id, tag, name, serial) VALUES ('u', 't', 'U-1', 'U', '1')")
        c.execute(
            "INSERT INTO job (id, unit_id, unit_type_revision_id, definition, complaint, length_unit, schools, bench,"
            " waits_for, opened_at, seq) VALUES ('j', 'u', 't.1', '{}', '', 'mm', '{}', '', '', ?, 3)",
            (AT,),
        )
        c.execute(
            "INSERT INTO place (id, job_id, key, label, shim_form) VALUES ('j.p', 'j', 'p', 'P', 'none')"
        )
        c.execute(
            "INSERT INTO setting (id, job_id, place_id, key, label, kind, kind_version, gauge_id, rests_on, position)"
            " VALUES ('j.s', 'j', 'j.p', 's', 'S', 'k', 3, NULL, '[]', 0)"
        )
        c.execute(
            "INSERT INTO given_revision (id, setting_id, seq, given, mechanic_id, at) VALUES ('g', 'j.s', 1, '{}', 'm', ?)",
            (AT,),
        )
        c.execute(
            "INSERT INTO act (id, job_id, kind, seq, remark, mechanic_id, at) VALUES ('a', 'j', 'move', 2, '', 'm', ?)",
            (AT,),
        )
        for knob, state in (("pack", {"plates": [500000]}), ("spacer", {"at": 6.78}), ("nut", {"at": 41.4})):
            c.execute(
                "INSERT INTO act_knob (id, act_id, place_id, knob, before, after) VALUES (?, 'a', 'j.p', ?, '{}', ?)",
                (knob, knob, json.dumps(state)),
            )
    return path


def test_states_say_what_they_are(old: Path) -> None:
    Database(old).migrate()
    with sqlite3.connect(old) as c:
        found = {knob: json.loads(after) for knob, after in c.execute("SELECT knob, after FROM act_knob")}
        before = {json.dumps(json.loads(b)) for (b,) in c.execute("SELECT before FROM act_knob")}
    assert found["pack"] == {"type": "pack", "plates": [500000]}
    assert found["spacer"] == {"type": "position", "at": 6.78, "unit": "mm", "step": 0.0}
    assert found["nut"]["unit"] == "deg"
    assert before == {"{}"}


def test_a_given_revision_keeps_the_version_its_setting_was_laid_out_with(old: Path) -> None:
    Database(old).migrate()
    with sqlite3.connect(old) as c:
        assert c.execute("SELECT kind_version FROM given_revision").fetchall() == [(3,)]


@pytest.mark.parametrize("table", ["act_knob", "given_revision"])
def test_the_guards_stand_again(old: Path, table: str) -> None:
    Database(old).migrate()
    with sqlite3.connect(old) as c, pytest.raises(sqlite3.IntegrityError, match="append-only"):
        c.execute(f"DELETE FROM {table}")
