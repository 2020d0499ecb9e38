"""Unit types: edited into revisions, copied, exchanged; a begun job keeps what it was begun with."""

from copy import deepcopy
from typing import Any

import pytest
from flask.testing import FlaskClient

from bornek.core.units.definition import EDITION
from bornek.services.shop.parts_list import parts_csv, read_parts_csv

LATER = ("lubricant", "prove", "run_in", "second_person", "levers", "interlocks", "timing", "covers")
"""What earlier editions of a unit type did not hold."""
OUT = "/api/unit-types/ramp-winch"
HEADERS = {"X-Mechanic": "oda"}


@pytest.fixture
def winch(client: FlaskClient) -> dict[str, Any]:
    return client.get(OUT).get_json()


def save(client: FlaskClient, key: str, sheet: dict[str, Any], **changed: Any) -> Any:
    body = {"name": sheet["name"], "definition": sheet["definition"], "seen": sheet["number"]} | changed
    return client.post(f"/api/unit-types/{key}", json=body, headers=HEADERS)


def test_an_edit_is_a_new_revision_and_a_begun_job_keeps_its_own(
    client: FlaskClient, winch: dict[str, Any]
) -> None:
    before = client.get("/api/jobs/w17").get_json()["definition"]
    changed = deepcopy(winch["definition"])
    changed["parts"][0]["label"] = "Coupling, renamed"
    answer = save(client, "ramp-winch", winch, definition=changed)
    assert answer.status_code == 201
    assert (answer.get_json()["number"], answer.get_json()["revisions"]) == (2, [1, 2])
    assert client.get("/api/jobs/w17").get_json()["definition"] == before


def test_the_same_definition_makes_no_new_revision(client: FlaskClient, winch: dict[str, Any]) -> None:
    assert save(client, "ramp-winch", winch).get_json()["number"] == 1


def test_two_who_edit_the_same_revision_do_not_overwrite_each_other(
    client: FlaskClient, winch: dict[str, Any]
) -> None:
    changed = deepcopy(winch["definition"])
    changed["notes"] = "first"
    assert save(client, "ramp-winch", winch, definition=changed).status_code == 201
    late = save(client, "ramp-winch", winch)
    assert (late.status_code, late.get_json()["field"]) == (409, "seen")


def test_a_copy_is_a_type_of_its_own(client: FlaskClient, winch: dict[str, Any]) -> None:
    answer = save(client, "ramp-winch-copy", winch, name="Copy", seen=0)
    assert (answer.status_code, answer.get_json()["number"]) == (201, 1)


def test_preload_over_a_positive_play_is_asked_before_it_is_stored(
    client: FlaskClient, winch: dict[str, Any]
) -> None:
    changed = deepcopy(winch["definition"])
    row = changed["settings"][0]["limits"][0]
    row["text"] = "bearing preload"
    asked = save(client, "ramp-winch", winch, definition=changed)
    question = asked.get_json()["details"]["questions"][0]
    assert (asked.status_code, question["path"]) == (422, "settings[0].limits[0].meant")
    row["meant"] = "play"
    assert save(client, "ramp-winch", winch, definition=changed).status_code == 201


def test_a_preview_stores_nothing_and_names_what_does_not_hold(
    client: FlaskClient, winch: dict[str, Any]
) -> None:
    changed = deepcopy(winch["definition"])
    changed["parts"][0]["kind"] = "wheelbarrow"
    seen = client.post("/api/unit-types/previews", json={"definition": changed}).get_json()
    assert [x["path"] for x in seen["troubles"]] == ["parts[0].kind"]
    assert "wheelbarrow" in seen["troubles"][0]["words"] and seen["section"]["shapes"]
    assert client.get(OUT).get_json()["number"] == 1


def test_a_type_goes_out_and_comes_in_again(client: FlaskClient) -> None:
    sent = client.get(f"{OUT}/unit-type.json").get_json()
    sent["key"], sent["name"] = "from-away", "From another yard"
    answer = client.post("/api/unit-types/imports", json=sent, headers=HEADERS)
    assert answer.status_code == 201
    assert answer.get_json()["definition"] == sent["definition"]
    assert "from-away.1" in [x["id"] for x in client.get("/api/unit-types").get_json()]


@pytest.mark.parametrize("edition", range(1, EDITION + 1))
def test_a_file_of_every_edition_up_to_this_comes_in(client: FlaskClient, edition: int) -> None:
    sent = client.get(f"{OUT}/unit-type.json").get_json() | {"key": "older", "edition": edition}
    for leaf in LATER:
        sent["definition"].pop(leaf, None)
    answer = client.post("/api/unit-types/imports", json=sent, headers=HEADERS)
    assert answer.status_code == 201, answer.get_json()


@pytest.mark.parametrize(
    "changed", [{"format": "other"}, {"edition": 9}, {"key": ""}, {"definition": {"parts": 3}}]
)
def test_a_file_that_is_not_one_is_refused(client: FlaskClient, changed: dict[str, Any]) -> None:
    sent = client.get(f"{OUT}/unit-type.json").get_json() | changed
    answer = client.post("/api/unit-types/imports", json=sent, headers=HEADERS)
    assert answer.status_code == 422
    assert answer.get_json()["next_step"]


def test_a_parts_list_goes_out_and_comes_in_the_same(client: FlaskClient, winch: dict[str, Any]) -> None:
    csv = client.get(f"{OUT}/parts.csv").data.decode()
    rows = client.post("/api/parts-lists", json={"csv": csv}).get_json()
    wanted = [{k: v for k, v in p.items() if v is not False} for p in winch["definition"]["parts"]]
    assert rows == wanted


def test_a_cell_that_a_spreadsheet_would_run_is_led_by_an_apostrophe_and_comes_back_plain() -> None:
    text = parts_csv({"parts": [{"key": "k", "label": "=cmd()", "kind": "gear"}]})
    assert "'=cmd()" in text
    assert read_parts_csv(text)[0]["label"] == "=cmd()"


@pytest.mark.parametrize(
    ("csv", "words"),
    [
        ("key,label\na,b", "no column 'kind'"),
        ("key,label,kind,colour\na,b,gear,red", "'colour' is not known"),
        ("key,label,kind,count\na,b,gear,many", "Line 2, count"),
    ],
)
def test_a_parts_list_that_does_not_hold_names_line_and_column(
    client: FlaskClient, csv: str, words: str
) -> None:
    answer = client.post("/api/parts-lists", json={"csv": csv})
    assert (answer.status_code, words in answer.get_json()["message"]) == (422, True)


def test_the_limits_of_the_machines_serial_and_basis_are_taken(client: FlaskClient) -> None:
    def given(job: str, serial: str) -> str:
        body = {"id": job, "revision": "ramp-winch.1", "tag": job, "name": "Winch", "serial": serial}
        client.post("/api/jobs", json=body, headers=HEADERS)
        fields = client.get(f"/api/settings/{job}.output-end-play").get_json()["given"]["fields"]
        return next(f["typed"] for f in fields if f["key"] == "greatest")

    assert (given("w-a", "RW7-0500"), given("w-b", "RW7-0100")) == ("0.12", "0.15")


def test_a_job_from_nothing_grows_by_its_own_definition(client: FlaskClient, winch: dict[str, Any]) -> None:
    body = {"id": "bare", "tag": "N-1", "name": "Nameless box", "serial": "?-1"}
    job = client.post("/api/jobs", json=body, headers=HEADERS).get_json()
    assert (job["settings"], job["section"]["shapes"]) == ([], [])
    grown = client.post(
        "/api/jobs/bare/definition",
        headers=HEADERS,
        json={"definition": winch["definition"], "seen": job["version"]},
    )
    assert grown.status_code == 422
    fitting = deepcopy(winch["definition"])
    fitting["settings"][0]["limits"] = [{"least": "0.05", "greatest": "0.1", "source": "own card"}]
    grown = client.post(
        "/api/jobs/bare/definition", headers=HEADERS, json={"definition": fitting, "seen": job["version"]}
    )
    assert grown.status_code == 201, grown.get_json()
    assert len(grown.get_json()["settings"]) == 3
    less = deepcopy(fitting)
    less["parts"] = less["parts"][1:]
    refused = client.post(
        "/api/jobs/bare/definition",
        headers=HEADERS,
        json={"definition": less, "seen": grown.get_json()["version"]},
    )
    assert "in use in this job" in refused.get_json()["message"]
    stale = client.post("/api/jobs/bare/definition", headers=HEADERS, json={"definition": fitting, "seen": 0})
    assert stale.status_code == 409


@pytest.mark.parametrize("end", ["\n", "\r\n", "\r"])
def test_a_list_is_read_with_any_program_s_line_ends(end: str) -> None:
    text = end.join(["key;label;kind;size", "a;Gear;gear;12,5", 'b;"Two; lines";gear;'])
    assert read_parts_csv(text) == [
        {"key": "a", "label": "Gear", "kind": "gear", "size": 12.5},
        {"key": "b", "label": "Two; lines", "kind": "gear"},
    ]


@pytest.mark.parametrize(
    "text", ["\rL\u00da", "", "key,label,kind,size\na,b,gear,nan", "key,label,kind,size\na,b,gear,1e999",
             "key,label,kind\n" + "x" * 200_000, 'key,label,kind\n"a']
)  # fmt: skip
def test_no_list_breaks_the_reader(client: FlaskClient, text: str) -> None:
    answer = client.post("/api/parts-lists", json={"csv": text})
    assert answer.status_code in (200, 422), answer.get_json()
    assert "NaN" not in answer.get_data(as_text=True)
