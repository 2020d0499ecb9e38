"""The yard's day, its tools and its hours through the API, and the calendar that is taken away."""

from __future__ import annotations

from typing import Any

import pytest
from flask.testing import FlaskClient
from icalendar import Calendar

ACTOR = {"X-Mechanic": "marl"}
WEEK = [{"opens": "07:00", "closes": "15:30", "hands": 3}] * 5 + [{"opens": "", "closes": "", "hands": 0}] * 2
TOOL: dict[str, Any] = {"id": "t1", "tool": "press-9", "seen": 0, "sort": "press", "name": "Press 9"}


def test_today_lays_every_build_into_the_shops_hours(client: FlaskClient) -> None:
    day = client.get("/api/today").get_json()
    assert {f["tag"] for f in day["finishes"]} == {"F-12", "L-03", "K-08", "W-26"}
    assert day["bound"] <= day["finish"] and day["hands_now"] == 2
    assert [h["starts"] for h in day["hands"] if h["now"]] == ["2026-11-24T09:00"] * 2
    due = next(f for f in day["finishes"] if f["tag"] == "L-03")
    assert (due["due"], due["late"]) == ("2026-11-24", False)


def test_what_is_ordered_late_is_said_late(client: FlaskClient) -> None:
    rows = client.get("/api/today").get_json()["by_itself"]
    assert [(r["tag"], r["state"]) for r in rows if r["state"] in ("late", "order")] == [
        ("K-08", "late"),
        ("K-08", "order"),
    ]


def test_the_calendar_holds_every_step_with_its_hands_in_the_yards_zone(client: FlaskClient) -> None:
    answer = client.get("/api/today.ics")
    assert answer.mimetype == "text/calendar"
    events = list(Calendar.from_ical(answer.data).walk("VEVENT"))
    named = [str(e["summary"]) for e in events]
    assert "F-12 Carrier bearings onto the cross shaft" in named
    assert any(n.endswith(": ready") for n in named)
    assert len({str(e["uid"]) for e in events}) == len(events)
    assert all(e["dtend"].dt >= e["dtstart"].dt for e in events if "dtend" in e)
    assert {str(e["summary"]) for e in events if "dtend" not in e} >= {"H-31 Paint the drum cheeks"}


def test_one_job_has_a_calendar_of_its_own(client: FlaskClient) -> None:
    answer = client.get("/api/jobs/l03/plan.ics")
    named = [str(e["summary"]) for e in Calendar.from_ical(answer.data).walk("VEVENT")]
    assert named and all(n.startswith("L-03 ") for n in named)
    assert client.get("/api/jobs/ghost/plan.ics").status_code == 404


def test_a_wrench_that_reaches_the_torque_but_is_due_is_told(client: FlaskClient) -> None:
    found = client.get("/api/jobs/f12/plan").get_json()["findings"]
    said = ["".join(x["text"] for x in f["say"]) for f in found if f["code"] == "tool_missing"]
    assert said == ["Step 17 wants the wrench for 220 N·m: Wrench 3: due since 2026-10-31."]


def test_hours_written_down_move_the_schedule(client: FlaskClient) -> None:
    closed = {"day": "2026-11-24", "opens": "", "closes": "", "hands": 0, "words": "stocktaking"}
    body = {"id": "h2", "week": WEEK, "days": [closed]}
    written = client.post("/api/hours", json=body, headers=ACTOR)
    assert written.status_code == 201 and written.get_json()["said"]
    day = client.get("/api/today").get_json()
    assert (day["hands_now"], day["closes"]) == (0, "")
    assert min(h["starts"] for h in day["hands"]) == "2026-11-25T07:00"
    assert day["leaving"] == []


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"week": WEEK[:6]}, "week"),
        ({"week": [{"opens": "17:00", "closes": "08:00", "hands": 1}, *WEEK[1:]]}, "week[0].closes"),
        ({"week": [{"opens": "8", "closes": "17:00", "hands": 1}, *WEEK[1:]]}, "week[0].opens"),
        ({"week": [{"opens": "08:00", "closes": "17:00", "hands": 99}, *WEEK[1:]]}, "week[0].hands"),
        ({"week": [{"opens": "", "closes": "", "hands": 0}] * 7}, "week"),
        ({"days": [{"day": "24.12.2026"}]}, "days[0].day"),
        ({"days": [{"day": "2026-12-24"}, {"day": "2026-12-24"}]}, "days"),
    ],
)
def test_hours_that_do_not_hold_name_the_day(client: FlaskClient, change: dict[str, Any], field: str) -> None:
    answer = client.post("/api/hours", json={"id": "h2", "week": WEEK, "days": [], **change}, headers=ACTOR)
    assert (answer.status_code, answer.get_json()["field"]) == (422, field)
    assert client.get("/api/hours").get_json()["days"][0]["words"] == "half a day"


def test_a_press_out_of_order_is_found_where_it_is_wanted(client: FlaskClient) -> None:
    broken = {
        **TOOL,
        "tool": "press-1",
        "seen": 1,
        "name": "Press 1",
        "out_of_order": True,
        "words": "ram leaks",
    }
    assert client.post("/api/tools", json=broken, headers=ACTOR).status_code == 201
    found = client.get("/api/jobs/f12/plan").get_json()["findings"]
    assert [f["words"] for f in found if f["code"] == "tool_missing"] == ["wrench for 220 N·m", "press"]


def test_the_ram_of_the_yard_is_out_and_a_wrench_is_due(client: FlaskClient) -> None:
    tools = {t["tool"]: t for t in client.get("/api/tools").get_json()["tools"]}
    assert (tools["ram-1"]["usable"], tools["ram-1"]["why_not"]) == (False, "seal weeps, at the maker's")
    assert tools["wrench-3"]["why_not"] == "due since 2026-10-31"


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"sort": "lathe"}, "sort"),
        ({"name": "  "}, "name"),
        ({"count": 100}, "count"),
        ({"out_of_order": True}, "words"),
        ({"details": {"hottest": "180"}}, "hottest"),
        ({"details": {"rated_force": "strong"}}, "rated_force"),
        ({"sort": "ram", "details": {"area": "-4"}}, "area"),
        ({"sort": "torque_wrench", "details": {"due": "next year"}}, "due"),
    ],
)
def test_a_tool_that_does_not_hold_names_the_field(
    client: FlaskClient, change: dict[str, Any], field: str
) -> None:
    answer = client.post("/api/tools", json=TOOL | change, headers=ACTOR)
    assert (answer.status_code, answer.get_json()["field"]) == (422, field)


def test_a_card_written_meanwhile_is_shown_and_not_written_over(client: FlaskClient) -> None:
    assert client.post("/api/tools", json=TOOL, headers=ACTOR).status_code == 201
    stale = client.post("/api/tools", json=TOOL | {"id": "t2"}, headers=ACTOR)
    assert (stale.status_code, stale.get_json()["details"]["version"]) == (409, 1)
    anew = client.post(
        "/api/tools", json=TOOL | {"id": "t3", "seen": 1, "count": 2}, headers=ACTOR
    ).get_json()
    assert next(t for t in anew["tools"] if t["tool"] == "press-9")["count"] == 2
