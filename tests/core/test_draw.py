"""Drawings: everything that matters lies on the strip, and plates add up."""

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core import draw
from bornek.core.compute import compute
from bornek.core.quantities import Speech
from bornek.core.windows import AtMost, Interval, Normal, Verdict, Window, verdict

W = Window(0.06, 0.12, "drawing")
GIVEN = {"least": 0.06, "greatest": 0.12, "sense": "adds", "torque": 80, "source": "drawing"}


def sheet(*rounds: tuple[list[float], str], **more: Any) -> dict[str, Any]:
    acts = [{"round": n, "states": {"pack": pack}} for n, (pack, _) in enumerate(rounds, 1)]
    entries = [
        {"slot": f"travel.{p}.{r}", "text": text, "round": n}
        for n, (_, text) in enumerate(rounds, 1)
        for p in ("mark_up", "mark_down")
        for r in (1, 2, 3)
    ]
    stock = {"0.05": 6, "0.10": 6, "0.15": 4, "0.20": 4, "0.25": 4, "0.50": 4}
    return compute(
        "shim_pack_end_play", {"given": GIVEN, "acts": acts, "entries": entries, "stock": stock} | more
    )


def scene(found: dict[str, Any], kind: str) -> dict[str, Any]:
    return next(s for s in found["scenes"] if s["type"] == kind)


@given(st.floats(1e-4, 1e4), st.integers(2, 20))
def test_a_nice_step_cuts_the_span_into_no_more_than_asked(span: float, most: int) -> None:
    step = draw.nice_step(span, most)
    assert span / step <= most + 1e-9
    assert span / step > most / 10 - 1


@given(st.lists(st.floats(-1, 1), max_size=6))
def test_the_scale_holds_every_point_the_window_and_zero_when_nothing_is_below(points: list[float]) -> None:
    lo, hi = draw.strip_scale(points, W)
    assert all(lo <= p <= hi for p in [*points, 0.06, 0.12])
    assert lo < hi
    if not points or min(points) >= 0:
        assert lo == 0


def test_words_tell_how_far_out_and_in_the_other_unit() -> None:
    value = Normal(0.145, 0.0032)
    assert draw.value_words(value, W, verdict(value, W), Speech()) == "0.025 over the window · 5.7 ± 0.3 thou"
    low = Normal(0.04, 0.003)
    assert draw.value_words(low, W, verdict(low, W), Speech()).startswith("0.020 under the window")
    mid = Normal(0.09, 0.003)
    assert draw.value_words(mid, W, verdict(mid, W), Speech()).startswith("0.030 inside the window")


def test_a_needle_for_every_kind_of_value() -> None:
    say = Speech()
    assert draw.needle(None, "", say) is None
    bound = draw.needle(AtMost(0.005), "", say)
    assert bound is not None
    assert (bound.bound, bound.label) == (True, "at most 0.005")
    bracket = draw.needle(Interval(0.04, 0.05), "", say)
    assert bracket is not None
    assert bracket.give == pytest.approx(0.005)


def test_an_open_window_is_drawn_to_the_end_of_the_rule() -> None:
    band = draw.window_band(Window(None, 0.1, "d"), 0.0, 0.3, Speech())
    assert band is not None
    assert (band.lo, band.hi, band.open_lo, band.label) == (0.0, 0.1, True, "at most 0.10")


def test_the_strip_shows_each_reading_and_where_the_next_will_land() -> None:
    strip = scene(sheet(([0.5, 0.25], "0.30")), "readout")
    assert strip["readings"] == [0.3] * 6
    assert strip["landing"]["lo"] < strip["landing"]["middle"] < strip["landing"]["hi"]
    assert strip["lo"] <= strip["landing"]["lo"]
    assert strip["needle"]["label"] == "0.300"


def test_labelled_ticks_stand_on_round_numbers_and_rise() -> None:
    ticks = scene(sheet(([0.5, 0.25], "0.30")), "readout")["ticks"]
    named = [t for t in ticks if t["label"]]
    assert [float(t["label"].replace("−", "-")) for t in named] == pytest.approx([t["at"] for t in named])
    assert [t["at"] for t in ticks] == sorted(t["at"] for t in ticks)


def test_the_log_has_a_row_a_round_and_the_expected_one() -> None:
    log = scene(sheet(([0.5, 0.25], "0.30"), ([0.5, 0.1], "0.16")), "log")
    assert [r["label"] for r in log["rows"]] == ["Round 1", "Round 2", "Round 3"]
    assert log["rows"][1]["move"] == "Swap the 0.25 for a 0.10"
    assert log["rows"][1]["predicted"]["middle"] == pytest.approx(0.15, abs=0.005)
    assert log["rows"][2]["found"] is None


def test_many_rounds_fold_the_oldest_into_one_line() -> None:
    packs = [([0.5, 0.25, 0.05 * (n % 2 + 1)], f"0.3{n % 2 * 5}") for n in range(9)]
    rows = scene(sheet(*packs), "log")["rows"]
    assert rows[0]["label"].startswith("Rounds 1 to")
    assert len(rows) <= draw.LOG_ROWS + 1


def test_strip_and_log_share_their_scale() -> None:
    found = sheet(([0.5, 0.25], "0.30"))
    strip, log = scene(found, "readout"), scene(found, "log")
    assert (strip["lo"], strip["hi"]) == (log["lo"], log["hi"])


def test_the_packs_plates_add_up_and_moved_ones_are_marked() -> None:
    pack = scene(sheet(([0.5, 0.25], "0.30")), "pack")
    assert sum(p["thickness"] for p in pack["now"]) == pytest.approx(0.75)
    assert pack["now_label"] == "0.75"
    assert sum(p["thickness"] for p in pack["after"]) == pytest.approx(float(pack["after_label"]))
    out = sum(p["thickness"] for p in pack["now"] if p["state"] == "out")
    new = sum(p["thickness"] for p in pack["after"] if p["state"] == "new")
    assert new - out == pytest.approx(float(pack["change_label"].replace("−", "-").replace("+", "")))


def test_a_setting_left_alone_shows_one_pack() -> None:
    assert scene(sheet(([0.5, 0.05], "0.09")), "pack")["after"] == []


def test_shims_behind_the_cup_lie_under_no_cover() -> None:
    found = sheet(([0.5, 0.25], "0.30"), given=GIVEN | {"sense": "takes"})
    assert scene(found, "pack")["under_cover"] is False


def test_a_value_in_one_phrase_for_the_record() -> None:
    assert draw.value_label(None, Speech()) == "not read"
    assert draw.value_label(AtMost(0.005), Speech()) == "at most 0.005 mm"


def test_a_verdict_not_read_draws_no_needle() -> None:
    assert draw.value_words(None, W, Verdict("not_read"), Speech()) == ""


@given(st.floats(20, 500), st.floats(0.005, 0.1), st.floats(-0.2, 0.2))
def test_a_size_far_from_zero_is_shown_about_its_window(nominal: float, width: float, off: float) -> None:
    window = Window(nominal, nominal + width, "card")
    lo, hi = draw.strip_scale([nominal + off], window)
    assert lo < min(nominal, nominal + off)
    assert hi > max(nominal + width, nominal + off)
    assert lo > 0
    assert width / (hi - lo) > 0.01


@given(st.floats(0.0, 0.3), st.floats(0.02, 0.2))
def test_a_play_keeps_its_zero(value: float, width: float) -> None:
    lo, _ = draw.strip_scale([value], Window(0.02, 0.02 + width, "card"))
    assert lo == 0.0


@given(st.floats(0.005, 90), st.one_of(st.none(), st.floats(0.0, 0.98)))
def test_a_strip_with_one_limit_alone_shows_where_that_begins(limit: float, share: float | None) -> None:
    """Nothing read yet, or read near its limit: a float has its zero all the same."""
    read = [] if share is None else [limit * share]
    lo, hi = draw.strip_scale(read, Window(None, limit, "sheet", floor=0.0))
    assert lo == 0.0
    assert hi > limit
    assert draw.strip_scale([], Window(None, limit, "sheet"))[0] == 0.0
