"""The one sentence: what stops everything first, then what is owed, then the move."""

from typing import Any

import pytest

from bornek.core.compute import compute

GIVEN = {"least": 0.06, "greatest": 0.12, "sense": "adds", "torque": 80, "source": "drawing"}
STOCK = {"0.05": 6, "0.08": 6, "0.10": 6, "0.15": 4, "0.20": 4, "0.25": 4, "0.50": 4}
UP, DOWN = ("mark_up", "mark_down")


def sheet(pack: list[float] | None, readings: dict[str, str], **more: Any) -> dict[str, Any]:
    acts = [] if pack is None else [{"states": {"pack": pack}}]
    entries = [{"slot": f"travel.{k}", "text": v} for k, v in readings.items()]
    return compute(
        "shim_pack_end_play", {"given": GIVEN, "acts": acts, "entries": entries, "stock": STOCK} | more
    )


def six(text: str) -> dict[str, str]:
    return {f"{p}.{n}": text for p in (UP, DOWN) for n in (1, 2, 3)}


def said(found: dict[str, Any]) -> str:
    return "".join(span["text"] for span in found["say"])


def test_the_pack_comes_first() -> None:
    found = sheet(None, six("0.30"))
    assert said(found) == "Measure the shims that are in now and enter the pack."
    assert not found["state_known"]
    assert "What is in now has not been entered." in found["sign_blockers"]


def test_then_the_readings_are_asked_for_by_their_place() -> None:
    found = sheet([0.5, 0.25], {})
    assert said(found) == "Read the end play. Three readings, mark up."
    assert "Push home and tap" in found["aside"]


@pytest.mark.parametrize(
    ("readings", "owed"),
    [
        ({"mark_up.1": "0.3"}, "First: two more readings, mark up."),
        ({f"mark_up.{n}": "0.3" for n in (1, 2, 3)}, "First: three readings, mark down."),
        (
            {**{f"mark_up.{n}": "0.3" for n in (1, 2, 3)}, "mark_down.1": "0.3", "mark_down.2": "0.3"},
            "First: one more reading, mark down.",
        ),
    ],
)
def test_what_is_still_owed_is_counted(readings: dict[str, str], owed: str) -> None:
    found = sheet([0.5, 0.25], readings)
    assert found["aside_head"] == owed
    assert found["provisional"]


def test_with_all_readings_the_move_is_no_longer_provisional() -> None:
    found = sheet([0.5, 0.25], six("0.30"))
    assert not found["provisional"]
    assert found["aside_head"] == "Then read again"
    assert "in 100 that it lands in" in found["aside"]


def test_a_question_comes_before_the_move() -> None:
    found = sheet([0.5, 0.25], six("0.30") | {"mark_down.3": "3.0"})
    assert "Was it meant?" in said(found)
    assert found["aside_head"] == "Asked before it counts"


def test_in_so_far_says_what_is_owed_before_it_says_leave_it() -> None:
    found = sheet([0.5, 0.05], {"mark_up.1": "0.09", "mark_up.2": "0.09", "mark_up.3": "0.09"})
    assert said(found).startswith("Three readings, mark down. It reads in so far")


def test_at_the_edge_and_no_better_move_says_so_with_its_chance() -> None:
    found = sheet([0.5, 0.05], six("0.116"), stock={})
    assert (
        said(found)
        == "No move is likelier to be in than it is now: anything else makes it worse. Leave it, or read again."
    )
    assert "that it is truly in as it stands" in found["aside"]


def test_a_signed_setting_has_nothing_left_to_do() -> None:
    from dataclasses import replace

    from bornek.core.settings.given import read_given
    from bornek.core.settings.records import Context
    from bornek.core.settings.registry import find_kind
    from bornek.core.sheet import make_sheet

    kind = find_kind("shim_pack_end_play")
    ctx = Context(given=read_given(kind, GIVEN))
    assert make_sheet(kind, ctx).say[0].text.startswith("Measure the shims")
    assert (
        make_sheet(kind, replace(ctx, signed=True)).say[0].text
        == "Signed: not read. Nothing is left to do here."
    )


def test_at_most_two_things_are_marked_in_a_sentence() -> None:
    found = sheet([0.5, 0.25, 0.2], six("0.50"))
    assert 1 <= sum(span["move"] for span in found["say"]) <= 2


def test_a_window_narrower_than_reassembly_says_mind_the_seating() -> None:
    fine = {"id": "l", "name": "lever", "division": 0.001, "calibration_u": 0.0005}
    rows = six("0.30")
    rows[f"{UP}.1"] = "0.301"
    found = sheet([0.5, 0.25], rows, given=GIVEN | {"least": 0.08, "greatest": 0.09}, gauges=[fine])
    assert "mind the seating" in found["aside"]


def test_a_missing_shim_that_would_help_is_named() -> None:
    found = sheet(
        [0.5, 0.25],
        six("0.30"),
        stock={"0.50": 2, "0.25": 2},
        given=GIVEN | {"least": 0.08, "greatest": 0.12},
    )
    assert "not in the drawer" in found["move"]["missing"]
    assert found["move"]["missing"].split()[1] in found["aside"]


def test_rivals_lie_on_either_side_and_say_why_not() -> None:
    move = sheet([0.5, 0.25], six("0.30"))["move"]
    best = float(move["best"]["label"])
    others = [float(o["label"]) for o in move["alternatives"]]
    assert len(others) == 2
    assert min(others) < best < max(others)
    assert all("lands in" in o["why"] for o in move["alternatives"])


def test_temporary_and_not_verified_reach_the_sheet() -> None:
    given = GIVEN | {"temporary": ["old seal"], "not_verified": ["shaft straightness"]}
    found = sheet([0.5, 0.05], six("0.09"), given=given)
    assert found["temporary"] == ["old seal"]
    assert found["unverified"] == ["shaft straightness"]


@pytest.mark.parametrize(("text", "side"), [("0.064", "low"), ("0.116", "high")])
def test_the_edge_that_a_value_stands_at_reaches_its_mark(text: str, side: str) -> None:
    found = sheet([0.5, 0.05], six(text), stock={})
    strip = next(s for s in found["scenes"] if s["type"] == "readout")
    assert (strip["verdict"], strip["verdict_leaning"]) == ("at_edge", side)
