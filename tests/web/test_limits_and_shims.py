"""The shop's own limit tables as CSV, shims as they measure, and what one missing shim would give."""

from __future__ import annotations

from typing import Any

import pytest
from flask.testing import FlaskClient

from bornek.core.errors import InputError, RangeError
from bornek.core.settings.registry import find_kind
from bornek.core.shims import pack_nm, plates_u_mm
from bornek.core.tables.shop_limits import read_limits, row_of_size, write_limits
from helpers import Bench

ACTOR = {"X-Mechanic": "oda"}
CSV = "row,over,incl,least,greatest\nsmall,0,50,0.03,0.08\nlarge,50,120,0.05,0.10\n"
SHIMS = find_kind("shim_pack_end_play")


def write(client: FlaskClient, **changed: Any) -> Any:
    body = {
        "id": "lt-1",
        "name": "Sheet 9",
        "kind": "shim_pack_end_play",
        "source": "Sheet 9, pairs",
        "csv": CSV,
    }
    return client.post("/api/limit-tables", json=body | changed, headers=ACTOR)


def test_a_table_comes_back_as_it_was_written(client: FlaskClient) -> None:
    table = next(t for t in write(client).get_json() if t["name"] == "Sheet 9")
    assert (table["number"], [r["row"] for r in table["rows"]]) == (1, ["small", "large"])
    assert table["rows"][1]["given"] == {
        "least": "0.05", "greatest": "0.10", "source": "Sheet 9, pairs, row large", "edition": "revision 1",
    }  # fmt: skip
    assert client.get("/api/limit-tables/Sheet 9/table.csv").get_data(as_text=True) == CSV


@pytest.mark.parametrize(("empty", "field"), [({"name": " "}, "name"), ({"source": " "}, "source")])
def test_a_table_without_a_name_or_a_source_is_refused(
    client: FlaskClient, empty: dict[str, str], field: str
) -> None:
    answer = write(client, **empty)
    assert (answer.status_code, answer.get_json()["field"]) == (422, field)


def test_a_revision_is_new_and_the_job_keeps_its_row(client: FlaskClient) -> None:
    row = next(t for t in write(client).get_json() if t["name"] == "Sheet 9")["rows"][0]["given"]
    given = {"sense": "adds", "torque": "50", **row}
    body = {"id": "hoist", "name": "hoist", "kind": "shim_pack_end_play", "given": given}
    assert client.post("/api/jobs/bench", json=body, headers=ACTOR).status_code == 201
    changed = CSV.replace("0.08", "0.09")
    assert write(client, id="lt-2", csv=changed).status_code == 409
    again = write(client, id="lt-3", csv=changed, seen=1).get_json()
    assert next(t for t in again if t["name"] == "Sheet 9")["number"] == 2
    fields = {f["key"]: f for f in client.get("/api/settings/hoist.setting").get_json()["given"]["fields"]}
    assert fields["greatest"]["shown"] == "0.08 mm"
    assert fields["edition"]["shown"] == "revision 1"


@pytest.mark.parametrize(
    ("text", "told"),
    [
        ("row,least\n", "a head and a row"),
        ("least,greatest\n0.1,0.2\n", "column 'row'"),
        ("row,least,colour\na,0.1,red\n", "'colour'"),
        ("row,least\na,a lot\n", "Line 2, least"),
        ("row,least\n,0.1\n", "Line 2 has no name"),
        ("row,over,least\na,wide,0.1\n", "Line 2, over"),
        ("row,least\na,0.1\na,0.2\n", "Two rows are called 'a'"),
        ("row,least\na,99\n", "Line 2, least"),
    ],
)
def test_a_table_that_does_not_hold_says_where(text: str, told: str) -> None:
    with pytest.raises(InputError) as refused:
        read_limits(text, SHIMS)
    assert told in refused.value.message
    assert refused.value.next_step


def test_a_row_is_found_by_size_and_none_beyond_the_table() -> None:
    rows = read_limits(CSV, SHIMS)
    assert row_of_size(rows, 50.0, "9").row == "small"
    assert row_of_size(rows, 50.1, "9").row == "large"
    with pytest.raises(RangeError, match="over 0 to 120"):
        row_of_size(rows, 121.0, "9")
    assert write_limits(rows) == CSV


# shims


def mike(client: FlaskClient, **changed: Any) -> Any:
    body = {"id": "m-1", "form": "C3 ring", "thickness": "0.20", "measured": "0.203"} | changed
    return client.post("/api/drawer/measures", json=body, headers=ACTOR)


def test_a_miked_lot_shows_what_it_measures(client: FlaskClient) -> None:
    lots = {(x["form"], x["mm"]): x for x in mike(client).get_json()}
    assert lots["C3 ring", "0.20"]["miked"] == "0.203"
    assert lots["C3 ring", "0.10"]["miked"] == ""
    assert lots["C3 ring", "0.10"]["tolerance"] == "0.004"


@pytest.mark.parametrize(
    ("changed", "field"),
    [({"measured": "0.40"}, "measured"), ({"thickness": "0.33", "measured": "0.33"}, "thickness")],
)
def test_a_measure_that_is_no_shim_of_the_lot_is_refused(
    client: FlaskClient, changed: dict[str, Any], field: str
) -> None:
    refused = mike(client, **changed)
    assert refused.status_code == 422
    assert refused.get_json()["field"] == field


def expected(client: FlaskClient, plates: list[float]) -> float:
    bench = Bench(client, "w17.output-end-play")
    answer = client.post(f"{bench.url}/expectations", json={"states": {"pack": plates}})
    found: float = answer.get_json()["option"]["expected"][0]["v"]
    return found


def test_the_advice_goes_by_what_the_shims_measure(client: FlaskClient) -> None:
    """A 0.20 that measures 0.203 leaves three thousandths more than its nominal."""
    before = expected(client, [0.5, 0.2])
    assert mike(client).status_code == 201
    assert expected(client, [0.5, 0.2]) - before == pytest.approx(0.003, abs=0.0006)


def test_plates_are_known_as_far_as_they_were_measured() -> None:
    # rectangular over 2 µm + 2 %: 0.50 within 12 µm, sd 6.9; miked 1 µm
    assert plates_u_mm([500_000], {}) == pytest.approx(0.0069, abs=1e-4)
    assert plates_u_mm([500_000], {500_000: 498_000}) == pytest.approx(0.001)
    assert pack_nm([500_000, 200_000], {200_000: 203_000}) == 703_000


def test_a_shim_that_is_missing_stands_on_the_buy_list_with_who_waits_for_it(client: FlaskClient) -> None:
    """A window of ± 8 µm about 0.10 with thick shims alone: one of another thickness would bring it in."""
    body = {
        "id": "hoist", "name": "hoist", "kind": "shim_pack_end_play", "shim_form": "P5 ring", "gauge": "lever-2",
        "given": {"least": "0.085", "greatest": "0.105", "sense": "adds", "torque": "50", "source": "card"},
    }  # fmt: skip
    assert client.post("/api/jobs/bench", json=body, headers=ACTOR).status_code == 201
    bench = Bench(client, "hoist.setting")
    bench.act("as_found", 0.5, 0.2)
    bench.read_all(("0.170", "0.171", "0.172"), ("0.171", "0.170", "0.172"))
    wanted = client.get("/api/drawer/wanted").get_json()
    row = next(w for w in wanted if any(g["setting"] == "hoist.setting" for g in w["settings"]))
    assert row["form"] == "P5 ring"
    assert row["thickness"] not in (0.05, 0.1, 0.2, 0.25, 0.5)
    assert "instead of" in row["settings"][0]["words"]
