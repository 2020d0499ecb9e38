"""Three quantities and two adjusters, end to end over the API: one teardown, one sentence, one record."""

from __future__ import annotations

import io
from collections.abc import Iterator
from typing import Any

import pytest
from flask.testing import FlaskClient
from pypdf import PdfReader

from apps import app_over
from bornek.store.database import Database
from helpers import Bench, said
from trial_mesh import trial_mesh, truth

FOUND = {"pinion": [0.3, 0.3], "sides": {"left": [0.3, 0.1], "right": [0.3, 0.3]}}


@pytest.fixture
def pair(yard: Database) -> Iterator[Bench]:
    with trial_mesh(yard) as setting:
        yield Bench(app_over(yard).test_client(), setting)


def act(pair: Bench, kind: str, states: dict[str, Any]) -> dict[str, Any]:
    return pair.written("acts", {"kind": kind, "states": states, "seen": pair.view()["version"]})


def read(pair: Bench, pinion: float, left: float) -> dict[str, Any]:
    for slot, value in truth(pinion, left).items():
        pair.read(slot, f"{value:.3f}")
    return pair.view()


def sent(option: dict[str, Any]) -> dict[str, Any]:
    packs = {k: [[p["thickness"] for p in pack] for pack in s["packs"]] for k, s in option["states"].items()}
    return {"pinion": packs["pinion"][0], "sides": {"left": packs["sides"][0], "right": packs["sides"][1]}}


def measured(option: dict[str, Any]) -> tuple[float, float]:
    return option["states"]["pinion"]["position"], option["states"]["sides"]["position"]


def begun(pair: Bench) -> dict[str, Any]:
    act(pair, "as_found", FOUND)
    return read(pair, 0.6, 0.4)


def test_the_pair_comes_in_within_three_teardowns_and_is_signed(pair: Bench) -> None:
    view = begun(pair)
    assert view["sheet"]["verdict"]["code"].startswith("out")
    for _ in range(3):
        best = view["sheet"]["move"]["best"]
        if best is None:
            break
        act(pair, "move", sent(best))
        view = read(pair, *measured(best))
    assert [r["verdict"]["code"] for r in view["sheet"]["outcome"]["results"]] == ["in"] * 3
    assert said(view) == "Leave it: everything is in. Sign it."
    view = pair.written("signatures", {"seen": view["version"], "remark": ""})
    assert view["signature"]["verdict"] == "in"


def test_one_sentence_names_both_adjusters_and_expects_every_quantity(pair: Bench) -> None:
    words = said(begun(pair))
    assert words.startswith("Pinion: ")
    assert "Sides: " in words
    assert all(f"{label} " in words for label in ("lash", "across", "along"))


def test_the_total_of_the_sides_stays_in_every_option(pair: Bench) -> None:
    move = begun(pair)["sheet"]["move"]
    for option in (move["best"], *move["alternatives"]):
        plates = [p["thickness"] for pack in option["states"]["sides"]["packs"] for p in pack]
        assert sum(plates) == pytest.approx(1.0)


def test_one_teardown_opens_rounds_on_all_it_touches_and_moves_each_drawer(pair: Bench) -> None:
    def there(knob: int, label: str) -> int:
        drawer = pair.view()["knobs"][knob]["drawer"]
        return next((d["count"] for d in drawer if d["label"] == label), 0)

    begun(pair)
    before = there(0, "0.30"), there(0, "0.10"), there(1, "0.10")
    act(pair, "move", {"pinion": [0.3, 0.1], "sides": {"left": [0.3], "right": [0.3, 0.3, 0.1]}})
    assert (there(0, "0.30"), there(0, "0.10"), there(1, "0.10")) == (before[0] + 1, before[1] - 1, before[2])
    neighbour = Bench(pair.client, "t02.left-play").view()
    assert neighbour["sheet"]["round"] == 2
    assert [[p["label"] for p in pack] for pack in neighbour["knobs"][0]["state"]["packs"]] == [["0.30"]]


def test_a_knob_that_is_not_named_stays_and_disturbs_nothing_at_its_place(pair: Bench) -> None:
    begun(pair)
    view = act(pair, "move", {"pinion": [0.3, 0.1]})
    assert view["knobs"][1]["state"]["label"] == "0.40 left, 0.60 right"
    assert Bench(pair.client, "t02.left-play").view()["sheet"]["round"] == 1


def test_a_pack_changed_next_door_is_changed_here_too(pair: Bench) -> None:
    begun(pair)
    Bench(pair.client, "t02.left-play", "jun").act("move", 0.3, 0.2)
    view = pair.view()
    assert view["sheet"]["round"] == 2
    assert view["knobs"][1]["state"]["label"] == "0.50 left, 0.60 right"


def test_found_stands_beside_what_was_predicted_in_every_log(pair: Bench) -> None:
    best = begun(pair)["sheet"]["move"]["best"]
    act(pair, "move", sent(best))
    view = read(pair, *measured(best))
    logs = [s for s in view["sheet"]["scenes"] if s["type"] == "log"]
    promised = {e["label"]: e["v"] for e in best["expected"]}
    assert {log["label"] for log in logs} == set(promised)
    for log in logs:
        row = next(r for r in log["rows"] if r["label"] == "Round 2")
        assert row["predicted"]["middle"] == pytest.approx(promised[log["label"]], abs=1e-9)
        assert row["found"] is not None


def test_ones_own_states_are_told_what_to_expect(pair: Bench) -> None:
    begun(pair)
    told = pair.client.post(f"{pair.url}/expectations", json={"states": {"pinion": [0.3]}}).get_json()
    assert len(told["option"]["expected"]) == 3
    assert {s["type"] for s in told["scenes"]} == {"readout", "pack"}


@pytest.mark.parametrize(
    ("states", "words"),
    [
        ({"sides": [0.5, 0.5]}, "two lists of shims, left and right"),
        ({"pinion": {"left": [0.3], "right": []}}, "a list of shims"),
        ({"nut": 3}, "no adjuster 'nut'"),
        ({}, "say what is in after it"),
    ],
)
def test_what_cannot_be_is_refused_in_words(pair: Bench, states: dict[str, Any], words: str) -> None:
    begun(pair)
    refused = pair.post("acts", {"kind": "move", "states": states, "seen": pair.view()["version"]})
    assert refused.status_code == 422
    assert words in refused.get_json()["message"]


def test_the_record_and_its_paper_tell_the_whole_teardown(pair: Bench) -> None:
    best = begun(pair)["sheet"]["move"]["best"]
    act(pair, "move", sent(best))
    read(pair, *measured(best))
    client: FlaskClient = pair.client
    record = next(
        s for s in client.get("/api/jobs/t02/record").get_json()["settings"] if s["id"] == "t02.pair"
    )
    assert "left 0.30 + 0.10 = 0.40; right 0.30 + 0.30 = 0.60" in record["as_found"]
    assert [a["kind"] for a in record["acts"]] == ["as_found", "move"]
    text = "".join(
        p.extract_text() for p in PdfReader(io.BytesIO(client.get("/api/jobs/t02/record.pdf").data)).pages
    )
    assert "Lash" in text
    assert "Along" in text


def test_it_travels_in_an_exchange_file_and_comes_back_the_same(pair: Bench, empty: Database) -> None:
    best = begun(pair)["sheet"]["move"]["best"]
    act(pair, "move", sent(best))
    file = pair.client.get("/api/jobs/t02/exchange.zip").data
    other = app_over(empty).test_client()
    taken = other.post("/api/jobs/imports", data=file, headers={"X-Mechanic": "oda"})
    assert taken.status_code == 201, taken.get_json()
    here, there = pair.view(), Bench(other, "t02.pair").view()
    assert [k["state"] for k in there["knobs"]] == [k["state"] for k in here["knobs"]]
