"""What the pages ask while something is typed: a type's section, what to expect of one's own pack, who works."""

from copy import deepcopy
from typing import Any

import pytest
from flask.testing import FlaskClient

from bornek.demo.yard import MECHANICS, TYPES
from helpers import Bench

KEYS = [key for key, _, _ in TYPES]


def preview(client: FlaskClient, definition: dict[str, Any]) -> dict[str, Any]:
    answer = client.post("/api/unit-types/previews", json={"definition": definition})
    assert answer.status_code in (200, 201), answer.get_json()
    return answer.get_json()


def definition(client: FlaskClient, key: str) -> dict[str, Any]:
    return client.get(f"/api/unit-types/{key}").get_json()["definition"]


@pytest.mark.parametrize("key", KEYS)
def test_a_sound_type_is_drawn_and_asked_nothing(client: FlaskClient, key: str) -> None:
    shown = preview(client, definition(client, key))
    assert shown["section"]["shapes"]
    assert (shown["troubles"], shown["questions"]) == ([], [])


def test_half_a_type_is_told_field_by_field_and_not_refused(client: FlaskClient) -> None:
    broken = deepcopy(definition(client, "capstan"))
    broken["parts"][0]["kind"] = ""
    broken["places"].append({"key": "Not a key", "label": "", "at": "nowhere"})
    problems = [x["path"] for x in preview(client, broken)["troubles"]]
    assert any(path.startswith("parts[0]") for path in problems)
    assert any(path.startswith("places[1]") for path in problems)


def test_what_does_not_even_fit_the_shape_is_told_too(client: FlaskClient) -> None:
    broken = {"parts": [{"key": "a", "label": "A", "kind": "gear", "count": "two"}]}
    told = preview(client, broken)["troubles"][0]
    assert (told["path"], told["words"]) == (
        "parts[0].count",
        "The part “A”: how many there are must be a whole number (got 'two').",
    )


def test_an_empty_type_is_an_empty_sheet_without_complaint(client: FlaskClient) -> None:
    shown = preview(client, {})
    assert shown["section"]["shapes"] == []
    assert shown["kinds"]
    assert {k for k, _ in shown["setting_kinds"]} >= {"plain_bearing", "seat_size"}


def test_a_preload_over_a_play_is_a_question_with_two_answers(client: FlaskClient) -> None:
    asked = deepcopy(definition(client, "capstan"))
    asked["settings"][0]["limits"][0]["text"] = "head bearing preload"
    question = preview(client, asked)["questions"][0]
    assert [answer for answer, _ in question["options"]] == ["preload", "play"]
    asked["settings"][0]["limits"][0]["meant"] = "play"
    assert preview(client, asked)["questions"] == []


def test_a_preview_stores_nothing(client: FlaskClient) -> None:
    before = client.get("/api/unit-types").get_json()
    changed = deepcopy(definition(client, "capstan"))
    changed["parts"][0]["label"] = "Renamed"
    preview(client, changed)
    assert client.get("/api/unit-types").get_json() == before


def expect(client: FlaskClient, state: Any) -> Any:
    return client.post("/api/settings/w17.output-end-play/expectations", json={"states": {"pack": state}})


def test_ones_own_pack_is_told_what_to_expect_of_it(client: FlaskClient) -> None:
    told = expect(client, [0.5, 0.1, 0.1]).get_json()
    proposed = Bench(client, "w17.output-end-play").view()["sheet"]["move"]["best"]
    assert told["option"]["expected"][0]["v"] == pytest.approx(proposed["expected"][0]["v"], abs=0.02)


def test_a_thicker_pack_is_expected_to_give_more_play(client: FlaskClient) -> None:
    values = [expect(client, [0.5, x]).get_json()["option"]["expected"][0]["v"] for x in (0.1, 0.2, 0.3)]
    assert values == sorted(values)
    assert values[0] < values[-1]


@pytest.mark.parametrize("state", [["thick"], [-1], {}, "0.5 + x"])
def test_a_pack_that_cannot_be_is_refused(client: FlaskClient, state: Any) -> None:
    assert expect(client, state).status_code == 422


def test_the_mechanics_are_those_of_the_yard(client: FlaskClient) -> None:
    assert {m["name"] for m in client.get("/api/mechanics").get_json()} == {name for _, name in MECHANICS}


def sent(knob: dict[str, Any], option: dict[str, Any]) -> Any:
    """An option's state of one adjuster as the page sends it back."""
    state = option["states"].get(knob["key"], knob["state"])
    packs = [[plate["thickness"] for plate in pack] for pack in state["packs"]]
    sorts = {"packs": packs[:1], "joint_packs": [dict(zip(("left", "right"), packs, strict=False))]}
    return sorts.get(knob["domain"]["type"], [state["label"]])[0]


def units_of(scenes: list[dict[str, Any]]) -> dict[str, str]:
    return {s["label"]: s["unit"] for s in scenes if s["type"] == "readout"}


def test_what_is_proposed_is_expected_alike_where_it_is_chosen(client: FlaskClient) -> None:
    """Of every move that the demo yard advises, and of what stands beside it."""
    asked, units = 0, dict[str, str]()
    for job in {row["job_id"] for row in client.get("/api/board").get_json()["rows"]}:
        for setting in client.get(f"/api/jobs/{job}").get_json()["settings"]:
            view = client.get(f"/api/settings/{setting['id']}").get_json()
            move = view["sheet"]["move"] or {"best": None, "alternatives": []}
            for option in [move["best"], *move["alternatives"]]:
                if option is None:
                    continue
                states = {knob["key"]: sent(knob, option) for knob in view["knobs"]}
                answer = client.post(f"/api/settings/{setting['id']}/expectations", json={"states": states})
                assert answer.get_json()["option"]["expect"] == option["expect"], (
                    setting["id"],
                    option["label"],
                )
                drawn = units_of(answer.get_json()["scenes"])
                shown = units_of(view["sheet"]["scenes"])
                assert [shown[label] for label in drawn if label in shown]
                assert {label: shown.get(label, unit) for label, unit in drawn.items()} == drawn
                units |= drawn
                asked += 1
    assert asked > 3
    assert (units["Backlash"], units["Contact drive, toe to heel"]) == ("mm", "%")
