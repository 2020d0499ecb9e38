"""The exchange file: whole, steady, and not to be fooled."""

import json
import zipfile
from collections.abc import Callable
from io import BytesIO
from typing import Any

import pytest
from flask.testing import FlaskClient

from apps import app_over
from bornek.services.desk import digest
from bornek.services.job.exchange.editions import _STEPS
from bornek.services.job.exchange.format import EDITION, FORMAT, ORDER, READS
from bornek.store.base import Base
from bornek.store.database import Database
from helpers import Bench


def body(data: bytes) -> dict[str, Any]:
    with zipfile.ZipFile(BytesIO(data)) as archive:
        return json.loads(archive.read("job.json"))  # type: ignore[no-any-return]


def packed(content: dict[str, Any]) -> bytes:
    out = BytesIO()
    with zipfile.ZipFile(out, "w") as archive:
        archive.writestr("job.json", json.dumps(content))
    return out.getvalue()


def resealed(content: dict[str, Any]) -> bytes:
    return packed(content | {"sha256": digest(content["rows"])})


@pytest.fixture
def exported(client: FlaskClient) -> dict[str, Any]:
    return body(client.get("/api/jobs/w17/exchange.zip").data)


@pytest.fixture
def other(empty: Database) -> FlaskClient:
    return app_over(empty).test_client()


def test_every_table_but_the_shops_own_is_in_it() -> None:
    the_shops_own = {
        "idempotency",
        "standing",
        "cross_number",
        "yard",
        "yard_tool",
        "shop_hours",
        "limit_table",
        "shim_measure",
        "unit_entry",
        "gauge_line",
        "account",
        "device",
        "sign_in",
        "deed",
    }
    assert set(ORDER) == set(Base.metadata.tables) - the_shops_own


def test_it_names_its_format_and_seals_its_rows(exported: dict[str, Any]) -> None:
    assert (exported["format"], exported["edition"]) == (FORMAT, EDITION)
    assert exported["sha256"] == digest(exported["rows"])


def test_the_same_job_gives_the_same_bytes(client: FlaskClient) -> None:
    first, again = (client.get("/api/jobs/w17/exchange.zip").data for _ in range(2))
    assert first == again


def test_ids_times_and_actors_are_kept(exported: dict[str, Any], other: FlaskClient) -> None:
    other.post("/api/jobs/imports", data=packed(exported))
    again = body(other.get("/api/jobs/w17/exchange.zip").data)
    assert again["rows"]["entry"] == exported["rows"]["entry"]
    assert {e["mechanic_id"] for e in again["rows"]["entry"]} == {"marl"}


def test_work_goes_on_where_it_was(exported: dict[str, Any], other: FlaskClient) -> None:
    other.post("/api/jobs/imports", data=packed(exported))
    bench = Bench(other, "w17.output-end-play")
    view = bench.read("travel.mark_down.2", "0.145")
    assert view["version"] > max(e["seq"] for e in exported["rows"]["entry"])


def test_what_the_yard_already_has_is_left_alone(client: FlaskClient, other: FlaskClient) -> None:
    other.post("/api/jobs/imports", data=client.get("/api/jobs/w11/exchange.zip").data)
    card = {"id": "dial-11", "name": "Our own dial", "unit": "mm", "division": 0.002}
    assert other.post("/api/gauges", json=card, headers={"X-Mechanic": "jun"}).status_code == 201
    taken = other.post("/api/jobs/imports", data=client.get("/api/jobs/w17/exchange.zip").data)
    assert taken.get_json() == {"job_id": "w17"}
    names = {g["id"]: g["name"] for g in other.get("/api/gauges").get_json()}
    assert names["dial-11"] == "Our own dial"


@pytest.mark.parametrize(
    "change",
    [
        {"format": "something-else"},
        {"edition": 99},
        {"rows": {}},
        {"rows": []},
    ],
)
def test_another_format_is_refused(
    exported: dict[str, Any], other: FlaskClient, change: dict[str, Any]
) -> None:
    assert other.post("/api/jobs/imports", data=packed(exported | change)).status_code == 422


def test_rows_that_do_not_hold_together_change_nothing(exported: dict[str, Any], other: FlaskClient) -> None:
    exported["rows"]["setting"][0]["place_id"] = "nowhere"
    answer = other.post("/api/jobs/imports", data=resealed(exported))
    assert answer.status_code == 422
    assert "nothing was taken in" in answer.get_json()["next_step"]
    assert other.get("/api/board").get_json()["rows"] == []


@pytest.mark.parametrize("key", ["evil", "id; DROP TABLE job"])
def test_columns_that_are_not_there_are_refused(
    exported: dict[str, Any], other: FlaskClient, key: str
) -> None:
    exported["rows"]["job"][0][key] = 1
    assert other.post("/api/jobs/imports", data=resealed(exported)).status_code == 422


def test_two_jobs_in_one_file_are_refused(exported: dict[str, Any], other: FlaskClient) -> None:
    exported["rows"]["job"].append(exported["rows"]["job"][0] | {"id": "second"})
    assert "holds one job" in other.post("/api/jobs/imports", data=resealed(exported)).get_json()["message"]


def test_names_of_paths_in_the_zip_mean_nothing(exported: dict[str, Any], other: FlaskClient) -> None:
    out = BytesIO()
    with zipfile.ZipFile(out, "w") as archive:
        archive.writestr("../../job.json", json.dumps(exported))
    assert other.post("/api/jobs/imports", data=out.getvalue()).status_code == 422


def as_edition_two(content: dict[str, Any]) -> dict[str, Any]:
    """The same job as the edition before wrote it: bare states, no version beside what was given."""
    rows = json.loads(json.dumps(content["rows"]))
    for row in rows["act_knob"]:
        for side in ("before", "after"):
            row[side] = {k: v for k, v in row[side].items() if k in ("plates", "at")}
    for row in rows["given_revision"]:
        del row["kind_version"]
    return as_edition_three(content | {"rows": rows}) | {"edition": 2}


def as_edition_three(content: dict[str, Any]) -> dict[str, Any]:
    """The same job as edition 3 wrote it: a gauge's card only as it was then."""
    rows = json.loads(json.dumps(content["rows"]))
    del rows["gauge_card"]
    for row in rows["entry"]:
        del row["gauge_card_id"]
    return content | {"edition": 3, "rows": rows}


def without_cards(rows: dict[str, Any]) -> dict[str, Any]:
    entries = [{k: v for k, v in e.items() if k != "gauge_card_id"} for e in rows["entry"]]
    return {**rows, "entry": entries, "gauge_card": []}


def test_every_edition_that_is_read_has_its_way_to_this_one() -> None:
    assert set(_STEPS) == set(range(min(READS), EDITION))


@pytest.mark.parametrize("edition", [n for n in READS if n > 6])
def test_a_file_of_a_late_edition_comes_in_as_it_is(
    exported: dict[str, Any], other: FlaskClient, edition: int
) -> None:
    answer = other.post("/api/jobs/imports", data=packed(exported | {"edition": edition}))
    assert answer.status_code == 201, answer.get_json()


@pytest.mark.parametrize("before", [as_edition_two, as_edition_three])
def test_a_file_of_an_edition_before_comes_in_as_if_it_were_of_this_one(
    exported: dict[str, Any], other: FlaskClient, before: Callable[[dict[str, Any]], dict[str, Any]]
) -> None:
    assert any(row["after"] for row in exported["rows"]["act_knob"])
    answer = other.post("/api/jobs/imports", data=resealed(before(exported)))
    assert answer.status_code == 201, answer.get_json()
    again = body(other.get("/api/jobs/w17/exchange.zip").data)["rows"]
    assert without_cards(again) == without_cards(exported["rows"])
    assert [c["number"] for c in again["gauge_card"]] == [1] * len(again["gauge"])


def test_a_file_of_the_edition_before_that_does_not_hold_together_is_refused(
    exported: dict[str, Any], other: FlaskClient
) -> None:
    old = as_edition_two(exported)
    old["rows"]["given_revision"][0]["setting_id"] = "nowhere"
    answer = other.post("/api/jobs/imports", data=resealed(old))
    assert (answer.status_code, answer.get_json()["field"]) == (422, "file")
