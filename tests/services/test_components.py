"""Gear sets and bearings with a serial: they move to another housing and bring what they ran with."""

from typing import Any

import pytest
from flask.testing import FlaskClient

ACTOR = {"X-Mechanic": "oda"}


def receive(client: FlaskClient, job: str = "n1", **changed: Any) -> Any:
    body = {
        "id": job,
        "revision": "ramp-winch.1",
        "tag": "W-40",
        "name": "Spare winch",
        "serial": "RW7-0900",
        "complaint": "None",
    } | changed
    return client.post("/api/jobs", json=body, headers=ACTOR)


def bevel(job: dict[str, Any]) -> dict[str, Any]:
    return next(c for c in job["components"] if c["part"] == "bevel-pinion")


def test_a_known_set_brings_its_last_housing_and_baseline(client: FlaskClient) -> None:
    found = bevel(client.get("/api/jobs/w17").get_json())
    assert found["serial"] == "SET-1439-07"
    stay = found["stays"][0]
    assert stay["tag"] == "W-08"
    assert any("match marks" in w.lower() or "punch marks" in w for w in stay["words"])
    assert any("ran well" in w for w in stay["words"])


def test_a_set_on_its_third_housing_brings_both(client: FlaskClient) -> None:
    job = receive(client, serials={"bevel-pinion": "SET-1439-07"}).get_json()
    assert [s["tag"] for s in bevel(job)["stays"]] == ["W-17", "W-08"]


def test_what_it_ran_with_is_frozen_when_it_moves(client: FlaskClient) -> None:
    job = receive(client, serials={"bevel-pinion": "SET-1439-07"}).get_json()
    before = bevel(job)["stays"][0]["words"]
    fact = {
        "id": "late",
        "kind": "match_marks",
        "body": {"mesh": "bevel-set", "marks": "new paint", "own": True},
    }
    client.post("/api/jobs/w17/facts", json=fact, headers=ACTOR)
    assert bevel(client.get("/api/jobs/n1").get_json())["stays"][0]["words"] == before


def test_a_serial_read_off_later_is_named_then(client: FlaskClient) -> None:
    assert bevel(receive(client).get_json())["serial"] == ""
    answer = client.post("/api/jobs/n1/serials", json={"serials": {"bevel-pinion": "SET-9"}}, headers=ACTOR)
    assert bevel(answer.get_json()) == {
        "part": "bevel-pinion",
        "label": bevel(answer.get_json())["label"],
        "serial": "SET-9",
        "stays": [],
    }


def test_a_part_without_a_serial_of_its_own_is_refused_with_those_that_have(client: FlaskClient) -> None:
    answer = receive(client, serials={"output-seal": "X"})
    assert answer.status_code == 422
    assert answer.get_json()["field"] == "serials"
    assert "bevel-pinion" in answer.get_json()["next_step"]


@pytest.mark.parametrize("typed", ["SET-1439-07", " SET-1439-07 "])
def test_it_is_found_in_the_yard_by_its_serial(client: FlaskClient, typed: str) -> None:
    found = client.get("/api/search", query_string={"q": typed}).get_json()["found"]
    assert {f["tag"] for f in found if f["what"] == "serial"} >= {"W-17"}
