"""The yard's archive: without loss into an empty yard, into no other; what was changed is found."""

from __future__ import annotations

import io
import json
import sqlite3
import zipfile
from collections.abc import Callable
from pathlib import Path
from typing import Any

import pytest
from flask.testing import FlaskClient

from apps import app_over
from bornek.cli import main
from bornek.core.errors import InputError
from bornek.services.archive.read_archive import read_archive
from bornek.services.archive.take_archive import take_archive
from bornek.services.archive.write_archive import end_of, write_archive
from bornek.services.desk import digest
from bornek.store.blobs import Blobs
from bornek.store.database import Database
from bornek.store.yard_file import make_yard
from helpers import in_gate

Members = dict[str, bytes]


def archived(database: Database) -> bytes:
    with database.reading() as session:
        return write_archive(session, Blobs(database.files))


def unzipped(data: bytes) -> Members:
    with zipfile.ZipFile(io.BytesIO(data)) as archive:
        return {n: archive.read(n) for n in archive.namelist()}


def zipped(members: Members) -> bytes:
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        for name, data in members.items():
            archive.writestr(name, data)
    return out.getvalue()


@pytest.fixture(scope="module")
def with_photo(photographed: Path) -> bytes:
    """The archive of the demo yard with a photo in it, written once."""
    database = Database(photographed)
    data = archived(database)
    database.close()
    return data


def test_the_whole_demo_yard_goes_out_and_in_without_loss(with_photo: bytes, tmp_path: Path) -> None:
    new = tmp_path / "new.sqlite"
    make_yard(new, lambda session, files: take_archive(session, files, read_archive(with_photo)))
    database = Database(new)
    assert archived(database) == with_photo
    other = app_over(database).test_client()
    assert len(other.get("/api/board").get_json()["rows"]) > 10
    assert other.get("/api/search?q=RW7-0461").get_json()["found"]
    photo = unzipped(with_photo)
    assert any(n.startswith("files/") for n in photo)


@pytest.mark.parametrize("every", in_gate([4, 1], 1))
def test_every_view_of_every_job_is_the_same_there(
    yard: Database, client: FlaskClient, tmp_path: Path, every: int
) -> None:
    """Of every fourth job in the gate."""
    new = tmp_path / "new.sqlite"
    make_yard(new, lambda session, files: take_archive(session, files, read_archive(archived(yard))))
    other = app_over(Database(new)).test_client()
    jobs = [j["job_id"] for j in client.get("/api/yard/report").get_json()["jobs"]]
    assert len(jobs) > 20
    for job in jobs[::every]:
        for what in ("record", "prove", "plan"):
            path = f"/api/jobs/{job}/{what}"
            assert other.get(path).get_json() == client.get(path).get_json(), path


def test_a_yard_that_is_not_empty_takes_none(yard: Database) -> None:
    archive = read_archive(archived(yard))
    with pytest.raises(InputError, match="not empty"), yard.writing() as session:
        take_archive(session, Blobs(yard.files), archive)


def test_it_does_not_come_in_as_a_jobs_file(yard: Database, client: FlaskClient) -> None:
    answer = client.post("/api/jobs/imports", data=archived(yard), headers={"X-Mechanic": "jun"})
    assert answer.status_code == 422
    assert "bornek take-in" in answer.get_json()["message"]


def test_it_is_open_to_a_spreadsheet(yard: Database) -> None:
    members = unzipped(archived(yard))
    rows = json.loads(members["tables/job.json"])
    lines = members["csv/job.csv"].decode().splitlines()
    assert lines[0].split(",")[0] == "id"
    assert len(lines) == len(rows) + 1


def _rows(members: Members, table: str, change: Callable[[list[dict[str, Any]]], object]) -> None:
    rows = json.loads(members[f"tables/{table}.json"])
    change(rows)
    members[f"tables/{table}.json"] = json.dumps(rows, ensure_ascii=False).encode()


def _head(members: Members, change: Callable[[dict[str, Any]], object]) -> None:
    body = json.loads(members["archive.json"])
    change(body)
    members["archive.json"] = json.dumps(body, ensure_ascii=False).encode()


def _rehash(members: Members) -> None:
    """As who knows how it is made would."""
    body = json.loads(members["archive.json"])
    for name in body["tables"]:
        rows = json.loads(members[f"tables/{name}.json"])
        body["tables"][name] = {"rows": len(rows), "sha256": digest(rows)}
    body["end"] = end_of(body)
    members["archive.json"] = json.dumps(body, ensure_ascii=False).encode()


def _first_picture(members: Members) -> str:
    return next(n for n in members if n.startswith("files/"))


Tamper = Callable[[Members], object]
TAMPERED: dict[str, Tamper] = {
    "a reading": lambda m: _rows(m, "entry", lambda r: r[0].update(as_typed="0.01")),
    "a reading's value": lambda m: _rows(m, "entry", lambda r: r[0].update(raw={"type": "scalar", "value": 0.01})),
    "who read it": lambda m: _rows(m, "entry", lambda r: r[0].update(mechanic_id="jun" if r[0]["mechanic_id"] == "oda" else "oda")),
    "when it was read": lambda m: _rows(m, "entry", lambda r: r[0].update(at="2026-01-01T00:00:00+00:00")),
    "a reading taken out": lambda m: _rows(m, "entry", lambda r: r.pop()),
    "a reading put in twice": lambda m: _rows(m, "entry", lambda r: r.append({**r[0], "id": "other", "seq": 999})),
    "two readings exchanged": lambda m: _rows(m, "entry", lambda r: r.reverse()),
    "a pack": lambda m: _rows(m, "act_knob", lambda r: r[0].update(after={"type": "pack", "plates": [500000]})),
    "what was given": lambda m: _rows(m, "given_revision", lambda r: r[0]["given"].update(greatest=0.5)),
    "a signature's sheet": lambda m: _rows(m, "signature", lambda r: r[0]["snapshot"].update(as_left="0.10 mm")),
    "a signature's hash": lambda m: _rows(m, "signature", lambda r: r[0].update(sha256="0" * 64)),
    "a fact struck": lambda m: _rows(m, "fact", lambda r: r.pop(3)),
    "what was proved": lambda m: _rows(m, "fact", lambda r: _proved(r).update(count=11)),
    "a serial": lambda m: _rows(m, "component", lambda r: r[0].update(serial="SET-X")),
    "a gauge's card": lambda m: _rows(m, "gauge_card", lambda r: r[0].update(division=0.001)),
    "a job's definition": lambda m: _rows(m, "job", lambda r: r[0]["definition"]["settings"].pop()),
    "a picture": lambda m: m.update({_first_picture(m): b"other"}),
    "a picture left out": lambda m: m.pop(_first_picture(m)),
    "a table left out": lambda m: m.pop("tables/explanation.json"),
    "what it says of a job": lambda m: _head(m, lambda b: b["jobs"].update(w17="0" * 20)),
    "its own code": lambda m: _head(m, lambda b: b.update(end="0" * 20)),
    "its edition": lambda m: _head(m, lambda b: b.update(edition=99)),
    "a row that fits no column": lambda m: (_rows(m, "job", lambda r: r[0].update(seq="many")), _rehash(m)),
    "rows that point at nothing": lambda m: (_rows(m, "setting", lambda r: r[0].update(job_id="ghost")), _rehash(m)),
}  # fmt: skip


def _proved(rows: list[dict[str, Any]]) -> dict[str, Any]:
    body: dict[str, Any] = next(r["body"] for r in rows if r["kind"] == "proved" and r["body"].get("count"))
    return body


def test_what_would_unpack_to_more_than_is_taken_is_refused_before_it_is_unpacked(
    with_photo: bytes, monkeypatch: pytest.MonkeyPatch
) -> None:
    with zipfile.ZipFile(io.BytesIO(with_photo)) as archive:
        whole = sum(m.file_size for m in archive.infolist())
    monkeypatch.setattr("bornek.services.archive.read_archive.MOST_UNPACKED", whole)
    assert read_archive(with_photo).jobs
    monkeypatch.setattr("bornek.services.archive.read_archive.MOST_UNPACKED", whole - 1)
    with pytest.raises(InputError, match="too large"):
        read_archive(with_photo)


@pytest.mark.parametrize("what", sorted(TAMPERED))
def test_what_was_changed_is_found(
    with_photo: bytes, tmp_path: Path, capsys: pytest.CaptureFixture[str], what: str
) -> None:
    members = unzipped(with_photo)
    TAMPERED[what](members)
    file = tmp_path / "yard.zip"
    file.write_bytes(zipped(members))
    assert main(["verify", str(file)]) != 0
    said = capsys.readouterr()
    assert "cannot be used" in said.err or "does not fit" in said.err, said


def test_the_untouched_one_holds_and_its_code_and_every_jobs_code_are_known(
    with_photo: bytes, client: FlaskClient, tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    file = tmp_path / "yard.zip"
    file.write_bytes(with_photo)
    on_the_sheet = client.get("/api/jobs/w11/record").get_json()["end"]
    for code in (read_archive(with_photo).end, on_the_sheet):
        assert main(["verify", str(file), "--end", code]) == 0
    assert main(["verify", str(file), "--end", "0" * 20]) == 1
    assert "CHANGED" in capsys.readouterr().out


def test_one_made_anew_as_a_whole_passes_without_the_code_and_fails_with_it(
    yard: Database, client: FlaskClient, tmp_path: Path
) -> None:
    """The guards taken away, a reading of an unsigned job changed, and the archive written afresh: no seal breaks."""
    kept = read_archive(archived(yard)).end
    on_the_sheet = client.get("/api/jobs/w17/record").get_json()["end"]
    with sqlite3.connect(yard.path) as connection:
        for (name,) in connection.execute("SELECT name FROM sqlite_master WHERE type = 'trigger'").fetchall():
            connection.execute(f"DROP TRIGGER {name}")
        connection.execute(
            "UPDATE entry SET as_typed = '0.32' WHERE id = (SELECT id FROM entry WHERE job_id = 'w17')"
        )
    file = tmp_path / "yard.zip"
    file.write_bytes(archived(yard))
    assert main(["verify", str(file)]) == 0
    assert main(["verify", str(file), "--end", kept]) == 1
    assert main(["verify", str(file), "--end", on_the_sheet]) == 1


def test_the_command_line_writes_it_and_takes_it_in(
    yard: Database, tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    out, new = tmp_path / "out.zip", tmp_path / "new.sqlite"
    assert main(["archive", "--data", str(yard.path), "--to", str(out)]) == 0
    assert "keep this code elsewhere" in capsys.readouterr().out
    assert main(["take-in", "--from", str(out), "--data", str(new)]) == 0
    assert main(["take-in", "--from", str(out), "--data", str(new)]) == 2
    assert main(["archive", "--data", str(yard.path), "--to", str(out)]) == 2
    assert "is there already" in capsys.readouterr().err


def test_a_code_that_was_printed_earlier_proves_what_was_there_then(
    yard: Database, client: FlaskClient, tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    printed = client.get("/api/jobs/w17/record").get_json()["end"]
    loose = {"id": "l1", "kind": "loose", "body": {"what": "washer", "where": "sump"}}
    assert client.post("/api/jobs/w17/facts", json=loose, headers={"X-Mechanic": "marl"}).status_code == 201
    file = tmp_path / "w17.zip"
    file.write_bytes(client.get("/api/jobs/w17/exchange.zip").data)
    assert main(["verify", str(file), "--end", printed]) == 0
    assert "had 1 rows ago" in capsys.readouterr().out
