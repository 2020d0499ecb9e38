import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.advice.belief import chance_between, learn, learn_at_most, learn_between, start


def test_the_first_round_places_the_level_and_leaves_the_response() -> None:
    b = learn(start([1.0], 0.05), [0.0], 145.0, 10.0)
    assert b.predict([0.0])[0] == pytest.approx(145.0, abs=1)
    assert b.response()[0] == pytest.approx(1.0, abs=1e-6)


def test_the_second_round_learns_the_response_by_hand() -> None:
    # one hypothesis with k ~ N(1, 0.3²); a long step makes the slope 0.8 all but certain
    b = start([1.0], 0.3, s_a=3.5)
    b = learn(b, [0.0], 300.0, 4.0)
    b = learn(b, [-1000.0], -500.0, 4.0)
    assert b.response()[0] == pytest.approx(0.8, abs=0.01)


def test_a_single_regression_agrees_with_least_squares() -> None:
    b = start([1.0], 0.5, s_a=5.0)
    xs, zs = [0.0, -200.0, -350.0], [310.0, 130.0, 0.0]
    for x, z in zip(xs, zs, strict=True):
        b = learn(b, [x], z, 0.0)
    slope = np.polyfit(xs, zs, 1)[0]
    assert b.response()[0] == pytest.approx(slope, abs=0.01)


def test_a_wild_round_is_flagged_and_a_plain_one_is_not() -> None:
    calm = learn(start([1.0], 0.05), [0.0], 200.0, 10.0)
    assert learn(calm, [-150.0], 52.0, 10.0).p_off(1) < 0.2
    assert learn(calm, [-150.0], 150.0, 10.0).p_off(1) > 0.5


def test_a_zero_pulls_the_belief_below_and_keeps_it_honest() -> None:
    b = learn(start([1.0], 0.05), [0.0], 200.0, 4.0)
    after = learn_at_most(b, [-200.0], 2.0, 4.0)
    mean, sd = after.predict([-200.0])
    assert mean < b.predict([-200.0])[0]
    assert sd > 3


@given(st.floats(-40, 40), st.floats(1, 80))
def test_a_bracket_puts_the_mean_inside_it(lo: float, width: float) -> None:
    b = learn(start([1.0], 0.05), [0.0], 0.0, 400.0)
    after = learn_between(b, [0.0], lo, lo + width, 1.0)
    a = float(after.w @ after.m[:, 0])
    assert lo - 25 <= a <= lo + width + 25
    assert np.isfinite(after.m).all()


@given(st.floats(-300, 300))
def test_chances_over_the_whole_line_add_up(edge: float) -> None:
    b = learn(start([1.0], 0.05), [0.0], 50.0, 10.0)
    below = chance_between(b, [0.0], -math.inf, edge, 4.0)
    above = chance_between(b, [0.0], edge, math.inf, 4.0)
    assert below + above == pytest.approx(1.0, abs=1e-9)


def test_an_unknown_sense_is_settled_by_the_first_move() -> None:
    b = learn(start([1.0], 0.05, signs=(1.0, -1.0)), [0.0], 200.0, 10.0)
    assert b.response()[0] == pytest.approx(0.0, abs=1e-6)
    b = learn(b, [-100.0], 300.0, 10.0)
    assert b.response()[0] == pytest.approx(-1.0, abs=0.1)
