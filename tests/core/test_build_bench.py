"""At the bench: the next act, the star order, the way back, free turns and their suspects."""

from __future__ import annotations

from datetime import datetime, timedelta

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.build.player import next_act
from bornek.core.build.standing import standings
from bornek.core.build.torque_order import star_order
from bornek.core.build.tray import shut_outs, tray
from bornek.core.build.turns import turn_log
from bornek.core.build.undo import way_back, way_back_to
from bornek.core.facts.bolts_tight import BoltsTight
from bornek.core.facts.clock_begun import ClockBegun
from bornek.core.facts.seen_right import SeenRight
from bornek.core.facts.turned import Turned
from bornek.core.phrases import text_of
from plan_cases import Job, also, changed, put_last, worked

ALL = ("wheel-on", "spacers-on", "bearings-on", "left-dry", "right-on", "left-on")


def act(job: Job, key: str) -> str:
    order = job.order()
    return next_act(order, job.bench, order.by_key[key], standings(order, job.bench)[key]).sort


def test_what_is_seen_comes_before_the_bead_and_the_bead_before_the_bolts() -> None:
    way, hole = SeenRight("left-on", "way_round"), SeenRight("left-on", "hole")
    assert act(also(), "left-on") == "way_round"
    assert act(also(way), "left-on") == "hole"
    assert act(also(way, hole), "left-on") == "bead"
    assert act(also(way, hole, ClockBegun("left-on", "sealant")), "left-on") == "do"


def test_a_sealant_out_of_time_is_wiped_off_whatever_the_screen_says() -> None:
    bodies = (
        SeenRight("left-on", "way_round"),
        SeenRight("left-on", "hole"),
        ClockBegun("left-on", "sealant"),
    )
    begun = datetime(2026, 11, 23, 8, 4)
    assert act(also(*bodies, now=begun + timedelta(minutes=39)), "left-on") == "do"
    assert act(also(*bodies, now=begun + timedelta(minutes=41)), "left-on") == "skinned"


@pytest.mark.parametrize(
    ("turns", "eyebrow"), [(0, "Stage 1 of 1, bolt 1 of 4"), (3, "Stage 1 of 1, bolt 4 of 4")]
)
def test_the_bolt_in_hand_is_named(turns: int, eyebrow: str) -> None:
    job = also(BoltsTight("right-on", turns))
    order = job.order()
    found = next_act(order, job.bench, order.by_key["right-on"], standings(order, job.bench)["right-on"])
    assert (found.eyebrow, found.main) == (eyebrow, f"Bolt {turns + 1} is at 80 N·m")


def test_a_joint_that_was_tight_in_time_is_not_called_skinned_later() -> None:
    begun = datetime(2026, 11, 23, 8, 4)
    bodies = (
        SeenRight("left-on", "way_round"), SeenRight("left-on", "hole"), ClockBegun("left-on", "sealant"))  # fmt: skip
    for turns, sort in ((8, "do"), (7, "skinned")):
        job = also(*bodies, BoltsTight("left-on", turns), now=begun + timedelta(hours=2))
        assert act(changed("left-on", job=job, torque="80", stages=("40",), bolts=4), "left-on") == sort


def test_when_every_bolt_is_tight_the_step_can_be_done() -> None:
    assert act(also(BoltsTight("right-on", 4)), "right-on") == "do"


def test_a_wait_is_started_with_one_tap_and_a_setting_is_set_elsewhere() -> None:
    assert (act(also(), "cure"), act(also(), "play-set")) == ("start", "set")


@given(st.integers(0, 60))
def test_the_star_takes_every_bolt_once(n: int) -> None:
    assert sorted(star_order(n)) == list(range(n))


@given(st.integers(2, 20))
def test_an_even_star_goes_across(half: int) -> None:
    order = star_order(2 * half)
    assert all((b - a) % (2 * half) == half for a, b in zip(order[::2], order[1::2], strict=True))


def test_the_tray_says_what_shuts_each_part_out() -> None:
    items = {i.part: i for i in tray(put_last("baffle-in").order())}
    assert (items["baffle"].shut_by, items["baffle"].trapped) == ("left-on", True)
    assert not {i.part: i for i in tray(Job().order())}["baffle"].trapped


def test_a_way_in_that_stays_shuts_nothing_out() -> None:
    from dataclasses import replace

    job = put_last("baffle-in")
    places = tuple(replace(p, ways_in=("inspection hole",)) for p in job.d.places)
    assert shut_outs(replace(job, d=replace(job.d, places=places)).order()) == []


def test_the_way_back_is_the_cover_alone_with_what_it_spoils() -> None:
    way = way_back(also(*worked(*ALL)).order(), ["baffle"])
    assert way is not None
    assert (way.steps, way.spoils) == (("left-on",), ("the sealant of left cover, for good",))
    assert way.minutes == 2 * 20 + 10


def test_the_way_back_takes_the_cheapest_of_two_openings() -> None:
    order = changed("left-on", job=also(*worked("wheel-on", "right-on", "left-on")), minutes=90).order()
    way = way_back(order, ["left-spacer"])
    assert way is not None and way.steps == ("left-on",)


def test_nothing_in_the_way_is_no_way_back() -> None:
    assert way_back(also(*worked("wheel-on")).order(), ["baffle"]) is None


def test_undoing_a_step_takes_off_what_stands_on_it_last_first() -> None:
    way = way_back_to(also(*worked(*ALL)).order(), "spacers-on")
    assert way.steps[-1] == "spacers-on" and way.steps[0] == "left-on"
    assert {"bearings-on", "right-on"} <= set(way.steps)


def test_a_signed_setting_on_the_way_is_to_be_read_again() -> None:
    way = way_back_to(also(*worked(*ALL), signed={"play": "2026-11-23T09:00:00+00:00"}).order(), "left-on")
    assert way.read_again == ("play",)


def test_from_free_to_tight_the_suspects_are_what_went_in_since_nearest_and_latest_first() -> None:
    log = turn_log(
        also(*worked("wheel-on"), Turned("cross", "free"), *worked("spacers-on", "baffle-in", "bearings-on"), Turned("cross", "tight")).order()
    )  # fmt: skip
    assert [s.step for s in log.suspects] == ["bearings-on", "spacers-on", "baffle-in"]
    assert (
        text_of(log.say)
        == "Free up to wheel onto the shaft, tight since: loosen bearings on first and turn again."
    )


def test_all_free_suspects_nothing() -> None:
    assert turn_log(also(*worked("wheel-on"), Turned("cross", "free")).order()).suspects == ()


def test_a_turn_that_never_was_free_suspects_all_that_is_in() -> None:
    log = turn_log(also(*worked("wheel-on", "spacers-on"), Turned("cross", "locked")).order())
    assert [s.step for s in log.suspects] == ["spacers-on", "wheel-on"] and log.last_good == ""


def test_the_quick_test_never_loosens_fresh_sealant_or_what_carries_a_load() -> None:
    sealed = turn_log(also(*worked("left-on"), Turned("cross", "tight")).order()).suspects[0].test
    carried = changed(
        "bearings-on", job=also(*worked("bearings-on"), Turned("cross", "tight")), support="two stands"
    )
    assert "sealant is fresh" in sealed
    assert turn_log(carried.order()).suspects[0].test.startswith("It carries a load: first two stands.")


def test_a_turn_is_owed_after_a_turning_part_until_somebody_turned() -> None:
    assert turn_log(also(*worked("wheel-on")).order()).owed == "cross"
    assert turn_log(also(*worked("wheel-on"), Turned("cross", "free")).order()).owed == ""
    assert turn_log(also(*worked("baffle-in")).order()).owed == ""
