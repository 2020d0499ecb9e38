"""What cannot be taken back is never driven past its window."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.advice.one_way import _after, begin, follow, learned, moved, spread_after, step
from bornek.core.practice.nut import drive, make_drive

OFFERS = np.arange(0.0, 402.0, 2.0)


def test_a_step_carries_the_value_on_and_its_doubt_with_it() -> None:
    c = moved(learned(begin(-1.0, 0.15), 100.0, 4.0), 50.0)
    assert c.m[:, 0] == pytest.approx([50.0, 50.0], abs=0.1)
    narrow, wide = c.p[0, 0, 0], c.p[1, 0, 0]
    assert narrow == pytest.approx(4.0 + (50 * 0.15) ** 2 + 2.5**2 + (0.03 * 50) ** 2, rel=0.01)
    assert wide == pytest.approx(4.0 + (50 * 0.30) ** 2 + 4.0**2 + (0.03 * 50) ** 2, rel=0.01)


def test_it_begins_with_one_in_five_that_it_answers_otherwise_than_declared() -> None:
    """Four to one that the answer scatters by ρ and a step by its 2.5 µm; else by 2 ρ and 1.6 times as much."""
    c = begin(-1.0, 0.15)
    assert c.w == pytest.approx([0.8, 0.2])
    assert c.p[:, 1, 1] == pytest.approx([0.15**2, 0.3**2])
    assert c.s_m == pytest.approx([2.5, 4.0])


def test_the_spread_after_a_step_is_that_of_the_mixture_by_hand() -> None:
    """Var y + 2 d Cov(y, k) + d² Var k + scatter of the step, of each, and how far their means lie apart."""
    c, d = follow(-1.0, 0.15, [(0.0, 200.0, 4.0), (60.0, 150.0, 4.0)]), 80.0
    means, inside = [], []
    for m, p, scatter in zip(c.m, c.p, c.s_m, strict=True):
        means.append(float(m[0] + m[1] * d))
        inside.append(
            float(p[0, 0] + 2 * d * p[0, 1] + d * d * p[1, 1] + scatter**2 + (0.03 * m[1] * d) ** 2)
        )
    mean = sum(w * m for w, m in zip(c.w, means, strict=True))
    whole = sum(w * (v + (m - mean) ** 2) for w, v, m in zip(c.w, inside, means, strict=True))
    assert abs(2 * d * float(c.p[0, 0, 1])) > 5
    assert spread_after(c, np.array([d])) == pytest.approx(whole)


def test_where_a_step_leads_by_hand() -> None:
    """y + d k; Var y + 2 d Cov(y, k) + d² Var k and the scatter of the step."""
    c, d = follow(-1.0, 0.15, [(0.0, 200.0, 4.0), (60.0, 150.0, 4.0)]), np.array([0.0, 40.0, 80.0])
    mean, variance = _after(c, d)
    for h in range(2):
        (y, k), ((a, b), (_, e)) = c.m[h], c.p[h]
        for i, step_um in enumerate(d):
            assert mean[h, i] == pytest.approx(y + step_um * k)
            scatter = c.s_m[h] ** 2 * (step_um > 0) + (0.03 * k * step_um) ** 2
            whole = a + 2 * step_um * b + step_um**2 * e
            assert variance[h, i] - whole == pytest.approx(scatter, abs=1e-9 + c.s_m[h] ** 2 * (step_um == 0))


def test_what_is_learned_goes_by_the_steps_and_not_by_where_they_began() -> None:
    here, there = (follow(-1.0, 0.15, [(x, 200.0, 4.0), (x + 60.0, 150.0, 4.0)]) for x in (0.0, 40.0))
    assert there.m == pytest.approx(here.m)
    assert there.p == pytest.approx(here.p)


def test_a_stiff_part_is_learned_from_its_first_step() -> None:
    c = follow(-1.0, 0.15, [(0.0, 200.0, 4.0), (100.0, 130.0, 4.0)])
    assert float(c.w @ c.m[:, 1]) == pytest.approx(-0.72, abs=0.05)


@given(st.floats(40, 380))
def test_no_step_is_likelier_than_two_in_a_hundred_to_go_past(z: float) -> None:
    found = step(follow(-1.0, 0.15, [(0.0, z, 4.0)]), OFFERS, -12.0, 12.0, 4.0)
    assert found.stop or found.p_past[found.index] <= 0.02
    assert OFFERS[found.index] > 0


def test_far_away_the_largest_safe_step_is_taken_near_the_likeliest() -> None:
    far = step(follow(-1.0, 0.15, [(0.0, 380.0, 4.0)]), OFFERS, -6.0, 6.0, 4.0)
    assert far.p_in[far.index] < 0.3
    assert far.p_past[far.index + 1] > 0.02
    near = step(follow(-1.0, 0.15, [(0.0, 30.0, 4.0)]), OFFERS, -25.0, 25.0, 4.0)
    assert near.p_in[near.index] == pytest.approx(near.p_in[(near.p_past <= 0.02) & (OFFERS > 0)].max())


def test_where_even_the_smallest_is_too_much_it_says_stop() -> None:
    found = step(follow(-1.0, 0.15, [(0.0, -24.0, 4.0)]), OFFERS, -25.0, 25.0, 4.0)
    assert found.stop


def test_upward_works_as_downward() -> None:
    down = step(follow(-1.0, 0.15, [(0.0, 150.0, 4.0)]), OFFERS, -25.0, 25.0, 4.0)
    up = step(follow(1.0, 0.15, [(0.0, -150.0, 4.0)]), OFFERS, -25.0, 25.0, 4.0)
    assert up.index == down.index


def test_the_first_cases_of_the_benchmark_seldom_go_past() -> None:
    games = [drive(make_drive(2029, n), 12.0) for n in range(120)]
    careless = [drive(make_drive(2029, n), 12.0, careful=False) for n in range(120)]
    assert sum(g.past for g in games) <= 3
    assert sum(g.past for g in careless) >= 20


def test_where_every_step_goes_past_the_smallest_ahead_is_taken_to_be_stopped() -> None:
    """It stands in the middle of a window of ± 2 µm: any of these drives it past. With none ahead it stays."""
    c = follow(-1.0, 0.15, [(0.0, 0.0, 4.0)])
    found = step(c, np.array([0.0, 30.0, 60.0, 90.0]), -2.0, 2.0, 4.0)
    assert (found.index, found.stop) == (1, True)
    assert found.p_past[1] > 0.9
    still = step(c, np.array([0.0]), -2.0, 2.0, 4.0)
    assert (still.index, still.stop) == (0, True)
