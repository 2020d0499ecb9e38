"""What no schedule can beat, and the chain that decides the one there is."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from datetime import datetime

import numpy as np

from bornek.core.build.schedule.calendar import DAY, ShopCalendar
from bornek.core.build.schedule.serial import Plan, schedule
from bornek.core.build.schedule.tasks import Task

MANY = 99


def lower_bound(
    tasks: Sequence[Task], calendar: ShopCalendar, resources: Mapping[str, int], start: datetime
) -> int:
    """The larger of the longest chain through the calendar and, for hands and each resource, its whole work laid into
    its own calendar from now [min].

    Two jobs each 60 min press from 8:00 cannot be done before 10:00:

    >>> two = [Task(k, k, "press", 60, resource="press") for k in "ab"]
    >>> lower_bound(two, ShopCalendar(), {"press": 1}, datetime(2026, 11, 23, 8, 0))
    120
    """
    if not tasks:
        return 0
    plenty = ShopCalendar(
        tuple((a, b, MANY if n else 0) for a, b, n in calendar.week),
        {day: (a, b, MANY if n else 0) for day, (a, b, n) in calendar.days.items()},
    )
    chain = schedule(tasks, plenty, {}, start, justify=False).finish
    least_tail = min(t.wait for t in tasks)
    work = sum(t.minutes * t.hands for t in tasks)
    bounds = [chain, _laid(work, calendar, start) + least_tail]
    for name, n in resources.items():
        mine = [t for t in tasks if t.resource == name]
        if mine and n:
            bounds.append(-(-sum(t.held for t in mine) // n))
            attended = -(-sum(t.minutes for t in mine) // n)
            bounds.append(_laid(attended, _one_hand(calendar), start))
    return max(bounds)


def _one_hand(calendar: ShopCalendar) -> ShopCalendar:
    return ShopCalendar(
        tuple((a, b, min(n, 1)) for a, b, n in calendar.week),
        {day: (a, b, min(n, 1)) for day, (a, b, n) in calendar.days.items()},
    )


def _laid(work: int, calendar: ShopCalendar, start: datetime) -> int:
    """When so many minutes of hands are worked, all hands at it without a pause [min]."""
    if work <= 0:
        return 0
    days = 14
    while days <= 800:
        done = np.cumsum(calendar.hands(start, days))
        if done.size and done[-1] >= work:
            return int(np.searchsorted(done, work)) + 1
        days *= 2
    return days * DAY


def deciding_chain(plan: Plan, job: str = "") -> list[str]:
    """Keys from the first to the last task of the chain that decides the finish, of one job or of all.

    >>> from bornek.core.build.schedule.calendar import ShopCalendar
    >>> tasks = [Task("a", "j", "a", 10, wait=60), Task("b", "j", "b", 10, needs=("a",)), Task("c", "j", "c", 5)]
    >>> deciding_chain(schedule(tasks, ShopCalendar(), {}, datetime(2026, 11, 23, 8, 0)))
    ['a', 'b']
    """
    mine = {k: s for k, s in plan.slots.items() if not job or s.task.job == job}
    if not mine:
        return []
    key: str = max(mine, key=lambda k: (mine[k].end, k))
    chain = [key]
    while True:
        before = _before(plan, key)
        if not before or before in chain:
            return chain[::-1]
        chain.append(before)
        key = before


def _before(plan: Plan, key: str) -> str:
    """What a task's start waited for: a need that ended last, or who had its hands or resource until then."""
    slot = plan.slots[key]
    if slot.why and slot.why != "busy":
        return slot.why
    ends = [(plan.slots[n].end, n) for n in slot.task.needs if n in plan.slots]
    if slot.why == "busy":
        for k, s in plan.slots.items():
            same = s.task.resource and s.task.resource == slot.task.resource
            until = s.start + s.task.held if same else s.worked
            if k != key and until == slot.start:
                return k
    return max(ends, default=(0, ""))[1]
