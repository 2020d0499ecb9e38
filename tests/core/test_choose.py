"""The choice: fewest expected rounds, harm priced, and the guards about it."""

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.advice.belief import Belief, learn, start
from bornek.core.advice.choose import Aim, ranked, score, target

GRID = np.arange(-400.0, 401.0, 10.0)
WINDOW = Aim(-25.0, 25.0, 25.0, -50.0)


def after(z: float, k0: float = 1.0, rho: float = 0.05) -> Belief:
    return learn(start([k0], rho), [0.0], z, 4.0)


def best(b: Belief, aim: Aim = WINDOW, now: float = 0.0) -> float:
    scores = score(b, GRID, now, aim, 4.0)
    return float(GRID[ranked(scores, np.ones(len(GRID)), np.zeros(len(GRID)))[0]])


def test_a_known_response_is_answered_one_for_one() -> None:
    assert best(after(100.0, rho=0.01)) == pytest.approx(-100.0, abs=10)


def test_the_target_is_where_the_means_put_the_aim() -> None:
    assert target(after(100.0), WINDOW) == pytest.approx(-100.0, abs=1.0)
    assert target(after(100.0, k0=0.5), WINDOW) == pytest.approx(-200.0, abs=2.0)


def test_an_unsure_response_stops_short_on_the_safe_side() -> None:
    unsure = after(300.0, rho=0.3)
    assert best(unsure) > -300.0


def test_harm_on_the_high_side_turns_the_caution_round() -> None:
    low = best(after(-300.0, rho=0.3), Aim(-25.0, 25.0, 25.0, 50.0, harm_side=1))
    assert low < 300.0
    b = after(0.0)
    above = score(b, np.array([80.0]), 0.0, Aim(-25.0, 25.0, 25.0, 50.0, harm_side=1), 4.0).p_harm[0]
    below = score(b, np.array([-80.0]), 0.0, WINDOW, 4.0).p_harm[0]
    assert above == pytest.approx(below, abs=1e-6)
    assert above > 0.9


def test_harm_is_priced_in_rounds() -> None:
    b, x = after(0.0), np.array([-45.0])
    free = score(b, x, 0.0, Aim(-25.0, 25.0, 25.0, -50.0, price=0.0), 4.0)
    priced = score(b, x, 0.0, WINDOW, 4.0)
    assert priced.rounds[0] - free.rounds[0] == pytest.approx(3 * priced.p_harm[0])


def test_among_nearly_equal_moves_the_fewest_shims_are_handled() -> None:
    b = after(100.0)
    scores = score(b, np.array([-100.0, -101.0]), 0.0, WINDOW, 4.0)
    assert ranked(scores, np.array([4.0, 1.0]), np.array([2.0, 2.0]))[0] == 1


def test_of_equal_handling_the_thinner_pack_wins() -> None:
    scores = score(after(100.0), np.array([-100.0, -100.0]), 0.0, WINDOW, 4.0)
    assert ranked(scores, np.array([1.0, 1.0]), np.array([5.0, 3.0]))[0] == 1


def test_the_same_pack_is_a_legal_candidate() -> None:
    assert best(after(0.0)) == 0.0


def test_what_lies_far_beyond_the_target_is_barred() -> None:
    scores = score(after(100.0), GRID, 0.0, WINDOW, 4.0)
    allowed = GRID[scores.allowed]
    assert allowed.min() > -200.0
    assert allowed.max() < 200.0


def test_nothing_allowed_gives_no_rank() -> None:
    scores = score(after(100.0), np.array([5000.0]), 0.0, WINDOW, 4.0)
    assert ranked(scores, np.ones(1), np.ones(1)) == []


@given(st.floats(-350, 350), st.floats(0.02, 0.3))
def test_chances_are_chances_and_one_round_is_the_least(z: float, rho: float) -> None:
    scores = score(after(z, rho=rho), GRID, 0.0, WINDOW, 4.0)
    assert ((scores.p_in >= -1e-12) & (scores.p_in <= 1 + 1e-12)).all()
    assert ((scores.p_harm >= -1e-12) & (scores.p_harm <= 1 + 1e-12)).all()
    assert (scores.rounds >= 1 - 1e-9).all()


@given(st.floats(60, 300))
def test_turning_the_problem_round_turns_the_move_round(z: float) -> None:
    up = best(after(z, rho=0.1), Aim(-25.0, 25.0, 25.0, -math.inf))
    down = best(after(-z, rho=0.1), Aim(-25.0, 25.0, 25.0, -math.inf))
    assert up == pytest.approx(-down, abs=10)
