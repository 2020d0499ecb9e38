"""An act on one setting's place makes those that rest on it 'read again'; nobody names another."""

from typing import Any

import pytest
from flask.testing import FlaskClient

from apps import app_over
from bornek.services.desk import Desk
from bornek.services.job.receive_job import receive_job
from bornek.services.shop.unit_types import define_type
from bornek.store.database import Database
from helpers import NOW, Bench, pack_in


def setting(key: str, place: str, **more: Any) -> dict[str, Any]:
    given = {"least": "0.06", "greatest": "0.12", "sense": "adds", "torque": 80, "source": "card"}
    return {
        "key": key,
        "label": key,
        "kind": "shim_pack_end_play",
        "place": place,
        "gauge": "dial-11",
        "given": given,
    } | more


@pytest.fixture
def trio(yard: Database) -> FlaskClient:
    """Two settings at one cover, a third at another cover that rests on the first, a fourth that does not."""
    places = [{"key": k, "label": k, "shim_form": "C3 ring"} for k in ("front", "back", "side")]
    settings = [
        setting("one", "front"),
        setting("two", "front"),
        setting("three", "back", rests_on=["front"]),
        setting("four", "side"),
    ]
    with yard.writing() as session:
        desk = Desk(session, "oda", NOW)
        define_type(desk, "trio", "Trio", {"places": places, "settings": settings})
        unit = {"id": "u-x", "tag": "X-01", "name": "Trio", "serial": "X"}
        receive_job(desk, {"id": "x01", "unit": unit, "revision": "trio.1"})
    return app_over(yard).test_client()


def rounds(client: FlaskClient) -> dict[str, int]:
    return {s["label"]: s["round"] for s in client.get("/api/jobs/x01").get_json()["settings"]}


def test_one_move_opens_a_round_on_all_that_rest_on_it(trio: FlaskClient) -> None:
    bench = Bench(trio, "x01.one")
    bench.act("as_found", 0.5, 0.25)
    assert rounds(trio) == {"one": 1, "two": 1, "three": 1, "four": 1}
    bench.act("move", 0.5, 0.2)
    assert rounds(trio) == {"one": 2, "two": 2, "three": 2, "four": 1}


def test_packs_belong_to_places_so_both_settings_there_see_it(trio: FlaskClient) -> None:
    Bench(trio, "x01.one").act("as_found", 0.5, 0.25)
    assert pack_in(Bench(trio, "x01.two").view()) == [0.5, 0.25]
    assert Bench(trio, "x01.three").view()["knobs"][0]["state"] is None


def test_a_disturbed_setting_falls_back_to_read_again(trio: FlaskClient) -> None:
    first, other = Bench(trio, "x01.one"), Bench(trio, "x01.two", "jun")
    first.act("as_found", 0.5, 0.05)
    other.read_all(("0.09",) * 3, ("0.09",) * 3)
    view = other.written("signatures", {"seen": other.view()["version"], "remark": ""})
    assert view["sheet"]["verdict"]["code"] == "in"
    first.act("move", 0.5, 0.1)
    view = other.view()
    assert view["sheet"]["verdict"]["code"] == "read_again"
    assert view["signature"]["disturbed"]


def test_the_shared_teardown_is_written_once(trio: FlaskClient) -> None:
    bench = Bench(trio, "x01.one")
    bench.act("as_found", 0.5, 0.25)
    bench.act("move", 0.5, 0.2)
    record = {s["label"]: s["acts"] for s in trio.get("/api/jobs/x01/record").get_json()["settings"]}
    assert [a["seq"] for a in record["one"]] == [a["seq"] for a in record["two"]]


def test_an_id_used_twice_without_a_key_is_refused_not_a_crash(trio: FlaskClient) -> None:
    bench = Bench(trio, "x01.one")
    bench.act("as_found", 0.5, 0.25)
    for what, body in (
        ("acts", {"kind": "move", "states": {"pack": [0.5]}}),
        ("explanations", {"cause": "unexplained"}),
    ):
        first = bench.post(what, {"id": "same", "seen": bench.view()["version"], **body})
        again = bench.post(what, {"id": "same", "seen": bench.view()["version"], **body})
        assert (first.status_code, again.status_code) == (201, 422)
        assert again.get_json()["next_step"]


def test_a_reseat_counts_as_disturbance_too(trio: FlaskClient) -> None:
    bench = Bench(trio, "x01.one")
    bench.act("as_found", 0.5, 0.25)
    bench.act("reseat")
    assert rounds(trio)["three"] == 2


@pytest.mark.parametrize(
    ("kind", "states", "words"),
    [
        ("move", {}, "has not been entered yet"),
        ("move", {"nut": 3}, "no adjuster 'nut'"),
        ("as_found", {"pack": 3}, "a list of shims"),
        ("as_found", {}, "say what is in after it"),
        ("as_found", {"pack": [99]}, "at most 20 mm"),
    ],
)
def test_an_act_that_cannot_be_written_says_why(
    trio: FlaskClient, kind: str, states: Any, words: str
) -> None:
    bench = Bench(trio, "x01.one")
    answer = bench.post("acts", {"kind": kind, "states": states, "seen": bench.view()["version"]})
    assert answer.status_code == 422
    assert words in answer.get_json()["message"]


def test_the_as_found_pack_is_written_once(trio: FlaskClient) -> None:
    bench = Bench(trio, "x01.one")
    bench.act("as_found", 0.5)
    again = bench.post(
        "acts", {"kind": "as_found", "states": {"pack": [0.4]}, "seen": bench.view()["version"]}
    )
    assert again.status_code == 422
    assert "recount" in again.get_json()["next_step"]


def test_an_explanation_is_given_once(trio: FlaskClient) -> None:
    bench = Bench(trio, "x01.one")
    bench.act("as_found", 0.5, 0.25)
    bench.read_all(("0.30",) * 3, ("0.30",) * 3)
    bench.act("move", 0.5, 0.05)
    view = bench.read_all(("0.25",) * 3, ("0.25",) * 3)
    bench.written("explanations", {"cause": "unexplained", "seen": view["version"]})
    again = bench.post("explanations", {"cause": "reread", "seen": bench.view()["version"]})
    assert again.status_code == 422


def test_a_recount_puts_pack_and_drawer_right(trio: FlaskClient) -> None:
    def there() -> int:
        drawer = Bench(trio, "x01.one").view()["knobs"][0]["drawer"]
        return next(d["count"] for d in drawer if d["label"] == "0.15")

    bench, before = Bench(trio, "x01.one"), there()
    bench.act("as_found", 0.5, 0.25)
    bench.read_all(("0.30",) * 3, ("0.30",) * 3)
    bench.act("move", 0.5, 0.05)
    view = bench.read_all(("0.25",) * 3, ("0.25",) * 3)
    body = {
        "cause": "recounted",
        "words": "it stuck",
        "states": {"pack": [0.5, 0.15, 0.05]},
        "seen": view["version"],
    }
    view = bench.written("explanations", body)
    assert view["sheet"]["round"] == 2
    assert pack_in(view) == [0.5, 0.15, 0.05]
    assert there() == before - 1
