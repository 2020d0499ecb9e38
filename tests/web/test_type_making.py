"""Patterns, edits of a definition in hand, pasted lists, and keys that nobody is asked for."""

from typing import Any

import pytest
from flask.testing import FlaskClient

HEADERS = {"X-Mechanic": "oda"}
BODY: dict[str, Any] = {
    "name": "Own box",
    "definition": {"shafts": [{"key": "new-1", "label": "Stub shaft"}]},
}


def post(client: FlaskClient, path: str, body: Any) -> Any:
    return client.post(f"/api/{path}", json=body, headers=HEADERS)


def test_patterns_are_listed_with_their_questions_and_how_they_look(client: FlaskClient) -> None:
    shown = client.get("/api/patterns").get_json()
    assert len(shown) >= 10
    assert all(p["section"]["shapes"] and p["questions"][0]["options"] for p in shown)


def test_a_pattern_is_begun_as_it_is_answered(client: FlaskClient) -> None:
    before = client.get("/api/unit-types").get_json()
    made = post(client, "patterns/plain-shaft", {"answers": {"covers": "one"}}).get_json()
    assert made["name"] == "Plain shaft between two bearings"
    assert "right-cover" not in [p["key"] for p in made["definition"]["parts"]]
    assert client.get("/api/unit-types").get_json() == before


@pytest.mark.parametrize(
    ("path", "body", "status", "words"),
    [
        ("patterns/moon", {"answers": {}}, 404, "no pattern"),
        ("patterns/pump", {"answers": {"sort": "floating"}}, 422, "none of the answers"),
        ("definitions/edits", {"definition": {}, "do": "mirror", "leaf": "parts", "key": "a"}, 422, "Only a shaft"),
        ("definitions/edits", {"definition": {}, "do": "mirror", "leaf": "shafts", "key": "a"}, 404, "not there any more"),
        ("definitions/edits", {"definition": {}, "do": "take_out", "leaf": "moons", "key": "a"}, 422, "no 'moons'"),
        ("definitions/edits", {"definition": {}, "do": "explode", "leaf": "parts", "key": "a"}, 422, "do"),
        ("parts-lists/guesses", {"text": " \n \t\n"}, 422, "Nothing was pasted"),
        ("parts-lists/guesses", {"text": "\n".join(f"Part {n}" for n in range(401))}, 422, "at most 400"),
        ("parts-lists/guesses", {"text": "1;2;3\n4;5;6"}, 422, "names of the parts"),
        ("parts-lists/guesses", {"text": "key,label,kind,count\na,b,gear,many"}, 422, "Line 2, count"),
    ],
)  # fmt: skip
def test_what_cannot_be_done_is_refused_in_words(
    client: FlaskClient, path: str, body: dict[str, Any], status: int, words: str
) -> None:
    answer = post(client, path, body)
    assert (answer.status_code, words in answer.get_json()["message"]) == (status, True), answer.get_json()


def test_a_type_and_its_rows_get_their_keys_from_their_names(client: FlaskClient) -> None:
    first, second = (post(client, "unit-types", BODY).get_json() for _ in range(2))
    assert (first["type_id"], second["type_id"]) == ("own-box", "own-box-2")
    assert first["definition"]["shafts"][0]["key"] == "stub-shaft"


def test_a_name_without_latin_letters_is_a_type_too(client: FlaskClient) -> None:
    made = post(client, "unit-types", BODY | {"name": "減速機"})
    assert (made.status_code, made.get_json()["type_id"]) == (201, "unit")


def test_a_saved_row_that_is_renamed_keeps_its_key(client: FlaskClient) -> None:
    made = post(client, "unit-types", BODY).get_json()
    made["definition"]["shafts"][0]["label"] = "Long shaft"
    made["definition"]["shafts"].append({"key": "new-1", "label": "Long shaft"})
    body = {"name": "Own box", "definition": made["definition"], "seen": 1}
    again = post(client, "unit-types/own-box", body).get_json()
    assert [s["key"] for s in again["definition"]["shafts"]] == ["stub-shaft", "long-shaft"]


def test_a_refusal_names_things_by_their_labels(client: FlaskClient) -> None:
    d = post(client, "patterns/planetary-hub", {"answers": {}}).get_json()["definition"]
    next(p for p in d["places"] if p["key"] == "planet-place")["at"] = "new-part-6"
    answer = post(client, "unit-types", {"name": "Hub", "definition": d})
    message = answer.get_json()["message"]
    assert answer.status_code == 422
    assert (
        "The place “Planet mesh”: what it is at is no part or mesh of this unit any more. Choose another."
        in message
    )
    assert "new-part-6" not in message and "places[" not in message


def test_a_row_taken_out_takes_with_it_what_is_nothing_without_it(client: FlaskClient) -> None:
    d = post(client, "patterns/plain-shaft", {"answers": {}}).get_json()["definition"]
    sent = {"definition": d, "do": "take_out", "leaf": "parts", "key": "left-cover"}
    made = post(client, "definitions/edits", sent).get_json()
    assert [p["key"] for p in made["places"]] == ["right-cover-place"]
    assert made["settings"] == []


@pytest.mark.parametrize("cut", ["\t", ";", ","])
def test_a_list_is_cut_as_it_is_written(client: FlaskClient, cut: str) -> None:
    lines = (
        ("Pos", "Description", "Qty", "Part no"),
        ("1", "Sun gear z=18", "1", "SG-1"),
        ("2", "Cap screw", "12", "HB-8"),
    )
    shown = post(client, "parts-lists/guesses", {"text": "\n".join(cut.join(x) for x in lines)}).get_json()
    assert shown["columns"] == ["line", "label", "count", "number"]
    assert [(p["label"], p["kind"], p["count"], p["teeth"], p["number"]) for p in shown["parts"]] == [
        ("Sun gear z=18", "gear", 1, 18, "SG-1"),
        ("Cap screw", "fastener", 12, 0, "HB-8"),
    ]


def test_a_list_that_was_given_out_here_comes_in_whole(client: FlaskClient) -> None:
    csv = client.get("/api/unit-types/ramp-winch/parts.csv").data.decode()
    shown = post(client, "parts-lists/guesses", {"text": csv}).get_json()
    wanted = client.get("/api/unit-types/ramp-winch").get_json()["definition"]["parts"]
    assert [p["row"] for p in shown["parts"]] == [
        {k: v for k, v in p.items() if v is not False} for p in wanted
    ]


def test_what_contradicts_the_drawing_is_told_at_its_own_row(client: FlaskClient) -> None:
    teeth = {"kind": "gear", "teeth": 20}
    parts = [
        {"key": k, "label": k, "shaft": s, **teeth}
        for k, s in (("a", "s"), ("b", "s"), ("c", "t"), ("d", "t"))
    ]
    crossed = [
        {"key": "m", "label": "m", "driver": "a", "driven": "d", "toward": "below"},
        {"key": "n", "label": "n", "driver": "b", "driven": "c", "toward": "below"},
    ]
    shafts = [{"key": "s", "label": "shaft"}, {"key": "t", "label": "second"}]
    d = {"shafts": shafts, "parts": parts, "meshes": crossed}
    shown = post(client, "unit-types/previews", {"definition": d}).get_json()
    (told,) = [x for x in shown["troubles"] if "cannot touch" in x["words"]]
    assert (told["path"], told["part_keys"]) == ("meshes[1].toward", ["b", "c"])


def test_a_list_of_keys_labels_and_kinds_alone_is_one_that_was_given_out_here(client: FlaskClient) -> None:
    text = "key,label,kind\nb9,Pilot bearing,ball_bearing"
    (part,) = post(client, "parts-lists/guesses", {"text": text}).get_json()["parts"]
    assert part["row"] == {"key": "b9", "label": "Pilot bearing", "kind": "ball_bearing"}
    assert (part["clear"], part["count"]) == (True, 1)


def test_a_job_keeps_what_it_began_with_and_says_so_by_name(client: FlaskClient) -> None:
    job = client.get("/api/jobs/w17").get_json()
    d = job["definition"]
    gone = d["places"].pop(0)["label"]
    d["settings"] = []
    answer = post(client, "jobs/w17/definition", {"definition": d, "seen": job["version"]})
    assert answer.status_code == 422
    assert f"The place “{gone}” is in use in this job." in answer.get_json()["message"]


def test_the_ratio_of_planets_is_told_while_it_is_drawn(client: FlaskClient) -> None:
    d = post(client, "patterns/planetary-hub", {"answers": {"stages": "two"}}).get_json()["definition"]
    shown = post(client, "unit-types/previews", {"definition": d}).get_json()
    assert shown["train"][0] == "Ratio: Hub 20 : 1."
