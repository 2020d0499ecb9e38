"""A unit's life, what its type remembers, the build sheet for its owner and the yard's report, through the API."""

from __future__ import annotations

import csv
import io
from typing import Any

from flask.testing import FlaskClient
from pypdf import PdfReader
from sqlalchemy import select

from bornek.store import tables as t
from bornek.store.database import Database
from helpers import PICTURE, Bench, let_out

ACTOR = {"X-Mechanic": "marl"}


def life(client: FlaskClient, unit: str = "u-h31") -> dict[str, Any]:
    return client.get(f"/api/units/{unit}").get_json()


def paper(client: FlaskClient, path: str) -> str:
    pages = PdfReader(io.BytesIO(client.get(path).data)).pages
    return " ".join(" ".join(p.extract_text() for p in pages).split())


def test_five_strips_are_one_life(client: FlaskClient) -> None:
    shown = life(client)
    play = shown["quantities"][0]
    assert [(r["day"][:4], r["found"], r["left"]) for r in play["rows"]] == [
        ("2008", "0.090", "0.090"),
        ("2013", "0.235", "0.085"),
        ("2018", "0.205", "0.095"),
        ("2022", "0.190", "0.100"),
        ("2026", "0.310", "0.095"),
    ]
    assert (play["told"], play["source"]) == ("date", "Yard drawing HW-2, sheet 1, note 3")
    assert play["act_before"] < play["likely"]
    assert shown["say"][0]["text"] == "Drum shaft end play: "
    assert shown["open_job"] == "h31"


def test_who_lived_where_with_where_it_came_from(client: FlaskClient) -> None:
    winch = {d["part"]: d["stays"] for d in life(client, "u-w17")["dwellings"]}
    assert [(s["label"], s["came"]) for s in winch["bevel-gear"]] == [("SET-1439-07", "W-08")]
    north = {d["part"]: d["stays"] for d in life(client)["dwellings"]}
    assert [(s["label"], s["since"], s["until"]) for s in north["bevel-pinion"]] == [
        ("SET-0931-02", 0, 4),
        ("SET-1108-05", 4, -1),
    ]
    assert [s["label"] for s in north["drum-bottom"]] == ["first", "2013, TB-3311", "2022, TB-3311"]


def test_a_serial_that_went_elsewhere_says_where(client: FlaskClient) -> None:
    body = {"id": "w08b", "revision": "ramp-winch.1", "tag": "W-08", "name": "Old", "serial": "RW7-0309"}
    body |= {"serials": {"bevel-pinion": "SET-NEW"}}
    assert client.post("/api/jobs", json=body, headers=ACTOR).status_code == 201
    stays = {d["part"]: d["stays"] for d in life(client, "u-w08")["dwellings"]}["bevel-pinion"]
    assert [(s["label"], s["went"]) for s in stays] == [("SET-1439-07", "W-17"), ("SET-NEW", "")]


def test_in_the_middle_of_its_rounds_nothing_is_left_yet(client: FlaskClient) -> None:
    play = life(client, "u-w17")["quantities"][0]
    assert (play["rows"][0]["found"], play["rows"][0]["left"]) == ("0.310", "")


def test_a_signed_value_comes_from_its_signature(client: FlaskClient) -> None:
    rows = {q["label"]: q["rows"] for q in life(client, "u-w11")["quantities"]}
    signed = client.get("/api/settings/w11.output-end-play").get_json()["sheet"]
    strip = next(s for s in signed["scenes"] if s["type"] == "readout")
    assert rows["Output shaft end play"][0]["left"] == strip["needle"]["label"]


def test_there_is_no_life_of_a_unit_that_there_is_not(client: FlaskClient) -> None:
    assert client.get("/api/units/ghost").status_code == 404


def test_before_the_first_reading_the_type_says_what_it_showed(client: FlaskClient) -> None:
    body = {"id": "h40", "revision": "haul-winch.1", "tag": "H-40", "name": "Fourth", "serial": "HW2-0200"}
    assert client.post("/api/jobs", json=body, headers=ACTOR).status_code == 201
    memory = client.get("/api/settings/h40.drum-end-play").get_json()["memory"]
    assert memory[0]["words"] == "As found 0.080 to 0.240, the middle 0.205: 6 of 9 above its window."
    assert len(memory[0]["jobs"]) == 9
    assert memory[1]["words"] == "1.0 moves a job, 1 at most."
    assert memory[2]["words"].startswith("Shims put in: ")
    bench = Bench(client, "h40.drum-end-play")
    bench.act("as_found", 0.5)
    bench.read("travel.mark_up.1", "0.2")
    assert bench.view()["memory"] == []


def test_of_all_that_was_done_only_moves_are_counted(client: FlaskClient, yard: Database) -> None:
    """Six of the nine jobs moved anything, once each; one of them signed again with three: 8 moves in six."""
    with yard.writing() as session:
        held = session.scalars(select(t.Signature).where(t.Signature.setting_id == "h31-2018.drum-end-play"))
        first = held.one()
        done = [{"kind": kind} for kind in ("as_found", "reseat", "move", "exchanged", "move")]
        again = {c.key: getattr(first, c.key) for c in t.Signature.__table__.columns}
        again |= {"id": "again", "seq": first.seq + 1, "snapshot": {**first.snapshot, "acts": done}}
        session.add(t.Signature(**again))
    body = {"id": "h40", "revision": "haul-winch.1", "tag": "H-40", "name": "Fourth", "serial": "HW2-0200"}
    assert client.post("/api/jobs", json=body, headers=ACTOR).status_code == 201
    memory = client.get("/api/settings/h40.drum-end-play").get_json()["memory"]
    assert (memory[1]["words"], len(memory[1]["jobs"])) == ("1.3 moves a job, 3 at most.", 6)


def test_the_build_sheet_can_be_read_by_who_owns_it(client: FlaskClient) -> None:
    said = paper(client, "/api/jobs/h31-2018/build-sheet.pdf")
    end = client.get("/api/jobs/h31-2018/record").get_json()["end"]
    for words in (
        "What was wrong",
        "Seal wet",
        "What was set to what",
        "0.205",
        "0.095",
        "What to watch",
        "Paint the drum cheeks",
        end,
    ):
        assert words in said, words
    assert "act before" in said
    assert "Not released" in paper(client, "/api/jobs/w17/build-sheet.pdf")


def test_it_says_what_was_known_then_and_not_what_came_later(client: FlaskClient) -> None:
    first, last = (paper(client, f"/api/jobs/{j}/build-sheet.pdf") for j in ("h31-2013", "h31-2022"))
    dates = [s[s.index("act before") : s.index("act before") + 24] for s in (first, last)]
    assert dates[0] != dates[1]


def test_the_full_record_holds_the_last_look(client: FlaskClient) -> None:
    said = paper(client, "/api/jobs/w26/record.pdf")
    for words in (
        "Last look, run-in, release",
        "tab bent up; 12",
        "whines with the load",
        "COULD NOT BE CHECKED",
    ):
        assert words in said, words


def report(client: FlaskClient, **asked: str) -> dict[str, Any]:
    return client.get("/api/yard/report", query_string=asked).get_json()


def test_the_report_counts_moves_against_the_fewest(client: FlaskClient) -> None:
    rounds = {r["kind"]: r for r in report(client)["rounds"]}["shim_pack_end_play"]
    assert (rounds["moves"], rounds["best"]) == (8, 8)
    assert rounds["signed"] == 13
    shims = {(s["form"], s["thickness"]): s["used"] for s in report(client)["shims"]}
    assert shims["H2 ring", "0.25"] == 2


def test_the_report_of_some_days_holds_the_jobs_of_those_days(client: FlaskClient) -> None:
    old = report(client, since="2013-01-01", until="2013-12-31")["jobs"]
    assert [j["job_id"] for j in old] == ["h31-2013"]
    assert old[0]["hours"]["set"] > 0
    refused = client.get("/api/yard/report?since=Monday")
    assert (refused.status_code, refused.get_json()["field"]) == (422, "since")


def test_the_report_says_how_a_job_stands(client: FlaskClient) -> None:
    let_out(client, "t05")
    states = {j["job_id"]: j["state"] for j in report(client)["jobs"]}
    assert (states["t05"], states["w17"], states["w08"]) == ("goes out as it is", "open", "closed")


def test_the_report_is_csv_and_names_nobody(client: FlaskClient) -> None:
    text = client.get("/api/yard/report.csv").get_data(as_text=True)
    rows = list(csv.DictReader(io.StringIO(text)))
    assert {r["table"] for r in rows} == {"job", "hours", "rounds", "shims"}
    for name in ("Oda", "Marl", "Jun"):
        assert name not in text


def test_what_was_replaced_lived_from_one_visit_to_the_next(client: FlaskClient) -> None:
    stays = {d["part"]: d["stays"] for d in life(client)["dwellings"]}
    assert [(s["label"], s["since"], s["until"], s["went"]) for s in stays["drum-seal"]] == [
        ("first", 0, 2, "replaced"),
        ("2018, HW2-206", 2, 3, "replaced"),
        ("2022, HW2-206", 3, 4, "replaced"),
        ("2026, HW2-206", 4, -1, ""),
    ]


def test_photos_lie_side_by_side_visit_by_visit_and_what_was_struck_is_left_out(client: FlaskClient) -> None:
    reopened = {"id": "again", "words": "photos found"}
    assert client.post("/api/jobs/h31-2022/openings", json=reopened, headers=ACTOR).status_code == 201

    def photo(job: str, key: str, subject: str) -> None:
        sent = client.post(f"/api/jobs/{job}/photos?id={key}&subject={subject}", data=PICTURE, headers=ACTOR)
        assert sent.status_code == 201, sent.get_json()

    for job, key, subject in (
        ("h31", "p1", "bevel-gear"),
        ("h31", "p2", "bevel-pinion"),
        ("h31-2022", "p3", "bevel-pinion"),
        ("h31", "p4", ""),
        ("h31", "p5", ""),
    ):
        photo(job, key, subject)
    struck = {"id": "s1", "kind": "photo_struck", "body": {"photo": "p5", "words": "another hoist"}}
    assert client.post("/api/jobs/h31/facts", json=struck, headers=ACTOR).status_code == 201
    shown = life(client)
    visits = [v["job_id"] for v in shown["visits"]]
    found = {
        p["label"]: {visits[n]: [x["id"] for x in row] for n, row in enumerate(p["by_visit"]) if row}
        for p in shown["photos"]
    }
    assert found == {
        "Bevel pinion": {"h31-2022": ["p3"], "h31": ["p2"]},
        "Bevel gear": {"h31": ["p1"]},
        "the unit": {"h31": ["p4"]},
    }
    assert shown["photos"][0]["subject"] == "bevel-pinion"
