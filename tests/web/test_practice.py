"""Practice on the real services: a yard of its own for each rig, the advice veiled, the cloth lifted, nothing kept
where it does not belong."""

from __future__ import annotations

import sqlite3
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
from flask import Flask
from flask.testing import FlaskClient

from bornek.core.practice.rigs.game import play
from bornek.core.practice.rigs.learners import oracle
from bornek.core.practice.rigs.rows import BENCH_SORTS, NINE, make_bench
from bornek.services.practice.rigs import Rigs
from bornek.store.database import Database
from practising import HEAD, LEARNER, OTHER, AtRig, own_rigs


@pytest.fixture(autouse=True)
def practice(application: Flask, tmp_path: Path) -> Iterator[Rigs]:
    with own_rigs(application, tmp_path) as rigs:
        yield rigs


def in_the_end(rig: AtRig) -> list[float]:
    """The pack that the advice would leave."""
    return list(play(make_bench("shims", 27), oracle).states[-1])


def said(view: dict[str, Any]) -> str:
    return "".join(s["text"] for s in view["sheet"]["say"])


def test_the_advice_is_shown_once_it_is_asked_for_and_costs_one(client: FlaskClient) -> None:
    rig = AtRig(client)
    view = rig.read_all()
    assert view["sheet"]["move"] is None and "what do you do" in said(view)
    assert all(s.get("landing") is None for s in view["sheet"]["scenes"])
    assert not any(
        len(s["packs"]) > 1 for s in view["sheet"]["scenes"] if s["type"] == "pack" and "packs" in s
    )
    answer = client.post(f"{rig.base}/api/rig/asks", json={}, headers=HEAD).get_json()
    assert answer["score"]["value"] == 1
    assert rig.view()["sheet"]["move"]["best"] is not None
    again = client.post(f"{rig.base}/api/rig/asks", json={}, headers=HEAD).get_json()
    assert again["score"]["asks"] == 1


def test_what_one_expects_of_a_pack_is_not_told_before_asking(client: FlaskClient) -> None:
    rig = AtRig(client)
    rig.read_all()
    body = {"states": {"pack": [0.5, 0.25]}}
    option = client.post(f"{rig.url}/expectations", json=body).get_json()["option"]
    assert (option["expect"], option["expected"], option["p_in"]) == ("", [], 0)


def test_signing_lifts_the_cloth_and_keeps_how_it_went(client: FlaskClient) -> None:
    rig = AtRig(client)
    rig.read_all()
    assert rig.rig()["cloth"] is None
    rig.move(*in_the_end(rig))
    assert rig.read_all()["sheet"]["verdict"]["code"] == "in"
    rig.sign()
    cloth = rig.rig()["cloth"]
    assert cloth["result"] == "in" and cloth["fault"] == "nothing was wrong"
    believed, true = (float(cloth["rows"][0][side].split()[0]) for side in ("believed", "true"))
    assert believed == pytest.approx(true, abs=0.02)
    row = client.get("/api/practice", headers={"X-Learner": LEARNER}).get_json()["row"][0]
    assert (row["result"], row["score"], row["best"]) == ("in", 1.0, 1)
    refused = client.post(f"{rig.base}/api/rig/looks", json={"key": "clean"}, headers=HEAD)
    assert refused.status_code == 422


@pytest.mark.parametrize(
    ("fault", "told"),
    [("wrong_side", "Here it was round 2"), ("decimal", "Nothing that was read here did")],
)
def test_the_round_that_told_what_was_wrong_is_worked_out_from_what_was_read(
    client: FlaskClient, fault: str, told: str
) -> None:
    number = next(n for n in range(1, 400) if make_bench("shims", n).fault == fault)
    rig = AtRig(client, "shims", number)
    rig.read_all()
    rig.move(*make_bench("shims", number).found()[:-1])
    if rig.read_all()["sheet"]["surprise"]:
        answer = {"cause": "unexplained", "words": "", "seen": rig.view()["version"]}
        rig.post(f"{rig.url}/explanations", answer)
    rig.sign("left as it is")
    assert told in rig.rig()["cloth"]["told_first"]


def test_who_signs_what_is_truly_out_is_told_so(client: FlaskClient) -> None:
    rig = AtRig(client)
    rig.read_all()
    rig.sign("left as it is")
    assert rig.rig()["cloth"]["result"] == "out"


def test_looking_costs_a_tenth_and_tells_what_is_there(client: FlaskClient) -> None:
    rig = AtRig(client, "shims", 10)
    seen = client.post(f"{rig.base}/api/rig/looks", json={"key": "torque"}, headers=HEAD).get_json()
    assert seen["score"]["value"] == pytest.approx(0.1)
    assert (
        next(x for x in seen["looks"] if x["key"] == "torque")["words"]
        == "The cover was not torqued: it is now."
    )
    assert client.post(f"{rig.base}/api/rig/looks", json={"key": "tea"}, headers=HEAD).status_code == 422


@pytest.mark.parametrize(("sort", "number"), [(s, n) for s, n, _ in NINE if s in BENCH_SORTS])
def test_each_of_the_nine_that_is_a_setting_stands_ready_on_the_real_services(
    client: FlaskClient, sort: str, number: int
) -> None:
    rig = AtRig(client, sort, number)
    view = rig.view()
    assert view["sheet"]["kind"] == make_bench(sort, number).kind
    assert view["sheet"]["state_known"]
    station = client.get(f"{rig.base}/api/rig/stations/{view['sheet']['next']}").get_json()
    assert station["dial"] or station["blades"] or station["words"] or station["paint"]


def tables(path: Path) -> dict[str, list[Any]]:
    with sqlite3.connect(path) as connection:
        names = [r[0] for r in connection.execute("SELECT name FROM sqlite_master WHERE type = 'table'")]
        return {n: connection.execute(f"SELECT * FROM {n}").fetchall() for n in names}


def test_nothing_of_practice_reaches_the_yard(client: FlaskClient, yard: Database) -> None:
    before = tables(yard.path)
    board = client.get("/api/board").get_json()
    after_board = tables(yard.path)
    rig = AtRig(client)
    rig.read_all()
    client.post(f"{rig.base}/api/rig/asks", json={}, headers=HEAD)
    rig.move(*in_the_end(rig))
    rig.read_all()
    rig.sign()
    rig.rig()
    assert tables(yard.path) == after_board
    assert before.keys() == after_board.keys()
    assert client.get("/api/board").get_json() == board
    assert "Rig 27" not in client.get("/api/search?q=shims").get_data(as_text=True)


def test_progress_is_the_learner_s_alone_and_can_be_wiped(client: FlaskClient, practice: Rigs) -> None:
    mine, theirs = AtRig(client), AtRig(client, learner=OTHER)
    done = client.get("/api/practice", headers={"X-Learner": LEARNER}).get_json()["done"]
    assert [d["id"] for d in done] == [mine.id]
    assert client.get("/api/practice").get_json()["done"] == []
    wiped = client.post("/api/practice/wipes", json={"learner": LEARNER}).get_json()
    assert wiped["done"] == []
    assert client.get(f"{mine.base}/api/rig").status_code == 404
    assert not list(practice.folder.glob(f"rig-{mine.id}*"))
    assert theirs.rig()["number"] == 27


def test_two_learners_can_do_the_same_rig(client: FlaskClient) -> None:
    one, other = AtRig(client), AtRig(client, learner=OTHER)
    cells = [[c["shown"] for c in r.read_all()["sheet"]["cells"]] for r in (one, other)]
    assert cells[0] == cells[1]


@pytest.mark.parametrize(
    "path", ["/rigs/" + "0" * 32 + "/api/rig", "/rigs/" + "0" * 32 + "/api/mechanics", "/api/rig"]
)
def test_a_rig_that_is_not_there_is_said(client: FlaskClient, path: str) -> None:
    answer = client.get(path)
    assert answer.status_code == 404
    assert answer.get_json()["next_step"].startswith("Begin")


def test_the_page_is_served_below_a_rig_s_address(client: FlaskClient) -> None:
    rig = AtRig(client)
    assert client.get(f"{rig.base}/jobs/x/set/y").status_code == 200


@pytest.mark.parametrize(
    "body",
    [
        {"sort": "none", "number": 1, "learner": LEARNER, "name": "J"},
        {"sort": "shims", "number": 0, "learner": LEARNER, "name": "J"},
        {"sort": "shims", "number": 1, "learner": "me", "name": "J"},
        {"sort": "shims", "number": 1, "learner": LEARNER, "name": " "},
    ],
)
def test_a_rig_that_cannot_be_begun_is_refused_in_words(client: FlaskClient, body: dict[str, Any]) -> None:
    answer = client.post("/api/practice/rigs", json=body)
    assert answer.status_code == 422 and answer.get_json()["message"]


def test_the_gauge_takes_a_pull_with_its_trace(client: FlaskClient) -> None:
    rig = AtRig(client)
    slot = rig.view()["sheet"]["next"]
    taken = client.post(
        f"{rig.base}/api/rig/pulls", json={"slot": slot, "push": 200}, headers=HEAD
    ).get_json()
    entry = {"slot": slot, "taken": taken["id"], "gauge": taken["gauge"]}
    view = rig.post(f"{rig.url}/entries", entry)
    assert float(view["sheet"]["cells"][0]["shown"]) == pytest.approx(0.355, abs=0.02)
    assert "a pry seen in the trace" in view["traces"][0]["words"]
    harder = client.post(
        f"{rig.base}/api/rig/pulls", json={"slot": slot, "push": 300}, headers=HEAD
    ).get_json()
    assert float(harder["text"]) > float(taken["text"]) + 0.05


@pytest.mark.parametrize("body", [{"slot": "travel.mark_up.1", "push": 0}, {"slot": "nowhere", "push": 200}])
def test_nothing_pulled_is_nothing_taken(client: FlaskClient, body: dict[str, Any]) -> None:
    answer = client.post(f"{AtRig(client).base}/api/rig/pulls", json=body, headers=HEAD)
    assert answer.status_code == 422 and answer.get_json()["next_step"]


def test_a_needle_that_did_not_move_was_taken_and_not_typed(client: FlaskClient) -> None:
    rig = AtRig(
        client, "shims", next(n for n in range(1, 400) if make_bench("shims", n).fault == "dead_needle")
    )
    slot = rig.view()["sheet"]["next"]
    taken = client.post(
        f"{rig.base}/api/rig/pulls", json={"slot": slot, "push": 200}, headers=HEAD
    ).get_json()
    assert taken["text"] == "0"
    view = rig.post(f"{rig.url}/entries", {"slot": slot, "taken": taken["id"], "gauge": taken["gauge"]})
    assert "a pry seen in the trace" in view["traces"][0]["words"]
