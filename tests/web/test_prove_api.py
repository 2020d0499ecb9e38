"""The last look through the API: what is in the way of the next act is said, and release and closing wait for it."""

from __future__ import annotations

from datetime import timedelta
from typing import Any

import pytest
from flask.testing import FlaskClient
from icalendar import Calendar

from apps import app_over
from bornek.store.database import Database
from helpers import NOW, let_out, look_at_all, points_of, prove

JOB = "/api/jobs/w26"
HALF_LOAD = {"stage": "half-load", "label": "", "minutes": 0, "limit": "", "source": "", "ambient": "20"}


def post(client: FlaskClient, path: str, actor: str = "marl", **body: Any) -> Any:
    return client.post(path, json=body, headers={"X-Mechanic": actor})


def refused(answer: Any) -> str:
    assert answer.status_code == 422, answer.get_json()
    return str(answer.get_json()["message"])


def in_the_field(client: FlaskClient, actor: str = "oda") -> str:
    """A capstan in its place, locked out by one mechanic."""
    body = {
        "id": "n1",
        "revision": "capstan.1",
        "tag": "C-60",
        "name": "Far capstan",
        "serial": "QC-60",
        "stands": "field",
    }
    assert post(client, "/api/jobs", **body).status_code == 201
    fact = {"id": "lo", "kind": "locked_out", "body": {"points": "breaker Q4", "key_holder": "Oda"}}
    assert post(client, "/api/jobs/n1/facts", actor, **fact).status_code == 201
    return str(client.get("/api/jobs/n1/prove").get_json()["locks"][0]["fact"])


def half_load(client: FlaskClient) -> str:
    look_at_all(client, "w26", "inside")
    assert prove(client, "w26", "run_begun", **HALF_LOAD).status_code == 201
    return str(client.get(f"{JOB}/prove").get_json()["running"]["running"])


def test_an_open_point_is_named_in_the_sentence(client: FlaskClient) -> None:
    shown = client.get(f"{JOB}/prove").get_json()
    assert "".join(s["text"] for s in shown["say"]).startswith("Still open: breather on the top cover")
    assert points_of(client, "w26")["breather:breather"]["state"] == "open"
    answer = prove(client, "w26", "proved", point="breather:breather", words="blown through")
    assert answer.status_code == 201
    assert points_of(client, "w26")["breather:breather"]["state"] == "done"


def test_a_point_that_is_settled_elsewhere_is_not_seen_here(client: FlaskClient) -> None:
    assert "settled where it is written" in refused(
        prove(client, "w26", "proved", point="setting:w26.input-preload")
    )


def test_a_point_that_there_is_not_is_refused(client: FlaskClient) -> None:
    assert "The list has no point" in refused(prove(client, "w26", "proved", point="seal:ghost"))


@pytest.mark.parametrize("how", ["wrong", "could_not"])
def test_what_was_seen_wrong_or_not_at_all_is_said_in_words(client: FlaskClient, how: str) -> None:
    answer = prove(client, "w26", "proved", point="breather:breather", how=how)
    assert (answer.status_code, answer.get_json()["field"]) == (422, "words")


def test_a_lock_is_made_in_some_way(client: FlaskClient) -> None:
    answer = prove(client, "w26", "proved", point="lock:lock-plates", count=12, words="no camera")
    assert (answer.status_code, answer.get_json()["field"]) == (422, "way")


@pytest.mark.parametrize("count", [None, 13, "many"])
def test_locks_are_counted_against_how_many_there_are(client: FlaskClient, count: Any) -> None:
    said = {"way": "tab bent up", "words": "no camera"} | ({} if count is None else {"count": count})
    answer = prove(client, "w26", "proved", point="lock:lock-plates", **said)
    assert (answer.status_code, answer.get_json()["field"]) == (422, "count")
    some = prove(client, "w26", "proved", point="lock:lock-plates", **(said | {"count": 10}))
    assert some.status_code == 201
    assert points_of(client, "w26")["lock:lock-plates"]["words"] == "10 of 12 made: 2 to go"


def test_a_lock_is_shown_in_a_photo_or_it_is_said_why_not(client: FlaskClient) -> None:
    answer = prove(client, "w26", "proved", point="lock:lock-plates", count=12, way="tab bent up")
    assert (answer.status_code, answer.get_json()["field"]) == (422, "photo")
    ghost = prove(
        client, "w26", "proved", point="lock:lock-plates", way="tab bent up", count=12, photo="ghost"
    )
    assert (ghost.status_code, ghost.get_json()["field"]) == (422, "photo")


def test_nobody_releases_over_what_must_be(client: FlaskClient) -> None:
    for body in ({"how": "could_not", "words": "no mirror"},):
        assert "cannot stay unchecked" in refused(
            prove(client, "w26", "proved", point="own:drum-block", **body)
        )
    off = {"what": "", "why": "later", "who": "Jun", "until": "2027-01-01", "point": "own:drum-block"}
    assert "cannot be put off" in refused(prove(client, "w26", "deferred", **off))


def test_tools_and_people_then_guards_then_the_lock(client: FlaskClient) -> None:
    lock = in_the_field(client)
    assert "Tools and people first" in refused(prove(client, "n1", "proved", point="ready:guards"))
    assert "The lock comes off last" in refused(prove(client, "n1", "lock_off", "oda", lock=lock))
    look_at_all(client, "n1", "ready", actor="oda")
    assert points_of(client, "n1")["ready:lock"]["state"] == "done"


def test_only_who_hung_a_lock_takes_it_off_or_says_by_whose_authority(client: FlaskClient) -> None:
    lock = in_the_field(client, "oda")
    for key in ("ready:clear", "ready:guards"):
        prove(client, "n1", "proved", point=key)
    assert "Oda Brisk takes it off" in refused(prove(client, "n1", "lock_off", "marl", lock=lock))
    answer = prove(
        client, "n1", "lock_off", "marl", lock=lock, words="foreman's authority; Oda was told by phone"
    )
    assert answer.status_code == 201
    lines = client.get("/api/jobs/n1/record").get_json()["prove"]
    assert any("foreman's authority" in x["words"] for x in lines)


def test_with_the_lock_off_nothing_is_turned_and_nothing_taken_off(client: FlaskClient) -> None:
    in_the_field(client)
    look_at_all(client, "n1", "ready", actor="oda")
    assert "its lock was taken off" in refused(prove(client, "n1", "proved", point="turn"))
    reading = post(
        client, "/api/settings/n1.head-end-play/entries", id="e1", slot="travel.mark_up.1", text="0.1"
    )
    assert "its lock was taken off" in refused(reading)
    turned = {"id": "t1", "kind": "turned", "body": {"shaft": "head", "feel": "free"}}
    assert "its lock was taken off" in refused(post(client, "/api/jobs/n1/plan", **turned))
    off = {"id": "r1", "kind": "removed", "body": {"part": "head-seal", "way": "draw"}}
    assert "its lock was taken off" in refused(post(client, "/api/jobs/n1/facts", **off))


def test_it_does_not_run_before_guards_and_musts(client: FlaskClient) -> None:
    post(client, f"{JOB}/facts", id="x1", kind="loose", body={"what": "washer", "where": "sump"})
    said = refused(prove(client, "w26", "run_begun", **HALF_LOAD))
    assert "washer" in said


def test_a_stage_takes_its_limit_from_the_type(client: FlaskClient) -> None:
    run = half_load(client)
    shown = next(r for r in client.get(f"{JOB}/prove").get_json()["running"]["runs"] if r["id"] == run)
    assert (shown["limit"], shown["minutes"], shown["source"]) == (
        "85 °C",
        60.0,
        "Yard drawing RW-7, sheet 3",
    )


def test_a_reading_without_a_minute_was_taken_now(yard: Database) -> None:
    client = app_over(yard).test_client()
    run = half_load(client)
    later = app_over(yard, lambda: NOW + timedelta(minutes=12)).test_client()
    assert prove(later, "w26", "run_read", run=run, part="output-top", text="31").status_code == 201
    shown = later.get(f"{JOB}/prove").get_json()["running"]["runs"][-1]
    assert next(b for b in shown["rows"] if b["part"] == "output-top")["last"] == "31 °C at 12 min"


def test_a_bearing_at_its_limit_stops_it_and_it_cools_before_the_next_start(client: FlaskClient) -> None:
    run = half_load(client)
    prove(client, "w26", "run_read", run=run, part="output-top", minutes=8.0, text="185 °F")
    shown = client.get(f"{JOB}/prove").get_json()
    assert "".join(s["text"] for s in shown["say"]).startswith("Output bearing, top: stop")
    assert "had to be stopped" in refused(prove(client, "w26", "run_ended", run=run, how="done"))
    prove(client, "w26", "run_ended", run=run, how="stopped", words="preload too high")
    assert "let it cool" in refused(prove(client, "w26", "run_begun", **HALF_LOAD, hottest="60"))
    assert prove(client, "w26", "run_begun", **HALF_LOAD, hottest="24").status_code == 201


def test_run_to_its_end_something_was_read(client: FlaskClient) -> None:
    run = half_load(client)
    assert "No bearing was read" in refused(prove(client, "w26", "run_ended", run=run, how="done"))


def released(client: FlaskClient, actor: str = "jun", **body: Any) -> Any:
    return post(client, f"{JOB}/release", actor, id=f"rel-{len(str(body))}", how="service", **body)


def run_in(client: FlaskClient) -> None:
    run = half_load(client)
    prove(client, "w26", "run_read", run=run, part="output-top", minutes=30.0, text="41")
    assert prove(client, "w26", "run_ended", run=run, how="done").status_code == 201
    look_at_all(client, "w26", "run")


def test_release_waits_for_the_run_in(client: FlaskClient) -> None:
    assert "Half load" in refused(released(client))
    run_in(client)
    assert released(client, second="Oda Brisk").status_code == 201


def test_the_second_person_is_another_one_of_the_yard(client: FlaskClient) -> None:
    run_in(client)
    for second, why in (
        ("", "wants a second person"),
        ("Jun Havers", "somebody else"),
        ("A stranger", "not one of the yard"),
    ):
        answer = released(client, second=second)
        assert why in refused(answer)
        assert answer.get_json()["field"] == "second"
    shown = released(client, second="Oda Brisk").get_json()
    assert (shown["release"]["by"], shown["release"]["said"]) == (
        "Jun Havers",
        "second person: Oda Brisk (named, not authenticated)",
    )


def test_closing_waits_for_the_release_and_for_what_comes_after(client: FlaskClient) -> None:
    assert "it is not released" in refused(post(client, f"{JOB}/close", id="c1", words="ready"))
    run_in(client)
    released(client, second="Oda Brisk")
    assert "Foot bolts" in refused(post(client, f"{JOB}/close", id="c2", words="ready"))
    put_after_off(client)
    assert post(client, f"{JOB}/close", id="c3", words="one part sheet was not made").status_code == 201


def test_a_release_counts_what_comes_after_apart_from_what_may_stay_open(client: FlaskClient) -> None:
    shown = client.get("/api/jobs/w26/prove").get_json()["release"]
    assert {p["key"].split(":")[0] for p in shown["may_stay"]} == {"breather", "own"}
    assert shown["after"] == 2


def put_after_off(client: FlaskClient) -> None:
    for key in ("own:foot-bolts", "change:case"):
        body = {
            "what": "",
            "why": "after two weeks of work",
            "who": "Jun Havers",
            "until": "2026-12-08",
            "point": key,
        }
        assert prove(client, "w26", "deferred", **body).status_code == 201


def closed(client: FlaskClient) -> None:
    run_in(client)
    released(client, second="Oda Brisk")
    put_after_off(client)
    assert post(client, f"{JOB}/close", id="c3", words="parts were judged on the bench").status_code == 201


def owed(client: FlaskClient) -> dict[str, dict[str, Any]]:
    return {d["what"]: d for d in client.get("/api/board").get_json()["due"] if d["tag"] == "W-26"}


def test_what_was_put_off_is_on_the_board_and_in_the_calendar_until_it_is_done(client: FlaskClient) -> None:
    closed(client)
    due = owed(client)
    assert set(due) == {"Spider of the motor coupling", "Foot bolts, 200 N·m", "Gear oil, case: change it"}
    events = Calendar.from_ical(client.get("/api/today.ics").data).walk("VEVENT")
    days = {str(e["summary"]): e["dtstart"].dt.isoformat() for e in events}
    assert days["W-26 Foot bolts, 200 N·m"] == "2026-12-08"
    done = post(
        client,
        "/api/units/u-w26/done",
        id="d1",
        fact=due["Foot bolts, 200 N·m"]["fact"],
        words="190 N·m found, 200 set",
    ).get_json()
    assert [d["what"] for d in done["done"]] == ["Foot bolts, 200 N·m"]
    assert set(owed(client)) == set(due) - {"Foot bolts, 200 N·m"}
    again = post(
        client, "/api/units/u-w26/done", id="d2", fact=due["Foot bolts, 200 N·m"]["fact"], words="twice"
    )
    assert (again.status_code, again.get_json()["code"]) == (409, "stale")


def test_what_an_open_job_put_off_is_settled_there(client: FlaskClient) -> None:
    fact = owed(client)["Spider of the motor coupling"]["fact"]
    assert "settled there" in refused(post(client, "/api/units/u-w26/done", id="d1", fact=fact, words="done"))


def test_what_is_owed_is_carried_into_the_next_job(client: FlaskClient) -> None:
    closed(client)
    fact = owed(client)["Foot bolts, 200 N·m"]["fact"]
    body = {
        "id": "next",
        "revision": "ramp-winch.1",
        "tag": "W-26",
        "name": "Lower stage ramp winch",
        "serial": "RW7-0461",
    }
    assert post(client, "/api/jobs", **body).status_code == 201
    point = points_of(client, "next")[f"owed:{fact}"]
    assert (point["state"], point["label"]) == ("open", "Foot bolts, 200 N·m")
    assert prove(client, "next", "proved", point=f"owed:{fact}", words="200 N·m").status_code == 201
    assert "Foot bolts, 200 N·m" not in owed(client)


def test_a_unit_that_goes_out_as_it_is_says_why(client: FlaskClient) -> None:
    answer = post(client, "/api/jobs/t05/release", id="r1", how="as_it_is", words=" ")
    assert (answer.status_code, answer.get_json()["field"]) == (422, "words")
    let_out(client, "t05", "sold as it stands, tagged")
    record = client.get("/api/jobs/t05/record").get_json()["prove"]
    assert record[-1]["label"].startswith("NOT FOR SERVICE")


def test_opened_again_the_release_holds_no_more(client: FlaskClient) -> None:
    let_out(client, "t05")
    assert post(client, "/api/jobs/t05/close", id="c1", words="sold").status_code == 201
    assert post(client, "/api/jobs/t05/openings", id="o1", words="came back").status_code == 201
    assert client.get("/api/jobs/t05/prove").get_json()["release"]["how"] == ""
