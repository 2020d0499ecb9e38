"""The edges that keep the advice from harm, each at its own figure."""

import math
from dataclasses import replace

import numpy as np
import pytest

from bornek.core.advice.aims import aim_of, grid_of, reading_u
from bornek.core.advice.belief import (
    KEPT,
    SCATTER_BANK_UM,
    SPARE_SAID,
    UM,
    Belief,
    chance_between,
    learn,
    learn_between,
    start,
)
from bornek.core.advice.choose import SAFE_SDS, Aim, _allowed, expected_rounds, likely_enough, score, target
from bornek.core.advice.history import History
from bornek.core.advice.promise import expect
from bornek.core.advice.propose import propose
from bornek.core.advice.replay import _harm_at, replay
from bornek.core.settings.given import read_given
from bornek.core.settings.knobs import Continuous, Knob, Lattice, Packs
from bornek.core.settings.records import Act, Context, Entry, Scalar
from bornek.core.settings.registry import find_kind
from bornek.core.settings.state import ShimPack
from bornek.core.windows import Normal, Verdict

KIND = find_kind("shim_pack_end_play")
GIVEN = {"least": 0.06, "greatest": 0.12, "sense": "adds", "torque": 80, "source": "drawing"}
STOCK = {n * 10_000: 6 for n in (5, 8, 10, 15, 20, 25, 50)}


def bench(*rounds: tuple[tuple[int, ...], float], **given: object) -> Context:
    acts, entries = [], []
    for number, (pack, travel) in enumerate(rounds, 1):
        state = ShimPack(tuple(n * 10_000 for n in pack))
        kind = "move" if number > 1 else "as_found"
        acts.append(Act(f"a{number}", number, kind, {"pack": state}, seq=number * 10))
        for i, where in enumerate(("mark_up", "mark_down")):
            for rep in (1, 2, 3):
                key = f"travel.{where}.{rep}"
                entries.append(Entry(f"{number}{i}{rep}", key, Scalar(travel), number, seq=number * 10 + rep))
    typed = read_given(KIND, GIVEN | given)
    return Context(given=typed, acts=tuple(acts), entries=tuple(entries), round=len(rounds), stock=STOCK)


def history(*rounds: tuple[tuple[int, ...], float], **given: object) -> History:
    found = replay(KIND, bench(*rounds, **given))
    assert found is not None
    return found


def sure(a: float, s_a: float) -> Belief:
    """One hypothesis: a within 1 µm, a response of 1."""
    m, s = np.array([[a, 1.0]]), np.array([np.diag([1.0, 1e-12])])
    return Belief(
        m, s, np.zeros(1), np.array([s_a]), np.zeros(1, dtype=np.int64), np.ones(1), np.zeros(1, dtype=bool)
    )


def test_the_landing_is_drawn_in_by_two_standard_uncertainties() -> None:
    h = history(((50, 25), 0.30))
    aim, provable = aim_of(h.row, h.knobs, 0.004)
    assert (aim.lo, aim.hi) == pytest.approx((-30 + 8, 30 - 8))
    assert provable


def test_with_nothing_left_to_land_in_it_is_said_and_the_window_stays() -> None:
    h = history(((50, 25), 0.30))
    aim, provable = aim_of(h.row, h.knobs, 0.0151)
    assert not provable
    assert (aim.lo, aim.hi) == pytest.approx((-30, 30))


def test_harm_begins_two_half_windows_below_the_middle_wherever_the_aim_lies() -> None:
    middle = history(((50, 25), 0.30))
    assert aim_of(middle.row, middle.knobs, 0.004)[0].harm == pytest.approx(-60)
    low = history(((50, 25), 0.30), aim=0.07)
    assert aim_of(low.row, low.knobs, 0.004)[0].harm == pytest.approx(20 - 60)
    assert _harm_at(low.row.window, low.row.aim, "high") == pytest.approx(0.15)
    assert aim_of(replace(low.row, harm=""), low.knobs, 0.004)[0].harm_side == 0


def test_a_response_is_never_divided_by_less_than_a_twentieth_of_its_prior() -> None:
    h = history(((50, 25), 0.30))
    assert aim_of(replace(h.row, k0=(0.0056,)), h.knobs, 0.004)[0].steep == pytest.approx(0.00028)
    flat, aim = start([0.0001], 0.05), Aim(-25.0, 25.0, 25.0, -50.0, steep=0.05)
    assert target(learn(flat, [0.0], 100.0, 4.0), aim) == pytest.approx(-2000, rel=0.01)


def test_the_next_reading_is_expected_as_good_as_the_best_so_far() -> None:
    h = history(((50, 25), 0.30), ((50, 15), 0.20))
    first, second = (
        replace(r, values={"end_play": Normal(0.1, u)}) for r, u in zip(h.rounds, (0.004, 0.002), strict=True)
    )
    assert reading_u(replace(h, rounds=(first, second)), h.row) == 0.002
    assert reading_u(replace(h, rounds=()), h.row) == pytest.approx(0.0035 / math.sqrt(6))


def test_the_safe_side_reaches_two_and_a_half_sds_beyond_the_target_and_no_further() -> None:
    b = learn(start([1.0], 0.3), [0.0], 200.0, 10.0)
    aim = Aim(-25.0, 25.0, 25.0, -50.0)
    at = target(b, aim)
    reach = SAFE_SDS * b.predict([at])[1] / float(b.w @ b.m[:, 1])
    widen = 25.0 / float(b.w @ b.m[:, 1]) + 10.0
    assert reach > widen
    x = np.array([at - widen - 1, at - widen + 1, at + reach - 1, widen + 1.0])
    sure, harmless = np.ones(len(x)), np.zeros(len(x))
    assert list(_allowed(b, x, 0.0, aim, sure, harmless)) == [False, True, True, False]
    high = replace(aim, harm=50.0, harm_side=1)
    x = np.array([at - reach - 1, at - reach + 1])
    assert list(_allowed(b, x, 0.0, high, sure[:2], harmless[:2])) == [False, True]


def test_a_move_needs_a_third_of_the_best_chance_among_those_that_seldom_harm() -> None:
    everywhere = np.ones(4, dtype=bool)
    p_in, p_harm = np.array([0.9, 0.6, 0.19, 0.17]), np.array([0.2, 0.05, 0.0, 0.0])
    assert list(likely_enough(p_in, p_harm, everywhere)) == [True, True, True, False]
    assert list(likely_enough(p_in, np.full(4, 0.5), everywhere)) == [True, True, False, False]


def test_expected_rounds_price_harm_at_three() -> None:
    assert expected_rounds(np.array([0.5]), np.array([0.8]), np.array([0.1]), 3.0)[0] == pytest.approx(
        1 + 0.5 / 0.8 + 0.3
    )
    assert expected_rounds(np.array([0.5]), np.array([0.001]), np.zeros(1), 3.0)[0] == pytest.approx(
        1 + 0.5 / 0.02
    )


def test_a_landing_beyond_harms_edge_counts_in_full() -> None:
    b = sure(0.0, s_a=2.0)
    found = score(b, np.array([-60.0, -50.0, 0.0]), 0.0, Aim(-25.0, 25.0, 25.0, -50.0), 4.0)
    assert found.p_harm == pytest.approx([1.0, 0.5, 0.0], abs=0.01)


def test_twenty_four_hypotheses_are_carried_and_no_more() -> None:
    b = start([1.0], 0.15)
    for n, z in enumerate((100.0, 60.0, 30.0, 10.0)):
        b = learn(b, [-30.0 * n], z, 4.0)
    assert (KEPT, len(b.lw)) == (24, 24)
    assert b.lw[0] == 0.0
    assert list(b.lw) == sorted(b.lw, reverse=True)


def test_the_bank_begins_with_its_widths_and_scatters() -> None:
    b = start([2.0], 0.05)
    assert b.m[:, 1] == pytest.approx([2.0] * 6)
    sd = np.sqrt(b.s[:, 1, 1])
    assert sd == pytest.approx([0.1] * 3 + [0.3] * 3)
    assert b.w == pytest.approx([0.24, 0.32, 0.24, 0.06, 0.08, 0.06])
    assert list(b.s_a) == [s for s, _ in SCATTER_BANK_UM] * 2
    assert np.sqrt(start([2.0], 0.2).s[:, 1, 1]) == pytest.approx([0.4] * 3 + [0.8] * 3)


def test_what_is_predicted_scatters_by_reassembly_too() -> None:
    mean, sd = sure(50.0, s_a=7.0).predict([0.0])
    assert mean == pytest.approx(50.0)
    assert sd == pytest.approx(math.sqrt(7.0**2 + 1.0))


def test_a_wild_round_is_held_at_sixty_and_one_in_twenty() -> None:
    """By hand: the odds of wild to plain for one hypothesis that is as good as known."""
    b = start([1.0], 1e-6, s_a=5.0, exact=True)
    b = replace(b, s=np.array([np.diag([0.0, 1e-12])]), m=np.array([[0.0, 1.0]]))
    z, plain, wild = 30.0, 25.0 + 4.0, 25.0 + 4.0 + 3600.0
    odds = 0.05 / 0.95 * math.sqrt(plain / wild) * math.exp(0.5 * z * z * (1 / plain - 1 / wild))
    assert learn(b, [0.0], z, 4.0).p_off(0) == pytest.approx(odds / (1 + odds), rel=1e-6)


def test_a_bracket_narrows_to_its_own_width() -> None:
    b = learn_between(start([1.0], 0.05, s_a=1.0), [0.0], 40.0, 60.0, 1.0)
    mean, _ = b.predict([0.0])
    assert mean == pytest.approx(50.0, abs=0.5)
    assert math.sqrt(float(b.s[0, 0, 0])) == pytest.approx(math.sqrt(20**2 / 12 + 2.0), rel=0.1)


@pytest.mark.parametrize(
    ("domain", "grid"), [(Packs(), 10.0), (Continuous(0.005, 0, 9), 5.0), (Lattice(0, 5.29, 9), 5290.0)]
)
def test_how_finely_an_adjuster_can_be_set(domain: Packs, grid: float) -> None:
    assert grid_of(Knob("k", "K", "", "mm", domain)) == pytest.approx(grid)


def test_seating_is_named_when_it_scatters_more_than_half_the_half_window() -> None:
    wide, narrow = bench(((50, 25), 0.30)), bench(((50, 25), 0.30), least=0.08, greatest=0.10)
    for ctx, named in ((wide, False), (narrow, True)):
        found = replay(KIND, ctx)
        assert found is not None
        assert propose(found, ctx, Verdict("out_high")).seating is named


@pytest.mark.parametrize("miked", [(), ((50_000, 50_000), (250_000, 250_000))])
def test_what_is_promised_joins_belief_and_reading_and_the_plates_that_change(
    miked: tuple[tuple[int, int], ...],
) -> None:
    h = history(((50, 25), 0.30))
    assert isinstance(h.knob.domain, Packs)
    h = replace(h, knobs=(replace(h.knob, domain=replace(h.knob.domain, miked=miked)),))
    p = expect(h, {"pack": ShimPack((500_000, 50_000))}).predicted["end_play"]
    v, _ = h.row.expect([-200.0])
    assert p.v == pytest.approx(v)
    u, b = reading_u(h, h.row), h.row.belief
    plates = 0.001 * math.sqrt(2) if miked else math.hypot(0.003, 0.007) / math.sqrt(3)
    b = replace(b, lw=b.lw + np.log(np.where(b.spare, SPARE_SAID, 1.0)))
    lo, hi = ((p.v + k * p.u - h.row.aim) * UM for k in (-2, 2))
    within = chance_between(b, [-200.0], lo, hi, (u**2 + plates**2) * UM**2)
    assert within == pytest.approx(0.95, abs=0.002)
    assert h.travels({"pack": ShimPack((500_000, 50_000))}) == pytest.approx([-0.2 * UM])
