"""The day of a yard: what waits for a resource, what to start before leaving, what decides the finish."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime

from bornek.core.build.bench import Bench
from bornek.core.build.findings.find import find_all
from bornek.core.build.schedule.calendar import CLOSED, ShopCalendar
from bornek.core.build.today.rows import before_leaving, clashes, finishes, hand_rows, next_free, self_rows
from bornek.core.build.today.say_today import say_today
from bornek.core.build.today.yard_day import JobBuild, YardDay
from bornek.core.facts.due_back import DueBack
from bornek.core.facts.from_type import FromType
from bornek.core.phrases import text_of
from bornek.core.units.definition import Definition
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


def test_an_order_promised_holds_its_step_back_and_one_without_a_promise_is_named() -> None:
    from bornek.core.parts.orders import OrderLine
    from bornek.core.units.definition import Part

    d = Definition(parts=(Part("cup", "Cup", "other"),), steps=(step("cup-in", "Cup in", "cup"),))
    line = OrderLine("o", "cup", "Cup", "order", "C-1", 1, "store", "2026-11-26", "ordered", "")
    for promised, starts in (("2026-11-26", datetime(2026, 11, 26, 8, 0)), ("", MORNING)):
        bench = Bench(now=MORNING, calendar=TWO, orders=(replace(line, promised=promised),))
        day = yard(JobBuild("a", "A", "a", Job(d=d).order(), bench))
        assert hand_rows(day)[0].starts == starts
        assert finishes(day)[0].unpromised == (() if promised else ("Cup from store",))
