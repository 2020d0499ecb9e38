"""The end of the day: when hands are free next, and which waits gain by being begun before closing."""

from __future__ import annotations

from dataclasses import dataclass, replace
from datetime import datetime

from bornek.core.build.schedule.from_order import step_of
from bornek.core.build.schedule.serial import schedule
from bornek.core.build.today.yard_day import YardDay

CANDIDATES = 6
"""How many waits are tried out for what they would save."""
WORTH_STARTING = 60
"""Waits shorter than this are not proposed before leaving [min]."""


@dataclass(frozen=True)
class Leaving:
    """What to start before the shop closes, and what that saves [min]."""

    job: str
    tag: str
    step: str
    label: str
    saves: int


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
                Leaving(
                    slot.task.job, day.job(slot.task.job).tag, step_of(slot.task.key), slot.task.label, saves
                )
            )
    return sorted(found, key=lambda x: -x.saves)
