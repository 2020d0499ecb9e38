"""Hands in shop hours, waits by themselves, one press at a time: cases worked by hand, and laws."""

from __future__ import annotations

import random
from datetime import datetime
from itertools import pairwise

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from bornek.core.build.schedule.bounds import deciding_chain, lower_bound
from bornek.core.build.schedule.calendar import CLOSED, ShopCalendar
from bornek.core.build.schedule.serial import Plan, schedule
from bornek.core.build.schedule.tasks import Task

SHOP = ShopCalendar()
MONDAY = datetime(2026, 11, 23, 8, 0)


def task(key: str, minutes: int, *needs: str, **more: object) -> Task:
    return Task(key, str(more.pop("job", "j")), key, minutes, needs=needs, **more)  # type: ignore[arg-type]


def span(plan: Plan, key: str) -> tuple[str, str]:
    slot = plan.slots[key]
    return f"{plan.when(slot.start):%a %H:%M}", f"{plan.when(slot.worked):%a %H:%M}"


def test_two_jobs_want_the_press_and_have_it_one_after_the_other() -> None:
    plan = schedule([task("a", 60, resource="press", job="a"), task("b", 60, resource="press", job="b")],
                    ShopCalendar((*(((480, 1020, 2),) * 5), CLOSED, CLOSED)), {"press": 1}, MONDAY)  # fmt: skip
    assert {span(plan, "a"), span(plan, "b")} == {("Mon 08:00", "Mon 09:00"), ("Mon 09:00", "Mon 10:00")}


def test_open_time_too_short_for_one_pair_of_hands_is_refused_in_words() -> None:
    tasks = [task("spread", 5, open_until="close", open_minutes=10), task("close", 15, "spread")]
    plan = schedule(tasks, SHOP, {}, MONDAY)
    assert "two pairs of hands, or a slower sealant" in plan.refused["spread"]


@pytest.mark.parametrize(("between", "inside"), [(5, True), (6, False)])
def test_what_fits_into_an_open_time_may_come_between_and_what_does_not_may_not(
    between: int, inside: bool
) -> None:
    tasks = [
        task("spread", 5, open_until="close", open_minutes=25), task("between", between, job="k", release=5),
        task("close", 15, "spread"),
    ]  # fmt: skip
    plan = schedule(tasks, SHOP, {}, MONDAY)
    spread, close = plan.slots["spread"], plan.slots["close"]
    assert close.worked - spread.start <= 25 and not plan.refused
    gap = close.start - spread.worked
    assert gap <= 5 and (inside or gap == 0)


def test_an_attended_step_is_not_split_over_closing_time() -> None:
    plan = schedule([task("a", 90)], SHOP, {}, MONDAY.replace(hour=16))
    assert span(plan, "a") == ("Tue 08:00", "Tue 09:30")


def test_one_that_may_be_split_is() -> None:
    plan = schedule([task("a", 90, split=True)], SHOP, {}, MONDAY.replace(hour=16))
    assert span(plan, "a") == ("Mon 16:00", "Tue 08:30")


def test_one_longer_than_a_day_is_split_and_said() -> None:
    plan = schedule([task("a", 600)], SHOP, {}, MONDAY)
    assert span(plan, "a")[0] == "Mon 08:00" and "longer than a shop day" in plan.refused["a"]


def test_a_wait_that_needs_somebody_stays_in_shop_hours() -> None:
    assert (
        span(schedule([task("a", 10, wait=120, alone=False)], SHOP, {}, MONDAY.replace(hour=16)), "a")[0]
        == "Tue 08:00"
    )
    assert span(schedule([task("a", 10, wait=120)], SHOP, {}, MONDAY.replace(hour=16)), "a")[0] == "Mon 16:00"


def test_the_oven_stays_taken_while_it_heats_and_the_crane_does_not() -> None:
    two = ShopCalendar((*(((480, 1020, 2),) * 5), CLOSED, CLOSED))
    for name, starts in (("oven", "Mon 09:10"), ("crane", "Mon 08:10")):
        tasks = [task(k, 10, wait=60, resource=name, job=k) for k in "ab"]
        plan = schedule(tasks, two, {name: 1}, MONDAY)
        assert sorted(span(plan, k)[0] for k in "ab") == ["Mon 08:00", starts]


def test_a_closed_day_and_a_weekend_are_passed_over() -> None:
    shop = ShopCalendar(days={"2026-11-24": CLOSED})
    assert (
        span(schedule([task("a", 60)], shop, {}, MONDAY.replace(hour=16, minute=30)), "a")[0] == "Wed 08:00"
    )
    friday = datetime(2026, 11, 27, 16, 30)
    assert span(schedule([task("a", 60)], SHOP, {}, friday), "a")[0] == "Mon 08:00"


def test_the_longest_tail_goes_first() -> None:
    plan = schedule([task("short", 30), task("long", 30, wait=600)], SHOP, {}, MONDAY)
    assert plan.slots["long"].start < plan.slots["short"].start
    assert deciding_chain(plan)[-1] == "long"


def test_what_was_promised_first_goes_first_where_the_tails_are_the_same() -> None:
    plan = schedule(
        [task("a", 30, due="2026-12-01", job="a"), task("b", 30, due="2026-11-24", job="b")], SHOP, {}, MONDAY
    )
    assert plan.slots["b"].start < plan.slots["a"].start


def test_what_is_promised_today_goes_before_a_longer_job_that_has_time() -> None:
    long = [task("x1", 300, job="x", due="2026-11-27"), task("x2", 300, "x1", job="x", due="2026-11-27")]
    plan = schedule([*long, task("y", 300, job="y", due="2026-11-23")], SHOP, {}, MONDAY)
    assert span(plan, "y") == ("Mon 08:00", "Mon 13:00")
    calm = schedule([*long, task("y", 300, job="y", due="2026-11-27")], SHOP, {}, MONDAY)
    assert span(calm, "x1")[0] == "Mon 08:00"


def test_no_hands_at_all_is_said_and_takes_nothing_down() -> None:
    plan = schedule([task("a", 30)], ShopCalendar((CLOSED,) * 7), {}, MONDAY)
    assert "finds no hands" in plan.refused["a"] or "longer than a shop day" in plan.refused["a"]


def test_what_may_not_be_left_alone_for_longer_than_a_day_is_said() -> None:
    plan = schedule([task("a", 10, wait=700, alone=False)], SHOP, {}, MONDAY)
    assert "may not be left alone" in plan.refused["a"] and set(plan.slots) == {"a"}


def test_a_loop_is_refused_and_the_rest_is_placed() -> None:
    plan = schedule([task("a", 10, "b"), task("b", 10, "a"), task("c", 10)], SHOP, {}, MONDAY)
    assert set(plan.refused) == {"a", "b"} and set(plan.slots) == {"c"}


def yard(seed: int) -> list[Task]:
    dice, tasks = random.Random(seed), []
    for n in range(dice.randint(1, 25)):
        needs = tuple(dice.sample([t.key for t in tasks], min(len(tasks), dice.randint(0, 2))))
        tasks.append(
            Task(
                str(n), f"j{n % 3}", str(n), dice.choice((5, 20, 60, 200)), dice.choice((1, 2)), dice.choice((0, 0, 45, 700)),
                dice.random() < 0.7, dice.choice(("", "", "press", "oven")), needs, split=dice.random() < 0.2,
            )
        )  # fmt: skip
    return tasks


@settings(max_examples=40)
@given(st.integers(0, 10_000))
def test_any_schedule_keeps_needs_hands_and_resources_and_never_beats_the_bound(seed: int) -> None:
    shop = ShopCalendar((*(((480, 1020, 2),) * 5), (480, 720, 2), CLOSED))
    tasks = yard(seed)
    plan = schedule(tasks, shop, {"press": 1, "oven": 1}, MONDAY)
    assert set(plan.slots) == {t.key for t in tasks}
    assert all(s.pieces or s.task.key in plan.refused for s in plan.slots.values())
    for s in plan.slots.values():
        assert all(plan.slots[n].end <= s.start for n in s.task.needs)
    hands = shop.hands(MONDAY, plan.finish // 1440 + 2).astype(int)
    for s in (x for x in plan.slots.values() if x.pieces):
        assert sum(b - a for a, b in s.pieces) == s.task.minutes
        for first, last in s.pieces:
            hands[first:last] -= s.task.hands
    assert hands.min() >= 0
    for name in ("press", "oven"):
        mine = [s for s in plan.slots.values() if s.task.resource == name]
        held = sorted([p for s in mine for p in s.pieces] + [(s.worked, s.end) for s in mine])
        assert all(a[1] <= b[0] for a, b in pairwise(held))
    if not plan.refused:
        assert plan.finish >= lower_bound(tasks, shop, {"press": 1, "oven": 1}, MONDAY)
