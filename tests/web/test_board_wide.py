"""The board: bands, late orders, closed jobs, and the pages that it leads to."""

from typing import Any

from flask.testing import FlaskClient

from helpers import Bench, let_out, whole_board

ACTOR = {"X-Mechanic": "marl"}


def row(client: FlaskClient, job: str) -> dict[str, Any]:
    return next(r for r in whole_board(client)["rows"] if r["job_id"] == job)


def order(client: FlaskClient, promised: str, job: str = "t05", part: str = "table-nut") -> str:
    parts = [p["key"] for p in client.get(f"/api/jobs/{job}/inspection").get_json()["parts"]]
    body = {
        "part": part if part in parts else parts[0],
        "what": "order",
        "number": "N-1",
        "supplier": "Lower Lock stores",
        "promised": promised,
    }
    sent = {"id": f"order-{promised}", "kind": "ordered", "body": body}
    answer = client.post(f"/api/jobs/{job}/inspection", json=sent, headers=ACTOR)
    assert answer.status_code == 201
    return f"order-{promised}"


def test_the_counts_are_those_of_the_bands(client: FlaskClient) -> None:
    shown = whole_board(client)
    bands = [r["band"] for r in shown["rows"]]
    assert (bands.count("hands"), bands.count("held"), bands.count("done")) == (
        shown["needs_hands"],
        shown["held_up"],
        shown["ready"],
    )


def test_what_waits_for_somebody_is_held_and_says_for_what(client: FlaskClient) -> None:
    held = row(client, "f12")
    assert (held["band"], held["waits_for"]) == ("held", "bearing cup, promised Monday")


def test_a_job_in_the_middle_of_a_round_comes_before_one_untouched(client: FlaskClient) -> None:
    hands = [r["job_id"] for r in whole_board(client)["rows"] if r["band"] == "hands"]
    assert hands.index("w17") < hands.index("p22")


def test_a_closed_job_leaves_the_board_and_keeps_its_record(client: FlaskClient) -> None:
    let_out(client, "t05")
    client.post("/api/jobs/t05/close", json={"id": "c1", "words": "sold"}, headers=ACTOR)
    assert "t05" not in {r["job_id"] for r in whole_board(client)["rows"]}
    assert client.get("/api/jobs/t05/record").status_code == 200
    assert client.get("/api/jobs/t05").get_json()["closed_at"]


def test_an_order_is_late_from_the_day_after_its_promise(client: FlaskClient) -> None:
    before = whole_board(client)["late"]
    order(client, "2026-11-24")
    assert whole_board(client)["late"] == before
    order(client, "2026-11-23")
    assert whole_board(client)["late"] == before + 1
    assert len(row(client, "t05")["late"]) == 1
    assert len(row(client, "t05")["owed"]) == 2


def test_a_closed_jobs_orders_wait_for_nobody(client: FlaskClient) -> None:
    before = whole_board(client)["late"]
    order(client, "2026-11-01")
    let_out(client, "t05")
    client.post("/api/jobs/t05/close", json={"id": "c1", "words": "sold"}, headers=ACTOR)
    assert whole_board(client)["late"] == before
    assert not [o for o in client.get("/api/orders").get_json() if o["tag"] == "T-05"]


def test_signing_the_last_setting_moves_the_unit_to_ready(client: FlaskClient) -> None:
    ready = whole_board(client)["ready"]
    bench = Bench(client, "c09.head-end-play")
    bench.written("signatures", {"seen": bench.view()["version"], "remark": "as it stands, rope only"})
    shown = whole_board(client)
    assert shown["ready"] == ready + 1
    assert row(client, "c09")["band"] == "done"


def test_a_shim_that_leaves_the_drawer_changes_what_the_board_says(client: FlaskClient) -> None:
    before = row(client, "w17")["say"]
    for thickness in ("0.10", "0.08", "0.05"):
        sent = {"id": f"count-{thickness}", "form": "C3 ring", "thickness": thickness, "count": 0}
        client.post("/api/drawer/counts", json=sent, headers=ACTOR)
    assert row(client, "w17")["say"] != before
