"""Writing in the inspection: once per key, by somebody, refused by its field, nothing half stored."""

from __future__ import annotations

from typing import Any

import pytest
from flask.testing import FlaskClient

URL = "/api/jobs/p22/inspection"
ACTOR = {"X-Mechanic": "marl"}
GRADED = {"id": "g1", "kind": "graded", "body": {"part": "coupling-key", "grades": {"fit": "sound"}}}


def send(client: FlaskClient, sent: dict[str, Any], url: str = URL, **headers: str) -> Any:
    return client.post(url, json=sent, headers=ACTOR | headers)


def key_of(client: FlaskClient) -> dict[str, str]:
    shown = client.get(URL).get_json()
    part = next(p for p in shown["parts"] if p["key"] == "coupling-key")
    return {x["key"]: x["grade"] for x in part["looks"]}


def test_the_same_thing_sent_twice_counts_once(client: FlaskClient) -> None:
    first = send(client, GRADED, **{"Idempotency-Key": "k1"})
    again = send(client, GRADED, **{"Idempotency-Key": "k1"})
    assert (first.status_code, again.status_code) == (201, 201)
    assert first.get_json()["job"]["version"] == again.get_json()["job"]["version"]


def test_another_thing_under_the_same_key_is_refused(client: FlaskClient) -> None:
    send(client, GRADED, **{"Idempotency-Key": "k1"})
    other = GRADED | {"id": "g2", "body": {"part": "coupling-key", "grades": {"fit": "unsafe"}}}
    assert send(client, other, **{"Idempotency-Key": "k1"}).status_code == 422
    assert key_of(client)["fit"] == "sound"


def test_nobody_grades_without_a_name(client: FlaskClient) -> None:
    assert client.post(URL, json=GRADED).status_code == 422
    assert key_of(client)["fit"] == ""


@pytest.mark.parametrize(
    ("changed", "field"),
    [
        ({"kind": "removed"}, "kind"),
        ({"kind": "guess"}, "kind"),
        ({"id": ""}, "id"),
        ({"extra": 1}, "extra"),
        ({"body": []}, "body"),
        ({"body": {"part": "ghost", "grades": {}}}, "part"),
        ({"body": {"part": "coupling-key", "grades": {"fit": "fine"}}}, "grades"),
        ({"body": {"part": "coupling-key", "grades": {"spalls": "sound"}}}, "grades"),
        ({"body": {"part": "coupling-key", "grades": {}, "folds": 99}}, "folds"),
        ({"body": {"part": "coupling-key"}}, "grades"),
    ],
)
def test_what_cannot_be_is_refused_by_its_field_and_nothing_is_stored(
    client: FlaskClient, changed: dict[str, Any], field: str
) -> None:
    before = client.get(URL).get_json()["job"]["version"]
    answer = send(client, GRADED | changed)
    assert answer.status_code == 422
    assert answer.get_json()["field"] == field
    assert answer.get_json()["next_step"]
    assert client.get(URL).get_json()["job"]["version"] == before


def test_a_job_that_is_not_there_is_404(client: FlaskClient) -> None:
    assert send(client, GRADED, "/api/jobs/none/inspection").status_code == 404
    assert client.get("/api/jobs/none/inspection").status_code == 404
    assert client.get("/api/jobs/none/orders.csv").status_code == 404


def test_two_mechanics_grade_the_same_part_and_both_are_heard(client: FlaskClient) -> None:
    send(client, GRADED)
    other = {
        "id": "g2",
        "kind": "graded",
        "body": {"part": "coupling-key", "grades": {"sides": "dress"}, "note": "burr"},
    }
    shown = client.post(URL, json=other, headers={"X-Mechanic": "jun"}).get_json()
    part = next(p for p in shown["parts"] if p["key"] == "coupling-key")
    assert {x["key"]: x["grade"] for x in part["looks"]} == {"fit": "sound", "sides": "dress"}
    assert part["notes"] == ["burr (Jun Havers)"]


def test_a_wrong_grade_is_struck_and_its_look_is_open_again(client: FlaskClient) -> None:
    send(client, GRADED)
    struck = {"id": "g3", "kind": "graded", "supersedes": "g1", "void": True}
    assert send(client, struck).status_code == 201
    assert key_of(client)["fit"] == ""
    assert send(client, struck | {"id": "g4"}).status_code == 409


def test_strip_and_inspection_do_not_get_in_each_others_way(client: FlaskClient) -> None:
    before = client.get("/api/jobs/p22/strip").get_json()
    send(client, GRADED)
    after = client.get("/api/jobs/p22/strip").get_json()
    for key in ("baselines", "removals", "parts", "loose", "notes"):
        assert after.get(key) == before.get(key), key
