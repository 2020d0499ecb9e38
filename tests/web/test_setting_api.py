from typing import Any

import pytest
from flask.testing import FlaskClient

from helpers import Bench, pack_in, plates, said

COARSE = {
    "id": "dial-11",
    "name": "Coarse dial",
    "quantity": "length",
    "unit": "mm",
    "division": 0.5,
    "interpolation": 0.5,
    "calibration_u": 0.2,
}


def test_a_whole_setting_from_as_found_to_signed(pump: Bench) -> None:
    assert "enter the pack" in said(pump.view())
    pump.act("as_found", 0.5, 0.25, 0.1)
    view = pump.read_all(("0.30", "0.305", "0.30"), ("0.305", "0.30", "0.305"))
    assert view["sheet"]["verdict"]["code"] == "out_high"
    best = view["sheet"]["move"]["best"]
    packed = plates(best)
    view = pump.act("move", *packed)
    assert view["sheet"]["round"] == 2
    assert view["sheet"]["verdict"]["code"] == "read_again"
    text = f"{best['expected'][0]['v']:.3f}"
    view = pump.read_all((text,) * 3, (text,) * 3)
    assert view["sheet"]["verdict"]["code"] == "in"
    view = pump.written("signatures", {"seen": view["version"], "remark": ""})
    assert view["signature"]["by"] == "Marl Tennick"
    assert said(view).startswith("Signed: in")


def test_thou_and_inches_go_in_on_a_millimetre_job(pump: Bench) -> None:
    pump.read("travel.mark_up.1", "8 thou")
    pump.read("travel.mark_up.2", '.008"')
    view = pump.read("travel.mark_up.3", "0,20")
    shown = [c["shown"] for c in view["sheet"]["cells"][:3]]
    assert shown == ["0.203", "0.203", "0.200"]
    assert view["sheet"]["cells"][0]["entries"][0]["as_typed"] == "8 thou"


def test_a_correction_keeps_the_old_reading(pump: Bench, client: FlaskClient) -> None:
    view = pump.read("travel.mark_up.1", "0.30")
    old = view["sheet"]["cells"][0]["entries"][0]["id"]
    body = {"slot": "travel.mark_up.1", "text": "0.31", "supersedes": old, "seen": view["version"]}
    view = pump.written("entries", body)
    assert view["sheet"]["cells"][0]["shown"] == "0.310"
    entries = client.get("/api/jobs/p22/record").get_json()["settings"][0]["entries"]
    assert [(e["as_typed"], e["fate"]) for e in entries] == [("0.30", "corrected"), ("0.31", "stands")]


def test_a_slip_stays_asked_until_it_is_confirmed(pump: Bench) -> None:
    pump.read("travel.mark_up.1", "0.30")
    view = pump.read("travel.mark_up.2", "3.0")
    cell = view["sheet"]["cells"][1]
    assert cell["status"] == "asked"
    assert cell["slips"][0]["meant"] == 0.3
    body = {
        "slot": cell["slot"],
        "text": "3.0",
        "supersedes": cell["entries"][0]["id"],
        "confirmed": True,
        "seen": view["version"],
    }
    assert pump.written("entries", body)["sheet"]["cells"][1]["status"] == "taken"


def test_two_tablets_on_one_slot_keep_both_and_ask(pump: Bench, client: FlaskClient) -> None:
    pump.read("travel.mark_up.1", "0.30")
    other = Bench(client, pump.setting, "oda")
    view = other.read("travel.mark_up.1", "0.31")
    cell = view["sheet"]["cells"][0]
    assert cell["status"] == "contested"
    assert {e["by"] for e in cell["entries"]} == {"Marl Tennick", "Oda Brisk"}
    struck = {
        "slot": cell["slot"],
        "supersedes": cell["entries"][1]["id"],
        "void": True,
        "seen": view["version"],
    }
    assert other.written("entries", struck)["sheet"]["cells"][0]["status"] == "taken"


def test_a_stale_act_gets_409_with_both_versions(pump: Bench, client: FlaskClient) -> None:
    seen = pump.act("as_found", 0.5, 0.25)["version"]
    Bench(client, pump.setting, "oda").read("travel.mark_up.1", "0.30")
    answer = pump.post("acts", {"kind": "move", "states": {"pack": [0.5]}, "seen": seen})
    assert answer.status_code == 409
    details = answer.get_json()["details"]
    assert details["yours"] == "Move: 0.50 = 0.50"
    assert details["theirs"] == ["Oda Brisk read Mark up, reading 1: 0.300"]


def test_both_versions_are_in_the_jobs_own_unit_and_in_words(client: FlaskClient) -> None:
    """A job in thou, a reading typed in mm, a pack sent in mm."""
    capstan = Bench(client, "c09.head-end-play")
    seen = capstan.view()["version"]
    oda = Bench(client, capstan.setting, "oda")
    oda.read("travel.mark_up.1", "0.2286 mm")
    oda.act("recount", 0.508, 0.254)
    answer = capstan.post("acts", {"kind": "move", "states": {"pack": [0.508]}, "seen": seen})
    details = answer.get_json()["details"]
    assert answer.status_code == 409
    assert details["yours"] == "Move: 20 = 20"
    assert details["theirs"][0] == "Oda Brisk read Mark up, reading 1: 9.0"
    assert "mm" not in "".join(details["theirs"])
    assert "{" not in "".join([details["yours"], *details["theirs"]])


def test_a_correction_of_what_was_corrected_already_is_stale_and_not_missing(
    pump: Bench, client: FlaskClient
) -> None:
    first = pump.read("travel.mark_up.1", "0.30")
    old = first["sheet"]["cells"][0]["entries"][0]["id"]
    oda = Bench(client, pump.setting, "oda")
    body = {"slot": "travel.mark_up.1", "text": "0.31", "supersedes": old, "seen": first["version"]}
    now = oda.written("entries", body)
    for seen in (first["version"], now["version"]):
        late = pump.post("entries", body | {"seen": seen})
        assert (late.status_code, late.get_json()["code"]) == (409, "stale"), late.get_json()
        assert "Oda Brisk read Mark up, reading 1: 0.310" in late.get_json()["details"]["theirs"]
    never = pump.post("entries", body | {"supersedes": "never", "seen": now["version"]})
    assert never.status_code == 404


def test_a_reading_needs_no_version_and_is_never_refused_for_being_late(pump: Bench) -> None:
    pump.act("as_found", 0.5, 0.25)
    pump.read("travel.mark_up.1", "0.30")
    pump.act("move", 0.5)
    view = pump.written("entries", {"slot": "travel.mark_up.2", "text": "0.30", "round": 1})
    assert view["sheet"]["round"] == 2
    assert all(c["status"] != "taken" for c in view["sheet"]["cells"])


def test_the_same_key_gives_the_same_answer_once(pump: Bench, client: FlaskClient) -> None:
    body = {"id": "fixed", "slot": "travel.mark_up.1", "text": "0.30"}
    headers = {"X-Mechanic": "marl", "Idempotency-Key": "k"}
    first = client.post(f"{pump.url}/entries", json=body, headers=headers)
    again = client.post(f"{pump.url}/entries", json=body, headers=headers)
    assert (first.status_code, again.status_code) == (201, 201)
    assert first.get_json() == again.get_json()
    assert len(pump.view()["sheet"]["cells"][0]["entries"]) == 1
    other = client.post(f"{pump.url}/entries", json=body | {"text": "0.31"}, headers=headers)
    assert other.status_code == 422
    assert other.get_json()["code"] == "key_reused"


def test_shims_come_out_of_the_drawer_and_go_back(pump: Bench) -> None:
    def there(view: dict[str, Any], label: str) -> int:
        return next(d["count"] for d in view["knobs"][0]["drawer"] if d["label"] == label)

    before = pump.act("as_found", 0.5, 0.25)
    after = pump.act("move", 0.5, 0.1)
    assert there(after, "0.25") == there(before, "0.25") + 1
    assert there(after, "0.10") == there(before, "0.10") - 1


def test_what_was_done_is_written_even_with_shims_the_drawer_has_not(pump: Bench) -> None:
    pump.act("as_found", 0.5)
    view = pump.act("move", 0.5, 0.33)
    assert next(d["count"] for d in view["knobs"][0]["drawer"] if d["label"] == "0.33") == -1


def test_the_prediction_is_frozen_with_the_act(pump: Bench) -> None:
    pump.act("as_found", 0.5, 0.25, 0.1)
    pump.read_all(("0.30",) * 3, ("0.30",) * 3)
    told = pump.client.post(f"{pump.url}/expectations", json={"states": {"pack": [0.5, 0.2]}}).get_json()
    view = pump.act("move", 0.5, 0.2)
    log = next(s for s in view["sheet"]["scenes"] if s["type"] == "log")
    assert log["rows"][1]["predicted"]["middle"] == pytest.approx(told["option"]["expected"][0]["v"])


def test_reread_opens_a_new_round_with_the_same_pack(pump: Bench) -> None:
    pump.act("as_found", 0.5, 0.25, 0.1)
    pump.read_all(("0.30",) * 3, ("0.30",) * 3)
    pump.act("move", 0.5, 0.2)
    view = pump.read_all(("0.35",) * 3, ("0.35",) * 3)
    assert view["sheet"]["surprise"]["round"] == 2
    view = pump.written("explanations", {"cause": "reread", "words": "not seated", "seen": view["version"]})
    assert view["sheet"]["round"] == 3
    assert view["sheet"]["surprise"] is None
    assert pack_in(view) == [0.5, 0.2]


def test_a_round_is_explained_once(pump: Bench) -> None:
    pump.act("as_found", 0.5, 0.25, 0.1)
    pump.read_all(("0.30",) * 3, ("0.30",) * 3)
    pump.act("move", 0.5, 0.2)
    view = pump.read_all(("0.35",) * 3, ("0.35",) * 3)
    answer = {"cause": "unexplained", "words": "looked everywhere"}
    view = pump.written("explanations", answer | {"id": "x1", "seen": view["version"]})
    again = pump.post("explanations", answer | {"id": "x2", "seen": view["version"]})
    assert again.status_code == 422
    assert again.get_json()["message"] == "This round has been explained already."


def test_a_move_after_signing_shows_signed_then_disturbed(client: FlaskClient) -> None:
    done = Bench(client, "w11.output-end-play", "jun")
    view = done.act("move", 0.5, 0.25)
    assert view["signature"]["disturbed"]
    assert view["sheet"]["verdict"]["code"] == "read_again"
    summary = client.get("/api/jobs/w11").get_json()["settings"][0]
    assert (summary["signed"], summary["disturbed"]) == (False, True)


def test_changing_what_is_given_after_signing_disturbs_it(client: FlaskClient) -> None:
    done = Bench(client, "w11.output-end-play", "jun")
    view = done.view()
    typed = {f["key"]: f["typed"] for f in view["given"]["fields"] if f["typed"] is not None}
    view = done.written("given", {"given": typed | {"greatest": "0.09"}, "seen": view["version"]})
    assert view["signature"]["disturbed"]


def test_a_signed_record_is_read_from_its_snapshot(client: FlaskClient) -> None:
    done = Bench(client, "w11.output-end-play", "jun")
    before = client.get("/api/jobs/w11/record").get_json()["settings"][0]
    answer = client.post("/api/gauges", json=COARSE, headers={"X-Mechanic": "jun"})
    assert answer.status_code == 201, answer.get_json()
    after = client.get("/api/jobs/w11/record").get_json()["settings"][0]
    assert after == before
    assert done.view()["gauge"]["resolution"] != COARSE["division"]


def test_what_was_signed_and_then_moved_stands_as_it_is_now_beside_its_signature(client: FlaskClient) -> None:
    done = Bench(client, "w11.output-end-play", "jun")
    done.act("move", 0.5, 0.25)
    after = client.get("/api/jobs/w11/record").get_json()["settings"][0]
    assert after["sheet"]["verdict"]["code"] == "read_again"
    assert (after["signature"]["verdict"], after["signature"]["disturbed"]) == ("in", True)


def test_a_reading_after_the_signature_disturbs_it_too(client: FlaskClient) -> None:
    done = Bench(client, "w11.output-end-play", "jun")
    slot = done.view()["sheet"]["cells"][0]["slot"]
    view = done.read(slot, "0.30")
    assert view["signature"]["disturbed"]
    assert not client.get("/api/jobs/w11").get_json()["settings"][0]["signed"]


def test_what_is_not_in_needs_a_reason_to_be_signed(client: FlaskClient) -> None:
    capstan = Bench(client, "c09.head-end-play", "oda")
    seen = capstan.view()["version"]
    refused = capstan.post("signatures", {"seen": seen, "remark": ""})
    assert refused.status_code == 422
    assert refused.get_json()["field"] == "remark"
    view = capstan.written("signatures", {"seen": seen, "remark": "Runs light; stripped again in spring"})
    assert view["signature"]["verdict"] == "out_high"


def test_what_is_not_read_cannot_be_signed(pump: Bench) -> None:
    refused = pump.post("signatures", {"seen": pump.view()["version"], "remark": "please"})
    assert refused.status_code == 422
    assert "cannot be signed yet" in refused.get_json()["message"]


def test_given_can_be_revised_and_bad_fields_are_named_each(pump: Bench) -> None:
    view = pump.view()
    typed = {f["key"]: f["typed"] for f in view["given"]["fields"] if f["typed"] is not None}
    bad = pump.post(
        "given", {"given": typed | {"least": "wide", "torque": "3 thou"}, "seen": view["version"]}
    )
    assert set(bad.get_json()["details"]["fields"]) == {"least", "torque"}
    view = pump.written("given", {"given": typed | {"greatest": "0.20"}, "seen": view["version"]})
    strip = next(s for s in view["sheet"]["scenes"] if s["type"] == "readout")
    assert strip["window"]["hi"] == 0.2


def test_nobody_named_cannot_write(client: FlaskClient, pump: Bench) -> None:
    answer = client.post(f"{pump.url}/entries", json={"id": "x", "slot": "travel.mark_up.1", "text": "0.3"})
    assert answer.status_code == 422
    assert answer.get_json()["field"] == "actor"
