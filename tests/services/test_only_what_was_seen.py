"""A record never says what was not seen: ways round, counts, marks, hours, corrections, what closing leaves."""

from typing import Any

import pytest
from flask.testing import FlaskClient

ACTOR = {"X-Mechanic": "oda"}


def fact(client: FlaskClient, job: str, kind: str, key: str, **more: Any) -> Any:
    body = {k: v for k, v in more.items() if k not in ("let_go", "let_go_words", "supersedes")}
    sent = {"id": key, "kind": kind, "body": body}
    sent |= {k: more[k] for k in ("let_go", "let_go_words", "supersedes") if k in more}
    return client.post(f"/api/jobs/{job}/facts", json=sent, headers=ACTOR)


def baseline(client: FlaskClient, job: str, key: str) -> dict[str, Any]:
    shown = client.get(f"/api/jobs/{job}/strip").get_json()["baselines"]
    return next(b for b in shown if b["key"] == key)


def received(client: FlaskClient, **changed: Any) -> dict[str, Any]:
    body = {"id": "n1", "revision": "quay-capstan.1", "tag": "C-50", "name": "Far capstan", "serial": "QC-50"}
    body |= changed
    types = client.get("/api/unit-types").get_json()
    body["revision"] = next(t["id"] for t in types if "capstan" in t["id"])
    answer = client.post("/api/jobs", json=body, headers=ACTOR)
    assert answer.status_code == 201, answer.get_json()
    return answer.get_json()


def test_the_way_it_was_seen_as_it_came_off_is_its_baseline(client: FlaskClient) -> None:
    assert baseline(client, "p22", "way_round:slinger")["state"] == "open"
    sent = {"part": "slinger", "way": "hand", "orientation": "dish down"}
    answer = fact(client, "p22", "removed", "r1", **sent)
    if answer.status_code == 422:
        gone = [x["key"] for x in answer.get_json()["details"]["lost"]]
        assert "way_round:slinger" not in gone
        answer = fact(client, "p22", "removed", "r2", **sent, let_go=gone, let_go_words="rope only")
    assert answer.status_code == 201, answer.get_json()
    seen = baseline(client, "p22", "way_round:slinger")
    assert (seen["state"], seen["words"]) == ("taken", "dish down")


def test_a_way_round_that_is_let_go_is_not_logged(client: FlaskClient) -> None:
    gone = fact(client, "p22", "removed", "r1", part="slinger", way="hand").get_json()["details"]["lost"]
    keys = [x["key"] for x in gone]
    assert "way_round:slinger" in keys
    both = fact(
        client,
        "p22",
        "removed",
        "r2",
        part="slinger",
        way="hand",
        orientation="up",
        let_go=keys,
        let_go_words="x",
    )
    assert (both.status_code, both.get_json()["field"]) == (422, "orientation")
    fact(client, "p22", "removed", "r3", part="slinger", way="hand", let_go=keys, let_go_words="cut off")
    assert baseline(client, "p22", "way_round:slinger")["state"] == "let go"
    record = client.get("/api/jobs/p22/record").get_json()
    way = next(x for x in record["strip"] if x["label"] == "way round of the oil slinger")
    assert way["words"].startswith("let go by")


@pytest.mark.parametrize(
    ("kind", "mesh", "said"),
    [
        ("match_marks", "ring-set", {"marks": "two dots"}),
        ("checking_distance", "ring-set", {"typed": "+0.05"}),
        ("witness", "ring-set", {"drive": [[1.0] * 24] * 12, "coast": []}),
    ],
)
def test_none_there_is_an_answer(client: FlaskClient, kind: str, mesh: str, said: dict[str, Any]) -> None:
    empty = {"drive": [], "coast": []} if kind == "witness" else {}
    fact(client, "f12", "locked_out", "lo", points="main", key_holder="Oda")
    assert fact(client, "f12", kind, "n0", mesh=mesh, **empty).status_code == 422
    assert fact(client, "f12", kind, "n1", mesh=mesh, none=True, **(empty | said)).status_code == 422
    answer = fact(client, "f12", kind, "n2", mesh=mesh, none=True, **empty)
    assert answer.status_code == 201, answer.get_json()
    found = baseline(client, "f12", f"{kind}:{mesh}")
    assert found["state"] == "taken"
    assert found["words"] in ("none there", "no witness to be seen")


def test_in_the_field_nothing_comes_off_before_the_lock_out(client: FlaskClient) -> None:
    received(client, stands="field")
    removal = {"part": "head-bolts", "way": "hand"}
    refused = fact(client, "n1", "removed", "r1", **removal)
    assert (refused.status_code, refused.get_json()["field"]) == (422, "locked_out")
    url = "/api/settings/n1.head-end-play"
    seen = client.get(url).get_json()["version"]
    found = {"id": "a1", "kind": "as_found", "states": {"pack": [0.5]}, "seen": seen}
    assert client.post(f"{url}/acts", json=found, headers=ACTOR).status_code == 201
    move = {"id": "a2", "kind": "move", "states": {"pack": [0.4]}, "seen": seen + 1}
    seen = client.get(url).get_json()["version"]
    refused = client.post(f"{url}/acts", json=move | {"seen": seen}, headers=ACTOR)
    assert refused.get_json()["details"] == {"ask": "locked_out"}
    fact(client, "n1", "locked_out", "lo", points="breaker 4", key_holder="Oda")
    assert fact(client, "n1", "removed", "r2", **removal).status_code == 201
    assert client.post(f"{url}/acts", json=move | {"seen": seen}, headers=ACTOR).status_code == 201


def test_another_gauge_is_meant_for_what_is_still_to_be_read_and_what_was_read_keeps_its_own(
    client: FlaskClient,
) -> None:
    def meant() -> dict[str, str]:
        settings = client.get("/api/jobs/w17").get_json()["settings"]
        return {s["id"]: client.get(f"/api/settings/{s['id']}").get_json()["gauge"]["id"] for s in settings}

    before = meant()
    client.post("/api/jobs/w17/corrections", json={"id": "c1", "gauges": ["lever-2"]}, headers=ACTOR)
    read = "w17.output-end-play"
    assert before[read] == "dial-11"
    assert meant() == {key: "dial-11" if key == read else "lever-2" for key in before}
    assert len(before) > 1


def test_what_was_received_is_corrected_and_what_stood_there_is_kept(client: FlaskClient) -> None:
    change = {
        "id": "c1",
        "complaint": "Knocks when hot",
        "schools": {"reuse": "B"},
        "gauges": ["lever-2"],
        "words": "customer called",
    }
    job = client.post("/api/jobs/p22/corrections", json=change, headers=ACTOR).get_json()
    assert job["complaint"] == "Knocks when hot"
    assert next(s for s in job["schools"] if s["key"] == "reuse")["school"] == "B"
    assert job["gauges"] == ["lever-2"]
    assert len(job["corrections"]) == 3
    assert any("Knocks when hot, it was" in c and "customer called" in c for c in job["corrections"])
    again = client.post("/api/jobs/p22/corrections", json=change | {"id": "c2"}, headers=ACTOR).get_json()
    assert len(again["corrections"]) == 3  # what is the same is no correction
    setting = client.get("/api/settings/p22.thrust-end-play").get_json()
    assert setting["gauge"]["id"] == "lever-2"
    about = client.get("/api/jobs/p22/record").get_json()["about"]
    assert sum(x["zone"] == "corrected" for x in about) == 3


def test_a_gauge_that_is_not_here_corrects_nothing(client: FlaskClient) -> None:
    change = {"id": "c1", "complaint": "x", "gauges": ["nobody"]}
    answer = client.post("/api/jobs/p22/corrections", json=change, headers=ACTOR)
    assert (answer.status_code, answer.get_json()["field"]) == (422, "gauges")
    assert client.get("/api/jobs/p22").get_json()["corrections"] == []


@pytest.mark.parametrize(
    ("sent", "field"),
    [
        ({"when": "receiving", "read_on": "2026-11-20"}, "reading"),
        ({"when": "receiving", "read_on": "2026-11-20", "reading": "5", "none": True}, "reading"),
        ({"when": "receiving", "read_on": "yesterday", "reading": "5"}, "read_on"),
        ({"when": "receiving", "read_on": "2026-11-20", "reading": "lots"}, "reading"),
        ({"when": "receiving", "read_on": "2026-11-20", "reading": "99999999"}, "reading"),
        ({"when": "closing", "read_on": "2026-11-25", "reading": "4000"}, "reading"),
    ],
)
def test_hours_that_cannot_be_are_refused(client: FlaskClient, sent: dict[str, Any], field: str) -> None:
    answer = client.post("/api/jobs/w17/hours", json={"id": "h1", "body": sent}, headers=ACTOR)
    assert (answer.status_code, answer.get_json()["field"]) == (422, field)


def test_the_hour_meter_is_asked_twice_kept_with_its_date_and_may_come_later(client: FlaskClient) -> None:
    job = received(client, hours={"reading": "812,5"})
    assert job["hours"][0]["words"] == "812,5 h on 2026-11-24"
    assert any(p["key"] == "hours" and p["may_stay"] for p in job["open_points"])
    late = {"when": "closing", "read_on": "2026-11-23", "reading": "815"}
    job = client.post("/api/jobs/n1/hours", json={"id": "h2", "body": late}, headers=ACTOR).get_json()
    assert not any(p["key"] == "hours" for p in job["open_points"])
    about = client.get("/api/jobs/n1/record").get_json()["about"]
    assert [(x["label"], x["words"]) for x in about if x["zone"] == "hour meter"] == [
        ("as received", "812,5 h on 2026-11-24"),
        ("at closing", "815 h on 2026-11-23"),
    ]


def test_a_job_without_hours_says_that_they_were_not_written_down(client: FlaskClient) -> None:
    about = client.get("/api/jobs/p22/record").get_json()["about"]
    assert {"zone": "hour meter", "label": "as received", "words": "NOT WRITTEN DOWN", "by": ""} in about


def test_the_record_names_what_was_not_written_down(client: FlaskClient) -> None:
    lines = [x for job in ("f12", "w11") for x in client.get(f"/api/jobs/{job}/record").get_json()["strip"]]
    missing = {x["label"] for x in lines if x["words"] == "NOT WRITTEN DOWN"}
    assert any(label.startswith("contact witness of the") for label in missing)
    assert any(label.startswith("shim pack at the") for label in missing)
    assert any(label.endswith("as found") for label in missing)
