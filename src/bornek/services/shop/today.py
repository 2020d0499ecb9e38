"""The yard's day: every job in the middle of its build, laid into the shop's hours."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.build.today.leaving import Leaving, before_leaving, next_free
from bornek.core.build.today.rows import Clash, HandRow, JobFinish, Ring, clashes, finishes, hand_rows, rings
from bornek.core.build.today.say_today import say_today
from bornek.core.build.today.self_rows import SelfRow, self_rows
from bornek.core.build.today.yard_day import JobBuild, YardDay
from bornek.core.facts.registry import fact_kinds
from bornek.core.facts.removed import RemovedKind
from bornek.core.phrases import Span
from bornek.core.plain import dump
from bornek.services.plan.load_plan import load_plan
from bornek.services.shop.hours import shop_calendar
from bornek.services.shop.tools import resources
from bornek.store.queries.jobs import job_with_unit
from bornek.store.queries.shop_time import jobs_in_build
from bornek.store.queries.yard import local


@dataclass(frozen=True)
class TodayView:
    """Moments are as the clock on the yard's wall says them. `bound`: what no schedule can beat. `refused`: what
    cannot be as it is written, in words."""

    now: str
    closes: str
    hands_now: int
    free_at: str
    say: list[Span]
    head: str
    aside: str
    hands: list[HandRow]
    by_itself: list[SelfRow]
    rings: list[Ring]
    clashes: list[Clash]
    finishes: list[JobFinish]
    leaving: list[Leaving]
    finish: str
    bound: str
    refused: list[str]
    cautions: list[str]


CAUTIONS = (
    "Hot parts: nut, drift and gloves laid out before the oven opens. Lifting is for those who hold the licence.",
    "Flame, oil bath, induction, dry ice and a ram under load are never left alone.",
    "The maker's manual, the shop's rules and local codes come first.",
)


def yard_day(session: Session, now: datetime) -> YardDay:
    """`now` with its zone; the day is the yard's own."""
    moment = local(session, now)
    kinds = [k.key for k in fact_kinds("plan")] + [RemovedKind.key]
    builds = []
    for job, unit in jobs_in_build(session, kinds):
        plan = load_plan(session, job, moment)
        if plan.order.steps:
            builds.append(JobBuild(job.id, unit.tag, unit.name, plan.order, plan.bench))
    wall = moment.replace(tzinfo=None)
    return YardDay(builds, shop_calendar(session), resources(session, wall.date()), wall)


def job_day(session: Session, job_id: str, now: datetime) -> YardDay:
    """One job alone in the shop's hours."""
    job, unit = job_with_unit(session, job_id)
    moment = local(session, now)
    plan = load_plan(session, job, moment)
    build = JobBuild(job.id, unit.tag, unit.name, plan.order, plan.bench)
    wall = moment.replace(tzinfo=None)
    return YardDay((build,), shop_calendar(session), resources(session, wall.date()), wall)


def view_today(session: Session, now: datetime) -> dict[str, Any]:
    day = yard_day(session, now)
    hands, by_itself, wanted = hand_rows(day), self_rows(day), clashes(day)
    leaving, done = before_leaving(day), finishes(day)
    said = say_today(day, hands, by_itself, wanted, leaving, done)
    closes, free = day.calendar.closes_at(day.start), next_free(day)
    view = TodayView(
        now=_stamp(day.now),
        closes=_stamp(closes) if closes else "",
        hands_now=int(day.calendar.hands(day.start, 1)[0]),
        free_at=_stamp(free) if free else "",
        say=list(said.say),
        head=said.head,
        aside=said.aside,
        hands=hands,
        by_itself=by_itself,
        rings=rings(day),
        clashes=wanted,
        finishes=done,
        leaving=leaving,
        finish=_stamp(day.plan.when(day.plan.finish)) if day.tasks else "",
        bound=_stamp(day.start + timedelta(minutes=day.bound)) if day.tasks else "",
        refused=list(day.plan.refused.values()),
        cautions=list(CAUTIONS),
    )
    shown: dict[str, Any] = dump(view)
    return shown


def _stamp(moment: datetime) -> str:
    return moment.isoformat(timespec="minutes")
