"""Laws that the belief must keep whatever the numbers."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.advice.belief import KEPT, learn, learn_at_most, learn_between, start

ROUNDS = st.lists(st.tuples(st.floats(-400, 400), st.floats(-400, 400)), min_size=1, max_size=6)


@given(ROUNDS)
def test_weights_add_up_and_covariances_stay_sound(rounds: list[tuple[float, float]]) -> None:
    b = start([1.0], 0.1)
    for x, z in rounds:
        b = learn(b, [x], z, 4.0)
    assert b.w.sum() == pytest.approx(1.0)
    assert len(b.w) <= KEPT
    assert all(np.linalg.eigvalsh(s).min() > -1e-6 * max(1.0, np.abs(s).max()) for s in b.s)
    assert 0 <= b.p_any_off() <= 1


@given(st.floats(-200, 200), st.floats(-200, 200))
def test_two_rounds_say_the_same_in_either_order(z0: float, z1: float) -> None:
    def told(order: list[tuple[float, float]]) -> tuple[float, float]:
        b = start([1.0], 0.3, s_a=5.0)
        for x, z in order:
            b = learn(b, [x], z, 4.0)
        return b.predict([-50.0])

    a, b = told([(0.0, z0), (-100.0, z1)]), told([(-100.0, z1), (0.0, z0)])
    assert a[0] == pytest.approx(b[0], abs=2.0 + 0.05 * abs(z0 - z1))


@given(st.floats(-300, 300))
def test_a_second_reading_at_the_same_pack_narrows_the_belief(z: float) -> None:
    once = learn(start([1.0], 0.05), [0.0], z, 10.0)
    twice = learn(once, [0.0], z, 10.0)
    assert twice.s[0, 0, 0] <= once.s[0, 0, 0] + 1e-9


@given(st.floats(-200, 200))
def test_shifting_every_reading_shifts_the_prediction(shift: float) -> None:
    def told(by: float) -> float:
        b = learn(start([1.0], 0.05), [0.0], 100.0 + by, 4.0)
        return learn(b, [-50.0], 50.0 + by, 4.0).predict([-80.0])[0]

    assert told(shift) - told(0.0) == pytest.approx(shift, abs=0.5)


@given(st.floats(-100, 100), st.floats(0.5, 60))
def test_a_narrow_bracket_is_nearly_a_reading(middle: float, half: float) -> None:
    b = learn(start([1.0], 0.05), [0.0], middle, 100.0)
    after = learn_between(b, [0.0], middle - half, middle + half, 1.0)
    assert after.predict([0.0])[0] == pytest.approx(b.predict([0.0])[0], abs=half + 1)
    assert np.isfinite(after.s).all()


def test_a_bracket_far_out_in_the_tail_does_not_break_the_sums() -> None:
    b = learn(start([1.0], 0.01), [0.0], 0.0, 1.0)
    for lo, hi in ((5000.0, 5001.0), (-5001.0, -5000.0)):
        after = learn_between(b, [0.0], lo, hi, 1.0)
        assert np.isfinite(after.m).all()
        assert np.isfinite(after.lw).all()


def test_a_zero_never_teaches_more_than_a_reading_would() -> None:
    b = learn(start([1.0], 0.05), [0.0], 200.0, 4.0)
    zero, read = learn_at_most(b, [-190.0], 2.0, 4.0), learn(b, [-190.0], 2.0, 4.0)
    assert zero.predict([-190.0])[1] > read.predict([-190.0])[1]


def test_the_wide_hypothesis_takes_over_when_the_prior_was_wrong() -> None:
    b = learn(start([1.0], 0.05), [0.0], 300.0, 4.0)
    b = learn(b, [-300.0], 120.0, 4.0)
    assert b.response()[0] < 0.85


def test_several_knobs_are_learned_side_by_side() -> None:
    b = start([1.0, 0.5], 0.3, s_a=3.5)
    for x, z in (([0.0, 0.0], 100.0), ([-500.0, 0.0], -450.0), ([0.0, -500.0], -100.0)):
        b = learn(b, x, z, 4.0)
    assert b.response(0)[0] == pytest.approx(1.1, abs=0.05)
    assert b.response(1)[0] == pytest.approx(0.4, abs=0.05)
