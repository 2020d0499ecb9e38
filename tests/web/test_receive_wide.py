"""Receiving a unit: from nothing, in the field, with schools, gauges, units and limits for its serial."""

from typing import Any

import pytest
from flask.testing import FlaskClient

ACTOR = {"X-Mechanic": "oda"}


def receive(client: FlaskClient, **changed: Any) -> Any:
    body = {
        "id": "r1",
        "revision": "ramp-winch.1",
        "tag": "W-41",
        "name": "Spare winch",
        "serial": "RW7-0901",
        "complaint": "Knocks",
    } | changed
    return client.post("/api/jobs", json=body, headers=ACTOR)


def received(client: FlaskClient, **changed: Any) -> dict[str, Any]:
    answer = receive(client, **changed)
    assert answer.status_code == 201, answer.get_json()
    return answer.get_json()


def test_from_nothing_it_has_an_empty_section_and_says_what_to_do(client: FlaskClient) -> None:
    job = received(client, revision="", tag="X-1", serial="X-1")
    assert (job["settings"], job["places"], job["section"]["shapes"]) == ([], [], [])
    board = client.get("/api/board").get_json()
    row = next(r for r in board["rows"] if r["job_id"] == "r1")
    assert "Fill in" in "".join(s["text"] for s in row["say"])


def test_in_the_field_lock_out_comes_first_and_stands_against_closing(client: FlaskClient) -> None:
    job = received(client, stands="field")
    assert any("lock-out" in p["words"] for p in job["open_points"])
    said = "".join(s["text"] for s in client.get("/api/jobs/r1/strip").get_json()["say"])
    assert said.startswith("Lock out and tag out first.")
    fact = {"id": "lo", "kind": "locked_out", "body": {"points": "breaker 3", "key_holder": "Jun"}}
    shown = client.post("/api/jobs/r1/facts", json=fact, headers=ACTOR).get_json()
    assert shown["locked_out"] == "breaker 3; key with Jun"
    assert "lock_out" not in {p["key"] for p in client.get("/api/jobs/r1").get_json()["open_points"]}


def test_the_schools_are_the_jobs_own_and_show_the_other_side(client: FlaskClient) -> None:
    job = received(client, schools={"reuse": "B"})
    schools = {s["key"]: s for s in job["schools"]}
    assert (schools["reuse"]["school"], schools["aim"]["school"]) == ("B", "A")
    assert schools["reuse"]["does"] != schools["reuse"]["other"]
    shown = client.get("/api/jobs/r1/inspection").get_json()["parts"][0]
    assert (shown["in_force"]["school"], shown["other"]["school"]) == ("B", "A")


@pytest.mark.parametrize("schools", [{"reuse": "C"}, {"colour": "A"}])
def test_a_school_that_there_is_not_is_refused(client: FlaskClient, schools: dict[str, str]) -> None:
    assert receive(client, schools=schools).get_json()["field"] == "schools"


def test_a_job_in_thou_says_its_limits_in_thou(client: FlaskClient) -> None:
    received(client, length_unit="thou")
    setting = client.get("/api/settings/r1.output-end-play").get_json()
    strip = next(s for s in setting["sheet"]["scenes"] if s["type"] == "readout")
    assert strip["unit"] == "thou"
    assert strip["window"]["label"] == "2.36–4.72"


def test_the_same_type_wants_the_same_play_whatever_the_job_speaks(client: FlaskClient) -> None:
    received(client, length_unit="thou")
    received(client, id="r2", tag="W-42", serial="RW7-0902")
    windows = [
        r["window"]
        for job in ("r1", "r2")
        for r in client.get(f"/api/settings/{job}.output-end-play").get_json()["sheet"]["outcome"]["results"]
        if r["role"] == "target"
    ]
    assert windows[0]["lo"] == pytest.approx(windows[1]["lo"])
    assert windows[0]["hi"] == pytest.approx(windows[1]["hi"])


def test_worn_matched_parts_take_their_own_row_where_there_is_one(client: FlaskClient) -> None:
    fresh = received(client)
    worn = received(client, id="r2", tag="W-42", serial="RW7-0902", basis="worn matched parts")
    assert (fresh["basis"], worn["basis"]) == ("new parts", "worn matched parts")


def test_gauges_are_kept_and_an_unknown_one_is_refused(client: FlaskClient) -> None:
    assert received(client, gauges=["dial-11", "lever-2"])["gauges"] == ["dial-11", "lever-2"]
    refused = receive(client, id="r2", tag="W-42", serial="RW7-0902", gauges=["ghost"])
    assert refused.status_code == 422
    assert refused.get_json()["field"] == "gauges"


@pytest.mark.parametrize("field", ["tag", "name", "serial"])
def test_what_every_unit_has_is_asked_for(client: FlaskClient, field: str) -> None:
    assert receive(client, **{field: ""}).status_code == 422


def test_nothing_of_a_refused_unit_stays_behind(client: FlaskClient) -> None:
    assert receive(client, serials={"output-seal": "X"}).status_code == 422
    assert client.get("/api/jobs/r1").status_code == 404
    assert not client.get("/api/search?q=RW7-0901").get_json()["found"]
