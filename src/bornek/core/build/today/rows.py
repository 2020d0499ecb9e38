"""The rows of today: hands, who has press and crane and where they clash, when each job is whole."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta

from bornek.core.build.schedule.bounds import deciding_chain
from bornek.core.build.schedule.from_order import JobTasks, step_of
from bornek.core.build.schedule.tasks import Slot
from bornek.core.build.today.yard_day import YardDay
from bornek.core.parts.days import is_late
from bornek.core.phrases import lower_first

FACE = timedelta(hours=5)
"""What the dial shows."""
IN_A_LOOP = JobTasks((), (), ("its steps need each other, see its plan",), "")


@dataclass(frozen=True)
class HandRow:
    """What one job's hands do next: `starts` is now or when it can; `then` what follows it."""

    job: str
    tag: str
    step: str
    label: str
    then: str
    starts: datetime
    until: datetime
    hands: int
    resource: str
    now: bool


@dataclass(frozen=True)
class Ring:
    """Who has a resource, from when to when; `now` or later."""

    resource: str
    tag: str
    label: str
    begins: datetime
    ends: datetime
    now: bool


@dataclass(frozen=True)
class Clash:
    """`tag` waits for a resource that `holder` has until `at`."""

    resource: str
    tag: str
    holder: str
    label: str
    at: datetime


@dataclass(frozen=True)
class JobFinish:
    """`chain`: what decides it, in words. `waits`: what it waits for that is late or has no day; without a day it has
    no `finish`."""

    job: str
    tag: str
    name: str
    finish: datetime | None
    due: str
    late: bool
    chain: tuple[str, ...]
    waits: tuple[str, ...]


def hand_rows(day: YardDay) -> list[HandRow]:
    """Everything that hands begin now, then the next step of each job that has none of them."""
    slots = sorted(day.plan.slots.values(), key=lambda s: (s.start, s.end))
    chosen = [s for s in slots if s.start == 0]
    seen = {s.task.job for s in chosen}
    for slot in slots:
        if slot.task.job not in seen:
            seen.add(slot.task.job)
            chosen.append(slot)
    rows = [_hand_row(day, slot, slots) for slot in chosen]
    return sorted(rows, key=lambda r: (not r.now, r.starts, r.tag))


def _hand_row(day: YardDay, slot: Slot, slots: Sequence[Slot]) -> HandRow:
    job = slot.task.job
    then = next((s for s in slots if s.task.job == job and s.start >= slot.worked and s is not slot), None)
    return HandRow(
        job=job,
        tag=day.job(job).tag,
        step=step_of(slot.task.key),
        label=slot.task.label,
        then=then.task.label if then else "",
        starts=day.plan.when(slot.start),
        until=day.plan.when(slot.worked),
        hands=slot.task.hands,
        resource=slot.task.resource,
        now=slot.start == 0,
    )


def rings(day: YardDay) -> list[Ring]:
    """Resources over the face of the dial."""
    end = day.now + FACE
    found = [
        Ring(
            resource=s.task.resource,
            tag=day.job(s.task.job).tag,
            label=s.task.label,
            begins=day.plan.when(s.start),
            ends=day.plan.when(s.start + max(s.task.held, s.worked - s.start)),
            now=s.start == 0,
        )
        for s in day.plan.slots.values()
        if s.task.resource and day.plan.when(s.start) < end
    ]
    return sorted(found, key=lambda r: (r.resource, r.begins))


def clashes(day: YardDay) -> list[Clash]:
    """Steps that would start earlier if another had not the resource they want."""
    found = []
    held = [s for s in day.plan.slots.values() if s.task.resource]
    for slot in held:
        if slot.why != "busy" or day.plan.when(slot.start) > day.now + FACE:
            continue
        before = [
            s
            for s in held
            if s is not slot and s.task.resource == slot.task.resource and s.start + s.task.held == slot.start
        ]
        if before and before[0].task.job != slot.task.job:
            found.append(
                Clash(
                    resource=slot.task.resource,
                    tag=day.job(slot.task.job).tag,
                    holder=day.job(before[0].task.job).tag,
                    label=slot.task.label,
                    at=day.plan.when(slot.start),
                )
            )
    return sorted(found, key=lambda c: c.at)


def finishes(day: YardDay) -> list[JobFinish]:
    """When each job is whole at the earliest, the late ones first. One that waits for what has no day has no end, and
    is late once its own day has passed."""
    found = []
    for about in day.jobs:
        left = day.left.get(about.job, IN_A_LOOP)
        finish = None if left.dayless else day.plan.finish_of(about.job)
        chain = () if left.dayless else deciding_chain(day.plan, about.job)
        end = finish or (day.now if left.dayless else None)
        found.append(
            JobFinish(
                job=about.job,
                tag=about.tag,
                name=about.name,
                finish=finish,
                due=left.due,
                late=end is not None and is_late(left.due, end.date().isoformat()),
                chain=tuple(_in_words(day, about.job, k) for k in chain[-4:]),
                waits=(*left.dayless, *left.late),
            )
        )
    far = datetime.max
    return sorted(found, key=lambda f: (not f.late, f.finish or far, f.tag))


def _in_words(day: YardDay, job: str, key: str) -> str:
    """A step of the chain; one of another job by its tag."""
    words = lower_first(day.label_of(key))
    other = day.plan.slots[key].task.job
    return words if other == job else f"{day.job(other).tag}'s {words}"
