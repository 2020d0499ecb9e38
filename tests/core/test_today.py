"""The day of a yard: what waits for a resource, what to start before leaving, what decides the finish."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime, timedelta
from typing import Any

import pytest

from bornek.core.build.bench import Bench
from bornek.core.build.findings.find import find_all
from bornek.core.build.schedule.calendar import CLOSED, ShopCalendar
from bornek.core.build.today.leaving import before_leaving, next_free
from bornek.core.build.today.rows import clashes, finishes, hand_rows
from bornek.core.build.today.say_today import say_today
from bornek.core.build.today.self_rows import self_rows
from bornek.core.build.today.yard_day import JobBuild, YardDay
from bornek.core.facts.due_back import DueBack
from bornek.core.facts.from_type import FromType
from bornek.core.facts.step_worked import StepWorked
from bornek.core.parts.orders import OrderLine
from bornek.core.phrases import text_of
from bornek.core.units.definition import Definition, Part
from plan_cases import Job, step

TWO = ShopCalendar((*(((480, 1020, 2),) * 5), CLOSED, CLOSED))
MORNING = datetime(2026, 11, 23, 9, 0)


def build(job: str, *steps: object, now: datetime = MORNING, due: str = "") -> JobBuild:
    d = Definition(steps=tuple(steps))  # type: ignore[arg-type]
    bodies = (FromType(), *((DueBack(due),) if due else ()))
    return JobBuild(job, job.upper(), job, Job(d=d, bodies=bodies).order(), Bench(now=now, calendar=TWO))


def yard(*jobs: JobBuild, now: datetime = MORNING, calendar: ShopCalendar = TWO) -> YardDay:
    return YardDay(jobs, calendar, {"press": 1, "oven": 1}, now)


def sentence(day: YardDay) -> str:
    parts = hand_rows(day), self_rows(day), clashes(day), before_leaving(day), finishes(day)
    return text_of(say_today(day, *parts).say)


def test_two_that_want_the_press_are_told_apart() -> None:
    day = yard(
        build("a", step("p", "Press the race", resource="press", minutes=60)),
        build("b", step("p", "Press the hub", resource="press", minutes=60)),
    )
    assert [(c.tag, c.holder, c.at.hour) for c in clashes(day)] == [("B", "A", 10)]
    assert sentence(day) == "Press the hub: B after A: both want the press, free at 10:00."


def test_what_soaks_overnight_is_proposed_before_leaving_with_what_it_saves() -> None:
    late = datetime(2026, 11, 23, 16, 0)
    soak = step("soak", "Felts to soak", wait="soak", wait_minutes=600, minutes=10)
    fit = step("fit", "Felts in", needs=("soak",), minutes=30)
    day = yard(build("a", soak, fit, now=late), now=late)
    assert [(x.label, x.saves) for x in before_leaving(day)] == [("Felts to soak", 24 * 60)]
    assert sentence(day) == "Start before you leave: A, felts to soak: saves 24 h."


def test_what_may_not_be_left_alone_is_never_proposed() -> None:
    late = datetime(2026, 11, 23, 16, 0)
    for wait in ("heat", "chill"):
        hot = step("hot", "Hub in the oil bath", wait=wait, wait_minutes=600, minutes=10)
        day = yard(build("a", hot, step("fit", "Hub on", needs=("hot",)), now=late), now=late)
        assert before_leaving(day) == []


def test_a_job_that_will_be_late_comes_first_and_says_so() -> None:
    slow = step("cure", "Joint cures", wait="cure", wait_minutes=3000)
    day = yard(build("a", step("x", "Cover on")), build("b", slow, due="2026-11-24"))
    assert [(f.tag, f.late) for f in finishes(day)] == [("B", True), ("A", False)]


def test_the_next_free_hand_is_when_one_of_them_is_done() -> None:
    day = yard(build("a", step("x", "Long", minutes=90)), build("b", step("y", "Short", minutes=20)))
    assert next_free(day) == datetime(2026, 11, 23, 9, 20)
    assert next_free(yard(build("a", step("x", "Long", minutes=90)))) == MORNING


def test_a_day_without_hands_says_so() -> None:
    shut = ShopCalendar((CLOSED,) * 7)
    assert next_free(yard(build("a", step("x", "Cover on")), calendar=shut)) is None


def test_an_empty_yard_has_nothing_to_say_but_how_to_begin() -> None:
    assert sentence(yard()) == "No build is begun. Plan a job from what came off it."


def test_a_wait_that_eats_the_day_is_told_and_one_overnight_is_not() -> None:
    steps = (
        step("cure", "Joint cures", wait="cure", wait_minutes=360, minutes=10),
        step("oil", "Oil in", needs=("cure",)),
    )
    for now, told in ((MORNING, True), (datetime(2026, 11, 23, 16, 45), False)):
        job = Job(d=Definition(steps=steps), bench=Bench(now=now, calendar=TWO))
        found = [f for f in find_all(job.order(), job.bench) if f.code == "eats_the_day"]
        assert bool(found) == told
    job = Job(d=Definition(steps=steps), bench=Bench(now=MORNING, calendar=TWO))
    assert (
        text_of(find_all(job.order(), job.bench)[0].say)
        == "Joint cures runs from 09:10 to 15:10 and 6 h of hands stand idle."
    )


CUP = Part("cup", "Cup", "other")
OTHER = Part("race", "Race", "other")
PARTED = Definition(
    parts=(CUP, OTHER),
    steps=(
        step("race-in", "Race in", "race"),
        step("cup-in", "Cup in", "cup", open_minutes=60, open_until="cover"),
        step("cover", "Cover on", needs=("cup-in",)),
    ),
)
LINE = OrderLine("o", "cup", "Cup", "order", "C-1", 1, "store", "", "ordered", "")


def waiting_for(bench: Bench, d: Definition = PARTED, due: str = "") -> YardDay:
    bodies = (FromType(), *((DueBack(due),) if due else ()))
    return yard(JobBuild("a", "A", "a", Job(d=d, bodies=bodies).order(), bench))


def at_hand(**also: Any) -> Bench:
    return Bench(now=MORNING, calendar=TWO, **also)


def starts_of(day: YardDay) -> dict[str, datetime]:
    return {s.task.label: day.plan.when(s.start) for s in day.plan.slots.values()}


@pytest.mark.parametrize(
    ("promised", "starts", "waits"),
    [
        ("2026-11-26", datetime(2026, 11, 26, 8, 0), ()),
        ("2026-11-23", datetime(2026, 11, 24, 8, 0), ()),
        ("2026-11-20", datetime(2026, 11, 24, 8, 0), ("Cup from store, late since 2026-11-20",)),
    ],
)
def test_a_part_with_a_promise_holds_its_step_back_and_is_never_here_already(
    promised: str, starts: datetime, waits: tuple[str, ...]
) -> None:
    day = waiting_for(at_hand(orders=(replace(LINE, promised=promised),)))
    assert starts_of(day)["Cup in"] == starts
    assert starts_of(day)["Race in"] == MORNING
    assert finishes(day)[0].waits == waits
    assert finishes(day)[0].finish == starts + timedelta(minutes=30)


@pytest.mark.parametrize(
    ("bench", "waits"),
    [
        (at_hand(orders=(LINE,)), "Cup from store: no promise"),
        (at_hand(verdicts={"cup": "replace"}), "Cup: to be had new, nothing is ordered"),
        (at_hand(verdicts={"cup": "send_out"}), "Cup: to be had new, nothing is ordered"),
        (at_hand(verdicts={"cup": "hold"}), "Cup: the verdict holds the build"),
    ],
)
def test_what_has_no_day_is_proposed_to_no_hands_and_its_job_has_no_end(bench: Bench, waits: str) -> None:
    """Nor is what follows it, nor the bead whose last bolt would wait for it."""
    day = waiting_for(bench)
    assert [(r.label, r.now) for r in hand_rows(day)] == [("Race in", True)]
    assert starts_of(day) == {"Race in": MORNING}
    (end,) = finishes(day)
    assert (end.finish, end.waits, end.late) == (None, (waits,), False)
    assert sentence(day) == "Next: A, race in."
    held_cover = replace(
        PARTED,
        steps=(
            step("bead", "Bead", open_minutes=30, open_until="on"),
            step("on", "On", "cup", needs=("bead",)),
        ),
    )
    day = waiting_for(bench, held_cover)
    assert hand_rows(day) == []
    assert sentence(day) == f"A waits for what has no day: {waits[0].lower()}{waits[1:]}."


def test_a_job_without_an_end_is_late_once_its_own_day_has_passed() -> None:
    for due, late in (("2026-11-20", True), ("2026-11-23", False)):
        assert finishes(waiting_for(at_hand(orders=(LINE,)), due=due))[0].late == late


def test_a_part_that_came_holds_nothing() -> None:
    day = waiting_for(at_hand(verdicts={"cup": "replace"}, orders=(replace(LINE, state="received"),)))
    assert set(starts_of(day)) == {"Race in", "Cup in", "Cover on"}
    assert finishes(day)[0].waits == ()


def test_an_order_in_a_loop_has_no_end_and_is_named() -> None:
    a, b = step("a", "Bearings on", needs=("b",)), step("b", "Wheel on", needs=("a",))
    day = yard(build("x", a, b))
    assert sentence(day) == "X waits for what has no day: its steps need each other, see its plan."


def test_a_yard_with_every_build_done_says_so() -> None:
    done = Job(d=Definition(steps=(step("x", "Cover on"),)), bodies=(FromType(), StepWorked("x", "done")))
    day = yard(JobBuild("a", "A", "a", done.order(), Bench(now=MORNING, calendar=TWO)))
    assert sentence(day) == "Every build is done. Prove them, or plan the next."
