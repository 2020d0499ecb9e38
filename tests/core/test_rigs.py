"""Rigs: the same truth for whoever asks, what is wrong at them, and who plays them best."""

from __future__ import annotations

from statistics import mean

import pytest

from bornek.core.errors import InputError
from bornek.core.practice.rigs.bench_rig import PUSH_STEP_N, SAME_PUSH_N, BenchRig, Blades
from bornek.core.practice.rigs.faults import LOOK_BY_KEY, LOOKS, STUCK_SHIM, TOLD_FIRST, WORDS
from bornek.core.practice.rigs.game import CAP, Played, Table, play
from bornek.core.practice.rigs.handled import Handled
from bornek.core.practice.rigs.learners import advice_log, advised, best_possible, naive, oracle, secant
from bornek.core.practice.rigs.pried import PriedRig
from bornek.core.practice.rigs.rows import BENCH_SORTS, NINE, make_bench, make_rig
from bornek.core.practice.score import score_of
from bornek.core.settings.kind import Slot
from bornek.core.settings.records import Context
from bornek.core.settings.registry import find_kind
from bornek.core.settings.watch import guide_of
from helpers import in_gate

SOME = range(1, 6)
FEW = range(2, 4)
"""A pair takes a second a teardown: its contact is worked out."""


def with_fault(sort: str, fault: str) -> PriedRig:
    found = next(r for n in range(1, 400) if (r := make_bench(sort, n)).fault == fault)
    assert isinstance(found, PriedRig)
    return found


def first_slot(rig: BenchRig) -> Slot:
    return next(s for s in slots_of(rig) if s.motion == "pry")


def slots_of(rig: BenchRig) -> tuple[Slot, ...]:
    table = Table(rig, [rig.found()])
    ctx: Context = table.context()
    return guide_of(find_kind(rig.kind), ctx).slots


def needle(rig: BenchRig, push: float, handled: Handled | None = None) -> float:
    pull = rig.pull(first_slot(rig), handled or Handled(), 1)
    assert pull is not None
    return pull.needle[round(push / PUSH_STEP_N)]


@pytest.mark.parametrize("sort", BENCH_SORTS)
def test_the_number_is_the_truth(sort: str) -> None:
    one, again, other = make_bench(sort, 5), make_bench(sort, 5), make_bench(sort, 6)
    read = [[r.answer(s, Handled(), 1) for s in slots_of(r)] for r in (one, again, other)]
    assert read[0] == read[1] != read[2]
    assert one.book() == again.book()


@pytest.mark.parametrize("sort", in_gate(BENCH_SORTS, 1))
def test_who_knows_the_truth_is_the_best_and_the_advice_does_no_harm(sort: str) -> None:
    rigs = [make_bench(sort, n) for n in (FEW if sort == "bevel" else SOME)]
    games: dict[str, list[Played]] = {
        who.__name__: [play(r, who) for r in rigs] for who in (naive, secant, advised, oracle)
    }
    took = {who: mean(g.teardowns for g in played) for who, played in games.items()}
    assert all(took["oracle"] <= mean_of + 0.1 for mean_of in took.values())
    assert not any(g.harm for g in games["advised"])
    assert all(g.teardowns <= CAP for g in games["oracle"])
    assert mean(g.truly_in for g in games["oracle"]) > 0.7


@pytest.mark.parametrize(("sort", "number"), [(s, n) for s, n, _ in NINE if s in BENCH_SORTS])
def test_those_of_the_nine_that_are_settings_can_be_done_in_one_or_two(sort: str, number: int) -> None:
    rig = make_bench(sort, number)
    assert 1 <= best_possible(rig) <= 2
    assert advice_log(rig)


def test_the_needle_comes_up_with_the_push_and_lies_past_what_the_lever_bears() -> None:
    rig = with_fault("shims", "")
    curve = [needle(rig, push) for push in range(0, 260, 10)]
    assert curve == sorted(curve)
    assert curve[0] == 0
    assert needle(rig, 320) - needle(rig, 250) > 0.1
    assert needle(rig, SAME_PUSH_N) == pytest.approx(rig.true(Handled()), abs=0.02)


def test_a_dead_needle_shows_nothing_until_it_is_freed() -> None:
    rig = with_fault("shims", "dead_needle")
    assert needle(rig, SAME_PUSH_N) == 0
    assert needle(rig, SAME_PUSH_N, Handled(looks=(("needle", 1),))) > 0
    assert rig.told(next(s for s in _needle_slots(rig) if s.key == "needle"), Handled()) is not None


def _needle_slots(rig: BenchRig) -> tuple[Slot, ...]:
    from bornek.core.settings.watch import OWN_SLOTS

    return tuple(OWN_SLOTS.values())


@pytest.mark.parametrize(("fault", "look"), [("wrong_spot", "spot"), ("loose_cover", "torque")])
def test_what_is_put_right_at_once_reads_right_at_once(fault: str, look: str) -> None:
    rig = with_fault("shims", fault)
    before, after = needle(rig, SAME_PUSH_N), needle(rig, SAME_PUSH_N, Handled(looks=((look, 1),)))
    true = rig.true(Handled())
    assert abs(after - true) < abs(before - true)


def test_dirt_and_a_bent_shaft_stay_until_it_is_open() -> None:
    for fault, look in (("dirt", "clean"), ("bent", "true")):
        assert not Handled(looks=((look, 1),)).put_right(fault)
        assert Handled(({}, {}), looks=((look, 1),)).put_right(fault)


def test_a_bent_shaft_reads_high_at_one_mark_and_low_at_the_other() -> None:
    rig = with_fault("shims", "bent")
    marks = {s.axes["position"]: s for s in slots_of(rig) if s.motion == "pry"}
    up, down = (rig.pull(marks[m], Handled(), 1) for m in ("mark_up", "mark_down"))
    assert up is not None and down is not None
    assert up.needle[20] - down.needle[20] > 0.04


def test_on_the_other_side_a_shim_takes_play() -> None:
    rig = with_fault("shims", "wrong_side")
    thicker = Table(rig, [rig.found(), [*rig.found(), 0.2]])
    assert rig.true(thicker.handled()) < rig.true(Handled(())) - 0.1
    assert rig.right_given()["sense"] == "takes" and rig.book()["sense"] == "adds"


def test_the_book_slips_by_ten_and_the_sheet_does_not() -> None:
    rig = with_fault("shims", "decimal")
    assert rig.book()["greatest"] == pytest.approx(10 * rig.right_given()["greatest"])
    assert f"{rig.window().lo:g}" in rig.look(LOOK_BY_KEY["sheet"], Handled())


def test_a_shim_that_was_not_counted_makes_the_first_move_fall_short() -> None:
    rig = with_fault("shims", STUCK_SHIM)
    same = Table(rig, [rig.found(), rig.found()])
    before, after = rig.true(same.handled(), 1), rig.true(same.handled(), 2)
    assert before - after == pytest.approx(0.10 * rig.k, abs=0.06)


def test_an_unproven_zero_is_a_preload() -> None:
    rig = with_fault("shims", "unproven_zero")
    assert needle(rig, SAME_PUSH_N) == 0
    assert rig.true(Handled()) < 0


@pytest.mark.parametrize("fault", [look.fault for look in LOOKS])
def test_looking_finds_what_is_there_and_only_that(fault: str) -> None:
    rig = with_fault("shims", fault)
    for look in LOOKS:
        words = rig.look(look, Handled())
        assert (words != look.fine) == (look.fault == fault)
    assert WORDS[fault] and TOLD_FIRST[fault]


def test_blades_read_between_the_two() -> None:
    assert Blades((0.03, 0.04, 0.05), 0.043).between() == (0.04, 0.05)


def test_looks_and_questions_cost_what_they_say() -> None:
    assert score_of(1, 1, 2, 1).value == 2.2
    assert score_of(1, 0, 5, 1).words == "as good as can be"


@pytest.mark.parametrize(("sort", "number"), [("none", 1), ("shims", 0), ("shims", 10**7)])
def test_there_is_no_such_rig(sort: str, number: int) -> None:
    with pytest.raises(InputError):
        make_rig(sort, number)


def test_what_the_paint_shows_moves_with_the_members() -> None:
    rig = make_bench("bevel", 2)
    thicker = {"pinion": [0.5, 0.25, 0.3], "carrier": rig.found()["carrier"]}
    table = Table(rig, [rig.found(), thicker])
    slot = next(s for s in slots_of(rig) if s.accepts == "paint")
    before, after = rig.painted(slot, Handled()), rig.painted(slot, table.handled())
    assert before is not None and after is not None
    assert before.flank == "drive" and before.mask != after.mask
    assert rig.true(table.handled()) > rig.true(Handled())
