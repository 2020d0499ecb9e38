"""What runs by itself today: waits under way, orders that come, and what can be begun."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime, timedelta

from bornek.core.build.player import hours
from bornek.core.build.schedule.from_order import step_of
from bornek.core.build.schedule.tasks import Slot
from bornek.core.build.standing import Waiting, waits
from bornek.core.build.today.yard_day import JobBuild, YardDay
from bornek.core.parts.days import is_late
from bornek.core.units.step import WAIT_WORDS

SOON_MIN = 300
"""A wait that should begin within so many minutes from now is shown as one to be begun."""


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
        if s.task.wait and s.start <= SOON_MIN and not s.task.needs
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
        step=step_of(slot.task.key),
        label=slot.task.label,
        words=f"not begun: {hours(slot.task.wait)}",
        state="start",
        begun=None,
        ready=None,
        by=day.plan.when(slot.start),
        share=0.0,
        may_be_left=slot.task.alone,
    )
