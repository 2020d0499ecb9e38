"""Ids and keys are checked where they are made, whatever the route."""

from typing import Any

import pytest
from flask.testing import FlaskClient

ACTOR = {"X-Mechanic": "oda"}
BAD = ["", "a b", "Ж", "a/b", "a\n", "-a", "a" * 61, "a\u0301", "a?b", ".."]
MADE: dict[str, tuple[str, dict[str, Any]]] = {
    "job": ("/api/jobs", {"revision": "quay-capstan.1", "tag": "C-1", "name": "x", "serial": "s"}),
    "gauge": ("/api/gauges", {"name": "Dial", "unit": "mm", "division": 0.01}),
    "person": ("/api/mechanics", {"name": "Kim"}),
    "fact": ("/api/jobs/w17/facts", {"kind": "loose", "body": {"what": "nut", "where": "sump"}}),
    "entry": ("/api/settings/w17.output-end-play/entries", {"slot": "travel.mark_down.2", "text": "0.14"}),
    "hours": (
        "/api/jobs/p22/hours",
        {"body": {"when": "receiving", "read_on": "2026-11-20", "reading": "5"}},
    ),
    "count": ("/api/drawer/counts", {"form": "C3 ring", "thickness": "0.1", "count": 3}),
}


@pytest.mark.parametrize("bad", BAD)
@pytest.mark.parametrize("made", MADE)
def test_an_id_that_cannot_stand_in_an_address_is_refused(client: FlaskClient, made: str, bad: str) -> None:
    path, body = MADE[made]
    answer = client.post(path, json={"id": bad, **body}, headers=ACTOR)
    assert (answer.status_code, answer.get_json()["field"]) == (422, "id"), answer.get_json()


@pytest.mark.parametrize("bad", ["Ж", "a b", "a%0A", "a" * 61, "%2E%2E"])
def test_a_unit_types_key_too(client: FlaskClient, bad: str) -> None:
    body = {"name": "Odd", "definition": {}, "seen": 0}
    answer = client.post(f"/api/unit-types/{bad}", json=body, headers=ACTOR)
    assert answer.status_code in (404, 422)
    assert answer.content_type == "application/problem+json"
    assert "Odd" not in {t["name"] for t in client.get("/api/unit-types").get_json()}


@pytest.mark.parametrize("bad", ["A", "a b", "ä", "a.b", "a" * 41])
def test_keys_of_a_definition_too(client: FlaskClient, bad: str) -> None:
    definition = {"places": [{"key": bad, "label": "Cover"}]}
    body = {"name": "Odd", "definition": definition, "seen": 0}
    answer = client.post("/api/unit-types/odd", json=body, headers=ACTOR)
    assert (answer.status_code, answer.get_json()["field"]) == (422, "places[0].key")


@pytest.mark.parametrize(
    "file", ["record.pdf", "readings.csv", "section.svg", "exchange.zip", "orders.csv", "bag-labels.pdf"]
)
def test_a_document_that_cannot_be_made_is_the_same_problem_as_any(client: FlaskClient, file: str) -> None:
    answer = client.get(f"/api/jobs/ghost/{file}")
    assert (answer.status_code, answer.content_type) == (404, "application/problem+json")
    assert answer.get_json()["code"] == "not_found"
