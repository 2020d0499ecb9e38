"""Pieces of the advisor that the rest only passes through, each by hand: noise, far readings, memory, drawers."""

import math
from dataclasses import replace
from types import SimpleNamespace
from typing import Any

import numpy as np
import pytest

from bornek.core.advice.belief import (
    FIRST_SD_UM,
    OUTLIER_SD_UM,
    OUTLIER_SHARE,
    UM,
    learn,
    learn_at_most,
    start,
)
from bornek.core.advice.choose import P_FLOOR_SHARE, Aim, likely_enough
from bornek.core.advice.creep import creep, truly_in
from bornek.core.advice.first_steps import sense_step
from bornek.core.advice.history import History, Round, Row
from bornek.core.advice.memory import _apart
from bornek.core.advice.missing import _fresh
from bornek.core.advice.packs import THIN_TO, _by_sums, reachable, thinned
from bornek.core.advice.pairs import _join, reachable_pairs
from bornek.core.advice.replay import _doubted, _far, _start, observe, replay, slope
from bornek.core.advice.stock import possible
from bornek.core.advice.what_if import pairs_of
from bornek.core.settings.kind import Outcome, Result
from bornek.core.settings.knobs import Continuous, Knob, Packs, Response
from bornek.core.settings.records import Context, Learned
from bornek.core.settings.state import Position, ShimPack
from bornek.core.windows import AtMost, Normal, Verdict, Window

WINDOW = Window(0.06, 0.12, "card")
ROW = Row(
    key="play",
    label="End play",
    quantity="length",
    window=WINDOW,
    aim=0.09,
    belief=learn(start([1.0], 0.05), [0.0], 0.0, 4.0),
    per=UM,
    k0=(1.0,),
    rho=(0.05,),
    s_a=0.006,
    s_r=0.002,
    repeats=4,
    harm="low",
    harm_at=0.03,
)


def test_a_reading_is_never_believed_closer_than_it_repeats() -> None:
    """4 readings that scatter by 2 µm: 2²/4 = 1 µm², though the gauge alone claims nothing."""
    seen = observe(ROW, [0.0], Normal(0.1, 0.0))
    assert seen.m == pytest.approx(learn(ROW.belief, [0.0], 10.0, 1.0).m)
    coarse = observe(ROW, [0.0], Normal(0.1, 0.003))
    assert coarse.m == pytest.approx(learn(ROW.belief, [0.0], 10.0, 9.0).m)
    still = observe(ROW, [0.0], AtMost(0.005))
    assert still.lw == pytest.approx(learn_at_most(ROW.belief, [0.0], -85.0, 1.0).lw)


def test_a_needle_that_stands_still_where_play_was_sure_is_far() -> None:
    """Expected at the aim, 90 µm; "at most" tells of at least 400 µm less."""
    assert _far(replace(ROW, aim=0.5), [0.0], AtMost(0.005), None)
    assert not _far(replace(ROW, aim=0.5), [0.0], AtMost(0.005), 20.0)  # the drag says how tight it is
    assert not _far(ROW, [0.0], AtMost(0.085), None)


def test_the_slope_that_is_remembered_knows_its_scatter() -> None:
    """Two rounds 100 µm apart, k = 0.9; se = √(6² + 3²)/√(2·50²) with reassembly 6 and gauge 3 µm."""
    rounds = tuple(
        Round(
            n,
            {"pack": ShimPack((nm,))},
            Outcome(),
            {"play": Normal(v, 0.003)},
            {},
            first="play",
        )
        for n, nm, v in ((1, 500_000, 0.10), (2, 600_000, 0.19))
    )
    knob = Knob("pack", "Pack", "Pack", "mm", Packs())
    response = Response(
        rows=("play",), knobs=("pack",), k0=((1.0,),), rho=((0.05,),), s_a=(0.006,), s_r=(0.002,)
    )
    history = History(rounds, (ROW,), (knob,), response, {"pack": 0.5})
    found = slope(history, Context())
    assert found is not None
    assert found["k"] == pytest.approx(0.9)
    assert found["se"] == pytest.approx(math.hypot(6, 3) / math.sqrt(2 * 50**2))


def test_the_window_of_the_latest_reading_is_steered_to() -> None:
    later = Window(0.02, 0.04, "card")

    def outcome(number: int) -> Outcome:
        window = WINDOW if number == 1 else later
        value = Normal(0.1, 0.002)
        result = Result("play", "End play", "length", value, window)
        return Outcome((result,), observed={"play": value})

    def unread(number: int) -> Outcome:
        window, value = (WINDOW, Normal(0.1, 0.002)) if number == 1 else (later, None)
        return Outcome((Result("play", "End play", "length", value, window),))

    response = Response(
        rows=("play",), knobs=("pack",), k0=((1.0,),), rho=((0.05,),), s_a=(0.006,), s_r=(0.002,)
    )
    kind: Any = SimpleNamespace(
        response=lambda ctx: response,
        knobs=lambda ctx: (Knob("pack", "Pack", "Pack", "mm", Packs()),),
        state=lambda ctx, key, number=None: ShimPack((500_000,)),
        expects=lambda predicted, say: "",
    )
    read, not_read = (replay(kind, Context(round=2), of) for of in (outcome, unread))
    assert read is not None
    assert not_read is not None
    assert (read.row.window, not_read.row.window) == (later, WINDOW)


def test_how_far_a_job_lies_from_the_others_by_hand() -> None:
    """Others 1.0 and 1.0 ± 0.1 each: mean ± 0.1/√2, no spread; mine 1.5 ± 0.3."""
    jobs = [
        Learned(str(n), k, se, str(n), "") for n, (k, se) in enumerate(((2.0, 0.2), (2.0, 0.2), (3.0, 0.6)))
    ]
    assert _apart(jobs, 2, 2.0) == pytest.approx(0.5 / math.sqrt(0.1**2 / 2 + 0.3**2), rel=0.01)


def test_a_step_is_short_enough_for_the_steepest_answer_that_is_held() -> None:
    b = start([1.0], 0.2, signs=(1.0, -1.0))
    b = learn(b, [0.0], 0.0, 4.0)
    y, sd = b.predict([0.0])
    size = float(b.w @ np.abs(b.m[:, 1]))
    sd_k = math.sqrt(float(b.w @ b.s[:, 1, 1]))
    most = (y + 80.0 - 2 * sd) / (size + 2 * sd_k)
    x = np.array([0.0, most * 0.99, most * 1.05])
    assert sense_step(b, x, 0.0, Aim(-30, 30, 30, -80.0), 1.0, np.ones(3)) == 1
    assert sense_step(b, x[[0, 2]], 0.0, Aim(-30, 30, 30, -80.0), 1.0, np.ones(2)) is None


def test_who_answers_half_as_much_is_moved_twice_as_far_to_see_the_way() -> None:
    x = np.arange(0.0, 400.0)
    free = Aim(-30, 30, 30, -80.0)
    one, half = (
        sense_step(
            learn(start([k], 0.01, signs=(1.0, -1.0)), [0.0], 0.0, 4.0), x, 0.0, free, 1.0, np.ones(len(x))
        )
        for k in (1.0, 0.5)
    )
    assert one is not None and half is not None
    assert x[half] == pytest.approx(2 * x[one], abs=2)
    assert x[one] > 10


def test_of_two_packs_of_one_sum_the_one_that_handles_fewer_is_kept() -> None:
    """400 µm of two plates is what is in; 100 and 300 would be three handled."""
    have, free = np.array([0, 2, 0]), np.array([1, 2, 1])
    found = _by_sums((100, 200, 300), have, free, 2)
    of_400 = [c.tolist() for c in found if c @ [100, 200, 300] == 400 and c.sum() == 2]
    assert of_400 == [[0, 2, 0]]


def test_of_two_splits_the_one_that_handles_fewer_is_taken_though_it_has_more_plates() -> None:
    lefts, right = np.array([[0, 1], [2, 0]]), np.array([[0, 0]])
    found = _join(lefts, right, np.array([2, 0]), np.array([0, 0]), np.array([9, 9]))
    assert found is not None
    assert (found[0], found[1], found[2].tolist()) == (0, 2, [2, 0])


@pytest.mark.parametrize("scatter", [2.0, 60.0])
def test_a_round_is_far_beyond_two_and_a_half_sds_of_all_that_is_held(scatter: float) -> None:
    row = replace(ROW, belief=learn(ROW.belief, [0.0], 0.0, 1.0), s_r=scatter / UM)
    y, sd = row.belief.predict([0.0])
    whole = math.sqrt(sd**2 + (scatter**2) / 4 + OUTLIER_SHARE * OUTLIER_SD_UM**2)
    for share, far in ((0.98, False), (1.02, True)):
        for side in (-1, 1):
            at = row.aim + (y + side * share * 2.5 * whole) / UM
            assert _far(row, [0.0], Normal(at, 0.0), None) == far


@pytest.mark.parametrize(("next_best", "named"), [(0.35, 2), (0.42, 0)])
def test_the_round_that_is_a_tenth_likelier_off_than_any_other_is_named(next_best: float, named: int) -> None:
    belief: Any = SimpleNamespace(p_off=lambda i: (next_best, 0.5, 0.1)[i])
    assert _doubted([replace(ROW, belief=belief, learned=(1, 2, 3))]) == named


def test_how_far_each_adjuster_goes_is_reckoned_from_where_it_stands() -> None:
    knobs = tuple(Knob(k, k, k, "mm", Continuous(0.01, -1.0, 1.0)) for k in "ab")
    read: Any = Round(1, {"a": Position(0.1), "b": Position(0.2)}, Outcome(), {}, {})
    history = History((read,), (ROW,), knobs, Response((), (), (), (), (), ()), {"a": 0.1, "b": 0.2})
    steps = history.steps({"a": Position(0.35), "b": Position(0.1)})
    assert steps == pytest.approx({"a": 0.25, "b": -0.1})


def test_a_chance_of_just_the_share_of_the_best_is_enough() -> None:
    p_in = np.array([0.6, 0.6 * P_FLOOR_SHARE, 0.6 * P_FLOOR_SHARE * 0.999])
    assert likely_enough(p_in, np.zeros(3), np.ones(3, dtype=bool)).tolist() == [True, True, False]


@pytest.mark.parametrize(("there", "named"), [(0, 0.25), (1, 0.45), (2, 0.45)])
def test_of_a_thickness_of_which_one_is_left_none_is_missing(there: int, named: float) -> None:
    """0.50 and 0.30 lie in and 0.05 less is wanted: 0.25 for the 0.30, or, with one there, 0.45 for the 0.50."""
    knob = Knob("pack", "Pack", "", "mm", Packs())
    read: Any = Round(1, {"pack": ShimPack((500_000, 300_000))}, Outcome(), {}, {})
    history = History((read,), (ROW,), (knob,), Response((), (), (), (), (), ()), {"pack": 0.8})
    ctx = Context(stock={250_000: there})
    assert _fresh(history, ctx, knob, ShimPack((500_000, 300_000)), -50.0) == named


def test_two_rows_have_no_slope_that_a_type_could_remember() -> None:
    read = Round(1, {"pack": ShimPack((500_000,))}, Outcome(), {"play": Normal(0.1, 0.003)}, {}, first="play")
    moved = replace(
        read, number=2, states={"pack": ShimPack((600_000,))}, values={"play": Normal(0.19, 0.003)}
    )
    knob = Knob("pack", "Pack", "", "mm", Packs())
    response = Response(
        rows=("play",), knobs=("pack",), k0=((1.0,),), rho=((0.05,),), s_a=(0.006,), s_r=(0.002,)
    )
    one = History((read, moved), (ROW,), (knob,), response, {"pack": 0.5})
    assert slope(one, Context()) is not None
    assert slope(replace(one, rows=(ROW, replace(ROW, key="lash"))), Context()) is None


def test_an_empty_drawer_and_an_empty_pack_reach_nothing() -> None:
    found = reachable({}, (), 4)
    assert [a.shape for a in (found.sums, found.handled, found.plates, found.counts)] == [
        (1,),
        (1,),
        (1,),
        (1, 0),
    ]
    assert found.pack(0) == ()


def test_a_thinned_drawer_is_as_wide_as_the_work_allows() -> None:
    kinds = [n * 1013 for n in range(20, 420)]
    kept = thinned(kinds, set(), 6)
    assert math.comb(len(kept) + 6, 6) <= THIN_TO < math.comb(len(kept) + 7, 6)
    assert (kept[0], kept[-1]) == (kinds[0], kinds[-1])
    crowded = thinned(kinds, set(kinds[:30]), 6)
    assert len(crowded) == 31  # what is in stays, and one other is tried


def test_a_thickness_of_which_none_is_left_goes_into_no_split() -> None:
    counted = reachable_pairs({100: 0}, (300, 100), (200,), 4)
    assert [int(s) for s in counted.left_sums] == [0, 100, 200, 300, 400, 500, 600]
    assert int(counted.left.sum(axis=1).max()) == 3
    assert int(counted.left[:, counted.thicknesses.index(100)].max()) == 1


def test_what_only_goes_onward_is_never_advised_back() -> None:
    knob = Knob("nut", "Nut", "Nut", "mm", Packs())
    read: Any = SimpleNamespace(states={}, held_out=False, values={"play": Normal(ROW.aim - 0.2, 0.002)})
    history: Any = SimpleNamespace(
        memo={}, rows=(ROW,), standing=(read,), travels=lambda s: [40.0], knobs=(knob,)
    )
    x = np.array([0.0, 40.0, 50.0, 90.0])
    scores = creep(history, x, 40.0, [Aim(-30, 30, 30, -60.0)], [4.0])
    assert not scores.allowed[0]
    assert scores.allowed[2] and scores.allowed[3]
    best = int(np.argmin(scores.rounds))
    others = np.delete(scores.rounds, best)
    assert scores.rounds[best] == 1.0
    assert others.min() >= 2.0
    assert others.max() <= 2.0 + 90.0 / 50.0


def test_what_a_travel_would_truly_bring_goes_by_the_step_to_it() -> None:
    """From 40 as from 0; and there is no way back."""
    read: Any = SimpleNamespace(states={}, held_out=False, values={"play": Normal(ROW.aim + 0.05, 0.002)})

    def chance(begun: float, x: float) -> float:
        history: Any = SimpleNamespace(
            memo={}, rows=(ROW,), standing=(read,), last=read, travels=lambda s: [begun]
        )
        return truly_in(history, x)

    assert 0 <= chance(0.0, 0.0) < 0.2
    for step in (10.0, 40.0, 80.0):
        assert chance(40.0, 40.0 + step) == pytest.approx(chance(0.0, step))
        assert chance(40.0, 40.0 - step) == pytest.approx(chance(0.0, 0.0))


def test_every_pair_of_places_brings_what_each_alone_would() -> None:
    knobs = tuple(Knob(k, k, k, "mm", Continuous(0.01, -1.0, 1.0)) for k in "ab")
    rows = tuple(
        replace(ROW, key=key, belief=learn(start(k0, 0.05), [0.0, 0.0], 12.0, 1.0), k0=tuple(k0))
        for key, k0 in (("play", [0.5, -0.3]), ("lash", [0.2, 0.9]))
    )
    states: Any = {"a": Position(0.1), "b": Position(0.2)}
    values = {row.key: Normal(0.1, 0.002) for row in rows}
    read: Any = Round(1, states, Outcome((), (), Verdict("in")), values, {})
    history = History(
        (read,), rows, knobs, response=Response((), (), (), (), (), ()), start={"a": 0.1, "b": 0.2}
    )
    places = (np.array([0.05, 0.1, 0.3]), np.array([0.15, 0.4]))
    reaches: Any = [SimpleNamespace(at=at, knob=knob) for at, knob in zip(places, knobs, strict=True)]
    found = pairs_of(history, reaches)
    for i, a in enumerate(places[0]):
        for j, b in enumerate(places[1]):
            told = history.expect({"a": Position(a), "b": Position(b)})
            assert {k: v[i, j] for k, v in found.values.items()} == pytest.approx(
                {k: v for k, (v, _) in told.items()}
            )
            assert found.lands[i, j] == all(WINDOW.holds(v) for v, _ in told.values())


def test_a_step_onward_goes_by_what_the_adjuster_answers() -> None:
    """200 µm short of the aim, an answer of about 1: the step is more than half of it and stays short of the whole."""
    knob = Knob("nut", "Nut", "Nut", "mm", Packs())
    read: Any = SimpleNamespace(states={}, held_out=False, values={"play": Normal(ROW.aim - 0.2, 0.002)})
    history: Any = SimpleNamespace(
        memo={}, rows=(ROW,), standing=(read,), travels=lambda s: [0.0], knobs=(knob,)
    )
    x = np.arange(0.0, 402.0, 2.0)
    scores = creep(history, x, 0.0, [Aim(-30, 30, 30, -60.0)], [4.0])
    assert 100 < x[int(np.argmin(scores.rounds))] < 230


def test_one_plate_in_the_drawer_is_enough_for_one() -> None:
    knobs = tuple(Knob(k, k, k, "mm", Packs(), k) for k in ("a", "b"))
    states = {"a": ShimPack((100_000,)), "b": ShimPack((200_000,))}
    after = [ShimPack((100_000, 50_000)), ShimPack((200_000, 50_000))]
    options: Any = [
        SimpleNamespace(state=lambda n, k=k: after[k] if n else states["ab"[k]]) for k in range(2)
    ]
    history: Any = SimpleNamespace(knobs=knobs, last=SimpleNamespace(states=states))
    index = np.array([[1, 0], [0, 1], [1, 1]])

    def taken(count: int) -> list[int]:
        drawers = {"a": {50_000: count}, "b": {50_000: count}}
        ctx = Context(drawers=drawers, forms={"a": "ring", "b": "ring"})
        return possible(history, ctx, options, index, [0, 1, 2])

    assert taken(0) == []
    assert taken(1) == [0, 1]
    assert taken(2) == [0, 1, 2]


def test_another_part_leaves_open_where_it_stands_by_the_first_sd_and_keeps_how_it_answers() -> None:
    """Var y grows by FIRST_SD² at every state; the mean and the answer stay."""
    b = ROW.belief
    for x in (0.0, 120.0):
        (was, sd), (now, wide) = b.predict([x]), b.with_other_parts().predict([x])
        assert now == was
        assert wide**2 - sd**2 == pytest.approx(FIRST_SD_UM**2)
    assert b.with_other_parts().response() == b.response()


def test_two_empty_packs_and_an_empty_drawer_have_one_split() -> None:
    found = reachable_pairs({}, (), (), 4)
    assert [x.tolist() for x in (found.left_sums, found.handled)] == [[0], [0]]
    assert found.left.shape == (1, 0)
    assert found.pair(0) == ((), ())


def test_two_adjusters_begin_with_the_answers_declared_and_an_unknown_sense_with_both() -> None:
    response: Any = SimpleNamespace(
        k0=((0.25, 0.7),), rho=((0.2, 0.15),), s_a=(0.006,), geometry=False, rows=("a", "b")
    )
    known: Any = [SimpleNamespace(sense=1), SimpleNamespace(sense=1)]
    assert np.unique(_start(response, 0, UM, known, Context()).m[:, 1:], axis=0).tolist() == [[0.25, 0.7]]
    half: Any = [SimpleNamespace(sense=None), SimpleNamespace(sense=1)]
    both = np.unique(_start(response, 0, UM, half, Context()).m[:, 1:], axis=0)
    assert both.tolist() == [[-0.25, 0.7], [0.25, 0.7]]
