"""Kind 1 against the worked case: pack 0.90, travel 0.24, 0.25, 0.245, preload 0.05 to 0.10."""

from typing import Any

import pytest

from bornek.core.compute import compute
from bornek.core.errors import BornekError, InputError

KIND = "shim_pack_end_play"
STOCK = {"0.05": 10, "0.10": 10, "0.20": 10, "0.25": 10, "0.50": 10}


def preload(**more: Any) -> dict[str, Any]:
    given = {
        "meant": "preload",
        "least": 0.05,
        "greatest": 0.10,
        "sense": "adds",
        "torque": "80 Nm",
        "source": "drawing",
        "drag_least": 1,
        "drag_greatest": 2,
    } | more
    return {
        "given": given,
        "gauges": [{"id": "d", "name": "dial"}],
        "stock": STOCK,
        "acts": [{"round": 1, "states": {"pack": [0.5, 0.25, 0.1, 0.05]}}],
        "entries": [row("mark_up", n, t) for n, t in ((1, "0.24"), (2, "0.25"), (3, "0.245"))],
    }


@pytest.mark.parametrize(
    "wrong",
    [{"drag_idle": 2.5}, {"drag_idle": 1.5}, {"least": 0, "greatest": 0}],
)
def test_a_drag_that_is_no_more_than_the_seals_or_stands_for_no_preload_is_refused(
    wrong: dict[str, Any],
) -> None:
    with pytest.raises(BornekError, match="must be more than that of the seals alone") as refused:
        compute(KIND, preload(**wrong))
    assert refused.value.field == "drag_least"


def play(least: float = 0.06, greatest: float = 0.12, **more: Any) -> dict[str, Any]:
    data = preload(meant="play", least=least, greatest=greatest, **more)
    del data["given"]["drag_least"], data["given"]["drag_greatest"]
    return data


def row(position: str, rep: int, text: str, number: int = 1) -> dict[str, Any]:
    return {"slot": f"travel.{position}.{rep}", "text": text, "round": number}


def said(sheet: dict[str, Any]) -> str:
    return "".join(span["text"] for span in sheet["say"])


def second_round(data: dict[str, Any], pack: list[float], text: str) -> dict[str, Any]:
    data["acts"].append({"round": 2, "states": {"pack": pack}})
    data["entries"] += [row(p, n, text, 2) for p in ("mark_up", "mark_down") for n in (1, 2, 3)]
    return data


def test_the_worked_case_proposes_060_and_names_the_missing_008() -> None:
    sheet = compute(KIND, preload())
    assert sheet["outcome"]["results"][0]["value"]["v"] == pytest.approx(0.245)
    assert sheet["move"]["best"]["label"] == "0.60"
    assert sheet["move"]["best"]["expected"][0]["v"] == pytest.approx(-0.055, abs=0.001)
    assert "0.08 shim" in sheet["move"]["missing"]


def test_the_rival_055_would_land_out_of_the_window() -> None:
    rivals = {o["label"]: o for o in compute(KIND, preload())["move"]["alternatives"]}
    assert rivals["0.55"]["expected"][0]["v"] == pytest.approx(-0.105, abs=0.001)
    assert "below the window" in rivals["0.55"]["why"]


def test_a_preload_is_not_in_before_its_drag_is_read() -> None:
    data = second_round(preload(), [0.5, 0.05, 0.02], "0")
    data["entries"].append({"slot": "needle", "value": True, "round": 2})
    sheet = compute(KIND, data)
    target = sheet["outcome"]["results"][0]
    assert target["value"]["v"] == pytest.approx(0.245 - 0.33)
    assert sheet["verdict"]["code"] == "not_proven"
    assert any("cannot see preload" in c["sentence"] for c in sheet["outcome"]["checks"])
    data["entries"].append({"slot": "drag", "text": "1.5 Nm", "round": 2})
    assert compute(KIND, data)["verdict"]["code"] == "in"


def test_the_preload_by_shims_is_shown_step_by_step() -> None:
    """0.245 at a pack of 0.90; 0.33 less is in, and a shim of 1.00 gives 1.00 while nothing else was seen."""
    sheet = compute(KIND, second_round(preload(), [0.5, 0.05, 0.02], "0"))
    lines = {x["label"]: (x["sum"], x["result"]) for x in sheet["outcome"]["results"][0]["working"]["lines"]}
    assert lines["Play, the last that showed"][1] == "0.245"
    assert lines["Shims since"][1] == "−0.330"
    assert lines["Play less shims"] == ("0.245 + 1.00 × −0.330; negative is preload", "−0.085")


def test_a_drag_outside_its_window_is_out_whatever_the_shims_say() -> None:
    data = second_round(preload(), [0.5, 0.05, 0.02], "0")
    data["entries"] += [
        {"slot": "needle", "value": True, "round": 2},
        {"slot": "drag", "text": "3", "round": 2},
    ]
    sheet = compute(KIND, data)
    assert sheet["verdict"]["code"] == "out_high"
    assert said(sheet).startswith("Add a 0.05")  # the drag says too tight, and there is always a move


def test_a_zero_asks_to_prove_the_needle_and_counts_as_censored() -> None:
    sheet = compute(KIND, second_round(play(), [0.5, 0.1], "0"))
    assert sheet["outcome"]["results"][0]["value"] == {"c": 0.005, "type": "at_most"}
    assert "Prove that it is alive" in said(sheet)
    assert sheet["next"] == "needle"


@pytest.mark.parametrize("make", [play, preload])
def test_a_zero_before_any_play_was_measured_asks_to_make_it_loose(make: Any) -> None:
    data = make()
    data["entries"] = [row(p, n, "0") for p in ("mark_up", "mark_down") for n in (1, 2, 3)]
    data["entries"].append({"slot": "needle", "value": True})
    sheet = compute(KIND, data)
    assert said(sheet).startswith("Make it loose first. Add ")
    assert sheet["move"]["best"]["states"]["pack"]["position"] > 0.9 + 0.25


def test_what_is_given_is_said_in_short() -> None:
    brief = compute(KIND, play(warmth="warm"))["given_brief"]
    assert brief[0] == "drawing, new parts"
    assert "cover at 80 N·m" in brief
    assert any("warm" in words for words in brief)


def test_a_slip_is_asked_about_and_does_not_count() -> None:
    data = play()
    data["entries"].append(row("mark_down", 1, "2.45"))
    sheet = compute(KIND, data)
    assert "ten times too large" in said(sheet)
    assert sheet["outcome"]["results"][0]["value"]["v"] == pytest.approx(0.245)
    data["entries"][-1]["confirmed"] = True
    assert compute(KIND, data)["outcome"]["results"][0]["value"]["v"] > 0.7


def test_spread_too_large_asks_for_reseating() -> None:
    data = play()
    data["entries"][1]["text"] = "0.28"
    sheet = compute(KIND, data)
    assert "Re-seat and read again" in said(sheet)
    assert sheet["sign_blockers"]


def test_positions_that_differ_speak_of_a_bent_shaft() -> None:
    data = play()
    data["entries"] += [row("mark_down", n, "0.29") for n in (1, 2, 3)]
    assert "bent shaft or dirt" in said(compute(KIND, data))


def test_a_slot_filled_twice_is_contested_and_neither_counts() -> None:
    data = play()
    data["entries"].append(row("mark_up", 3, "0.25"))
    sheet = compute(KIND, data)
    assert "filled twice" in said(sheet)
    cell = next(c for c in sheet["cells"] if c["slot"] == "travel.mark_up.3")
    assert cell["status"] == "contested"


def test_shims_behind_the_cup_work_the_other_way() -> None:
    best = compute(KIND, play(sense="takes"))["move"]["best"]
    assert float(best["label"]) > 0.90
    assert best["expected"][0]["v"] == pytest.approx(0.09, abs=0.01)


def test_found_far_from_expected_is_held_out_with_its_implied_removal() -> None:
    data = second_round(play(), [0.5, 0.25], "0.19")
    sheet = compute(KIND, data)
    assert sheet["surprise"]["sentence"].startswith("Expected 0.09")
    assert "−0.150 was written down" in sheet["surprise"]["implied"]
    assert len(sheet["surprise"]["slips"]) >= 4
    assert sheet["move"] is None
    assert any("nobody has said why" in b for b in sheet["sign_blockers"])


def test_a_round_half_read_is_not_yet_a_surprise_and_gets_no_move() -> None:
    data = second_round(play(), [0.5, 0.25], "0.19")
    data["entries"] = data["entries"][:-4]
    sheet = compute(KIND, data)
    assert sheet["surprise"] is None
    assert sheet["move"] is None
    assert said(sheet) == "One more reading, mark up."


def test_a_recount_that_explains_it_sets_the_belief_right() -> None:
    data = second_round(play(), [0.5, 0.25], "0.19")
    data["acts"].append({"round": 2, "kind": "recount", "states": {"pack": [0.5, 0.25, 0.1]}})
    data["explanations"] = [{"round": 2, "cause": "recounted"}]
    sheet = compute(KIND, data)
    assert sheet["surprise"] is None
    assert sheet["response"][0] == pytest.approx(1.0, abs=0.05)
    assert float(sheet["move"]["best"]["label"]) == pytest.approx(0.75, abs=0.02)


def test_in_with_margin_is_left_alone() -> None:
    sheet = compute(KIND, second_round(play(), [0.5, 0.25], "0.09"))
    assert sheet["verdict"]["code"] == "in"
    assert sheet["move"]["stay"] == "in"
    assert said(sheet).startswith("Leave it")


def test_own_aim_inside_the_window_moves_the_proposal() -> None:
    fine = {f"{n / 100:.2f}": 6 for n in range(1, 21)} | STOCK
    tight = compute(KIND, play(aim=0.07) | {"stock": fine})["move"]["best"]
    loose = compute(KIND, play(aim=0.11) | {"stock": fine})["move"]["best"]
    assert tight["expected"][0]["v"] < loose["expected"][0]["v"]


def test_thou_are_spoken_on_a_thou_job() -> None:
    data = play(least="3 thou", greatest="6 thou") | {"unit": "thou"}
    data["gauges"] = [{"id": "d", "name": "dial", "unit": "thou", "division": 1.0}]
    data["entries"] = [row("mark_up", n, "9") for n in (1, 2, 3)]
    sheet = compute(KIND, data)
    strip = next(s for s in sheet["scenes"] if s["type"] == "readout")
    assert strip["window"]["label"] == "3–6"
    assert strip["needle"]["label"] == "9.0"


def test_finished_jobs_of_the_type_draw_the_prior() -> None:
    data = play() | {"history": [{"setting": str(n), "k": 0.85, "se": 0.02} for n in range(4)]}
    assert compute(KIND, data)["response"][0] < 0.93


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"given": {}}, "least"),
        ({"unit": "furlong"}, "unit"),
        ({"entries": [{"slot": "nowhere"}]}, "entries[0].slot"),
        ({"acts": [{"states": {"pack": [-1]}}]}, "acts[0].states"),
        ({"stock": {"0.1": "many"}}, "stock"),
        ({"whatever": 1}, "whatever"),
        ({"given": 3}, "given"),
        ({"entries": [{"slot": "travel.mark_up.1", "text": "x"}]}, "entries[0]"),
    ],
)
def test_bad_input_names_its_field_and_the_next_step(change: dict[str, Any], field: str) -> None:
    with pytest.raises(BornekError) as refused:
        compute(KIND, play() | change)
    problem = refused.value.problem()
    assert problem["field"] == field
    assert problem["next_step"]


def test_a_preload_window_given_as_play_turned_round_is_refused() -> None:
    with pytest.raises(InputError, match="lower end"):
        compute(KIND, play(least=0.12, greatest=0.06))
