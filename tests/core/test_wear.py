"""Wear over inspections: worked with a pencil, and what may never be told."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.errors import RangeError
from bornek.core.wear import FARTHEST, Rate, Seen, wear

HOURS = (0.0, 2000.0, 4000.0, 6000.0)
WORKED = [Seen(t, y, 0.003) for t, y in zip(HOURS, (0.050, 0.071, 0.088, 0.111), strict=True)]


def test_the_worked_case_acts_before_6190_and_likely_at_7000() -> None:
    found = wear(WORKED, 0.18, s_m=0.0)
    assert found.told == "date"
    assert found.rate * 1000 == pytest.approx(0.0100, abs=1e-4)
    assert found.rate_sd * 1000 == pytest.approx(0.00067, abs=1e-5)
    assert (found.act_before, found.late) == pytest.approx((6190, 7960), abs=50)
    assert found.likely == pytest.approx(7000, abs=50)


def test_a_reset_begins_a_new_line_and_the_rate_is_shared() -> None:
    again = [Seen(8000, 0.050, 0.003, reset=True), Seen(10000, 0.070, 0.003)]
    found = wear([*WORKED, *again], 0.18, s_m=0.0)
    assert found.rate * 1000 == pytest.approx(0.0101, abs=2e-4)
    assert found.now == pytest.approx(0.070, abs=0.002)
    assert found.likely == pytest.approx((0.18 - 0.070) / found.rate, rel=0.02)


def test_one_inspection_cannot_tell_and_the_types_rate_can() -> None:
    one = [Seen(0, 0.05, 0.003)]
    assert wear(one, 0.18).told == "too few"
    assert wear(one, 0.18, prior=Rate(1e-5, 2e-6)).rate == pytest.approx(1e-5)


def test_what_does_not_wear_gets_no_date() -> None:
    still = [Seen(t, y, 0.003) for t, y in zip(HOURS, (0.060, 0.058, 0.061, 0.057), strict=True)]
    found = wear(still, 0.18)
    assert found.told == "no trend"
    assert found.act_before is None


def test_a_last_reading_far_above_is_read_again_and_if_it_stands_the_earlier_date_holds() -> None:
    jump = [*WORKED[:-1], Seen(6000, 0.150, 0.003)]
    asked = wear(jump, 0.18, s_m=0.0)
    assert asked.told == "read again"
    stands = wear(jump, 0.18, s_m=0.0, confirmed=True)
    # the last two points alone: 0.062 in 2000 h, 0.030 left
    assert stands.act_before is not None
    assert stands.act_before <= 0.030 / (0.062 / 2000) + 1


def test_a_limit_that_is_met_is_said_so() -> None:
    assert wear([Seen(0, 0.1, 0.003), Seen(100, 0.19, 0.003)], 0.18).told == "past"


def test_times_that_fall_are_refused() -> None:
    with pytest.raises(RangeError, match="order of their time"):
        wear([Seen(100, 0.1, 0.003), Seen(0, 0.1, 0.003)], 0.18)


@given(st.floats(1e-7, 1e-4), st.floats(0.02, 0.1), st.integers(3, 6))
def test_no_date_lies_beyond_five_times_what_was_watched_and_early_before_likely(
    rate: float, first: float, n: int
) -> None:
    seen = [Seen(1000.0 * i, first + rate * 1000 * i, 0.003) for i in range(n)]
    found = wear(seen, first + rate * 1000 * (n - 1) + 0.05)
    if found.act_before is not None:
        assert 0 <= found.act_before <= FARTHEST * 1000 * (n - 1) * 1.0001 or found.told == "read again"
    if found.told == "date" and found.likely is not None and found.act_before is not None:
        assert found.act_before <= found.likely
