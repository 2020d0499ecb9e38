"""What finished jobs of a type say of the response, and what they are kept from saying."""

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.advice.belief import declared, start
from bornek.core.advice.memory import fitting_pool, pool, priors, random_effects, sense_of
from bornek.core.settings.records import Learned


def jobs(*found: float, se: float = 0.02) -> list[Learned]:
    return [Learned(f"s{n}", k, se, serial=f"u{n}") for n, k in enumerate(found)]


def test_random_effects_by_hand() -> None:
    # w = 100 each; k_F = 1.0; Q = 100 (0.2² + 0 + 0.2²) = 8; τ² = (8 − 2) / (300 − 100) = 0.03
    mean, sd, tau = random_effects([0.8, 1.0, 1.2], [0.1, 0.1, 0.1])
    assert mean == pytest.approx(1.0)
    assert tau**2 == pytest.approx(0.03)
    assert sd**2 == pytest.approx((0.01 + 0.03) / 3)


def test_two_units_of_a_type_are_never_taken_for_one() -> None:
    assert random_effects([0.9, 0.9, 0.9], [0.001] * 3)[2] == 0.02


def test_fewer_than_three_serials_say_nothing() -> None:
    assert pool(jobs(0.8, 0.81), 1.0) is None
    one_unit = [Learned(f"s{n}", 0.8, 0.02, serial="same") for n in range(5)]
    assert pool(one_unit, 1.0) is None


def test_a_setting_that_came_in_twice_counts_once() -> None:
    three = jobs(0.9, 0.92, 0.94)
    again = pool([*three, *three], 1.0)
    assert again is not None
    assert len(again.used) == 3


def test_one_bad_job_of_five_is_left_out_and_named() -> None:
    found = pool(jobs(0.98, 1.02, 0.654, 1.01, 0.99, se=0.028), 1.0)
    assert found is not None
    assert [j.k for j in found.left_out] == [0.654]
    assert found.k == pytest.approx(1.0, abs=0.01)


def test_a_bad_job_is_left_out_where_its_unit_has_a_good_one_too() -> None:
    """Three serials before and after: of the third, one job answers and one does not fit."""
    good = jobs(1.0, 1.02, 0.98)
    found = pool([*good, Learned("bad", 0.6, 0.02, serial="u2")], 1.0)
    assert found is not None
    assert [j.setting for j in found.left_out] == ["bad"]
    assert pool([*good[:2], Learned("bad", 0.6, 0.02, serial="u1")], 1.0) is None


def test_three_jobs_that_contradict_each_other_say_nothing() -> None:
    assert pool(jobs(0.65, 1.0, 1.0, se=0.01), 1.0) is None


def test_the_pool_is_trusted_to_four_fifths_and_more_jobs_are_surer() -> None:
    three, seven = (priors(1.0, 0.15, pool(jobs(*[0.8] * n), 1.0)) for n in (3, 7))
    for ways in (three, seven):
        assert sum(p.share for p in ways) == pytest.approx(1.0)
        assert sum(p.share for p in ways if p.k == (0.8,)) == pytest.approx(0.8)
    width = [start([1.0], 0.15, priors=w).response()[1] for w in (three, seven)]
    assert width[1] < width[0]


def test_what_is_held_before_the_first_round_scales_with_the_declared_answer() -> None:
    """Jobs that scatter more than the declared prior is wide: half of one, of one and of two."""
    wide = pool(jobs(0.6, 1.0, 1.4, se=0.3), 1.0)
    assert wide is not None
    one = [(p.k[0], p.sd[0], p.share) for p in priors(1.0, 0.05, replace(wide, sd=0.5))]
    for k0 in (0.5, 2.0):
        scaled = [(p.k[0] / k0, p.sd[0] / k0, p.share) for p in priors(k0, 0.05, replace(wide, sd=0.5))]
        assert scaled == [pytest.approx(p) for p in one]


def test_no_pool_is_held_wider_than_what_was_declared_at_its_widest() -> None:
    """Three jobs leave the far nodes of their t wide: cut off at the declared wide prior, not at the narrow one."""
    found = pool(jobs(0.88, 0.9, 0.92), 1.0)
    assert found is not None
    narrow, wide = (p.sd[0] for p in declared([1.0], 0.05))
    held = [p.sd[0] for p in priors(1.0, 0.05, replace(found, sd=0.9 * wide)) if p.k == (found.k,)]
    assert narrow < wide == pytest.approx(max(held))


def test_a_sense_is_remembered_when_every_job_agrees() -> None:
    assert sense_of(jobs(-0.9, -1.0)) == -1
    assert sense_of(jobs(-0.9, 1.0)) == 0
    assert sense_of(jobs(0.05)) == 0


def test_jobs_that_answered_the_other_way_are_not_mixed_in() -> None:
    assert fitting_pool(jobs(-0.9, -0.95, -1.0), 1.0) is None
    assert fitting_pool(jobs(-0.9, -0.95, -1.0), -1.0) is not None
    assert fitting_pool(jobs(0.9, 0.95, 1.0), 1.0) is not None


@given(st.lists(st.floats(0.8, 1.2), min_size=5, max_size=9), st.floats(0.2, 0.5))
def test_a_wild_job_moves_the_pool_by_less_than_its_scatter(good: list[float], bad: float) -> None:
    clean = pool(jobs(*good), 1.0)
    spoiled = pool([*jobs(*good), Learned("bad", bad, 0.02, serial="bad")], 1.0)
    if clean is None or spoiled is None:
        return
    assert abs(spoiled.k - clean.k) <= max(clean.sd, spoiled.sd)
