"""Inspection over the API: grades, verdicts by school, fits, causes and holds, orders, the shop's lists."""

import csv
import io
from itertools import count
from typing import Any

from flask.testing import FlaskClient
from pypdf import PdfReader

from apps import app_over
from bornek.core.parts.look_fors import look_fors_of
from bornek.core.units.definition import Part
from bornek.store.database import Database
from helpers import whole_board

_ids = count(1)
ACTOR = {"X-Mechanic": "marl"}


def post(client: FlaskClient, url: str, **body: Any) -> Any:
    return client.post(url, json={"id": f"i-{next(_ids)}", **body}, headers=ACTOR)


def write(client: FlaskClient, kind: str, job: str = "p22", **body: Any) -> Any:
    return post(client, f"/api/jobs/{job}/inspection", kind=kind, body=body)


def written(client: FlaskClient, kind: str, job: str = "p22", **body: Any) -> dict[str, Any]:
    answer = write(client, kind, job, **body)
    assert answer.status_code == 201, answer.get_json()
    return answer.get_json()


def view(client: FlaskClient, job: str = "p22") -> dict[str, Any]:
    return client.get(f"/api/jobs/{job}/inspection").get_json()


def part(shown: dict[str, Any], key: str) -> dict[str, Any]:
    return next(p for p in shown["parts"] if p["key"] == key)


def grade(client: FlaskClient, key: str, grade: str, job: str = "p22", **other: str) -> dict[str, Any]:
    looks = part(view(client, job), key)["looks"]
    return written(client, "graded", job, part=key, grades={x["key"]: grade for x in looks} | other)


def test_both_schools_stand_beside_each_other(client: FlaskClient) -> None:
    shown = part(grade(client, "thrust-bearing", "sound"), "thrust-bearing")
    assert (shown["in_force"]["school"], shown["in_force"]["label"]) == ("A", "replace")
    assert (shown["other"]["school"], shown["other"]["label"]) == ("B", "re-use")
    assert shown["other"]["reason"]


def test_a_verdict_against_the_school_needs_its_reason(client: FlaskClient) -> None:
    grade(client, "thrust-bearing", "sound")
    refused = write(client, "judged", part="thrust-bearing", verdict="reuse")
    assert (refused.status_code, refused.get_json()["field"]) == (422, "words")
    shown = written(
        client, "judged", part="thrust-bearing", verdict="reuse", words="new one is ten weeks away"
    )
    assert part(shown, "thrust-bearing")["chosen_label"] == "re-use"
    assert shown["judged"] == 1


def test_a_part_still_to_be_looked_at_has_no_verdict(client: FlaskClient) -> None:
    refused = write(client, "judged", part="coupling-key", verdict="reuse")
    assert "still to look at" in refused.get_json()["message"]


def test_what_could_not_be_checked_reaches_record_and_pdf(client: FlaskClient) -> None:
    grade(client, "motor-shaft", "sound", straight="not_checked")
    record = client.get("/api/jobs/p22/record").get_json()
    lines = [x["label"] for x in record["inspection"] if x["zone"] == "could not be checked"]
    assert lines == ["Motor shaft: straightness, in v blocks"]
    pdf = PdfReader(io.BytesIO(client.get("/api/jobs/p22/record.pdf").data))
    assert "Inspection" in "".join(page.extract_text() for page in pdf.pages)


def test_a_fit_is_measured_like_a_setting_and_decides_the_verdict(client: FlaskClient) -> None:
    given = {"what": "journal", "nominal": "60", "fit": "k6", "source": "drawing"}
    answer = post(
        client, "/api/jobs/p22/fits", part="motor-shaft", kind="seat_size", label="Upper seat", given=given
    )
    assert answer.status_code == 201, answer.get_json()
    fit = part(answer.get_json(), "motor-shaft")["fits"][0]
    assert (fit["verdict"], fit["window"]) == ("not_read", "60.002–60.021")
    shown = grade(client, "motor-shaft", "sound")
    assert part(shown, "motor-shaft")["in_force"]["verdict"] == "hold"
    for place in ("near", "middle", "far"):
        for way in ("up", "across"):
            entry = {"slot": f"size.{place}.{way}", "text": "59.95", "confirmed": True}
            post(client, f"/api/settings/{fit['setting_id']}/entries", **entry)
    shown = part(view(client), "motor-shaft")
    assert shown["fits"][0]["verdict"] == "out_low"
    assert shown["in_force"]["verdict"] == "send_out"


def test_a_kind_that_measures_no_fit_is_refused(client: FlaskClient) -> None:
    answer = post(client, "/api/jobs/p22/fits", part="motor-shaft", kind="shim_pack_end_play", given={})
    assert (answer.status_code, answer.get_json()["field"]) == (422, "kind")


def test_evidence_ranks_causes_and_a_named_cause_holds_the_build(client: FlaskClient) -> None:
    for key in ("fluting", "current"):
        shown = written(client, "evidence", evidence=key, seen="seen")
    assert shown["diagnosis"]["words"] == "The evidence points to: current through it."
    shown = written(client, "cause", cause="electrical", words="welded on the frame in May")
    assert shown["holds"][0]["cleared"] == ""
    points = client.get("/api/jobs/p22").get_json()["open_points"]
    hold = next(p for p in points if "current path found and broken" in p["words"])
    assert (hold["may_stay"], hold["to"]) == (False, "/inspect?zone=cause")
    shown = written(client, "hold_cleared", cause="electrical", words="insulated ring fitted")
    assert shown["holds"][0]["cleared"].startswith("insulated ring fitted")


def test_evidence_looked_at_again_replaces_what_was_said(client: FlaskClient) -> None:
    written(client, "evidence", evidence="grit", seen="seen")
    shown = written(client, "evidence", evidence="grit", seen="absent")
    assert next(e for e in shown["evidence"] if e["key"] == "grit")["seen"] == "absent"
    assert shown["diagnosis"]["leading"] == []


def test_an_order_runs_late_shows_on_the_board_and_comes_in(client: FlaskClient) -> None:
    shown = written(
        client,
        "ordered",
        part="thrust-bearing",
        what="order",
        number="th-18",
        supplier="Yard store",
        promised="2026-11-20",
    )
    assert shown["orders"][0]["late"]
    board = whole_board(client)
    assert board["late"] == 2  # and the gearbox's input bearing
    row = next(r for r in board["rows"] if r["job_id"] == "p22")
    assert row["late"] == ["Thrust bearing from Yard store, promised 2026-11-20"]
    order = shown["orders"][0]["id"]
    shown = written(client, "received", order=order, width_old="18.00", width_new="18.05")
    assert shown["orders"][0]["read_again"] == ["Thrust bearing end play", "End play over the springs"]
    assert client.get("/api/board").get_json()["late"] == 1
    again = write(client, "received", order=order)
    assert again.get_json()["field"] == "order"


def test_orders_go_out_as_csv_with_their_substitutes(client: FlaskClient) -> None:
    post(client, "/api/cross-numbers", number="th-18", other="K 51 218", words="same size, brass cage")
    written(client, "ordered", part="thrust-bearing", what="order", number="TH-18", supplier="=Store")
    rows = list(csv.DictReader(io.StringIO(client.get("/api/orders.csv").text)))
    mine = next(r for r in rows if r["part"] == "Thrust bearing")
    assert (mine["substitutes"], mine["supplier"]) == ("K 51 218", "'=Store")
    assert client.get("/api/jobs/p22/orders.csv").headers["Content-Disposition"].endswith("orders-P-22.csv")


def test_the_cross_reference_refuses_a_pair_twice_and_strikes_a_wrong_one(client: FlaskClient) -> None:
    rows = post(client, "/api/cross-numbers", number="A1", other="B2").get_json()
    mine = next(r for r in rows if r["number"] == "A1")
    assert post(client, "/api/cross-numbers", number="b2", other="a1").status_code == 422
    rows = post(client, "/api/cross-numbers", strike=mine["id"]).get_json()
    assert mine["id"] not in {r["id"] for r in rows}


def test_the_shops_own_look_for_is_asked_and_can_be_retired(client: FlaskClient) -> None:
    rows = post(
        client, "/api/look-fors", group="key", label="Yellow paint gone", means="It was out before."
    ).get_json()
    own = next(r for r in rows if r["own"] and r["label"] == "Yellow paint gone")
    looks = part(view(client), "coupling-key")["looks"]
    assert looks[-1]["key"] == own["key"]
    assert (
        post(client, "/api/look-fors", group="key", label="Yellow paint gone", means="again").status_code
        == 422
    )
    assert post(client, "/api/look-fors", group="keys", label="x", means="y").get_json()["field"] == "group"
    post(client, "/api/look-fors", retire=own["id"])
    assert own["key"] not in {x["key"] for x in part(view(client), "coupling-key")["looks"]}


def test_a_job_taken_in_elsewhere_brings_the_look_for_it_was_graded_by(
    client: FlaskClient, empty: Database
) -> None:
    post(client, "/api/look-fors", group="key", label="Yellow paint gone", means="It was out before.")
    grade(client, "coupling-key", "sound")
    other = app_over(empty).test_client()
    data = client.get("/api/jobs/p22/exchange.zip").data
    taken = other.post("/api/jobs/imports", data=data, headers=ACTOR, content_type="application/zip")
    assert taken.status_code == 201, taken.get_json()
    looks = part(view(other), "coupling-key")["looks"]
    assert [x["grade"] for x in looks] == ["sound"] * 3


def test_a_tooth_map_says_its_pattern_and_its_hunting(client: FlaskClient) -> None:
    marks = [{"tooth": n, "flank": "drive", "damage": "pits"} for n in (4, 5, 6)]
    shown = part(written(client, "teeth", "w17", part="bevel-pinion", marks=marks), "bevel-pinion")["teeth"]
    assert "side by side" in shown["ring"]["words"]
    assert shown["ring"]["teeth"][3]["drive"] == "pits"
    assert "14/39 hunt" in shown["mates"][0]["words"]


def test_a_seal_is_moved_clear_of_its_track(client: FlaskClient) -> None:
    seal = {
        "part": "output-seal",
        "found": "6.0",
        "planned": "6.5",
        "groove": "2.0",
        "lip": "inward",
        "oil": "inward",
    }
    shown = part(written(client, "seal_set", "w17", **seal), "output-seal")["seal"]
    assert shown["words"] == ["Lip faces the oil.", "Not clear of the groove: 0.750 mm farther, or a sleeve."]
    wrong = write(client, "seal_set", "w17", **{**seal, "found": "deep"})
    assert wrong.status_code == 422


def test_the_gauge_list_names_the_gauge_that_tells_a_window(client: FlaskClient) -> None:
    lines = {g["setting"]: g for g in view(client, "l03")["gauges"]}
    assert "coarse" in lines["Spindle end play"]["words"] or lines["Spindle end play"]["enough"]


def test_every_setting_lists_its_tools(client: FlaskClient) -> None:
    for job in ("w17", "g04", "k08"):
        assert all(g["tools"] for g in view(client, job)["gauges"]), job
    assert (
        "spring scale or drag gauge"
        in next(g for g in view(client, "w17")["gauges"] if g["setting"] == "Input shaft preload")["tools"]
    )


def test_the_section_shows_the_gravest_verdict_of_a_place(client: FlaskClient) -> None:
    shown = view(client, "k08")
    flags = {f["key"]: f["words"] for f in shown["section"]["flags"]}
    assert (flags["input-cover"], flags["second-seat"]) == ("dress", "replace")
    assert {p["key"] for p in shown["places"]} == set(flags)


def test_photos_hang_on_evidence(client: FlaskClient) -> None:
    from PIL import Image

    out = io.BytesIO()
    Image.new("RGB", (40, 30), (120, 60, 20)).save(out, "PNG")
    answer = client.post(
        "/api/jobs/p22/photos?id=ph1&subject=evidence:grit&caption=sump",
        data=out.getvalue(),
        headers=ACTOR,
        content_type="application/octet-stream",
    )
    assert answer.status_code == 201, answer.get_json()
    assert next(e for e in view(client)["evidence"] if e["key"] == "grit")["photos"] == 1


def test_every_part_of_every_demo_unit_has_something_to_look_for(client: FlaskClient) -> None:
    for job in ("w17", "f12", "l03", "p22", "k08", "t05", "c09", "g04"):
        shown = view(client, job)
        assert shown["parts"], job
        assert all(p["looks"] for p in shown["parts"]), job
    assert look_fors_of(Part("x", "Other", "other"))
