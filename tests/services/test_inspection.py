"""Inspection through the services: fits, orders across the yard, search, closing, exchange."""

from __future__ import annotations

from datetime import date
from itertools import count
from typing import Any

import pytest
from flask.testing import FlaskClient

from apps import app_over
from bornek.core.errors import InputError, NotFound
from bornek.services.desk import Desk
from bornek.services.inspect.fits import add_fit, fit_points
from bornek.services.inspect.orders import yard_orders
from bornek.services.inspect.view import view_inspect
from bornek.services.inspect.write_inspection import write_inspection
from bornek.services.job.job_definition import definition_of
from bornek.store.database import Database
from bornek.store.queries.jobs import job_with_unit
from helpers import NOW, let_out

ACTOR = {"X-Mechanic": "marl"}
SEAT = {"what": "journal", "nominal": "60", "fit": "k6", "source": "drawing"}
TODAY = date(2026, 11, 24)
_ids = count(1)


def still_open(client: FlaskClient, job: str, stage: str) -> int:
    return next(s["open"] for s in client.get(f"/api/jobs/{job}").get_json()["stages"] if s["key"] == stage)


def write(database: Database, kind: str, job: str = "p22", **body: Any) -> dict[str, Any]:
    with database.writing() as session:
        sent = {"id": f"s-{next(_ids)}", "kind": kind, "body": body}
        write_inspection(Desk(session, "marl", NOW), job, sent)
        return view_inspect(session, job, NOW.date())


def order(
    database: Database, number: str, promised: str, job: str = "p22", part: str = "thrust-bearing"
) -> str:
    shown = write(
        database,
        "ordered",
        job,
        part=part,
        what="order",
        number=number,
        supplier="Lower Lock stores",
        promised=promised,
    )
    return str(shown["orders"][-1]["id"])


def fit(database: Database, part: str = "motor-shaft", label: str = "", **given: str) -> None:
    with database.writing() as session:
        add_fit(
            Desk(session, "marl", NOW),
            "p22",
            {"part": part, "kind": "seat_size", "label": label, "given": SEAT | given},
        )


def points(database: Database, part: str) -> list[str]:
    with database.reading() as session:
        job, _ = job_with_unit(session, "p22")
        return [p.key for p in fit_points(definition_of(job), part)]


def test_two_fits_of_one_part_share_its_place_and_have_their_own_keys(yard: Database) -> None:
    fit(yard, label="Upper seat")
    fit(yard, label="Upper seat")
    assert points(yard, "motor-shaft") == ["upper-seat", "upper-seat-2"]
    with yard.reading() as session:
        job, _ = job_with_unit(session, "p22")
        places = [p.key for p in definition_of(job).places if p.at == "motor-shaft"]
    assert len(places) == 1


def test_a_fit_takes_the_finest_gauge_that_is_not_overdue(yard: Database) -> None:
    fit(yard, label="Upper seat")
    with yard.reading() as session:
        gauges = {g["setting"]: g["gauge"] for g in view_inspect(session, "p22", TODAY)["gauges"]}
    assert gauges["Upper seat"] == "Micrometer 5"


def test_the_unit_type_does_not_grow_with_the_job(yard: Database) -> None:
    fit(yard, label="Upper seat")
    client = app_over(yard).test_client()
    sheet = client.get("/api/unit-types/drain-pump").get_json()
    assert [s["key"] for s in sheet["definition"]["settings"]] == ["thrust-end-play", "spring-end-play"]


@pytest.mark.parametrize(
    ("given", "why"),
    [
        ({"fit": "snug"}, "is not a fit class"),
        ({"fit": "H7"}, "class for holes"),
        ({"nominal": "wide"}, "No number"),
        ({"fit": "", "least": "60.1", "greatest": "60.0"}, "must lie below"),
    ],
)
def test_a_fit_that_cannot_be_reckoned_is_refused_and_nothing_is_laid_out(
    yard: Database, given: dict[str, str], why: str
) -> None:
    with pytest.raises(InputError, match=why):
        fit(yard, label="Upper seat", **given)
    assert points(yard, "motor-shaft") == []


def test_a_fit_typed_in_a_job_in_thou_is_in_thou(client: FlaskClient) -> None:
    given = {"diameter": "2 in", "least": "2", "greatest": "4", "source": "card"}
    sent = {"id": "f", "part": "head-shaft", "kind": "plain_bearing", "label": "Bush", "given": given}
    shown = client.post("/api/jobs/c09/fits", json=sent, headers=ACTOR).get_json()
    part = next(p for p in shown["parts"] if p["key"] == "head-shaft")
    assert part["fits"][0]["window"] == "2–4"


def test_a_fit_of_a_part_that_is_not_there_is_refused(yard: Database) -> None:
    with pytest.raises(NotFound, match="has no part 'ghost'"):
        fit(yard, "ghost")


def test_the_yards_orders_put_the_late_first_then_the_next_promise(yard: Database) -> None:
    order(yard, "A-2", "2026-12-20")
    order(yard, "A-1", "2026-11-10")
    order(yard, "A-3", "")
    with yard.reading() as session:
        found = yard_orders(session, TODAY)
    assert [o.late for o in found] == sorted((o.late for o in found), reverse=True)
    mine = [o.number for o in found if o.tag == "P-22"]
    assert mine == ["A-1", "A-2", "A-3"]


def test_what_came_is_no_longer_waited_for(yard: Database) -> None:
    known = order(yard, "A-1", "2026-11-10")
    write(yard, "received", order=known, number="A-1B", words="seal side marked")
    with yard.reading() as session:
        assert not [o for o in yard_orders(session, TODAY) if o.tag == "P-22"]
        line = view_inspect(session, "p22", TODAY)["orders"][-1]
    assert (line["state"], line["late"]) == ("received", False)
    assert line["words"] == "came as A-1B, not A-1; width not compared with the old one; seal side marked"


def test_a_new_promise_takes_the_old_ones_place(yard: Database) -> None:
    known = order(yard, "A-1", "2026-11-10")
    shown = write(yard, "promised", order=known, promised="2026-12-01")
    assert (shown["orders"][-1]["promised"], shown["orders"][-1]["late"]) == ("2026-12-01", False)
    with pytest.raises(InputError, match="is no date"):
        write(yard, "promised", order=known, promised="1.12.")


def test_an_order_is_found_by_number_and_supplier(client: FlaskClient, yard: Database) -> None:
    order(yard, "TH-4455", "2026-12-01")
    for typed in ("TH-4455", "lower lock"):
        found = client.get("/api/search", query_string={"q": typed}).get_json()["found"]
        assert any(f["what"] == "order" and f["tag"] == "P-22" for f in found), typed


def test_grades_are_kept_and_the_newest_counts(yard: Database) -> None:
    write(yard, "graded", part="coupling-key", grades={"fit": "sound", "sides": "dress"})
    shown = write(yard, "graded", part="coupling-key", grades={"sides": "worn_within"}, note="step of 0.1")
    key = next(p for p in shown["parts"] if p["key"] == "coupling-key")
    assert {x["key"]: x["grade"] for x in key["looks"]} == {"fit": "sound", "sides": "worn_within"}
    assert key["notes"] == ["step of 0.1 (Marl Tennick)"]
    assert key["worst_label"] == "worn within"


def test_judging_again_after_a_new_grade_settles_it(yard: Database) -> None:
    write(yard, "graded", part="coupling-key", grades={"fit": "sound", "sides": "sound"})
    write(yard, "judged", part="coupling-key", verdict="reuse")
    shown = write(yard, "graded", part="coupling-key", grades={"sides": "worn_beyond"})
    assert next(p for p in shown["parts"] if p["key"] == "coupling-key")["stale"]
    shown = write(yard, "judged", part="coupling-key", verdict="replace")
    assert not next(p for p in shown["parts"] if p["key"] == "coupling-key")["stale"]


def test_an_open_hold_blocks_closing_until_it_is_cleared(client: FlaskClient, yard: Database) -> None:
    write(yard, "cause", cause="dirt")
    closing = {"id": "close-1", "words": "handed over"}
    refused = client.post("/api/jobs/p22/close", json=closing, headers=ACTOR)
    assert refused.status_code == 422
    assert "flushed" in refused.get_json()["message"]
    write(yard, "hold_cleared", cause="dirt", words="flushed twice, screen clean")
    let_out(client, "p22")
    closed = client.post("/api/jobs/p22/close", json=closing | {"id": "close-2"}, headers=ACTOR)
    assert closed.status_code == 201


def test_the_stage_rule_counts_what_is_open_once_it_was_begun(client: FlaskClient, yard: Database) -> None:
    assert still_open(client, "p22", "inspect") == 0
    write(yard, "judged", part="thrust-sleeve", verdict="hold", words="stuck on the shaft")
    parts = len(client.get("/api/jobs/p22/inspection").get_json()["parts"])
    assert still_open(client, "p22", "inspect") == parts - 1


def test_the_inspection_travels_with_the_exchange_file(client: FlaskClient, empty: Database) -> None:
    other = app_over(empty).test_client()
    data = client.get("/api/jobs/k08/exchange.zip").data
    assert other.post("/api/jobs/imports", data=data, headers=ACTOR).status_code == 201
    here, there = (c.get("/api/jobs/k08/inspection").get_json() for c in (client, other))
    for key in ("parts", "diagnosis", "holds", "not_checked", "judged"):
        if key == "parts":
            chosen = [[(p["key"], p["chosen"], p["worst"]) for p in x["parts"]] for x in (here, there)]
            assert chosen[0] == chosen[1]
        else:
            assert here[key] == there[key], key
    assert [o["number"] for o in there["orders"]] == [o["number"] for o in here["orders"]]


def test_a_record_without_inspection_says_nothing_of_it(client: FlaskClient) -> None:
    assert client.get("/api/jobs/t05/record").get_json()["inspection"] == []


def test_the_record_lists_verdicts_teeth_causes_holds_and_orders(client: FlaskClient) -> None:
    zones = [x["zone"] for x in client.get("/api/jobs/k08/record").get_json()["inspection"]]
    assert {"verdict", "teeth", "cause", "hold", "order"} <= set(zones)
    order = [z for i, z in enumerate(zones) if i == 0 or zones[i - 1] != z]
    assert len(order) == len(set(order)), "zones stand together"
