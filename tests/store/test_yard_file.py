"""A yard's file made, copied and put back: whole or not at all."""

import shutil
import sqlite3
from contextlib import closing
from pathlib import Path

import pytest
from sqlalchemy.orm import Session

from bornek.core.errors import InputError
from bornek.services.shop.mechanics import add_mechanic
from bornek.store.blobs import Blobs
from bornek.store.yard_file import back_up, check_yard, make_yard, open_yard, restore


@pytest.fixture
def data(yard_template: Path, tmp_path: Path) -> Path:
    return Path(shutil.copy(yard_template, tmp_path / "yard.sqlite"))


def one_hand(session: Session, files: Blobs) -> None:
    """The least that a yard is begun with: somebody, and a picture."""
    add_mechanic(session, "marl", "Marl Tennick")
    files.put(b"a picture")


def counted(path: Path, table: str = "entry") -> int:
    with closing(sqlite3.connect(path)) as connection:
        return int(connection.execute(f"SELECT COUNT(*) FROM {table}").fetchone()[0])


def change(path: Path, statement: str) -> Path:
    with sqlite3.connect(path) as connection:
        connection.execute(statement)
    return path


def test_a_first_start_that_breaks_off_leaves_nothing_half_made(tmp_path: Path) -> None:
    path = tmp_path / "yard.sqlite"

    def breaks_off(session: Session, files: Blobs) -> None:
        one_hand(session, files)
        raise RuntimeError("the power went")

    with pytest.raises(RuntimeError):
        make_yard(path, breaks_off)
    assert not path.exists()
    make_yard(path, one_hand)
    assert counted(path, "mechanic") == 1
    assert sorted(p.name for p in tmp_path.iterdir()) == ["yard.files", "yard.sqlite"]


def test_a_yard_that_is_there_is_never_made_over(data: Path) -> None:
    before = data.read_bytes()
    with pytest.raises(InputError, match="there already"):
        make_yard(data, one_hand)
    assert data.read_bytes() == before


def test_every_restore_keeps_what_was_there_under_a_name_of_its_own(data: Path, tmp_path: Path) -> None:
    copy = tmp_path / "copy.sqlite"
    back_up(data, copy)
    kept = [restore(data, copy) for _ in range(3)]
    assert not [p.name for p in tmp_path.iterdir() if "begun" in p.name or p.name.endswith(("-wal", "-shm"))]
    assert len(set(kept)) == 3
    assert all(k is not None and counted(k) == counted(data) for k in kept)


@pytest.mark.parametrize(
    ("statement", "why"),
    [
        ("DROP TABLE setting", "no yard"),
        ("UPDATE alembic_version SET version_num = '9999'", "newer than this version reads"),
        ("DROP TRIGGER keep_entry_insert", "was taken away"),
        ("DROP TRIGGER keep_signature_update", "was taken away"),
    ],
)
def test_a_file_that_is_no_yard_of_ours_is_refused_and_nothing_is_changed(
    data: Path, tmp_path: Path, statement: str, why: str
) -> None:
    wrong = change(Path(shutil.copy(data, tmp_path / "wrong.sqlite")), statement)
    before = data.read_bytes()
    with pytest.raises(InputError, match=why):
        restore(data, wrong)
    assert data.read_bytes() == before
    assert not list(tmp_path.glob("*before-restore*"))


def test_a_row_that_points_at_nothing_is_found(data: Path) -> None:
    change(data, "PRAGMA foreign_keys = OFF")
    with sqlite3.connect(data) as connection:
        connection.execute("DROP TRIGGER keep_act_knob_delete")
        connection.execute("INSERT INTO act_knob VALUES ('x', 'nowhere', 'nowhere', 'pack', '{}', '{}')")
    with pytest.raises(InputError, match="points at nothing"):
        check_yard(data)


def test_another_program_s_database_is_no_yard(tmp_path: Path) -> None:
    other = change(tmp_path / "other.sqlite", "CREATE TABLE song (title TEXT)")
    with pytest.raises(InputError, match="no yard"):
        check_yard(other)
    with pytest.raises(InputError, match="no yard"):
        open_yard(other)


def test_a_newer_yard_is_not_opened(data: Path) -> None:
    change(data, "UPDATE alembic_version SET version_num = '9999'")
    with pytest.raises(InputError, match="9999"):
        open_yard(data)
