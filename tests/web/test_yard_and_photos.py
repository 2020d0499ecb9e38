"""The yard's name, clock and people; photos that are struck; lists cut by semicolons."""

from datetime import UTC, datetime
from typing import Any

import pytest
from flask.testing import FlaskClient

from apps import app_over
from bornek.store.database import Database
from helpers import PICTURE

ACTOR = {"X-Mechanic": "marl"}


def at(yard: Database, moment: datetime) -> FlaskClient:
    return app_over(yard, lambda: moment).test_client()


def name(client: FlaskClient, zone: str, called: str = "Lower yard") -> Any:
    return client.post("/api/yard", json={"name": called, "zone": zone}, headers=ACTOR)


def order(client: FlaskClient, promised: str) -> None:
    body = {"part": "worm-upper", "what": "order", "number": "B-1", "supplier": "Store", "promised": promised}
    sent = {"id": f"o-{promised}", "kind": "ordered", "body": body}
    assert client.post("/api/jobs/t05/inspection", json=sent, headers=ACTOR).status_code == 201


@pytest.mark.parametrize(
    ("zone", "late"),
    [("UTC", False), ("Pacific/Kiritimati", True), ("Pacific/Pago_Pago", False)],
)
def test_days_are_the_yards_own(yard: Database, zone: str, late: bool) -> None:
    """At 23:30 UTC on the 24th it is the 25th already at one end of the world, and still the 24th at the other."""
    client = at(yard, datetime(2026, 11, 24, 23, 30, tzinfo=UTC))
    assert name(client, zone).status_code == 201
    before = client.get("/api/board").get_json()["late"]
    order(client, "2026-11-24")
    assert client.get("/api/board").get_json()["late"] == before + late


def test_a_job_opened_late_at_night_is_dated_by_the_clock_on_the_wall(yard: Database) -> None:
    client = at(yard, datetime(2026, 11, 24, 23, 30, tzinfo=UTC))
    name(client, "Asia/Tokyo")
    body = {"id": "n1", "revision": "ramp-winch.1", "tag": "W-60", "name": "Spare", "serial": "RW7-0950"}
    job = client.post("/api/jobs", json=body | {"hours": {"reading": "5"}}, headers=ACTOR).get_json()
    assert job["hours"][0]["words"] == "5 h on 2026-11-25"
    record = client.get("/api/jobs/n1/record").get_json()
    assert (record["yard"], record["zone"]) == ("Lower yard", "Asia/Tokyo")
    assert record["opened_at"].startswith("2026-11-24T23:30")  # the moment itself stays UTC


@pytest.mark.parametrize("zone", ["Nowhere/Town", "", "../etc/passwd", "UTC\n", "Europe"])
def test_a_zone_that_is_none_is_refused(client: FlaskClient, zone: str) -> None:
    before = client.get("/api/yard").get_json()
    assert name(client, zone).status_code in (400, 422)
    assert client.get("/api/yard").get_json() == before


def test_people_are_made_in_the_app(client: FlaskClient, empty: Database) -> None:
    fresh = at(empty, datetime(2026, 11, 24, tzinfo=UTC))
    first = fresh.post("/api/mechanics", json={"id": "kim", "name": "Kim Asker"})
    assert [p["name"] for p in first.get_json()["people"]] == ["Kim Asker"]
    unnamed = fresh.post("/api/mechanics", json={"id": "lee", "name": "Lee Moor"})
    assert (unnamed.status_code, unnamed.get_json()["field"]) == (422, "actor")
    again = fresh.post(
        "/api/mechanics", json={"id": "lee", "name": "kim asker"}, headers={"X-Mechanic": "kim"}
    )
    assert again.get_json()["field"] == "name"
    second = fresh.post(
        "/api/mechanics", json={"id": "lee", "name": "Lee Moor"}, headers={"X-Mechanic": "kim"}
    )
    assert len(second.get_json()["people"]) == 2


def test_a_photo_is_struck_kept_and_marked(client: FlaskClient) -> None:
    shown = client.post("/api/jobs/p22/photos?id=p1&subject=slinger", data=PICTURE, headers=ACTOR).get_json()
    assert shown["photos"][0]["struck"] == ""

    def strike(key: str, photo: str, words: str) -> Any:
        sent = {"id": key, "kind": "photo_struck", "body": {"photo": photo, "words": words}}
        return client.post("/api/jobs/p22/facts", json=sent, headers=ACTOR)

    assert strike("s0", "ghost", "x").get_json()["field"] == "photo"
    assert strike("s1", "p1", "").get_json()["field"] == "words"
    shown = strike("s2", "p1", "another pump").get_json()
    assert shown["photos"][0]["struck"] == "another pump (Marl Tennick)"
    assert strike("s3", "p1", "again").status_code == 422
    assert client.get(shown["photos"][0]["url"]).status_code == 200
    part = next(
        p for p in client.get("/api/jobs/p22/inspection").get_json()["parts"] if p["key"] == "slinger"
    )
    assert part["photos"] == 0
    assert any("struck: another pump" in c for c in client.get("/api/jobs/p22/record").get_json()["photos"])


@pytest.mark.parametrize("cut", [",", ";", "\t"])
def test_a_parts_list_cut_by_any_usual_sign_is_taken(client: FlaskClient, cut: str) -> None:
    rows = [("key", "label", "kind", "count", "size"), ("b", "Bearing", "ball_bearing", "2", "1")]
    text = "\ufeff" + "\n".join(cut.join(r) for r in rows)
    answer = client.post("/api/parts-lists", json={"csv": text}, headers=ACTOR)
    assert answer.status_code == 200, answer.get_json()
    assert answer.get_json() == [
        {"key": "b", "label": "Bearing", "kind": "ball_bearing", "count": 2, "size": 1.0}
    ]


def test_a_job_is_closed_and_opened_again_on_the_yards_own_day(yard: Database) -> None:
    """Late in the evening in London it is the next day in Tokyo: closing, its refusal and the record say so."""
    evening = datetime(2026, 11, 24, 20, 0, tzinfo=UTC)
    client = app_over(yard, lambda: evening).test_client()
    assert name(client, "Asia/Tokyo").status_code == 201
    for what in ("openings", "release", "close"):
        body = {"id": what, "words": "said by hand"} | ({"how": "as_it_is"} if what == "release" else {})
        assert client.post(f"/api/jobs/w08/{what}", json=body, headers=ACTOR).status_code == 201
    record = client.get("/api/jobs/w08/record").get_json()
    days = {x["zone"]: x["label"] for x in record["about"] if x["words"].startswith("said by hand")}
    assert days == {"opened again": "2026-11-25", "closed": "2026-11-25"}
