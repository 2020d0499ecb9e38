from typing import Any

from flask.testing import FlaskClient

from helpers import Bench


def receive(client: FlaskClient, **changed: Any) -> Any:
    body = {
        "id": "new-1",
        "revision": "ramp-winch.1",
        "tag": "W-20",
        "name": "Third Lock ramp winch",
        "serial": "RW7-0999",
        "complaint": "Slips",
    } | changed
    return client.post("/api/jobs", json=body, headers={"X-Mechanic": "oda"})


def test_a_unit_comes_in_with_the_settings_of_its_type(client: FlaskClient) -> None:
    types = {x["id"]: x for x in client.get("/api/unit-types").get_json()}
    assert types["ramp-winch.1"]["settings"] == [
        "Output shaft end play",
        "Input shaft preload",
        "Cross shaft end play",
    ]
    answer = receive(client)
    assert answer.status_code == 201
    job = answer.get_json()
    assert [s["label"] for s in job["settings"]] == types["ramp-winch.1"]["settings"]
    assert "W-20" in [r["tag"] for r in client.get("/api/board").get_json()["rows"]]
    bench = Bench(client, job["settings"][0]["id"])
    bench.act("as_found", 0.5, 0.2)
    assert bench.read("travel.mark_up.1", "0.2")["sheet"]["verdict"]["code"] != "not_read"


def test_a_machine_that_was_here_is_known_by_its_serial(client: FlaskClient) -> None:
    job = receive(client, tag="W-77", serial="RW7-0388").get_json()
    assert job["tag"] == "W-11"


def test_a_tag_on_another_machine_is_refused_with_its_name(client: FlaskClient) -> None:
    answer = receive(client, tag="W-17")
    assert answer.status_code == 422
    assert "Ferry Wickerel ramp winch" in answer.get_json()["message"]


def test_an_unknown_type_and_a_used_id_are_refused(client: FlaskClient) -> None:
    assert receive(client, revision="nothing.1").status_code == 404
    assert receive(client).status_code == 201
    assert receive(client, tag="W-21", serial="other").get_json()["field"] == "id"
