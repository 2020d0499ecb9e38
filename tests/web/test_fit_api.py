"""Fits through the API: sums laid down and frozen, heat counted down, pushes judged, what they disturb."""

from __future__ import annotations

from collections.abc import Callable
from datetime import datetime, timedelta
from io import BytesIO
from itertools import count
from typing import Any

import pytest
from flask.testing import FlaskClient
from pypdf import PdfReader

from apps import app_over
from bornek.store import tables as t
from bornek.store.database import Database
from helpers import NOW

HEAT = {"d": "140", "interference": "0.098", "entering": "0.07", "outside": "240", "length": "100"}
Write = Callable[..., Any]


class Clock:
    def __init__(self) -> None:
        self.now = NOW

    def __call__(self) -> datetime:
        return self.now

    def on(self, **by: float) -> None:
        self.now += timedelta(**by)


@pytest.fixture
def clock() -> Clock:
    return Clock()


@pytest.fixture
def client(yard: Database, clock: Clock) -> FlaskClient:
    return app_over(yard, clock).test_client()


@pytest.fixture
def write(client: FlaskClient) -> Write:
    numbers = count()

    def send(job: str, kind: str, **body: Any) -> Any:
        sent = {"id": f"q{next(numbers)}", "kind": kind, "body": body}
        return client.post(f"/api/jobs/{job}/fit", json=sent, headers={"X-Mechanic": "marl"})

    return send


def laid(
    write: Write, sum_: str, given: dict[str, str], job: str = "w17", part: str = "bevel-gear"
) -> dict[str, Any]:
    answer = write(job, "reckoned", sum=sum_, part=part, given=given)
    assert answer.status_code == 201, answer.get_json()
    fit: dict[str, Any] = next(f for f in answer.get_json()["fits"] if f["key"] == part)
    return fit


def fit_of(client: FlaskClient, job: str = "w17", part: str = "bevel-gear") -> dict[str, Any]:
    fits = client.get(f"/api/jobs/{job}/fit").get_json()["fits"]
    found: dict[str, Any] = next(f for f in fits if f["key"] == part)
    return found


def test_a_sum_without_a_job_is_answered_or_says_what_is_missing(client: FlaskClient) -> None:
    half = client.post("/api/sums/fit_heat", json={"given": {"d": "140"}}).get_json()
    assert half["answer"] is None and half["missing"] == ["Interference, cold"]
    wrong = client.post("/api/sums/fit_heat", json={"given": {"d": "a lot"}}).get_json()
    assert "No number could be read" in wrong["problems"]["d"]
    whole = client.post("/api/sums/fit_heat", json={"given": HEAT}).get_json()
    assert [s["text"] for s in whole["answer"]["say"] if s["move"]] == ["hub", "123 °C"]
    assert client.post("/api/sums/fit_nothing", json={"given": {}}).status_code == 404
    names = client.get("/api/sums").get_json()
    assert len(names) == 13 and {n["at"] for n in names} == {"part", "step"}


def test_what_a_sum_came_to_is_frozen_here_and_never_taken_from_outside(
    client: FlaskClient, write: Write
) -> None:
    forged = {"said": "all is well", "numbers": {"hub_c": 1.0}, "code": "in", "found": {"x": "y"}}
    assert (
        write("w17", "reckoned", sum="fit_heat", part="bevel-gear", given=HEAT, **forged).status_code == 201
    )
    (one,) = fit_of(client)["laid"]
    assert one["said"].startswith("Heat the hub to 123 °C.") and "x" not in one["found"]
    sent = {"id": "f1", "kind": "reckoned", "body": {"sum": "fit_heat", "part": "bevel-gear", **forged}}
    refused = client.post("/api/jobs/w17/facts", json=sent, headers={"X-Mechanic": "marl"})
    assert (refused.status_code, refused.get_json()["field"]) == (422, "kind")


@pytest.mark.parametrize(
    ("body", "field", "words"),
    [
        ({"sum": "fit_heat", "given": HEAT}, "part", "one of them"),
        ({"sum": "fit_heat", "part": "bevel-gear", "step": "x", "given": HEAT}, "step", "no step"),
        ({"sum": "fit_heat", "part": "ghost", "given": HEAT}, "part", "no part"),
        (
            {"sum": "fit_heat", "part": "bevel-gear", "given": {"d": "140"}},
            None,
            "Interference, cold: is missing",
        ),
        ({"sum": "fit_heat", "part": "bevel-gear", "given": HEAT | {"d": "wide"}}, "d", "No number"),
        (
            {"sum": "fit_heat", "part": "bevel-gear", "given": HEAT | {"d": 140}},
            "given",
            "a text for each field",
        ),
        ({"sum": "fit_odd", "part": "bevel-gear", "given": {}}, "kind", "No sum"),
        (
            {"sum": "fit_heat", "part": "bevel-gear", "given": HEAT | {"colour": "red"}},
            "colour",
            "does not ask for",
        ),
    ],
)
def test_what_cannot_be_laid_down_is_refused_in_words(
    write: Write, body: dict[str, Any], field: str | None, words: str
) -> None:
    answer = write("w17", "reckoned", **body)
    assert answer.status_code in (404, 422)
    problem = answer.get_json()
    assert problem["field"] == field and words in problem["message"]


@pytest.mark.parametrize(
    ("sort", "details", "given"),
    [
        ("oven", {"hottest": "180"}, {"heater": "oven", "heater_c": "180"}),
        ("freezer", {"coldest": "-70"}, {"cooler": "freezer", "cooler_c": "-70"}),
        ("oven", {}, None),
        ("freezer", {}, None),
    ],
)
def test_a_tool_of_the_yard_fills_in_what_its_card_says(
    client: FlaskClient, sort: str, details: dict[str, str], given: dict[str, str] | None
) -> None:
    card = {
        "id": "own",
        "tool": "own",
        "name": "Own tool",
        "sort": sort,
        "count": 1,
        "details": details,
        "seen": 0,
    }
    answer = client.post("/api/tools", json=card, headers={"X-Mechanic": "oda"})
    assert answer.status_code == 201, answer.get_json()
    ready = client.get("/api/jobs/w17/fit").get_json()["ready"]
    assert [r["given"] for r in ready if r["name"] == "Own tool"] == ([] if given is None else [given])


def test_from_the_oven_to_the_feeler(client: FlaskClient, write: Write, clock: Clock) -> None:
    fit = laid(write, "fit_heat", HEAT)
    assert (fit["hot"]["state"], fit["open"]) == ("planned", True)
    plan = fit["hot"]["fact"]
    assert write("w17", "heat_read", fit=plan, t="135").status_code == 201
    hot = fit_of(client)["hot"]
    assert (hot["state"], hot["learned"]) == ("hot", False)
    early = hot["ends"]
    clock.on(seconds=230)
    write("w17", "heat_read", fit=plan, t="131 °C", how="crayon")
    hot = fit_of(client)["hot"]
    assert hot["learned"] and hot["ends"] > early
    assert [row["pack"] for row in hot["log"]["rows"]] == [
        "out",
        "read again",
        "now",
        "drags on",
        "grips, in air",
    ]
    clock.on(seconds=60)
    write("w17", "fit_seen", fit=plan, what="home")
    assert fit_of(client)["hot"]["state"] == "holding"
    clock.on(hours=3)
    assert fit_of(client)["hot"]["state"] == "cooling"
    write("w17", "fit_seen", fit=plan, what="seated")
    done = fit_of(client)
    assert [line["at"][2] for line in done["done"] if len(line["at"]) == len("17:30")] == [":"] * len(
        done["done"]
    )
    assert (done["hot"]["state"], done["state"], done["open"]) == (
        "seated",
        "cold: no feeler goes all round",
        False,
    )
    record = client.get("/api/jobs/w17/record").get_json()["fits"]
    assert [line["zone"] for line in record] == ["heating and chilling", "heat", "heat", "fitted", "fitted"]
    assert all(line["by"] == "Marl Tennick" and line["label"] for line in record)
    pdf = client.get("/api/jobs/w17/record.pdf").data
    text = "".join(page.extract_text() for page in PdfReader(BytesIO(pdf)).pages)
    assert "Fits: heat, press, torque" in text and "131 °C by crayon at the bore" in text


def test_a_hub_that_stayed_out_too_long_is_not_begun_and_one_that_grips_short_is_pulled(
    client: FlaskClient, write: Write, clock: Clock
) -> None:
    plan = laid(write, "fit_heat", HEAT)["hot"]["fact"]
    write("w17", "heat_read", fit=plan, t="126")
    clock.on(hours=2)
    late = fit_of(client)["hot"]
    assert late["state"] == "late" and "heat it again" in "".join(s["text"] for s in late["say"])
    write("w17", "heat_read", fit=plan, t="140")
    assert fit_of(client)["hot"]["state"] == "hot"
    refused = write("w17", "fit_seen", fit=plan, what="short")
    assert (refused.status_code, refused.get_json()["field"]) == (422, "words")
    write("w17", "fit_seen", fit=plan, what="short", words="4 mm from home")
    wrong = fit_of(client)["hot"]
    assert wrong["state"] == "wrong" and wrong["head"] == "Do not push it cold"
    clock.on(minutes=50)
    write("w17", "heat_read", fit=plan, t="138")
    assert fit_of(client)["hot"]["state"] == "hot"


def test_a_chilled_shaft_must_be_read_before_there_is_a_countdown(
    client: FlaskClient, write: Write, clock: Clock
) -> None:
    fit = laid(write, "fit_heat", HEAT | {"cooler": "dry_ice", "hub_is": "bearing"})
    plan = fit["hot"]["fact"]
    write("w17", "heat_read", fit=plan, t="40")
    assert fit_of(client)["hot"]["wants_shaft"] is True
    write("w17", "heat_read", fit=plan, t="-70", member="shaft")
    hot = fit_of(client)["hot"]
    assert (hot["wants_shaft"], hot["state"]) == (False, "hot")
    clock.on(hours=1)
    assert fit_of(client)["hot"]["state"] == "late"


def test_a_part_that_went_on_hot_leaves_its_settings_to_be_read_cold(
    client: FlaskClient, write: Write
) -> None:
    before = client.get("/api/settings/w11.output-end-play").get_json()
    assert before["sheet"]["verdict"]["code"] == "in"
    part = next(
        p["key"]
        for p in client.get("/api/jobs/w11").get_json()["definition"]["parts"]
        if p["key"] == "output-shaft"
    )
    plan = laid(write, "fit_heat", HEAT, "w11", part)["hot"]["fact"]
    write("w11", "heat_read", fit=plan, t="135")
    write("w11", "fit_seen", fit=plan, what="home")
    after = client.get("/api/settings/w11.output-end-play").get_json()
    assert after["sheet"]["verdict"]["code"] == "read_again"
    assert "went on hot: read it cold, from" in str(after)


def test_points_of_a_push_are_judged_as_they_are_written(client: FlaskClient, write: Write) -> None:
    press = {"d": "140", "interference": "0.098", "outside": "240", "length": "100"}
    fit = laid(write, "fit_press", press)
    plan = fit["push"]["fact"]
    for travel, push in (("20", "50"), ("40", "101 kN")):
        write("w17", "push_read", fit=plan, travel=travel, push=push)
    assert fit_of(client)["push"]["words"] == ""
    write("w17", "push_read", fit=plan, travel="44", push="27 short tons")
    assert fit_of(client)["push"]["words"].startswith("Stop: 240 kN at 44 mm")
    assert fit_of(client)["state"] == "stop and look"
    for bad, field in (({"travel": "far", "push": "5"}, None), ({"travel": "10", "push": "5 tons"}, None)):
        refused = write("w17", "push_read", fit=plan, **bad)
        assert refused.status_code == 422 and refused.get_json()["next_step"], field


def test_what_one_sum_knows_goes_on_to_the_next(write: Write) -> None:
    sizes = {"nominal": "140", "shaft_a1": "140.112", "bore_a1": "140.014"}
    fit = laid(write, "fit_interference", sizes)
    assert fit["carry"]["fit_heat"] == {"d": "140", "interference": "0.0980 mm"}
    fit = laid(write, "fit_press", {"d": "140", "interference": "0.098", "outside": "240", "length": "100"})
    assert fit["carry"]["fit_ram"]["force"].startswith("251")


def test_rams_and_wrenches_of_the_yard_fill_a_sum_and_say_why_not(client: FlaskClient) -> None:
    ready = {r["name"]: r for r in client.get("/api/jobs/f12/fit").get_json()["ready"]}
    assert ready["Ram 3"]["given"] == {"area": "50.3", "rated_pressure": "630 bar"}
    assert ready["Hollow ram"]["why_not"]
    assert ready["Wrench 3"]["given"]["wrench_due"] == "due"


def test_the_step_shows_what_was_reckoned_for_it_and_the_job_is_not_closed_over_it(
    client: FlaskClient,
) -> None:
    steps = client.get("/api/jobs/f12/plan").get_json()["steps"]
    cover = next(s for s in steps if s["key"] == "left-wheel-cover")
    assert [f["at"] for f in cover["fits"]] == ["step:left-wheel-cover"]
    assert any(f["at"] == "part:left-wheel" for s in steps for f in s["fits"])
    job = client.get("/api/jobs/f12").get_json()
    assert next(s for s in job["stages"] if s["key"] == "fit")["open"] == 2
    assert any(p["to"] == "/fit" for p in job["open_points"])


def test_a_job_with_fits_goes_out_and_comes_in_whole(
    client: FlaskClient, write: Write, empty: Database
) -> None:
    plan = laid(write, "fit_heat", HEAT)["hot"]["fact"]
    write("w17", "heat_read", fit=plan, t="135")
    file = client.get("/api/jobs/w17/exchange.zip").data
    other = app_over(empty).test_client()
    other.post("/api/mechanics", json={"id": "oda", "name": "Oda Brisk"})
    came = other.post(
        "/api/jobs/imports", data={"file": (BytesIO(file), "w17.zip")}, headers={"X-Mechanic": "oda"}
    )
    assert came.status_code == 201, came.get_json()
    assert fit_of(other)["laid"] == fit_of(client)["laid"]
    assert fit_of(other)["hot"]["log"] == fit_of(client)["hot"]["log"]


def test_a_hydraulic_release_and_a_weld_bead_want_their_conditions_ticked(client: FlaskClient) -> None:
    def off(way: str, n: int, *ticked: str) -> Any:
        body = {"part": "left-wheel", "way": way, "ticked": list(ticked)}
        sent = {"id": f"hy{n}", "kind": "removed", "body": body}
        return client.post("/api/jobs/f12/facts", json=sent, headers={"X-Mechanic": "marl"})

    refused = off("hydraulic", 1, "nut").get_json()
    assert refused["field"] == "ticked"
    assert "nobody in line with the shaft; red line of pump, ring and hub known" in refused["message"]
    assert "the race is scrap" in off("weld_shrink", 2).get_json()["message"]
    assert off("hydraulic", 3, "nut", "clear", "red_line").status_code == 201
    strip = client.get("/api/jobs/f12/record").get_json()["strip"]
    assert any("nut left on by more than the travel; nobody in line" in line["words"] for line in strip)


def test_what_was_read_wrongly_is_struck_and_counts_no_more(client: FlaskClient, write: Write) -> None:
    plan = laid(write, "fit_heat", HEAT)["hot"]["fact"]
    write("w17", "heat_read", fit=plan, t="135")
    write("w17", "heat_read", fit=plan, t="35")
    assert fit_of(client)["hot"]["state"] == "late"
    wrong = fit_of(client)["done"][-1]
    sent = {"id": "st1", "kind": "heat_read", "supersedes": wrong["fact"], "void": True}
    assert client.post("/api/jobs/w17/fit", json=sent, headers={"X-Mechanic": "oda"}).status_code == 201
    assert fit_of(client)["hot"]["state"] == "hot"
    assert [d["words"] for d in fit_of(client)["done"]] == ["hub 135 °C by contact probe at the bore"]


def test_a_plan_laid_down_anew_begins_again_after_the_seat_and_keeps_the_heat_before_it(
    client: FlaskClient, write: Write, clock: Clock
) -> None:
    plan = laid(write, "fit_heat", HEAT)["hot"]["fact"]
    write("w17", "heat_read", fit=plan, t="135")
    anew = laid(write, "fit_heat", HEAT | {"entering": "0.06"})
    assert (anew["hot"]["state"], anew["hot"]["hub_c"]) == ("hot", pytest.approx(132))
    write("w17", "fit_seen", fit=anew["hot"]["fact"], what="home")
    write("w17", "fit_seen", fit=anew["hot"]["fact"], what="seated")
    assert fit_of(client)["open"] is False
    other = laid(write, "fit_left", {"unmounted": "0.05", "inner": "0.02"})
    assert other["open"] is False
    again = laid(write, "fit_heat", HEAT)
    assert (again["hot"]["state"], again["hot"]["hub_c"], again["open"]) == ("planned", None, True)


def test_a_sum_that_this_version_does_not_know_is_shown_as_it_was_said(
    client: FlaskClient, write: Write, yard: Database
) -> None:
    laid(write, "fit_ring", {"bore": "50", "outside": "90"})
    with yard.writing() as session:
        old = session.query(t.Fact).filter_by(fact_kind="reckoned", job_id="w17").one()
        body = {**old.body, "sum": "fit_of_another_day", "given": {"colour": "red"}}
        session.add(t.Fact(id="odd", job_id="w17", fact_kind="reckoned", subject="bevel-gear", body=body, seq=900, void=False,
                           mechanic_id="marl", at=NOW))  # fmt: skip
    shown = fit_of(client)["laid"]
    assert [x["sum"] for x in shown] == ["fit_ring", "fit_of_another_day"]
    assert shown[1]["said"].startswith("Push the inner ring")
    assert client.get("/api/jobs/w17/record").status_code == 200


def test_a_hub_over_its_limit_is_not_fitted_until_the_reading_is_struck(
    client: FlaskClient, write: Write
) -> None:
    plan = laid(write, "fit_heat", HEAT | {"hub_is": "gear_case"})["hot"]["fact"]
    write("w17", "heat_read", fit=plan, t="158")
    over = fit_of(client)
    assert (over["hot"]["state"], over["state"]) == ("over", "over its limit")
    assert over["offered"]["main"] is None
    assert (
        "".join(s["text"] for s in over["hot"]["say"])
        == "It was 158 °C, and 150 °C is the most: do not fit it."
    )
    sent = {"id": "st2", "kind": "heat_read", "supersedes": over["done"][0]["fact"], "void": True}
    client.post("/api/jobs/w17/fit", json=sent, headers={"X-Mechanic": "oda"})
    assert fit_of(client)["hot"]["state"] == "planned"
