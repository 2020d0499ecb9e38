"""The strip stage over the API: as found, removals, baselines let go, ledger, labels, closing."""

import io
from itertools import count
from typing import Any

import pytest
from flask.testing import FlaskClient
from pypdf import PdfReader

from helpers import Bench, let_out, pack_in

_ids = count(1)


def write(client: FlaskClient, kind: str, job: str = "p22", **more: Any) -> Any:
    body = {k: more.pop(k) for k in ("let_go", "let_go_words", "supersedes", "void") if k in more}
    sent = {"id": f"fact-{next(_ids)}", "kind": kind, "body": more, **body}
    return client.post(f"/api/jobs/{job}/facts", json=sent, headers={"X-Mechanic": "marl"})


def strip(client: FlaskClient, job: str = "p22") -> dict[str, Any]:
    return client.get(f"/api/jobs/{job}/strip").get_json()


def state(view: dict[str, Any], key: str) -> str:
    return next(b["state"] for b in view["baselines"] if b["key"] == key)


PACK = {"place": "thrust-cover", "plates": ["0.50", "10 thou"], "side": "top", "slots": "slot at 6"}


def test_a_pack_as_found_is_written_once_and_the_setting_starts_from_it(client: FlaskClient) -> None:
    view = write(client, "pack", **PACK).get_json()
    assert state(view, "pack:thrust-cover") == "taken"
    setting = client.get("/api/settings/p22.thrust-end-play").get_json()
    assert pack_in(setting) == [0.5, 0.254]


def test_a_pack_that_the_setting_knows_is_offered_to_the_strip(client: FlaskClient) -> None:
    Bench(client, "p22.thrust-end-play").act("as_found", 0.5, 0.2)
    found = next(b for b in strip(client)["baselines"] if b["key"] == "pack:thrust-cover")
    assert (found["state"], found["plates"]) == ("open", ["0.50", "0.20"])


def test_readings_as_found_take_the_reading_baseline(client: FlaskClient) -> None:
    bench = Bench(client, "p22.thrust-end-play")
    bench.act("as_found", 0.5)
    bench.read("travel.mark_up.1", "0.2")
    assert state(strip(client), "reading:thrust-end-play") == "taken"


def test_a_removal_that_ends_baselines_is_refused_and_names_them(client: FlaskClient) -> None:
    refused = write(client, "removed", part="thrust-bearing", way="puller")
    assert refused.status_code == 422
    lost = {x["key"] for x in refused.get_json()["details"]["lost"]}
    assert lost == {"reading:thrust-end-play", "reading:spring-end-play", "pack:thrust-cover"}
    assert strip(client)["removals"] == []


def test_let_go_with_a_reason_it_is_written_and_the_record_keeps_who_and_why(client: FlaskClient) -> None:
    keys = ["reading:thrust-end-play", "reading:spring-end-play", "pack:thrust-cover"]
    silent = write(client, "removed", part="thrust-bearing", way="puller", let_go=keys)
    assert silent.get_json()["field"] == "let_go_words"
    view = write(
        client, "removed", part="thrust-bearing", way="puller", let_go=keys, let_go_words="bearing in pieces"
    ).get_json()
    assert state(view, "pack:thrust-cover") == "let go"
    record = client.get("/api/jobs/p22/record").get_json()
    assert any("let go by Marl Tennick: bearing in pieces" in line["words"] for line in record["strip"])


def test_a_struck_removal_no_longer_counts_and_stays_on_file(client: FlaskClient) -> None:
    view = write(client, "removed", part="coupling-key", way="hand").get_json()
    removal = view["removals"][0]["id"]
    view = write(client, "removed", supersedes=removal, void=True).get_json()
    assert view["removals"] == []
    again = write(client, "removed", supersedes=removal, void=True)
    assert again.status_code == 409


def test_a_correction_takes_the_place_of_what_was_written(client: FlaskClient) -> None:
    first = write(client, "way_round", part="slinger", words="dish down").get_json()
    fact = next(b["fact"] for b in first["baselines"] if b["key"] == "way_round:slinger")
    view = write(client, "way_round", part="slinger", words="dish up", supersedes=fact).get_json()
    assert next(b["words"] for b in view["baselines"] if b["key"] == "way_round:slinger") == "dish up"


def test_a_doomed_part_says_so_in_log_draft_and_record(client: FlaskClient) -> None:
    view = write(client, "removed", part="thrust-screws", way="cut", count=8, bag="1", tag="P-1").get_json()
    assert (view["removals"][0]["reuse"], view["draft"][0]["new"]) == (False, True)
    record = client.get("/api/jobs/p22/record").get_json()
    assert any("no re-use: it was cut" in line["words"] for line in record["strip"])


def test_bag_labels_carry_the_code_that_the_search_takes(client: FlaskClient) -> None:
    assert client.get("/api/jobs/p22/bag-labels.pdf").status_code == 422
    view = write(client, "removed", part="coupling-key", way="hand", bag="7", tag="P-9").get_json()
    code = view["removals"][0]["bag_code"]
    pdf = PdfReader(io.BytesIO(client.get("/api/jobs/p22/bag-labels.pdf").data))
    assert code in pdf.pages[0].extract_text()
    found = client.get("/api/search", query_string={"q": code}).get_json()["found"]
    assert [(f["what"], f["job_id"]) for f in found] == [("bag", "p22")]


def test_an_open_loose_item_blocks_closing(client: FlaskClient) -> None:
    view = write(client, "loose", what="M8 washer", where="the frame").get_json()
    close = {"id": "close-1", "words": "sent back as it is"}
    refused = client.post("/api/jobs/p22/close", json=close, headers={"X-Mechanic": "marl"})
    assert "M8 washer" in refused.get_json()["message"]
    write(client, "accounted", loose=view["loose"][0]["id"], words="found behind the rotor")
    let_out(client, "p22")
    unsigned = client.post("/api/jobs/p22/close", json=close | {"words": ""}, headers={"X-Mechanic": "marl"})
    assert unsigned.get_json()["field"] == "words"
    closed = client.post("/api/jobs/p22/close", json=close, headers={"X-Mechanic": "marl"})
    assert closed.status_code == 201
    assert closed.get_json()["closed_at"]
    assert "P-22" not in [r["tag"] for r in client.get("/api/board").get_json()["rows"]]
    again = client.post("/api/jobs/p22/close", json=close, headers={"X-Mechanic": "marl"})
    assert (again.status_code, again.get_json()["code"]) == (409, "closed")


def test_in_the_field_lock_out_is_asked_first_and_blocks_closing(client: FlaskClient) -> None:
    body = {
        "id": "f-1",
        "revision": "capstan.1",
        "tag": "C-77",
        "name": "Far capstan",
        "serial": "QC-9",
        "stands": "field",
    }
    job = client.post("/api/jobs", json=body, headers={"X-Mechanic": "oda"}).get_json()
    assert any("lock-out" in p["words"] for p in job["open_points"])
    assert strip(client, "f-1")["say"][0]["text"].startswith("Lock out")
    view = write(client, "locked_out", job="f-1", points="breaker", key_holder="Oda").get_json()
    assert view["locked_out"] == "breaker; key with Oda"


@pytest.mark.parametrize(
    ("kind", "body", "field"),
    [
        ("closed", {}, "kind"),
        ("accounted", {"loose": "none", "words": "x"}, "loose"),
        ("removed", {"part": "rotor", "way": "magic"}, "way"),
        ("removed", {"part": "coupling-key", "way": "hand", "count": 0}, "count"),
        ("pack", {**PACK, "place": "moon"}, "place"),
    ],
)
def test_what_does_not_hold_is_refused_by_name(
    client: FlaskClient, kind: str, body: dict[str, Any], field: str
) -> None:
    answer = write(client, kind, **body)
    assert (answer.status_code, answer.get_json()["field"]) == (422, field)


def test_a_gear_set_brings_its_baseline_from_another_housing(client: FlaskClient) -> None:
    components = {c["part"]: c for c in client.get("/api/jobs/w17").get_json()["components"]}
    stay = components["bevel-gear"]["stays"][0]
    assert stay["tag"] == "W-08"
    assert any("0.50 + 0.40" in w for w in stay["words"])
    assert any("ran well" in w for w in stay["words"])
    assert components["bevel-pinion"]["serial"] == "SET-1439-07"


def test_a_serial_read_off_later_is_known_again(client: FlaskClient) -> None:
    answer = client.post(
        "/api/jobs/w11/serials",
        json={"serials": {"bevel-gear": "SET-1439-07"}},
        headers={"X-Mechanic": "jun"},
    )
    stays = {c["part"]: c["stays"] for c in answer.get_json()["components"]}["bevel-gear"]
    assert {s["tag"] for s in stays} == {"W-08", "W-17"}
    wrong = client.post(
        "/api/jobs/w11/serials", json={"serials": {"input-seal": "X"}}, headers={"X-Mechanic": "jun"}
    )
    assert wrong.status_code == 422


def test_the_record_shows_section_strip_and_draft_as_pdf(client: FlaskClient) -> None:
    pdf = PdfReader(io.BytesIO(client.get("/api/jobs/k08/record.pdf").data))
    text = " ".join(" ".join(page.extract_text() for page in pdf.pages).split())
    for words in (
        "snap ring of second gear out of its groove",
        "NOT ACCOUNTED FOR",
        "First draft of the build order",
        "key with Oda Brisk",
        "countershaft",
    ):
        assert words in text


def test_the_section_is_a_file_of_its_own(client: FlaskClient) -> None:
    answer = client.get("/api/jobs/w17/section.svg")
    assert answer.mimetype == "image/svg+xml"
    assert b"<svg" in answer.data[:400]
    assert b"cross shaft" in answer.data
    assert b"<script" not in answer.data
