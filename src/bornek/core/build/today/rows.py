"""The rows of today: hands, what runs by itself, calls, what takes press and crane, when each job is whole."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import datetime, timedelta

from bornek.core.build.player import hours
from bornek.core.build.schedule.bounds import deciding_chain
from bornek.core.build.schedule.from_order import JobTasks
from bornek.core.build.schedule.serial import schedule
from bornek.core.build.schedule.tasks import Slot
from bornek.core.build.standing import Waiting, waits
from bornek.core.build.today.yard_day import JobBuild, YardDay
from bornek.core.parts.days import is_late
from bornek.core.phrases import lower_first
from bornek.core.units.step import WAIT_WORDS

FACE = timedelta(hours=5)
"""What the dial shows."""
CANDIDATES = 6
"""How many waits are tried out for what they would save."""
WORTH_STARTING = 60
"""Waits shorter than this are not proposed before leaving [min]."""
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
class SelfRow:
    """`state`: runs, ready (take it), start (not begun yet, `by` the last good moment), order, late."""

    job: str
    tag: str
    step: str
    label: str
    words: str
    state: str
    begun: datetime | None
    ready: datetime | None
    by: datetime | None
    share: float
    may_be_left: bool


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


@dataclass(frozen=True)
class Leaving:
    """What to start before the shop closes, and what that saves [min]."""

    job: str
    tag: str
    step: str
    label: str
    saves: int


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
        step=_step(slot),
        label=slot.task.label,
        then=then.task.label if then else "",
        starts=day.plan.when(slot.start),
        until=day.plan.when(slot.worked),
        hands=slot.task.hands,
        resource=slot.task.resource,
        now=slot.start == 0,
    )


def _step(slot: Slot) -> str:
    return slot.task.key.split("/", 1)[1]


def self_rows(day: YardDay) -> list[SelfRow]:
    """Sorted by when they are ready; what should be started comes by its last good moment."""
    rows: list[SelfRow] = []
    for about in day.jobs:
        running = waits(about.order, about.bench)
        for key, wait in running.items():
            if about.order.is_done(key) and _wanted(about, key):
                rows.append(_running(day, about, key, wait))
        rows += [
            _order(day, about, o.label, o.supplier, o.promised)
            for o in about.bench.orders
            if o.state != "received"
        ]
    rows += [
        _to_start(day, s)
        for s in day.plan.slots.values()
        if s.task.wait and s.start <= 300 and not s.task.needs
    ]
    far = datetime.max
    return sorted(rows, key=lambda r: (r.ready or r.by or far, r.tag))


def _wanted(about: JobBuild, key: str) -> bool:
    """Whether something still waits for it."""
    after = [n.after for n in about.order.needs if n.before == key]
    return any(not about.order.is_done(k) for k in after)


def _running(day: YardDay, about: JobBuild, key: str, wait: Waiting) -> SelfRow:
    whole = (wait.ready - wait.begun).total_seconds()
    gone = (day.now - wait.begun).total_seconds()
    share = min(1.0, max(0.0, gone / whole)) if whole else 1.0
    step = about.order.by_key[key].step
    return SelfRow(
        job=about.job,
        tag=about.tag,
        step=key,
        label=step.label,
        words=f"{WAIT_WORDS[wait.sort]}, {hours(min(gone, whole) / 60)} of {hours(whole / 60)}",
        state="ready" if wait.over else "runs",
        begun=wait.begun,
        ready=wait.ready,
        by=None,
        share=share,
        may_be_left=step.may_be_left,
    )


def _order(day: YardDay, about: JobBuild, label: str, supplier: str, promised: str) -> SelfRow:
    late = is_late(promised, day.now.date().isoformat())
    return SelfRow(
        job=about.job,
        tag=about.tag,
        step="",
        label=f"{label}, ordered",
        words=f"{supplier}, {f'promised {promised}' if promised else 'no promise'}",
        state="late" if late else "order",
        begun=None,
        ready=_opens(day, promised) if promised else None,
        by=None,
        share=0.0,
        may_be_left=True,
    )


def _opens(day: YardDay, promised: str) -> datetime:
    """The moment on a promised day at which somebody could take it in."""
    moment = datetime.fromisoformat(promised)
    opens, _, hands = day.calendar.shift(promised, moment.weekday())
    return moment + timedelta(minutes=opens if hands else 0)


def _to_start(day: YardDay, slot: Slot) -> SelfRow:
    about = day.job(slot.task.job)
    return SelfRow(
        job=about.job,
        tag=about.tag,
        step=_step(slot),
        label=slot.task.label,
        words=f"not begun: {hours(slot.task.wait)}",
        state="start",
        begun=None,
        ready=None,
        by=day.plan.when(slot.start),
        share=0.0,
        may_be_left=slot.task.alone,
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


def next_free(day: YardDay) -> datetime | None:
    """When a pair of hands is next free, as scheduled from now; None on a day without hands."""
    free = day.calendar.hands(day.start, 8).astype(int)
    if not free.any():
        return None
    for s in day.plan.slots.values():
        for first, last in s.pieces:
            free[first:last] -= s.task.hands
    idle = (free > 0).nonzero()[0]
    return day.plan.when(int(idle[0])) if idle.size else None


def before_leaving(day: YardDay) -> list[Leaving]:
    """Waits that may be left alone and can begin today: what the whole gains by beginning them before closing.

    What may not be left alone is never proposed.
    """
    closes = day.calendar.closes_at(day.start)
    if closes is None or closes <= day.start:
        return []
    night = int((closes - day.start).total_seconds() // 60)
    alone = {t.key for t in day.tasks if t.alone}
    tried = [
        s
        for s in day.plan.slots.values()
        if s.task.wait >= WORTH_STARTING
        and s.task.key in alone
        and not s.task.needs
        and s.task.release <= night
        and s.worked <= night
    ][:CANDIDATES]
    found = []
    for slot in tried:
        late = [t if t.key != slot.task.key else replace(t, release=night + 1) for t in day.tasks]
        then = schedule(late, day.calendar, day.resources, day.start, justify=False).finish_of(slot.task.job)
        today = day.plan.finish_of(slot.task.job)
        saves = int((then - today).total_seconds() // 60) if then and today else 0
        if saves > 0:
            found.append(
                Leaving(slot.task.job, day.job(slot.task.job).tag, _step(slot), slot.task.label, saves)
            )
    return sorted(found, key=lambda x: -x.saves)
