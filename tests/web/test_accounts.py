"""Accounts made, changed and ended; what is kept of who did what, and what of secrets never is."""

from __future__ import annotations

import json
import sqlite3
import zipfile
from io import BytesIO

import pytest
from flask import Flask

from accounts import PHRASE, PIN, Browser, Clock, give_accounts, guarded, read_rest, sign
from bornek.services.people.deed_words import DEED_WORDS, deed_words
from bornek.store.database import Database
from bornek.web.rights import right_of
from helpers import NOW

pytestmark = pytest.mark.usefixtures("quick")


def test_the_last_owner_stays_and_a_person_who_left_is_out(guard: Flask, clock: Clock) -> None:
    owner, mechanic = Browser(guard), Browser(guard)
    me = owner.enter("owner").get_json()["mechanic"]
    mo = mechanic.enter("mechanic").get_json()["mechanic"]
    for change in ({"role": "lead"}, {"ended": True}):
        assert "only owner" in owner.post(f"/api/people/{me}", change).get_json()["message"]
    assert owner.post(f"/api/people/{mo}", {"ended": True}).status_code == 201
    assert mechanic.get("/api/board").status_code == 401
    assert mechanic.enter("mechanic").status_code == 403


@pytest.mark.parametrize("change", [{"role": "lead"}, {"passphrase": "two bent brass shims"}])
def test_another_role_or_passphrase_signs_that_person_out_and_nobody_else(
    guard: Flask, change: dict[str, str]
) -> None:
    owner, mechanic, there, lead = (Browser(guard) for _ in range(4))
    owner.enter("owner")
    lead.enter("lead")
    there.enter("mechanic")
    mo = mechanic.enter("mechanic").get_json()["mechanic"]
    assert owner.post(f"/api/people/{mo}", change).status_code == 201
    assert [b.get("/api/board").status_code for b in (mechanic, there, lead, owner)] == [401, 401, 200, 200]


@pytest.mark.parametrize(
    ("what", "new", "there_is"), [("passphrase", "two bent brass shims", 401), ("pin", PIN, 200)]
)
def test_a_new_passphrase_of_ones_own_signs_out_everywhere_else_a_new_pin_does_not(
    guard: Flask, what: str, new: str, there_is: int
) -> None:
    here, there, lead = (Browser(guard) for _ in range(3))
    lead.enter("lead")
    there.enter("mechanic")
    here.enter("mechanic")
    assert here.post("/api/me/secrets", {"what": what, "now": "not this one", "new": new}).status_code == 403
    assert there.get("/api/board").status_code == 200
    assert here.post("/api/me/secrets", {"what": what, "now": PHRASE, "new": new}).status_code == 201
    assert [b.get("/api/board").status_code for b in (here, there, lead)] == [200, there_is, 200]


def test_nobody_is_given_a_second_account_under_another_name(guard: Flask) -> None:
    owner = Browser(guard)
    me = owner.enter("owner").get_json()["mechanic"]
    again = {"name": "Somebody", "role": "apprentice", "passphrase": PHRASE, "mechanic": me}
    assert owner.post("/api/people", again).status_code == 422
    assert owner.get("/api/me").get_json()["role"] == "owner"


def test_a_device_that_is_lost_is_ended(guard: Flask) -> None:
    bench, owner = Browser(guard), Browser(guard)
    bench.enter("mechanic", device="Bench 2 tablet")
    owner.enter("owner")
    (device,) = owner.get("/api/people").get_json()["devices"]
    owner.post(f"/api/devices/{device['id']}/end")
    assert bench.get("/api/board").status_code == 401
    assert bench.get("/api/me").get_json()["device"] == ""


def test_what_was_done_by_whom_is_kept_and_cannot_be_changed(guard: Flask, yard: Database) -> None:
    bench, owner = Browser(guard), Browser(guard)
    bench.enter("mechanic", device="Bench 2 tablet")
    read_rest(bench)
    owner.enter("owner")
    deed = next(d for d in owner.get("/api/deeds").get_json() if d["what"] == "took a reading")
    assert (deed["who"], deed["device"], deed["how"]) == ("Mo Ritter", "Bench 2 tablet", "authenticated")
    assert (deed["about"], deed["to"]) == (
        "W-17, Output shaft end play",
        "/jobs/w17/set/w17.output-end-play",
    )
    with sqlite3.connect(yard.path) as connection, pytest.raises(sqlite3.IntegrityError, match="append-only"):
        connection.execute("DELETE FROM deed")


def test_whatever_may_be_written_has_its_words(guard: Flask) -> None:
    writes = {
        r.endpoint.replace(" ", "_")
        for r in guard.url_map.iter_rules()
        if "POST" in (r.methods or ()) and right_of(r.endpoint) != "read"
    }
    assert writes - set(DEED_WORDS) == set()
    assert all(deed_words(endpoint) != endpoint for endpoint in writes)


def test_a_passphrase_in_the_field_of_the_name_is_not_kept(guard: Flask) -> None:
    browser, owner = Browser(guard), Browser(guard)
    browser.post("/api/sign-ins", {"name": PHRASE, "passphrase": PHRASE})
    browser.post("/api/sign-ins", {"name": "Mo Ritter", "passphrase": "not my words at all"})
    owner.enter("owner")
    tried = [d["about"] for d in owner.get("/api/deeds").get_json() if d["about"].endswith("refused")]
    assert tried == ["Mo Ritter: refused", "a name that is not here: refused"]


def test_no_secret_leaves_in_an_export_an_archive_an_answer_or_a_deed(guard: Flask, yard: Database) -> None:
    owner = Browser(guard)
    owner.enter("owner", device="Office")
    owner.post("/api/me/secrets", {"what": "pin", "now": PHRASE, "new": PIN})
    read_rest(owner)
    sign(owner, pin=PIN)
    with sqlite3.connect(yard.path) as connection:
        kept = [x for row in connection.execute("SELECT passphrase, pin FROM account") for x in row if x]
        kept += [x for row in connection.execute("SELECT secret, token FROM sign_in") for x in row]
        kept += [x for (x,) in connection.execute("SELECT secret FROM device")]
        written = json.dumps(
            [
                connection.execute(f"SELECT * FROM {t}").fetchall()
                for t in ("deed", "idempotency", "signature")
            ]
        )
    out = [owner.get(p).data for p in ("/api/yard/archive.zip", "/api/jobs/w17/exchange.zip")]
    texts = [
        zipped.read(n).decode("utf-8", "replace")
        for data in out
        for zipped in [zipfile.ZipFile(BytesIO(data))]
        for n in zipped.namelist()
    ]
    texts += [owner.get(p).get_data(as_text=True) for p in ("/api/people", "/api/deeds")] + [written]
    assert len(kept) == 8
    assert not [s for s in (*kept, PHRASE) for text in texts if s in text]


def test_people_of_a_job_that_came_in_are_names_and_no_accounts(
    guard: Flask, empty: Database, clock: Clock
) -> None:
    owner = Browser(guard)
    owner.enter("owner")
    data = owner.get("/api/jobs/w17/exchange.zip").data
    give_accounts(empty)
    other = Browser(guarded(empty, clock))
    other.enter("owner")
    answer = other.client.post(
        "/api/jobs/imports", data=data, headers={"X-Token": other.token}, environ_overrides=other.environ
    )
    assert answer.status_code == 201
    rows = other.get("/api/people").get_json()["people"]
    assert any(p["name"] == "Marl Tennick" and not p["account"] for p in rows)


def test_times_are_those_of_the_clock(guard: Flask, yard: Database) -> None:
    Browser(guard).enter("lead")
    with sqlite3.connect(yard.path) as connection:
        ((at,),) = connection.execute("SELECT at FROM sign_in").fetchall()
    assert at.startswith(NOW.strftime("%Y-%m-%d"))
