"""The gear train through the API: what must come out, what was counted, levers, marks; record, PDF and exchange."""

from __future__ import annotations

import io
import json
import zipfile
from itertools import count
from typing import Any

import pytest
from flask.testing import FlaskClient
from pypdf import PdfReader

ACTOR = {"X-Mechanic": "marl"}
NEUTRAL = {"high": "neutral", "low": "neutral"}
ids = count(1)


def view(client: FlaskClient, job: str) -> dict[str, Any]:
    found: dict[str, Any] = client.get(f"/api/jobs/{job}/train").get_json()
    return found


def write(client: FlaskClient, job: str, kind: str, **body: Any) -> dict[str, Any]:
    sent = {"id": f"t{next(ids)}", "kind": kind, "body": body}
    answer = client.post(f"/api/jobs/{job}/train", json=sent, headers=ACTOR)
    assert answer.status_code == 201, answer.get_json()
    shown: dict[str, Any] = answer.get_json()
    return shown


def say(shown: dict[str, Any]) -> str:
    return "".join(s["text"] for s in shown["sheet"]["say"])


def at(**levers: str) -> dict[str, str]:
    return NEUTRAL | levers


def counted(client: FlaskClient, job: str, levers: dict[str, str], out: float, way: str) -> dict[str, Any]:
    return write(client, job, "turns_counted", at=levers, shaft="main", turned=10.0, out=out, way=way)


def mark_all(client: FlaskClient) -> dict[str, Any]:
    write(client, "r15", "timing_seen", mark="lower")
    return write(client, "r15", "timing_seen", mark="upper")


def test_the_marks_come_first_then_turns_then_levers_then_nothing_is_left(client: FlaskClient) -> None:
    shown = view(client, "r15")
    assert shown["sheet"]["leaf"] == "marks" and say(shown).startswith(
        "Lower countershaft, before it is closed"
    )
    shown = mark_all(client)
    assert shown["sheet"]["leaf"] == "turns" and "Put it in neutral" in say(shown)
    for levers, out, way in (
        (at(), 0.0, "still"),
        (at(low="first"), 3.85, "clockwise"),
        (at(high="second"), 6.7, "clockwise"),
        (at(high="direct"), 10.0, "clockwise"),
        (at(low="reverse"), 2.8, "counter-clockwise"),
    ):
        shown = counted(client, "r15", levers, out, way)
    assert {r["state"] for r in shown["sheet"]["positions"]} == {"agrees"}
    assert shown["sheet"]["leaf"] == "levers" and shown["state"] == "open"
    for row in shown["sheet"]["levers"]:
        if row["went"] is None:
            shown = write(client, "r15", "levers_tried", at=row["at"], went=row["must"])
    assert shown["state"] == "done" and say(shown).startswith("It turns as it must")
    job = client.get("/api/jobs/r15").get_json()
    assert job["train"]["code"] == "in"
    assert next(s for s in job["stages"] if s["key"] == "mesh")["open"] == 1


def test_what_was_counted_went_into_its_position(client: FlaskClient) -> None:
    counted(client, "k08", at(high="direct"), 10.0, "clockwise")
    row = next(r for r in view(client, "k08")["sheet"]["levers"] if r["at"] == at(high="direct"))
    assert (row["went"], row["right"]) == (True, True)


def test_a_count_that_does_not_fit_names_what_may_be_wrong_and_a_second_count_takes_its_place(
    client: FlaskClient,
) -> None:
    mark_all(client)
    counted(client, "r15", at(low="first"), 3.85, "clockwise")
    wrong = counted(client, "r15", at(low="reverse"), 0.0, "still")
    assert wrong["state"] == "wrong"
    assert "stood still, and must make 2.81 counter-clockwise" in say(wrong)
    assert wrong["sheet"]["faults"][0]["part"] == "idler-gear"
    right = counted(client, "r15", at(low="reverse"), 2.8, "counter-clockwise")
    assert right["sheet"]["faults"] == [] and right["state"] == "open"


def test_a_countershaft_a_tooth_out_stops_everything_with_what_it_comes_to(client: FlaskClient) -> None:
    shown = write(client, "r15", "timing_seen", mark="upper", off=-1)
    assert shown["state"] == "wrong"
    assert "One tooth out at Countershaft, upper" in say(shown) and "of a tooth off" in say(shown)


def test_levers_that_go_together_and_must_not_are_an_interlock_to_be_found(client: FlaskClient) -> None:
    shown = write(client, "k08", "levers_tried", at=at(high="third", low="second"), went=True)
    assert "both went in" in say(shown) and "before it is closed" in say(shown)


def test_every_position_has_its_way_of_power_and_a_neutral_none(client: FlaskClient) -> None:
    shown = view(client, "r15")
    flows = {f["position"]: len(f["flow"]) for f in shown["flows"]}
    assert flows == {
        "high=neutral low=neutral": 0, "high=neutral low=first": 2, "high=second low=neutral": 2,
        "high=direct low=neutral": 1, "high=neutral low=reverse": 1,
    }  # fmt: skip
    width, height = shown["section"]["width"], shown["section"]["height"]
    for f in shown["flows"]:
        for line in f["flow"]:
            assert all(0 <= x <= width and 0 <= y <= height for x, y in line)


def test_a_unit_without_power_is_asked_for_it_and_has_no_train(client: FlaskClient) -> None:
    shown = view(client, "p22")
    assert shown["state"] == "nothing" and "at which shaft power comes in" in say(shown)
    assert client.get("/api/jobs/p22").get_json()["train"] is None


def test_two_outputs_are_counted_each_by_itself(client: FlaskClient) -> None:
    shown = view(client, "f12")
    assert "must come out at each end" in say(shown)
    assert shown["sheet"]["positions"][0]["turned"] == 16
    body = {"at": {}, "turned": 100.0, "out": 6.6, "way": "counter-clockwise"}
    half = write(client, "f12", "turns_counted", shaft="wheel-left", **body)
    assert half["sheet"]["positions"][0]["state"] == "open"
    assert write(client, "f12", "turns_counted", shaft="wheel-right", **body)["state"] == "done"


@pytest.mark.parametrize(
    ("body", "field"),
    [
        ({"at": {"high": "third"}, "shaft": "main", "way": "clockwise", "out": 6.7}, "at"),
        ({"at": NEUTRAL, "shaft": "counter", "way": "clockwise", "out": 6.7}, "shaft"),
        ({"at": NEUTRAL, "shaft": "main", "way": "clockwise", "out": 0.0}, "out"),
        ({"at": NEUTRAL, "shaft": "main", "way": "sideways", "out": 1.0}, "way"),
        ({"at": NEUTRAL, "shaft": "main", "way": "clockwise", "turned": 0.0, "out": 1.0}, "turned"),
    ],
)
def test_what_does_not_hold_is_refused_by_its_field_and_changes_nothing(
    client: FlaskClient, body: dict[str, Any], field: str
) -> None:
    before = view(client, "k08")
    sent = {"id": "bad", "kind": "turns_counted", "body": body}
    answer = client.post("/api/jobs/k08/train", json=sent, headers=ACTOR)
    assert answer.status_code == 422
    assert field in json.dumps(answer.get_json())
    assert view(client, "k08") == before


def test_facts_of_another_stage_are_not_written_here(client: FlaskClient) -> None:
    sent = {"id": "x", "kind": "loose", "body": {"what": "nut", "where": "sump"}}
    assert client.post("/api/jobs/k08/train", json=sent, headers=ACTOR).status_code == 422


def test_it_stands_on_the_record_on_paper_and_in_the_exchange(client: FlaskClient) -> None:
    write(client, "r15", "timing_seen", mark="lower", off=1)
    counted(client, "r15", at(low="first"), 3.85, "clockwise")
    lines = client.get("/api/jobs/r15/record").get_json()["train"]
    assert [x["zone"] for x in lines] == ["timing", "turns counted"]
    assert "1: as it must." in lines[1]["words"]
    pages = PdfReader(io.BytesIO(client.get("/api/jobs/r15/record.pdf").data)).pages
    text = " ".join(" ".join(p.extract_text() for p in pages).split())
    assert "Gear train: turns, levers, timing marks" in text and "as it must" in text
    assert "1 Input gear" in text
    bundle = zipfile.ZipFile(io.BytesIO(client.get("/api/jobs/r15/exchange.zip").data))
    rows = json.loads(bundle.read("job.json"))
    assert {"turns_counted", "timing_seen"} <= {f["kind"] for f in rows["rows"]["fact"]}


def closing(client: FlaskClient, job: str) -> dict[str, Any] | None:
    points = client.get(f"/api/jobs/{job}").get_json()["open_points"]
    return next((p for p in points if p["key"] == "train:turns"), None)


def test_closing_asks_for_what_is_not_counted_and_refuses_what_turns_wrong(client: FlaskClient) -> None:
    still = closing(client, "k08")
    assert still and still["may_stay"] and "2 of 5 positions looked at" in still["words"]
    assert still["to"] == "/mesh/train?zone=turns"
    counted(client, "k08", at(high="direct"), 10.0, "counter-clockwise")
    wrong = closing(client, "k08")
    assert wrong and not wrong["may_stay"] and "the wrong way round" in wrong["words"]
    assert closing(client, "p22") is None
