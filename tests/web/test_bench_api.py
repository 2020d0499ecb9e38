"""Something on the bench: begun without a unit, signed, named later; what its type remembers of it."""

from __future__ import annotations

from typing import Any

import pytest
from flask.testing import FlaskClient

from helpers import Bench
from written_cases import CASES

ACTOR = {"X-Mechanic": "oda"}
GIVEN = {case.kind: dict(case.given) for case in reversed(CASES.values())}
PLAY = {"least": "0.06", "greatest": "0.12", "sense": "adds", "torque": "80", "source": "card"}


def begin(client: FlaskClient, **changed: Any) -> Any:
    body = {
        "id": "hoist",
        "name": "hoist, left end",
        "kind": "shim_pack_end_play",
        "given": PLAY,
        "shim_form": "C3 ring",
    }
    return client.post("/api/jobs/bench", json=body | changed, headers=ACTOR)


def signed_job(client: FlaskClient) -> Bench:
    assert begin(client).status_code == 201
    bench = Bench(client, "hoist.setting")
    bench.act("as_found", 0.5, 0.2, 0.1)
    bench.read_all(("0.20", "0.195", "0.20"), ("0.20", "0.20", "0.205"))
    bench.act("move", 0.5, 0.2)
    bench.read_all(("0.095", "0.09", "0.095"), ("0.095", "0.09", "0.095"))
    bench.written("signatures", {"seen": bench.view()["version"], "remark": ""})
    return bench


def test_every_kind_is_offered_in_plain_words_with_its_drawing(client: FlaskClient) -> None:
    shown = client.get("/api/jobs/bench-kinds").get_json()
    assert {k["id"] for k in shown} == set(GIVEN)
    for kind in shown:
        assert kind["plain"].startswith(("A ", "Bearings", "Gears"))
        assert kind["plain"] != kind["title"]
        assert kind["thing"]["shapes"]


@pytest.mark.parametrize("kind", sorted(GIVEN))
def test_any_kind_is_begun_without_a_unit(client: FlaskClient, kind: str) -> None:
    job = begin(client, kind=kind, given=GIVEN[kind], shim_form="").get_json()
    assert job["tag"] == "B-1"
    assert job["unnamed"]
    view = client.get(f"/api/settings/{job['settings'][0]['id']}").get_json()
    assert view["sheet"]["verdict"]["code"] == "not_read"
    assert view["sheet"]["cells"]
    read = [s for s in view["stations"] if s["could"]]
    assert all(s["gauge"] for s in read)


def test_tags_are_made_one_after_the_other(client: FlaskClient) -> None:
    assert [begin(client, id=key).get_json()["tag"] for key in ("one", "two")] == ["B-1", "B-2"]


@pytest.mark.parametrize(
    ("changed", "field"),
    [
        ({"given": {}}, "least"),
        ({"given": PLAY | {"greatest": "0.01"}}, "window"),
        ({"kind": "feeling"}, "kind"),
        ({"name": "  "}, "name"),
    ],
)
def test_what_does_not_hold_is_named_and_nothing_is_begun(
    client: FlaskClient, changed: dict[str, Any], field: str
) -> None:
    refused = begin(client, **changed)
    assert refused.status_code in (404, 422)
    assert refused.get_json()["field"] == field
    assert client.get("/api/jobs/hoist").status_code == 404


def name_it(client: FlaskClient, **changed: Any) -> Any:
    body = {
        "id": "name-1", "tag": "H-40", "name": "Slip hoist", "serial": "RW7-0777", "revision": "ramp-winch.1",
        "setting": "output-end-play",
    } | changed  # fmt: skip
    return client.post("/api/jobs/hoist/names", json=body, headers=ACTOR)


def test_named_later_it_stays_signed_and_its_type_remembers_it(client: FlaskClient) -> None:
    bench = signed_job(client)
    before = bench.view()
    job = name_it(client).get_json()
    assert (job["tag"], job["serial"], job["unnamed"]) == ("H-40", "RW7-0777", False)
    assert "it was B-1 hoist, left end" in job["corrections"][0]
    after = bench.view()
    assert after["signature"] == before["signature"]
    assert after["sheet"]["outcome"] == before["sheet"]["outcome"]
    record = client.get("/api/jobs/hoist/record").get_json()
    assert any("H-40" in line["words"] for line in record["about"])
    assert client.get("/api/jobs/hoist/record.pdf").data[:5] == b"%PDF-"


def test_a_named_unit_is_not_named_again_and_a_taken_tag_is_refused(client: FlaskClient) -> None:
    signed_job(client)
    assert name_it(client, tag="W-17").get_json()["field"] == "tag"
    assert name_it(client, setting="input-shaft").get_json()["field"] == "setting"
    assert name_it(client).status_code == 201
    assert name_it(client, id="name-2").get_json()["field"] == "serial"


def test_a_setting_of_another_kind_is_not_taken_over(client: FlaskClient) -> None:
    begin(client, kind="float_check", given=GIVEN["float_check"])
    assert name_it(client).get_json()["field"] == "setting"


# gauges


def test_a_station_is_read_with_a_gauge_that_can_take_it(client: FlaskClient) -> None:
    begin(client, kind="plain_bearing", given=GIVEN["plain_bearing"], shim_form="")
    view = client.get("/api/settings/hoist.setting").get_json()
    names = {s["slot"].split(".")[0]: s["name"] for s in view["stations"]}
    assert (names["journal"], names["bore"]) == ("Micrometer 5", "Bore gauge 6")
    bench = Bench(client, "hoist.setting")
    slot = next(s["slot"] for s in view["stations"] if s["slot"].startswith("bore"))
    refused = bench.post("entries", {"slot": slot, "text": "50.02", "gauge": "depth-9"})
    assert refused.status_code == 422
    assert "takes a depth" in refused.get_json()["message"]
    assert refused.get_json()["field"] == "gauge"
    taken = bench.read(slot, "50.02")
    cell = next(c for c in taken["sheet"]["cells"] if c["slot"] == slot)
    assert cell["entries"][0]["gauge"] == "bore-6"


def test_a_card_says_only_what_such_a_gauge_could_take(client: FlaskClient) -> None:
    card = {
        "id": "s-9",
        "name": "Scale 9",
        "quantity": "force",
        "unit": "kgf",
        "division": 0.1,
        "takes": ["inside"],
    }
    refused = client.post("/api/gauges", json=card, headers=ACTOR)
    assert refused.status_code == 422
    assert refused.get_json()["field"] == "takes"
    written = client.post("/api/gauges", json=card | {"takes": ["force"]}, headers=ACTOR)
    assert next(g for g in written.get_json() if g["id"] == "s-9")["takes"] == ["force"]


def test_a_bare_number_is_in_the_scales_own_unit(client: FlaskClient) -> None:
    bench = Bench(client, "d02.pinion-drag")
    view = bench.read("seal.1", "1.8")
    cell = next(c for c in view["sheet"]["cells"] if c["slot"] == "seal.1")
    assert cell["entries"][0]["raw"]["value"] == pytest.approx(17.65, abs=0.01)
    assert cell["shown"] == "1.8 kgf"


BEGUN: dict[str, Any] = {"packs": [0.5], "joint_packs": {"left": [1.2], "right": [0.8]}}
"""What is in as found, by what an adjuster can be brought to; a position where it is not packs."""


@pytest.mark.parametrize("kind", sorted(GIVEN))
def test_every_kind_takes_what_is_in_as_found_without_a_unit(client: FlaskClient, kind: str) -> None:
    """Also one whose adjusters lie at several places, of which no unit says where they are."""
    assert begin(client, kind=kind, given=GIVEN[kind]).status_code == 201
    view = client.get("/api/settings/hoist.setting").get_json()
    owed = [k for k in view["knobs"] if k["state"] is None and k["domain"]["type"] in BEGUN]
    if not owed:
        return
    states = {k["key"]: BEGUN[k["domain"]["type"]] for k in owed}
    sent = {"id": "f1", "kind": "as_found", "states": states, "seen": view["version"]}
    answer = client.post("/api/settings/hoist.setting/acts", json=sent, headers=ACTOR)
    assert answer.status_code == 201, answer.get_json()
    assert all(k["state"] for k in answer.get_json()["knobs"] if k["key"] in states)
