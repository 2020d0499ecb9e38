"""What a mechanic relies on without looking: memory, units, as left, urgency, signatures, corrections, safety."""

from __future__ import annotations

from datetime import UTC, datetime
from typing import Any

import pytest
from flask.testing import FlaskClient

from bornek.services.desk import Desk
from bornek.services.job.receive_job import receive_job
from bornek.services.setting.load_setting import load_setting
from bornek.store import tables as t
from bornek.store.database import Database
from helpers import NOW, Bench, plates

DONE = "w11.output-end-play"


def another(yard: Database, job: str, like: str = "w11") -> None:
    """One more job with a unit of the same type."""
    with yard.writing() as session:
        source = session.get(t.Job, like)
        assert source is not None
        unit = {"id": f"u-{job}", "tag": job.upper(), "name": "Another", "serial": f"RW7-04{job[-2:]}"}
        desk = Desk(session, "oda", datetime(2026, 11, 24, tzinfo=UTC))
        receive_job(desk, {"id": job, "unit": unit, "revision": source.unit_type_revision_id})


def learned(yard: Database, setting: str) -> list[float]:
    with yard.reading() as session:
        return [h.k for h in load_setting(session, setting, NOW.date()).ctx.history]


def signed_with_a_move(client: FlaskClient, setting: str, soft: float) -> None:
    """Read, moved, read again with a response of `soft`, signed."""
    bench = Bench(client, setting, "jun")
    bench.act("as_found", 0.5, 0.25, 0.05)
    bench.read_all(("0.30",) * 3, ("0.30",) * 3)
    bench.act("move", 0.5, 0.05)
    left = f"{0.30 - 0.25 * soft:.3f}"
    view = bench.read_all((left,) * 3, (left,) * 3)
    bench.written("signatures", {"seen": view["version"], "remark": "tried"})


def test_a_finished_job_teaches_the_same_setting_of_its_type_and_no_other(
    client: FlaskClient, yard: Database
) -> None:
    another(yard, "n01")
    another(yard, "n02")
    before = learned(yard, "n02.output-end-play"), learned(yard, "n02.input-preload")
    signed_with_a_move(client, "n01.output-end-play", 0.8)
    after = learned(yard, "n02.output-end-play"), learned(yard, "n02.input-preload")
    assert len(after[0]) == len(before[0]) + 1
    (fresh,) = set(after[0]) - set(before[0])
    assert fresh == pytest.approx(0.8, abs=0.01)
    assert after[1] == before[1]
    assert fresh not in learned(yard, "n01.output-end-play")
    assert learned(yard, "p22.thrust-end-play") == []


@pytest.mark.parametrize(
    ("typed", "mm"), [("8", 0.2032), ("8 thou", 0.2032), ("0.2 mm", 0.2), ("0,2 mm", 0.2)]
)
def test_a_bare_number_is_in_the_gauges_unit(client: FlaskClient, typed: str, mm: float) -> None:
    """The capstan's dial reads thou."""
    bench = Bench(client, "c09.head-end-play")
    assert bench.view()["gauge"]["unit"] == "thou"
    slot = bench.view()["sheet"]["cells"][0]["slot"]
    cell = next(c for c in bench.read(slot, typed)["sheet"]["cells"] if c["slot"] == slot)
    assert cell["entries"][-1]["raw"]["value"] == pytest.approx(mm)
    dial = next(c for c in bench.written("entries", {"slot": slot, "text": "0.2", "gauge": "dial-11"})["sheet"]["cells"] if c["slot"] == slot)  # fmt: skip
    assert dial["entries"][-1]["raw"]["value"] == pytest.approx(0.2)


def test_the_record_keeps_what_was_found_apart_from_what_was_left(
    client: FlaskClient, yard: Database
) -> None:
    another(yard, "n01")
    signed_with_a_move(client, "n01.output-end-play", 1.0)
    record = next(
        s
        for s in client.get("/api/jobs/n01/record").get_json()["settings"]
        if s["id"].endswith("output-end-play")
    )
    assert record["as_found"].startswith("0.300 ")
    assert "0.50 + 0.25 + 0.05 = 0.80" in record["as_found"]
    assert record["as_left"].startswith("0.050 ")
    assert "0.50 + 0.05 = 0.55" in record["as_left"]


def test_the_board_shows_the_most_urgent_unsigned_setting_first(client: FlaskClient) -> None:
    order = ["out_high", "out_low", "not_proven", "at_edge", "read_again", "not_read", "in"]
    rows = [
        r
        for r in client.get("/api/board").get_json()["rows"]
        if r["band"] == "hands" and len(r["settings"]) > 1
    ]
    seen = 0
    for row in rows:
        unsigned = [s for s in row["settings"] if not s["signed"]]
        lead = next(s for s in unsigned if s["id"] == row["setting_id"])
        begun = [s for s in unsigned if s["begun"]] or unsigned
        assert order.index(lead["verdict"]) == min(order.index(s["verdict"]) for s in begun)
        seen += len({s["verdict"] for s in unsigned}) > 1
    assert seen >= 1


def test_what_was_disturbed_is_signed_nowhere(client: FlaskClient) -> None:
    Bench(client, DONE, "jun").act("move", 0.5, 0.25)
    job = client.get("/api/jobs/w11").get_json()
    summary = next(s for s in job["settings"] if s["id"] == DONE)
    assert (summary["signed"], summary["disturbed"], summary["verdict"]) == (False, True, "read_again")
    assert next(s["open"] for s in job["stages"] if s["key"] == "set") >= 1
    board = client.get("/api/board").get_json()["rows"]
    row = next(r for r in board if r["job_id"] == "w11")
    assert not next(s for s in row["settings"] if s["id"] == DONE)["signed"]


def test_a_correction_stays_at_its_own_station(client: FlaskClient, pump: Bench) -> None:
    view = pump.read("travel.mark_up.1", "0.30")
    entry = view["sheet"]["cells"][0]["entries"][0]["id"]
    body = {"slot": "travel.mark_up.2", "text": "0.31", "supersedes": entry, "seen": view["version"]}
    refused = pump.post("entries", body)
    assert (refused.status_code, refused.get_json()["field"]) == (422, "slot")
    view = pump.written("entries", body | {"slot": "travel.mark_up.1"})
    assert [e["as_typed"] for e in view["sheet"]["cells"][0]["entries"]] == ["0.31"]


def test_a_correction_needs_the_version_that_was_seen(pump: Bench) -> None:
    view = pump.read("travel.mark_up.1", "0.30")
    entry = view["sheet"]["cells"][0]["entries"][0]["id"]
    body = {"slot": "travel.mark_up.1", "text": "0.31", "supersedes": entry}
    assert pump.post("entries", body).get_json()["field"] == "seen"
    assert pump.post("entries", body | {"seen": view["version"] - 1}).status_code == 409


def safety_part(client: FlaskClient, job: str) -> dict[str, Any]:
    parts = client.get(f"/api/jobs/{job}/inspection").get_json()["parts"]
    return next(p for p in parts if p["safety"] and len(p["looks"]) > 1 and not p["single_use"])


def judge(client: FlaskClient, job: str, part: str, n: int) -> Any:
    sent = {
        "id": f"j{n}",
        "kind": "judged",
        "body": {"part": part, "verdict": "reuse", "words": "it looks fine"},
    }
    return client.post(f"/api/jobs/{job}/inspection", json=sent, headers={"X-Mechanic": "marl"})


def test_a_safety_part_is_not_used_again_while_anything_is_unseen(client: FlaskClient) -> None:
    part = safety_part(client, "w17")
    first, *rest = [x["key"] for x in part["looks"]]

    def grade(n: int, grades: dict[str, str]) -> None:
        sent = {"id": f"g{n}", "kind": "graded", "body": {"part": part["key"], "grades": grades}}
        assert (
            client.post("/api/jobs/w17/inspection", json=sent, headers={"X-Mechanic": "marl"}).status_code
            == 201
        )

    grade(1, {first: "sound"})
    assert judge(client, "w17", part["key"], 1).status_code == 422
    grade(2, dict.fromkeys(rest, "not_checked"))
    assert judge(client, "w17", part["key"], 2).status_code == 422
    grade(3, dict.fromkeys(rest, "sound"))
    assert judge(client, "w17", part["key"], 3).status_code == 201


def test_the_best_pack_is_offered_from_the_drawer_of_its_own_form(client: FlaskClient) -> None:
    view = Bench(client, "w17.output-end-play").view()
    drawer = {d["label"] for d in view["knobs"][0]["drawer"] if d["count"] > 0}
    now = {p["label"] for pack in view["knobs"][0]["state"]["packs"] for p in pack}
    best = view["sheet"]["move"]["best"]
    labels = {p["label"] for pack in best["states"]["pack"]["packs"] for p in pack}
    assert labels <= drawer | now
    assert sum(plates(best)) == pytest.approx(best["states"]["pack"]["position"])
