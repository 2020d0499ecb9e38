import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.errors import RangeError
from bornek.core.gauges import Gauge
from bornek.core.quantities import Speech
from bornek.core.readings import budget, coarse_gauge, find_slips, resolution_u, spread, travel_value
from bornek.core.temperature import size_correction_mm
from bornek.core.windows import AtMost, Window

DIAL = Gauge("g", "dial")


def test_a_travel_is_two_readings_and_a_size_is_one() -> None:
    assert resolution_u(DIAL, "travel") == pytest.approx(0.005 / math.sqrt(6))
    assert resolution_u(DIAL, "size") == pytest.approx(0.005 / math.sqrt(12))


def test_the_budget_is_the_root_of_squares_by_hand() -> None:
    parts = budget({"up": [0.145, 0.140, 0.145], "down": [0.150]}, DIAL, "travel", 0.0035)
    # within: s = 0.0029 < floor 0.0035, so 0.0035/2; between: |0.1433 − 0.150|/√2/√2 = 0.00333
    assert parts.mean == pytest.approx(0.145)
    assert parts.scatter == pytest.approx(0.0033333, abs=1e-6)
    assert parts.u == pytest.approx(math.sqrt(0.0033333**2 + 0.0020412**2 + 0.002**2), abs=1e-6)


def test_three_equal_readings_do_not_make_the_scatter_nothing() -> None:
    assert budget({"up": [0.1, 0.1, 0.1]}, DIAL, "travel", 0.0035).scatter == pytest.approx(
        0.0035 / math.sqrt(3)
    )


def test_a_needle_that_never_moved_is_censored_at_the_resolution() -> None:
    assert travel_value({"up": [0, 0, 0]}, DIAL, 0.0035) == AtMost(0.005)
    assert travel_value({"up": [0, 0]}, Gauge("g", "fine", division=0.001), 0.0035) == AtMost(0.002)


@pytest.mark.parametrize(
    ("typed", "meant"),
    [(1.45, 0.145), (0.0145, 0.145), (3.683, 0.145), (0.0057, 0.145), (145.0, 0.145), (0.000145, 0.145)],
)
def test_slips_against_earlier_readings(typed: float, meant: float) -> None:
    assert find_slips(typed, [0.145, 0.14], None)[0].meant == pytest.approx(meant, rel=0.01)


@pytest.mark.parametrize(("typed", "factor"), [(1.45, 10), (3.683, 25.4), (145.0, 1000), (0.0057, 1 / 25.4)])
def test_a_slip_says_by_how_much(typed: float, factor: float) -> None:
    (slip,) = find_slips(typed, [0.145, 0.14], None)
    assert slip.factor == pytest.approx(factor)


def test_a_first_reading_is_held_against_the_plausible_span() -> None:
    assert [s.meant for s in find_slips(245.0, [], (0.0, 1.2))] == [0.245]
    assert find_slips(0.9, [], (0.0, 1.2)) == []


def test_what_no_slip_explains_stands_as_it_was_typed() -> None:
    (found,) = find_slips(30.0, [], (49.0, 51.0))
    assert (found.factor, found.meant) == (1.0, 30.0)


def test_zero_and_a_mere_outlier_are_not_slips() -> None:
    assert find_slips(0.0, [0.145], None) == []
    assert find_slips(0.25, [0.145], None) == []


@given(st.lists(st.floats(0.05, 1), min_size=1, max_size=8))
def test_the_mean_lies_within_its_readings(values: list[float]) -> None:
    mean = budget({"up": values}, DIAL, "travel", 0.0035).mean
    assert min(values) - 1e-9 <= mean <= max(values) + 1e-9


def test_a_coarse_gauge_is_named_with_how_coarse() -> None:
    window = Window(0.0, 0.015, "d")
    words, serious = coarse_gauge(window, DIAL, Speech()) or ("", False)
    assert serious
    assert "3.0 times" in words
    assert coarse_gauge(Window(0.0, 0.06, "d"), DIAL, Speech()) is None


def test_a_gauge_that_cannot_be_is_refused() -> None:
    with pytest.raises(RangeError, match="division"):
        Gauge("g", "dial", division=0)


def test_temperature_shifts_a_size_and_refuses_the_absurd() -> None:
    assert size_correction_mm(100, 40, 20) == pytest.approx(-0.0234)
    assert size_correction_mm(100, 20, 20) == 0
    with pytest.raises(RangeError, match="part_c"):
        size_correction_mm(100, 400, 20)


def test_one_reading_has_no_scatter_of_its_own_and_two_have_their_sample_sd() -> None:
    alone, two = budget({"a": [0.1]}, DIAL, "travel", 0.004), budget({"a": [0.1, 0.12]}, DIAL, "travel", 0.0)
    assert alone.scatter == pytest.approx(0.004)
    assert two.scatter == pytest.approx(math.sqrt(2 * 0.01**2) / math.sqrt(2))


def test_the_spread_of_nothing_is_nothing() -> None:
    assert spread([]) == 0.0
    assert spread([0.1, 0.14, 0.12]) == pytest.approx(0.04)


def test_the_likeliest_slip_is_the_one_nearest_the_middle_of_the_span() -> None:
    meant = [s.meant for s in find_slips(2.54, [], (0.09, 0.27))]
    assert meant[0] == pytest.approx(0.254)
    assert meant == pytest.approx([0.254, 0.1])
    assert [s.meant for s in find_slips(2.54, [], (0.05, 0.26))] == pytest.approx([0.1, 0.254])
