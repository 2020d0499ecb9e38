"""Several quantities and adjusters: products of chances, one target, and the benchmark's first cases."""

from itertools import count, islice
from statistics import mean

import numpy as np
import pytest

from bornek.core.advice.belief import Belief, learn, start
from bornek.core.advice.choose import Aim, row_scores, score
from bornek.core.advice.joint import KEPT_CANDIDATES, combine, inside_hull, joint_target, score_joint
from bornek.core.practice.bevel_pair import (
    J0,
    PER,
    joint_advisor,
    make_pair,
    naive_pair,
    play_pair,
    starts_out,
)

AIM = Aim(-25.0, 25.0, 25.0, -50.0)
FREE = Aim(-25.0, 25.0, 25.0, 0.0, harm_side=0)


def known(k: list[float], a: float) -> Belief:
    """Answers that are as good as known, read `a` from the aim where it stands."""
    return learn(start(k, 0.001, s_a=2.0), [0.0] * len(k), a, 1.0)


def test_the_target_brings_both_rows_home() -> None:
    rows = [known([1.0, 0.0], 100.0), known([0.5, 2.0], -30.0)]
    x = joint_target(rows, [AIM, AIM], [0.0, 0.0])
    assert x == pytest.approx([-100.0, 40.0], abs=0.5)


def test_with_more_knobs_than_rows_the_nearest_target_is_taken() -> None:
    x = joint_target([known([1.0, 1.0], 60.0)], [AIM], [0.0, 0.0])
    assert x == pytest.approx([-30.0, -30.0], abs=0.5)


def test_all_must_land_so_chances_multiply_and_only_declared_rows_harm() -> None:
    rows, x = [known([1.0, 0.0], 20.0), known([0.0, 1.0], 10.0)], np.array([[0.0, 0.0], [-20.0, -10.0]])
    x_t = joint_target(rows, [AIM, FREE], [0.0, 0.0])
    both = score_joint(rows, x, [AIM, FREE], [1.0, 1.0], [10.0, 10.0], x_t)
    one, two = (
        row_scores(b, x, x_t[None, :], a, 1.0, (10.0, 10.0)) for b, a in zip(rows, (AIM, FREE), strict=True)
    )
    assert both.p_in == pytest.approx(one.p_in * two.p_in)
    assert both.p_harm == pytest.approx(one.p_harm)
    assert two.p_harm == pytest.approx([0.0, 0.0])
    expected = 1 + (1 - both.p_in) / np.maximum(one.p_next * two.p_next, 0.02) + 3 * both.p_harm
    assert both.rounds == pytest.approx(expected)


def test_one_row_and_one_knob_score_as_ever() -> None:
    b, x = learn(start([1.0], 0.2), [0.0], 80.0, 4.0), np.linspace(-150, 50, 21)
    alone = score(b, x, 0.0, AIM, 4.0)
    row = row_scores(b, x[:, None], np.full((len(b.s), 1), -80.0), AIM, 4.0, (10.0,))
    assert alone.p_in == pytest.approx(row.p_in)
    assert alone.p_harm == pytest.approx(row.p_harm)


def test_what_is_known_after_a_reading_is_what_a_kalman_step_says() -> None:
    """The look-ahead against the textbook: Σ' = Σ − Σg gᵀΣ/v, then the variance at the target."""
    b = learn(start([1.0, 0.5], 0.3, s_a=5.0), [0.0, 0.0], 60.0, 4.0)
    one = Belief(b.m[:1], b.s[:1], b.lw[:1], b.s_a[:1], b.off[:1], b.rho_q[:1], b.spare[:1])
    x, x_t, grids = np.array([[-40.0, 10.0]]), np.array([[-55.0, 5.0]]), (10.0, 4.0)
    g, g_t = np.array([1.0, *x[0]]), np.array([1.0, *x_t[0]])
    s, s_a2, r2 = one.s[0], float(one.s_a[0]) ** 2, 4.0
    v = g @ s @ g + s_a2 + r2
    after = s - np.outer(s @ g, s @ g) / v
    grain = sum((k * q) ** 2 for k, q in zip(one.m[0, 1:], grids, strict=True)) / 12
    v_next = g_t @ after @ g_t + s_a2 + r2 + grain
    from scipy.stats import norm

    expected = 2 * norm.cdf(AIM.h / np.sqrt(v_next)) - 1
    assert row_scores(one, x, x_t, AIM, r2, grids).p_next[0] == pytest.approx(expected, abs=1e-9)


def test_the_hull_reaches_thirty_and_a_quarter_of_the_way_beyond() -> None:
    x = np.array([-165.0, -164.9, 64.9, 65.1])
    assert list(inside_hull(x, 0.0, -100.0, 10.0)) == [True, True, True, False]
    assert not inside_hull(np.array([-165.1]), 0.0, -100.0, 10.0)[0]


def test_only_the_nearest_four_thousand_combinations_are_weighed() -> None:
    rows = [known([1.0, 0.0], 0.0), known([0.0, 1.0], 0.0)]
    wide = np.arange(-500.0, 501.0, 10.0)
    kept = combine(rows, [AIM, AIM], [wide, wide])
    assert len(kept) == KEPT_CANDIDATES
    x = np.stack([wide[kept[:, 0]], wide[kept[:, 1]]], axis=1)
    assert np.abs(x).max() < 400
    assert len(combine(rows, [AIM, AIM], [wide[:20], wide[:20]])) == 400


def test_a_row_of_another_unit_scatters_by_six_like_a_length() -> None:
    assert pytest.approx((1.0, 3.0, 3.0)) == PER
    assert J0.shape == (3, 2)


def test_the_first_cases_of_the_benchmark_come_in_as_they_should() -> None:
    for half, most in ((25.0, 1.37 + 0.25), (12.0, 1.78 + 0.3)):
        cases = list(islice((p for n in count() if starts_out(p := make_pair(2027, n), half)), 40))
        advised = mean(play_pair(p, joint_advisor, half).rounds for p in cases)
        assert advised <= most
        assert advised <= mean(play_pair(p, naive_pair, half).rounds for p in cases) + 0.05
