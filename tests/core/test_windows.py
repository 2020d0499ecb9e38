import math

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from bornek.core.errors import RangeError
from bornek.core.quantities import Speech
from bornek.core.windows import AtMost, Interval, Normal, Value, Verdict, Window, chance_in, verdict

W = Window(0.06, 0.12, "drawing")


@pytest.mark.parametrize(
    ("v", "u", "code"),
    [
        (0.09, 0.005, "in"),
        (0.110, 0.005, "in"),
        (0.115, 0.005, "at_edge"),
        (0.125, 0.005, "not_proven"),
        (0.131, 0.005, "out_high"),
        (0.049, 0.005, "out_low"),
        (0.09, 0.02, "not_proven"),
    ],
)
def test_the_guard_band_decides(v: float, u: float, code: str) -> None:
    assert verdict(Normal(v, u), W).code == code


def test_not_proven_says_on_which_side_it_reads() -> None:
    assert verdict(Normal(0.125, 0.005), W).words == "not proven, reads out high"
    assert verdict(Normal(0.09, 0.02), W).leaning == ""


@pytest.mark.parametrize(
    ("value", "code"),
    [
        (Interval(0.07, 0.08), "in"),
        (Interval(0.05, 0.07), "not_proven"),
        (Interval(0.13, 0.14), "out_high"),
        (Interval(0.01, 0.02), "out_low"),
        (AtMost(0.005), "out_low"),
        (AtMost(0.08), "not_proven"),
    ],
)
def test_brackets_and_censored_values_are_judged_as_they_are(value: Value, code: str) -> None:
    assert verdict(value, W).code == code


@pytest.mark.parametrize(
    ("value", "leaning"),
    [
        (Interval(0.05, 0.07), "low"),
        (Interval(0.11, 0.13), "high"),
        (Interval(0.05, 0.13), ""),
        (AtMost(0.08), "low"),
        (AtMost(0.5), ""),
    ],
)
def test_a_bracket_over_one_end_leans_to_it_and_over_both_to_neither(value: Value, leaning: str) -> None:
    assert verdict(value, W).leaning == leaning


@pytest.mark.parametrize(
    ("lo", "hi", "words"),
    [
        (0.06, 0.12, "0.06–0.12"),
        (0.0, 0.05, "0.00–0.05"),
        (-0.05, 0.02, "−0.05 to 0.02"),
        (None, 0.1, "at most 0.10"),
        (0.1, None, "at least 0.10"),
    ],
)
def test_a_window_is_said_by_its_ends(lo: float | None, hi: float | None, words: str) -> None:
    assert Window(lo, hi, "drawing").words(Speech()) == words


def test_an_open_end_is_always_met() -> None:
    assert verdict(Normal(-9.0, 0.01), Window(None, 0.1, "d")).code == "in"
    assert verdict(AtMost(0.05), Window(None, 0.1, "d")).code == "in"


def test_a_window_turned_round_is_refused() -> None:
    with pytest.raises(RangeError, match="below its upper end"):
        Window(0.12, 0.06, "drawing")


@given(st.floats(-1, 1), st.floats(1e-4, 0.2), st.floats(-1, 1), st.floats(1e-3, 1))
def test_mirroring_value_and_window_mirrors_the_verdict(v: float, u: float, lo: float, width: float) -> None:
    hi = lo + width
    turn = {"out_low": "out_high", "out_high": "out_low"}
    code = verdict(Normal(v, u), Window(lo, hi, "d")).code
    assert verdict(Normal(-v, u), Window(-hi, -lo, "d")).code == turn.get(code, code)


@given(st.floats(-0.5, 0.5), st.floats(1e-4, 0.1), st.floats(0.1, 1))
def test_a_finer_reading_never_unproves_what_was_proven(v: float, u: float, share: float) -> None:
    before = verdict(Normal(v, u), W).code
    assume(before in ("in", "out_high", "out_low"))
    assert verdict(Normal(v, u * share), W).code == before


@given(st.floats(-0.2, 0.3), st.floats(1e-4, 0.1))
def test_the_chances_of_low_in_and_high_add_up(v: float, u: float) -> None:
    x = Normal(v, u)
    parts = [Window(None, 0.06, "d"), W, Window(0.12, None, "d")]
    assert math.isclose(sum(chance_in(x, w) for w in parts), 1.0, abs_tol=1e-9)


def test_both_ends_belong_to_the_window() -> None:
    w = Window(0.06, 0.12, "drawing")
    assert [w.holds(v) for v in (0.059, 0.06, 0.12, 0.121)] == [False, True, True, False]


def test_without_a_window_nothing_is_judged() -> None:
    assert verdict(Normal(0.1, 0.001), None) == Verdict("not_proven")
    assert verdict(None, Window(0.06, 0.12, "drawing")).code == "not_read"


@pytest.mark.parametrize(
    ("value", "margin"),
    [
        (Normal(0.08, 0.005), 0.01),
        (Normal(0.10, 0.005), 0.01),
        (Normal(0.14, 0.005), -0.01),
        (Normal(0.04, 0.005), -0.01),
        (Interval(0.07, 0.10), 0.01),
        (Interval(0.10, 0.115), 0.005),
        (Interval(0.02, 0.05), -0.01),
        (Interval(0.14, 0.15), -0.02),
    ],
)
def test_the_margin_is_what_is_to_spare_or_lacking(value: Value, margin: float) -> None:
    assert verdict(value, Window(0.06, 0.12, "drawing")).margin == pytest.approx(margin)


def test_a_bracket_that_fills_the_window_is_in() -> None:
    assert verdict(Interval(0.06, 0.12), Window(0.06, 0.12, "d")).code == "in"
    assert verdict(Interval(0.06, 0.12001), Window(0.06, 0.12, "d")).code == "not_proven"


def test_the_guard_band_at_its_very_edge() -> None:
    w = Window(0.0, 1.0, "d")
    assert verdict(Normal(1.5, 0.25), w).code == "not_proven"  # 1.5 − 0.5 is the end itself: not beyond it
    assert verdict(Normal(1.5625, 0.25), w).code == "out_high"
    assert verdict(Normal(-0.5, 0.25), w).code == "not_proven"
    assert verdict(Normal(0.25, 0.25), w).code == "not_proven"  # twice the guard is the window itself
    assert verdict(Normal(0.25, 0.1875), w).code == "at_edge"


def test_the_chance_to_be_in_by_the_normal_law() -> None:
    assert chance_in(Normal(0.0, 1.0), Window(-1.0, 1.0, "d")) == pytest.approx(0.6827, abs=1e-4)
    assert chance_in(Normal(0.0, 1.0), Window(None, 1.0, "d")) == pytest.approx(0.8413, abs=1e-4)
    assert chance_in(Normal(0.0, 1.0), Window(None, 1.0, "d", floor=0.0)) == pytest.approx(0.3413, abs=1e-4)


def test_an_open_end_is_met_down_to_the_floor() -> None:
    w = Window(None, 0.1, "card", floor=0.0)
    assert (w.low, w.high, w.middle, w.half) == (0.0, 0.1, 0.05, 0.05)
    assert not w.holds(-0.001)
    assert verdict(Normal(0.05, 0.01), w).code == "in"
    assert verdict(Normal(-0.03, 0.01), w).code == "out_low"
    assert verdict(Normal(0.005, 0.01), w).code == "at_edge"
    with pytest.raises(RangeError, match="nothing could meet it"):
        Window(None, 0.0, "card", floor=0.0)
