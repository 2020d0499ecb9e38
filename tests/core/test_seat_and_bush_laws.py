"""Laws of the fits: what a clearance follows, what a remedy reaches, what a seat says of its ring."""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from bornek.core.compute import compute
from bornek.core.errors import BornekError, RangeError
from bornek.core.settings.bush_form import share_of_mm
from bornek.core.settings.places_around import DIRECTIONS, PLACES, form_of, size_slots

GAUGE = {"id": "m", "name": "micrometer", "division": 0.001, "calibration_u": 0.0005}


def entries(what: str, size: float, number: int = 1) -> list[dict[str, Any]]:
    return [
        {"slot": f"{what}.{p}.{w}", "text": f"{size:.4f}", "round": number, "confirmed": True}
        for p, _ in PLACES
        for w, _ in DIRECTIONS
    ]


def bush(bore: float, journal: float = 49.99, **more: Any) -> dict[str, Any]:
    form = {"diameter": 50, "least": 0.05, "greatest": 0.10, "source": "card"} | more
    return {"given": form, "gauges": [GAUGE], "entries": entries("journal", journal) + entries("bore", bore)}


def first(sheet: dict[str, Any]) -> dict[str, Any]:
    return sheet["outcome"]["results"][0]


SIZES = st.floats(49.99, 50.20).map(lambda v: round(v, 3))


@settings(max_examples=25)
@given(SIZES)
def test_the_clearance_follows_the_bore_one_to_one(bore: float) -> None:
    assert first(compute("plain_bearing", bush(bore)))["value"]["v"] == pytest.approx(bore - 49.99, abs=1e-6)


@settings(max_examples=25)
@given(SIZES)
def test_the_verdict_is_that_of_the_window(bore: float) -> None:
    result = first(compute("plain_bearing", bush(bore)))
    v, guard = result["value"]["v"], 2 * result["value"]["u"]
    inside = v - guard >= 0.05 and v + guard <= 0.10
    assert (result["verdict"]["code"] == "in") == inside


@settings(max_examples=20)
@given(st.floats(49.99, 50.03).map(lambda v: round(v, 3)))
def test_reaming_to_what_is_said_lands_in(bore: float) -> None:
    best = compute("plain_bearing", bush(bore, remedy="ream"))["move"]["best"]
    data = bush(bore, remedy="ream")
    data["acts"] = [{"round": 2, "states": {"bore": f"{best['expected'][0]['v'] + 49.99:.3f}"}}]
    data["entries"] += entries("bore", best["expected"][0]["v"] + 49.99, 2)
    assert first(compute("plain_bearing", data))["verdict"]["code"] == "in"


def test_after_reaming_only_the_bore_is_read_again() -> None:
    data = bush(50.02, remedy="ream")
    data["acts"] = [{"round": 2, "states": {"bore": "50.065"}}]
    slots = {c["slot"] for c in compute("plain_bearing", data)["cells"]}
    assert {s.split(".")[0] for s in slots} == {"bore", "oil"}


def test_the_journal_of_the_first_round_counts_in_the_second() -> None:
    data = bush(50.02, remedy="ream")
    data["acts"] = [{"round": 2, "states": {"bore": "50.065"}}]
    data["entries"] += entries("bore", 50.066, 2)
    assert first(compute("plain_bearing", data))["value"]["v"] == pytest.approx(0.076)


@pytest.mark.parametrize("remedy", ["none", "scrape"])
def test_without_an_adjuster_nothing_is_advised_and_nothing_breaks(remedy: str) -> None:
    sheet = compute("plain_bearing", bush(50.20, remedy=remedy))
    assert sheet["move"] is None
    assert first(sheet)["verdict"]["code"] == "out_high"


def test_scraping_says_how() -> None:
    checks = compute("plain_bearing", bush(50.00, remedy="scrape"))["outcome"]["checks"]
    assert any("Scrape to the blue" in c["sentence"] for c in checks)


@given(st.floats(1, 2000), st.floats(0, 10))
def test_a_share_is_in_proportion(diameter: float, share: float) -> None:
    assert share_of_mm(diameter, share) == pytest.approx(diameter * share / 1000, abs=1e-9)


@pytest.mark.parametrize(("diameter", "share"), [(0.5, 1), (2001, 1), (50, -1), (50, 11)])
def test_a_share_outside_its_range_is_refused(diameter: float, share: float) -> None:
    with pytest.raises(RangeError):
        share_of_mm(diameter, share)


def test_six_sizes_are_taken_of_each_member() -> None:
    slots = size_slots("bore", "Bore", "", (49, 51), "outside")
    assert len(slots) == len({s.key for s in slots}) == 6
    assert {s.peers for s in slots} == {"bore"}


def test_one_size_is_neither_oval_nor_tapered() -> None:
    assert form_of({("near", "up"): 50.0}) == form_of({})


def seat(size: float, what: str, **more: Any) -> dict[str, Any]:
    form = {"what": what, "nominal": 60, "source": "drawing"} | more
    return {"given": form, "gauges": [GAUGE], "entries": entries("size", size)}


@pytest.mark.parametrize(
    ("what", "fit", "size", "words"),
    [
        ("journal", "k6", 59.98, "Worn"),
        ("journal", "k6", 60.06, "Too tight"),
        ("bore", "H7", 60.08, "Worn"),
        ("bore", "H7", 59.95, "Too tight"),
        ("housing", "N7", 60.02, "Worn"),
        ("journal", "k6", 60.011, ""),
    ],
)
def test_wear_has_its_side(what: str, fit: str, size: float, words: str) -> None:
    sentence = compute("seat_size", seat(size, what, fit=fit))["outcome"]["instruct"]
    assert sentence.startswith(words)
    assert bool(sentence) == bool(words)


def test_limits_from_the_drawing_need_no_class() -> None:
    sheet = compute("seat_size", seat(60.01, "journal", least=60.0, greatest=60.02))
    assert first(sheet)["verdict"]["code"] == "in"
    assert first(sheet)["window"]["source"] == "drawing"


def test_a_seat_without_limits_is_refused_with_what_to_do() -> None:
    with pytest.raises(BornekError) as refused:
        compute("seat_size", seat(60.01, "journal"))
    assert "class" in (refused.value.next_step or "")


@pytest.mark.parametrize(("word", "limit"), [("Ovality", 0.01), ("Taper", 0.01)])
def test_a_seat_out_of_round_or_tapered_is_no_seat(word: str, limit: float) -> None:
    data = seat(60.01, "journal", fit="k6", form_limit=limit)
    which = "across" if word == "Ovality" else "up"
    for e in data["entries"]:
        _, place, way = e["slot"].split(".")
        if (word == "Ovality" and way == which) or (word == "Taper" and place == "far"):
            e["text"] = "59.990"
    checks = [c["sentence"] for c in compute("seat_size", data)["outcome"]["checks"]]
    assert any(c.startswith(word) for c in checks)


def test_a_seat_has_no_adjuster_and_disturbs_nothing() -> None:
    sheet = compute("seat_size", seat(60.01, "journal", fit="k6"))
    assert sheet["move"] is None
    assert sheet["sign_blockers"] == []
