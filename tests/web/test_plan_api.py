"""The build order through the API: what is refused and how, what is kept, and what leaves the yard."""

from __future__ import annotations

from collections.abc import Callable
from io import BytesIO
from itertools import count
from typing import Any

import pytest
from flask.testing import FlaskClient
from pypdf import PdfReader

from apps import app_over
from bornek.core.units.definition import EDITION
from bornek.store.database import Database
from helpers import Bench

Write = Callable[..., Any]


@pytest.fixture
def write(client: FlaskClient) -> Write:
    numbers = count()

    def send(job: str, kind: str, **body: Any) -> Any:
        sent = {"id": f"p{next(numbers)}", "kind": kind, "body": body}
        return client.post(f"/api/jobs/{job}/plan", json=sent, headers={"X-Mechanic": "marl"})

    return send


def plan(client: FlaskClient, job: str) -> dict[str, Any]:
    view: dict[str, Any] = client.get(f"/api/jobs/{job}/plan").get_json()
    return view


def step(view: dict[str, Any], key: str) -> dict[str, Any]:
    return next(s for s in view["steps"] if s["key"] == key)


def done(write: Write, job: str, *keys: str) -> None:
    for key in keys:
        answer = write(job, "step_worked", step=key)
        assert answer.status_code == 201, answer.get_json()


def test_a_forbidden_place_names_the_needs_that_may_be_overruled(client: FlaskClient, write: Write) -> None:
    answer = write("l03", "step_moved", step="off-long-spacer", after="off-cone-pulley").get_json()
    assert (answer["field"], answer["message"]) == (
        "after", "Long spacer must come before Belt pulley: long spacer lies behind belt pulley on spindle.")  # fmt: skip
    need = answer["details"]["needs"][0]
    over = write(
        "l03", "need_judged", before=need["before"], after=need["after"], holds=False, words="in halves"
    )
    assert over.status_code == 201
    moved = write("l03", "step_moved", step="off-long-spacer", after="off-cone-pulley").get_json()
    assert step(moved, "off-long-spacer")["number"] == step(moved, "off-cone-pulley")["number"] + 1


def test_overruling_without_a_reason_is_refused(write: Write) -> None:
    answer = write(
        "l03", "need_judged", before="off-long-spacer", after="off-cone-pulley", holds=False, words=""
    )
    assert (answer.status_code, answer.get_json()["field"]) == (422, "words")


def test_a_step_that_is_done_stays_where_it_is(write: Write) -> None:
    assert write("l03", "step_moved", step="off-thrust", after="").get_json()["field"] == "step"


def test_a_stop_wants_a_reason_and_what_was_done_is_then_recorded(client: FlaskClient, write: Write) -> None:
    refused = write("l03", "step_worked", step="off-rear-cover-part")
    assert (refused.status_code, refused.get_json()["field"]) == (422, "despite")
    assert (
        write("l03", "step_worked", step="off-rear-cover-part", despite="to try the gasket").status_code
        == 201
    )
    lines = client.get("/api/jobs/l03/record").get_json()["build"]
    assert "although: to try the gasket" in next(
        x["words"] for x in lines if (x["zone"], x["label"]) == ("build", "Rear cover, for good")
    )
    found = next(f for f in plan(client, "l03")["findings"] if f["code"] == "shut_out")
    assert found["do"].startswith("Take apart rear cover, for good: ")


def test_a_setting_is_done_by_signing_it_and_not_by_saying_so(write: Write) -> None:
    answer = write("f12", "step_worked", step="carrier-preload-set").get_json()
    assert (answer["field"] == "how" and "Sign" in answer["next_step"]) or "sign" in answer["next_step"]


def test_skipped_or_done_differently_wants_words(write: Write) -> None:
    for how in ("skipped", "differently"):
        assert write("f12", "step_worked", step="cones-on", how=how).get_json()["field"] == "words"


def test_an_unknown_step_is_refused_and_nothing_changes(client: FlaskClient, write: Write) -> None:
    before = plan(client, "f12")["job"]["version"]
    assert write("f12", "step_worked", step="ghost").status_code == 422
    assert write("f12", "went_back", steps=["oil-in"], why="taken_apart").status_code == 422
    assert plan(client, "f12")["job"]["version"] == before


def test_a_wait_holds_up_what_needs_it_until_it_is_over(client: FlaskClient, write: Write) -> None:
    own = {"key": "soak", "label": "Soak", "wait": "soak", "wait_minutes": 120.0}
    write("l03", "step_written", step=own, after="")
    write("l03", "step_written", step={"key": "dry-off", "label": "Dry it", "needs": ["soak"]}, after="soak")
    done(write, "l03", "soak")
    view = plan(client, "l03")
    gate = step(view, "dry-off")["gates"][0]
    assert (gate["sort"], gate["words"]) == ("wait", "Soak: ready at 11:00, 24 Nov")
    assert step(view, "soak")["wait"]["over"] is False


def test_taken_apart_again_a_signed_setting_is_to_be_read_again(client: FlaskClient, write: Write) -> None:
    write("w11", "from_type")
    done(write, "w11", "put-output-cover-part")
    before = client.get("/api/jobs/w11").get_json()["settings"]
    assert next(s for s in before if s["key"] == "output-end-play")["signed"]
    assert write("w11", "went_back", steps=["put-output-cover-part"], why="taken_apart").status_code == 201
    after = next(
        s for s in client.get("/api/jobs/w11").get_json()["settings"] if s["key"] == "output-end-play"
    )
    assert after["disturbed"] and not after["signed"]


def test_signing_a_setting_does_its_step(client: FlaskClient, write: Write) -> None:
    write("w11", "from_type")
    view = plan(client, "w11")
    assert step(view, "set-output-end-play")["state"] == "done"
    assert step(view, "set-output-end-play")["at"]


def test_an_own_step_that_does_not_hold_names_its_fields(write: Write) -> None:
    answer = write(
        "f12", "step_written", step={"key": "x", "label": "X", "parts": ["ghost"], "torque": "hard"}
    )
    assert set(answer.get_json()["details"]["fields"]) == {"parts", "torque"}


def test_the_rail_counts_findings_and_closing_names_what_is_not_worked(client: FlaskClient) -> None:
    job = client.get("/api/jobs/f12").get_json()
    assert next(s for s in job["stages"] if s["key"] == "plan")["open"] == 3
    points = {p["key"]: p for p in job["open_points"]}
    assert "23 steps not worked" in points["plan:left"]["words"] and points["plan:left"]["may_stay"]


def test_the_order_as_worked_goes_along_in_the_exchange_file_and_onto_paper(
    client: FlaskClient, empty: Database
) -> None:
    sent = client.get("/api/jobs/l03/exchange.zip").data
    other = app_over(empty).test_client()
    assert other.post("/api/jobs/imports", data=sent).status_code == 201
    here, there = plan(client, "l03"), plan(other, "l03")
    assert there["steps"] == here["steps"] and there["turns"] == here["turns"]
    text = "".join(
        p.extract_text() for p in PdfReader(BytesIO(client.get("/api/jobs/l03/record.pdf").data)).pages
    )
    assert "Build, as it was worked" in text and "Front lock nut" in text and "2026-11-23" in text


def test_two_tablets_write_on_one_order_and_both_count(client: FlaskClient, write: Write) -> None:
    write("l03", "step_moved", step="felt-in", after="felt-soaks")
    sent = {
        "id": "other",
        "kind": "step_struck",
        "body": {"step": "set-rear-play", "words": "not on this job"},
    }
    client.post("/api/jobs/l03/plan", json=sent, headers={"X-Mechanic": "jun"})
    view = plan(client, "l03")
    assert "set-rear-play" not in [s["key"] for s in view["steps"]]
    assert view["findings"] == []


def test_a_job_by_itself_is_whole_no_later_than_among_the_others(client: FlaskClient) -> None:
    """F-12 stands behind W-26 in the yard's day; K-08 has no end while a part of it has none."""
    among = {f["job"]: f["finish"] for f in client.get("/api/today").get_json()["finishes"]}
    alone = {job: plan(client, job) for job in among}
    assert all("" < alone[job]["finish"] <= among[job] for job in ("f12", "l03", "w26"))
    assert alone["f12"]["finish"] < among["f12"] and alone["l03"]["finish"] == among["l03"]
    assert (alone["k08"]["finish"], among["k08"]) == ("", None)
    assert [w.split(":")[0].split(" from")[0] for w in alone["k08"]["waits_for"]] == [
        "Input seal",
        "Input bearing",
    ]


def test_the_way_back_is_told_for_a_step(client: FlaskClient) -> None:
    way = client.get("/api/jobs/l03/plan/way-back/off-front-spacer").get_json()
    assert way["steps"] == ["off-front-nut", "off-front-lock", "off-thrust", "off-front-spacer"]
    assert way["spoils"] == ["the folds of lock washer"] and way["minutes"] == 2 * 15 * 4


def test_what_jobs_overruled_is_proposed_to_their_type(client: FlaskClient, write: Write) -> None:
    write(
        "l03",
        "need_judged",
        before="off-long-spacer",
        after="off-cone-pulley",
        holds=False,
        words="in halves",
    )
    sheet = client.get("/api/unit-types/lathe-spindle").get_json()
    assert sheet["overruled"] == ["Long spacer before Belt pulley: not so on L-03, in halves"]


def test_a_unit_types_file_of_the_edition_before_still_comes_in(client: FlaskClient) -> None:
    file = client.get("/api/unit-types/capstan/unit-type.json").get_json()
    assert file["edition"] == EDITION
    old = {**file, "edition": 1, "key": "old-capstan"}
    answer = client.post("/api/unit-types/imports", json=old, headers={"X-Mechanic": "marl"})
    assert answer.status_code in (200, 201), answer.get_json()


def test_a_typed_shim_move_beside_a_plan_still_works(client: FlaskClient) -> None:
    assert Bench(client, "f12.wheel-end-play").view()["label"] == "Chain wheel end play"
