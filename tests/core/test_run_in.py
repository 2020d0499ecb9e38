"""Run-in: the published check, the stop rules each by its own curve, and what is typed line by line."""

from __future__ import annotations

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.compute import compute
from bornek.core.errors import InputError, RangeError
from bornek.core.prove.run_in import Temperature, beside_words, fit_rise, judge_stage, may_start

GIVEN = {"limit": 90, "source": "Yard card", "ambient": 20, "stage": 60, "sd": 0.1}


def warming(end: float, tau: float, minutes: list[float], start: float = 20.0) -> list[Temperature]:
    return [Temperature(t, start + (end - start) * (1 - math.exp(-t / tau))) for t in minutes]


def every(step: float, last: float) -> list[float]:
    return [float(t) for t in np.arange(step, last + step / 2, step)]


def test_the_published_check() -> None:
    """Ambient 20, ΔT 32, τ 25 min, read at 5, 10, 15, 20, 30 with sd 0.1: 52.3 ± 1.7."""
    read = [Temperature(*r) for r in ((5, 25.8), (10, 30.6), (15, 34.4), (20, 37.6), (30, 42.4))]
    rise = fit_rise(read, 0.1)
    assert rise is not None
    assert rise.end == pytest.approx(52.3, abs=0.05)
    assert 2 * rise.end_u == pytest.approx(1.7, abs=0.1)


@given(st.floats(40, 110), st.floats(8, 40), st.floats(10, 30))
def test_a_curve_without_noise_gives_back_its_own_end(end: float, tau: float, start: float) -> None:
    rise = fit_rise(warming(end, tau, every(4, 60), start), 0.1)
    assert rise is not None
    assert rise.end == pytest.approx(end, abs=0.05)
    assert rise.tau == pytest.approx(tau, rel=0.01)


def test_three_readings_are_too_few() -> None:
    assert fit_rise(warming(60, 20, [5, 10, 15])) is None


def test_the_limit_stops_whatever_the_fit_says() -> None:
    read = [*warming(60, 20, every(5, 40)), Temperature(45, 90.0)]
    assert judge_stage(read, 90, 120).code == "limit"


def test_it_levels_under_the_limit_and_says_where() -> None:
    found = judge_stage(warming(60, 15, every(3, 60)), 90, 90, 0.2)
    assert (found.code, found.stop) == ("levels", False)
    assert "levels at 60" in found.words


def test_few_readings_of_a_slow_curve_are_too_early_to_tell() -> None:
    assert judge_stage(warming(80, 60, [2, 4, 6, 8]), 90, 90).code == "early"


def test_it_goes_up_to_the_limit_before_it_gets_there() -> None:
    found = judge_stage(warming(95, 12, every(2, 24)), 90, 90, 0.05)
    assert found.code in ("over", "early") and not found.stop


def test_it_bends_up_on_two_readings_and_stops() -> None:
    read = [Temperature(t, 30 + 0.02 * t * t) for t in every(4, 40)]
    assert judge_stage(read, 120, 60, 0.2).code == "bends_up"


def test_one_reading_that_bends_is_not_yet_a_stop() -> None:
    straight = [Temperature(t, 30 + 0.2 * t) for t in every(4, 36)]
    found = judge_stage([*straight, Temperature(40, 30 + 0.2 * 40 + 2.5)], 200, 60, 0.2)
    assert not found.stop


def test_a_straight_rise_stops_only_where_it_meets_the_limit_within_the_stage() -> None:
    read = [Temperature(t, 30 + 1.0 * t) for t in every(4, 40)]
    assert judge_stage(read, 90, 120, 0.3).code == "meets_limit"
    assert judge_stage(read, 90, 50, 0.3).code == "not_levelling"


def test_readings_out_of_order_are_refused() -> None:
    with pytest.raises(RangeError, match="follow each other"):
        judge_stage([Temperature(10, 30), Temperature(5, 32)], 90, 60)


def test_a_partner_and_a_cold_start() -> None:
    assert beside_words(60, 50) == "" and "11 K above" in beside_words(61, 50)
    assert may_start(25, 20) and not may_start(25.1, 20)


def test_it_is_a_sum_with_its_limits_source_and_a_stop_that_says_what_then() -> None:
    lines = ["5 25.8", "10 30.6", "15 34.4", "20 37.6", "30 42.4"]
    sheet = compute("fit_run_in", {"given": GIVEN | {"readings": lines, "partner": 30}})["outcome"]
    end = next(r for r in sheet["results"] if r["key"] == "end")
    assert end["value"]["v"] == pytest.approx(52.3, abs=0.05) and end["window"]["source"] == "Yard card"
    assert "12 K above its partner" in sheet["checks"][0]["sentence"]
    hot = compute("fit_run_in", {"given": GIVEN | {"readings": [*lines, "35 95"]}})["outcome"]
    assert hot["instruct"].startswith("Stop: 95 °C is at the limit")
    assert "within 5 K" in hot["checks"][0]["sentence"]


@pytest.mark.parametrize("line", ["30", "soon 40", "30 hot"])
def test_a_line_that_is_no_reading_is_named(line: str) -> None:
    with pytest.raises(InputError, match="Line 2") as refused:
        compute("fit_run_in", {"given": GIVEN | {"readings": ["5 25.8", line]}})
    assert refused.value.field == "readings"
