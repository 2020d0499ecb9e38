"""A signature is compared whenever it is shown or taken in: what does not match is said."""

import io
import json
import sqlite3
import zipfile
from collections.abc import Callable
from pathlib import Path
from typing import Any

import pytest
from flask.testing import FlaskClient
from pypdf import PdfReader

from altered import opened, packed
from apps import app_over
from bornek.cli import main
from bornek.services.setting.seal import ROWS, SHEET, WHO
from bornek.store.database import Database
from helpers import Bench

SETTING = "w11.output-end-play"
ACTOR = {"X-Mechanic": "oda"}


def tamper(database: Database, statement: str) -> None:
    """As who opens the file by other means and takes the guards away would."""
    with sqlite3.connect(database.path) as connection:
        guards = connection.execute("SELECT name FROM sqlite_master WHERE type = 'trigger'").fetchall()
        for (name,) in guards:
            connection.execute(f"DROP TRIGGER {name}")
        connection.execute(statement)


def broken(client: FlaskClient, setting: str = SETTING) -> list[str]:
    shown = client.get(f"/api/settings/{setting}").get_json()["signature"]["broken"]
    record = client.get("/api/jobs/w11/record").get_json()
    assert shown == next(s for s in record["settings"] if s["id"] == setting)["signature"]["broken"]
    pages = PdfReader(io.BytesIO(client.get("/api/jobs/w11/record.pdf").data)).pages
    paper = " ".join(" ".join(p.extract_text() for p in pages).split())
    assert ("does not match what is kept" in paper) == bool(
        [b for s in record["settings"] for b in s["signature"]["broken"]]
    )
    return list(shown)


def test_what_was_not_touched_holds(client: FlaskClient) -> None:
    for s in client.get("/api/jobs/w11/record").get_json()["settings"]:
        assert s["signature"]["broken"] == []


@pytest.mark.parametrize(
    ("statement", "why"),
    [
        ("UPDATE signature SET snapshot = json_set(snapshot, '$.as_left', '0.15 mm') WHERE setting_id = '{}'", SHEET),
        ("UPDATE signature SET snapshot = json_set(snapshot, '$.sheet.verdict.code', 'in') || ' ' WHERE setting_id = '{}'", None),
        ("UPDATE signature SET mechanic_id = 'oda' WHERE setting_id = '{}'", WHO),
        ("UPDATE signature SET remark = 'agreed' WHERE setting_id = '{}'", WHO),
        ("UPDATE signature SET at = '2026-11-20 07:30:00.000000' WHERE setting_id = '{}'", WHO),
        ("UPDATE entry SET as_typed = '0.12' WHERE setting_id = '{}'", ROWS),
        ("UPDATE entry SET gauge_card_id = NULL WHERE setting_id = '{}'", ROWS),
        ("UPDATE given_revision SET given = json_set(given, '$.greatest', 9) WHERE setting_id = '{}'", ROWS),
        ("UPDATE act_knob SET after = '{{}}' WHERE act_id IN (SELECT act_id FROM round WHERE setting_id = '{}')", ROWS),
    ],
)  # fmt: skip
def test_what_was_changed_behind_its_back_is_said_in_red(
    client: FlaskClient, yard: Database, statement: str, why: str | None
) -> None:
    tamper(yard, statement.format(SETTING))
    assert broken(client) == ([why] if why else [])


def test_a_fact_of_the_job_changed_afterwards_shows_in_every_later_signature(
    client: FlaskClient, yard: Database
) -> None:
    tamper(
        yard,
        "DELETE FROM entry WHERE job_id = 'w11' AND seq = (SELECT MIN(seq) FROM entry WHERE job_id = 'w11')",
    )
    record = client.get("/api/jobs/w11/record").get_json()
    assert all(ROWS in s["signature"]["broken"] for s in record["settings"])


CARD = {"id": "dial-11", "name": "Dial 11, face changed", "unit": "mm", "division": 0.05, "due": "2029-01-01"}


def test_a_changed_gauge_card_changes_nothing_that_is_signed(client: FlaskClient) -> None:
    def signed() -> Any:
        return [client.get(f"/api/jobs/w11/{page}").get_json() for page in ("record",)] + [
            client.get(f"/api/settings/{SETTING}").get_json()
        ]

    before = signed()
    assert client.post("/api/gauges", json=CARD, headers=ACTOR).status_code == 201
    assert signed() == before


def test_a_reading_keeps_the_card_that_it_was_taken_with(client: FlaskClient) -> None:
    """Two like readings, one before and one after the face was changed: only the later one got worse."""
    pump = Bench(client, "p22.thrust-end-play")
    used = pump.view()["gauge"]["id"]
    pump.read("travel.mark_up.1", "0.14")
    fine = pump.view()["sheet"]["outcome"]["results"][0]["value"]["u"]
    assert client.post("/api/gauges", json=CARD | {"id": used}, headers=ACTOR).status_code == 201
    kept = pump.view()["sheet"]["outcome"]["results"][0]["value"]["u"]
    assert kept == fine
    seen = pump.view()
    entry = {"slot": "travel.mark_up.1", "text": "0.14", "seen": seen["version"]}
    old = next(c for c in seen["sheet"]["cells"] if c["slot"] == "travel.mark_up.1")
    pump.written("entries", entry | {"supersedes": old["entries"][0]["id"]})
    coarse = pump.view()["sheet"]["outcome"]["results"][0]["value"]["u"]
    assert coarse > 1.5 * fine


def foreign(content: dict[str, Any], files: dict[str, bytes]) -> bytes:
    """The same job from a yard where `jun` is somebody else and dial 11 has another face from the first day."""
    content["yard"] = "Lower Yard"
    for row in content["rows"]["mechanic"]:
        row["name"] = "Jan Holm" if row["id"] == "jun" else row["name"]
    for row in (*content["rows"]["gauge"], *content["rows"]["gauge_card"]):
        row["division"] = 0.02
    return packed((content, files))


@pytest.fixture
def lower(client: FlaskClient, empty: Database) -> Callable[[], FlaskClient]:
    """A yard that knows our people and gauges by a job of its own, and gets w11 from elsewhere."""

    def make() -> FlaskClient:
        other = app_over(empty).test_client()
        for job, change in (("w17", None), ("w11", foreign)):
            data = client.get(f"/api/jobs/{job}/exchange.zip").data
            sent = change(*opened(data)) if change else data
            answer = other.post("/api/jobs/imports", data=sent, headers=ACTOR)
            assert answer.status_code == 201, answer.get_json()
        return other

    return make


def test_people_and_gauges_of_another_yard_keep_their_own_names_and_the_seal_holds(
    lower: Callable[[], FlaskClient], yard: Database
) -> None:
    with yard.writing() as session:
        from bornek.services.shop.mechanics import mechanic_names

        assert mechanic_names(session)["jun"] == "Jun Havers"
    other = lower()
    names = {m["id"]: m["name"] for m in other.get("/api/mechanics").get_json()}
    gauges = {g["id"]: g for g in other.get("/api/gauges").get_json()}
    assert "Jan Holm" in "".join(names.values())
    assert (gauges["dial-11"]["name"], gauges["dial-11"]["division"]) == ("Dial 11", 0.01)
    theirs = next(g for key, g in gauges.items() if key.startswith("dial-11."))
    assert (theirs["name"], theirs["division"]) == ("Dial 11 (Lower Yard)", 0.02)
    record = other.get("/api/jobs/w11/record").get_json()
    assert all(ROWS not in s["signature"]["broken"] for s in record["settings"])
    assert all(WHO not in s["signature"]["broken"] for s in record["settings"])


def test_verify_lists_every_signature_and_compares_the_end(
    client: FlaskClient, tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    file = tmp_path / "w11.zip"
    file.write_bytes(client.get("/api/jobs/w11/exchange.zip").data)
    end = client.get("/api/jobs/w11/record").get_json()["end"]
    assert main(["verify", str(file), "--end", end]) == 0
    told = capsys.readouterr().out
    assert told.count("holds") == 3
    assert main(["verify", str(file), "--end", "0" * 20]) == 1
    assert "CHANGED" in capsys.readouterr().out
    content, files = opened(file.read_bytes())
    content["rows"]["entry"][0]["as_typed"] = "0.12"
    file.write_bytes(packed((content, files)))
    assert main(["verify", str(file)]) == 1
    assert ROWS in capsys.readouterr().out


def test_a_file_that_is_made_anew_as_a_whole_passes_without_the_code_and_fails_with_it(
    client: FlaskClient, tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    """What the code is for: an unsigned job has no seal to break."""
    file = tmp_path / "w17.zip"
    data = client.get("/api/jobs/w17/exchange.zip").data
    end = client.get("/api/jobs/w17/record").get_json()["end"]
    with zipfile.ZipFile(io.BytesIO(data)) as archive:
        content = json.loads(archive.read("job.json"))
    content["rows"]["entry"][0]["as_typed"] = "0.32"
    file.write_bytes(packed((content, {})))
    assert main(["verify", str(file)]) == 0
    assert "give --end" in capsys.readouterr().out
    assert main(["verify", str(file), "--end", end]) == 1


def test_it_is_said_on_the_page_of_a_job_that_came_in_altered(client: FlaskClient, empty: Database) -> None:
    content, files = opened(client.get("/api/jobs/w11/exchange.zip").data)
    content["rows"]["signature"][0]["snapshot"]["remark"] = "as agreed"
    other = app_over(empty).test_client()
    assert other.post("/api/jobs/imports", data=packed((content, files)), headers=ACTOR).status_code == 201
    setting = content["rows"]["signature"][0]["setting_id"]
    assert set(broken(other, setting)) == {SHEET, WHO}
