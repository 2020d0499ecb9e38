"""A build order as tasks: what is not done, what it needs, what it waits for."""

from __future__ import annotations

from collections.abc import Collection, Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta

from bornek.core.build.bench import Bench
from bornek.core.build.order import BuildOrder
from bornek.core.build.schedule.incoming import incoming
from bornek.core.build.schedule.tasks import Task
from bornek.core.build.standing import waits
from bornek.core.facts.due_back import DueBack

SETTING_MINUTES = 45
"""Hands of a setting of which nobody said how long it takes [min]."""


@dataclass(frozen=True)
class JobTasks:
    """`late`: promises that have passed, in words. `dayless`: what nobody gave a day for, in words; the steps that
    wait for it, and all that follows them, are no tasks, so the job has no end yet."""

    tasks: tuple[Task, ...]
    late: tuple[str, ...]
    dayless: tuple[str, ...]
    due: str


def task_key(job: str, step: str) -> str:
    return f"{job}/{step}"


def step_of(key: str) -> str:
    """The step of a task, whichever job it is of.

    >>> step_of(task_key("f12", "cover"))
    'cover'
    """
    return key.split("/", 1)[1]


def due_of(order: BuildOrder) -> str:
    """The day on which the unit is promised back, the last one said; empty if none was."""
    said = [f.body.day for f in order.facts if isinstance(f.body, DueBack)]
    return said[-1] if said else ""


def tasks_of(
    order: BuildOrder, bench: Bench, job: str, now: datetime, resources: Collection[str] = ()
) -> JobTasks:
    """What is left of one job. Needs that the order does not keep do not bind; a wait that runs binds its own.
    What waits for something that has no day is left out, with all that follows it.

    >>> from bornek.core.build.order import build_order
    >>> from bornek.core.units.definition import Definition
    >>> tasks_of(build_order(Definition(), []), Bench(), "w17", datetime(2026, 11, 23, 8, 0)).tasks
    ()
    """
    running = waits(order, bench)
    against = {(n.before, n.after) for n in order.against}
    needs: dict[str, list[str]] = {}
    release: dict[str, int] = {}
    for n in order.needs:
        if (n.before, n.after) in against:
            continue
        if not order.is_done(n.before):
            needs.setdefault(n.after, []).append(n.before)
        elif n.before in running:
            left = _minutes(running[n.before].ready - now)
            release[n.after] = max(release.get(n.after, 0), left)
    due = due_of(order)
    late: list[str] = []
    dayless: list[str] = []
    stuck: set[str] = set()
    tasks = []
    for p in order.steps:
        if order.is_done(p.key):
            continue
        parts = incoming(order.d, bench, p.step.parts, now)
        late += parts.late
        dayless += parts.dayless
        if parts.dayless:
            stuck.add(task_key(job, p.key))
        if parts.comes is not None:
            release[p.key] = max(release.get(p.key, 0), _minutes(parts.comes - now))
        step = p.step
        hands = step.minutes or (SETTING_MINUTES if step.setting else step.hands_minutes)
        until = step.open_until or p.key
        tasks.append(
            Task(
                key=task_key(job, p.key),
                job=job,
                label=step.label,
                minutes=round(hands),
                hands=step.hands,
                wait=round(step.wait_minutes),
                alone=step.may_be_left,
                resource=step.resource if step.resource in resources else "",
                needs=tuple(task_key(job, k) for k in dict.fromkeys(needs.get(p.key, ()))),
                release=max(0, release.get(p.key, 0)),
                split=step.split,
                due=due,
                open_until=task_key(job, until) if step.open_minutes else "",
                open_minutes=round(step.open_minutes),
            )
        )
    left_over = _with_a_day(tasks, stuck)
    return JobTasks(left_over, tuple(dict.fromkeys(late)), tuple(dict.fromkeys(dayless)), due)


def _with_a_day(tasks: Sequence[Task], stuck: Collection[str]) -> tuple[Task, ...]:
    """Those that do not wait for anything stuck; a bead whose last bolt is stuck is not laid either."""
    waits_for = {t.key: {*t.needs, *((t.open_until,) if t.open_until else ())} for t in tasks}
    lost, fresh = set(stuck), set(stuck)
    while fresh:
        fresh = {key for key, on in waits_for.items() if on & fresh} - lost
        lost |= fresh
    return tuple(t for t in tasks if t.key not in lost)


def _minutes(span: timedelta) -> int:
    return max(0, int(-(-span.total_seconds() // 60)))
