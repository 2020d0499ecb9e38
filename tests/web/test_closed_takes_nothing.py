"""A closed job takes nothing, whatever the way in; it says so, and can be opened again with a reason."""

from typing import Any

import pytest
from flask.testing import FlaskClient

from helpers import PICTURE, let_out

ACTOR = {"X-Mechanic": "marl"}
JOB, SETTING = "/api/jobs/w08", "/api/settings/w08.output-end-play"


def post(client: FlaskClient, path: str, **body: Any) -> Any:
    no_id = path.endswith(("/serials", "/definition"))
    sent = body if no_id else {"id": path.replace("/", ".").strip(".")[-40:].strip("."), **body}
    return client.post(path, json=sent, headers=ACTOR)


def writing_routes(client: FlaskClient) -> set[str]:
    """Every route that writes on one job or one setting."""
    return {
        rule.rule
        for rule in client.application.url_map.iter_rules()
        if "POST" in (rule.methods or ()) and ("<job_id>" in rule.rule or "<setting_id>" in rule.rule)
    }


TRIED: dict[str, dict[str, Any]] = {
    "/api/jobs/<job_id>/facts": {"kind": "loose", "body": {"what": "washer", "where": "sump"}},
    "/api/jobs/<job_id>/inspection": {
        "kind": "graded",
        "body": {"part": "output-seal", "grades": {"lip": "sound"}},
    },
    "/api/jobs/<job_id>/plan": {"kind": "from_type"},
    "/api/jobs/<job_id>/fit": {
        "kind": "reckoned",
        "body": {"sum": "fit_ring", "part": "output-seal", "given": {"bore": "50", "outside": "90"}},
    },
    "/api/jobs/<job_id>/train": {
        "kind": "turns_counted",
        "body": {"shaft": "output", "way": "clockwise", "turned": 10.0, "out": 1.0},
    },
    "/api/jobs/<job_id>/fits": {"part": "output-shaft", "kind": "seat_size", "given": {"what": "journal"}},
    "/api/jobs/<job_id>/names": {"tag": "Z-1", "name": "another", "serial": "Z-1"},
    "/api/jobs/<job_id>/serials": {"serials": {"bevel-pinion": "SET-X"}},
    "/api/jobs/<job_id>/definition": {"definition": {}, "seen": 0},
    "/api/jobs/<job_id>/prove": {"kind": "proved", "body": {"point": "back"}},
    "/api/jobs/<job_id>/release": {"how": "as_it_is", "words": "again"},
    "/api/jobs/<job_id>/close": {"words": "again"},
    "/api/jobs/<job_id>/corrections": {"complaint": "another"},
    "/api/jobs/<job_id>/hours": {
        "body": {"when": "closing", "read_on": "2026-11-24", "reading": "5"},
    },
    "/api/settings/<setting_id>/entries": {"slot": "travel.mark_up.1", "text": "0.1"},
    "/api/settings/<setting_id>/acts": {"kind": "as_found", "states": {"pack": [0.5]}, "seen": 0},
    "/api/settings/<setting_id>/explanations": {"cause": "unexplained", "seen": 0},
    "/api/settings/<setting_id>/given": {"given": {}, "seen": 0},
    "/api/settings/<setting_id>/signatures": {"seen": 0, "remark": ""},
}
OTHERS = {
    "/api/jobs/<job_id>/photos",  # a picture, tried below
    "/api/jobs/<job_id>/openings",  # opens it again
    "/api/settings/<setting_id>/expectations",  # asks, and writes nothing
    "/api/settings/<setting_id>/what-if",
}


def test_every_route_that_writes_is_tried(client: FlaskClient) -> None:
    assert writing_routes(client) == set(TRIED) | OTHERS


@pytest.mark.parametrize("rule", sorted(TRIED))
def test_it_is_refused_with_the_way_to_open_it_again(client: FlaskClient, rule: str) -> None:
    path = rule.replace("<job_id>", "w08").replace("<setting_id>", "w08.output-end-play")
    before = client.get(f"{JOB}/record").get_json()
    sent = dict(TRIED[rule])
    if "definition" in sent:
        job = client.get(JOB).get_json()
        sent |= {"definition": job["definition"], "seen": job["version"]}
    answer = post(client, path, **sent)
    assert (answer.status_code, answer.get_json()["code"]) == (409, "closed"), answer.get_json()
    assert "Open it again" in answer.get_json()["next_step"]
    assert client.get(f"{JOB}/record").get_json() == before


def test_a_photo_is_refused_too(client: FlaskClient) -> None:
    answer = client.post(f"{JOB}/photos?id=p1", data=PICTURE, headers=ACTOR)
    assert answer.status_code == 409


def test_opened_again_with_a_reason_it_takes_entries_and_says_so(client: FlaskClient) -> None:
    assert post(client, f"{JOB}/openings", words=" ").get_json()["field"] == "words"
    opened = post(client, f"{JOB}/openings", words="seal weeps").get_json()
    assert opened["closed_at"] == ""
    assert "W-08" in {r["tag"] for r in client.get("/api/board").get_json()["rows"]}
    assert (
        post(client, f"{JOB}/facts", kind="loose", body={"what": "nut", "where": "sump"}).status_code == 201
    )
    about = client.get(f"{JOB}/record").get_json()["about"]
    assert ("opened again", "seal weeps") in {(x["zone"], x["words"]) for x in about}
    assert any(x["zone"] == "closed" and "Housing scrapped" in x["words"] for x in about)
    again = client.post(f"{JOB}/openings", json={"id": "o2", "words": "twice"}, headers=ACTOR)
    assert (again.status_code, again.get_json()["field"]) == (422, "job_id")


def test_what_stayed_open_is_kept_with_the_reason(client: FlaskClient) -> None:
    let_out(client, "t05")
    closed = post(client, "/api/jobs/t05/close", words="sold as it stands")
    assert closed.status_code == 201
    line = next(x for x in client.get("/api/jobs/t05/record").get_json()["about"] if x["zone"] == "closed")
    assert line["words"].startswith("sold as it stands; left open: ")
    assert "Table end play: not read, not signed" in line["words"]


def test_the_search_says_which_jobs_are_closed(client: FlaskClient) -> None:
    found = client.get("/api/search", query_string={"q": "bevel pinion"}).get_json()["found"]
    assert {(f["tag"], f["closed"]) for f in found} >= {("W-08", True), ("W-17", False)}
