"""One schedule for all jobs: the longest tail first, then what is promised first; then pushed together from both ends."""

from __future__ import annotations

import heapq
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import datetime, timedelta

from bornek.core.build.schedule.calendar import ShopCalendar
from bornek.core.build.schedule.tasks import Slot, Task
from bornek.core.build.schedule.timeline import Timeline

ROUNDS = 40
"""How often a sealant's first bead is moved later before it is refused."""


@dataclass(frozen=True)
class Plan:
    """`slots` by key. `finish` of everything [min]. `refused`: what cannot be as it is written, by key, in words."""

    start: datetime
    slots: Mapping[str, Slot]
    finish: int
    refused: Mapping[str, str]

    def when(self, minute: int) -> datetime:
        return self.start + timedelta(minutes=minute)

    def finish_of(self, job: str) -> datetime | None:
        """When a job is whole, its waits over; None for one without a task."""
        ends = [s.end for s in self.slots.values() if s.task.job == job]
        return self.when(max(ends)) if ends else None


def schedule(
    tasks: Sequence[Task],
    calendar: ShopCalendar,
    resources: Mapping[str, int],
    start: datetime,
    justify: bool = True,
) -> Plan:
    """Serial generation, then backward and forward justification; maximum lags kept. Tasks in a loop are refused.
    Where a job would be late so, what is promised first goes first, if that makes less of it late.

    Chain of 10 h cure and 2 × 30 min hands begun at 16:00 with shop hours 8 to 17:

    >>> chain = [Task("a", "j", "lay", 30, wait=600), Task("b", "j", "close", 30, needs=("a",))]
    >>> p = schedule(chain, ShopCalendar(), {}, datetime(2026, 11, 23, 16, 0))
    >>> [(p.when(s.start).strftime("%H:%M"), p.when(s.end).strftime("%H:%M")) for s in p.slots.values()]
    [('16:00', '02:30'), ('08:00', '08:30')]
    """
    known = {t.key for t in tasks}
    tasks = [replace(t, needs=tuple(n for n in t.needs if n in known)) for t in tasks]
    tasks, refused = _possible(tasks, calendar)
    tail = tails(tasks)
    if len(tail) < len(tasks):
        for t in tasks:
            if t.key not in tail:
                refused[t.key] = f"{t.label} needs itself by a loop"
        tasks = [t for t in tasks if t.key in tail]
    rank = {t.key: (-tail[t.key], t.due or "9999", n) for n, t in enumerate(tasks)}
    best = _with_lags(tasks, rank, calendar, resources, start, refused)
    if justify and best.slots:
        later = _backward(best, calendar, resources)
        if later:
            order = {k: (float(s), "", n) for n, (k, s) in enumerate(later.items())}
            again = _with_lags(tasks, order, calendar, resources, start, dict(refused))
            if again.finish <= best.finish and len(again.slots) == len(best.slots):
                best = again
    if _late(best) > 0:
        by_promise = {
            t.key: (_day(t.due, start), f"{1e9 - tail[t.key]:012.0f}", n) for n, t in enumerate(tasks)
        }
        sooner = _with_lags(tasks, by_promise, calendar, resources, start, dict(refused))
        if _late(sooner) < _late(best):
            best = sooner
    return best


def _day(due: str, start: datetime) -> float:
    """The end of a promised day [min from start]; far off where nothing was promised."""
    if not due:
        return float("inf")
    return (datetime.fromisoformat(due) + timedelta(days=1) - start).total_seconds() / 60


def _late(plan: Plan) -> float:
    """How much later than promised the jobs are whole, all together [min]."""
    ends: dict[tuple[str, str], int] = {}
    for s in plan.slots.values():
        if s.task.due:
            key = (s.task.job, s.task.due)
            ends[key] = max(ends.get(key, 0), s.end)
    return sum(max(0.0, end - _day(due, plan.start)) for (_, due), end in ends.items())


def tails(tasks: Sequence[Task]) -> dict[str, float]:
    """The longest way from the start of each task to the end of everything [min]; tasks in a loop are left out.

    >>> tails([Task("a", "j", "a", 10, wait=5), Task("b", "j", "b", 20, needs=("a",))])
    {'b': 20.0, 'a': 35.0}
    """
    after: dict[str, list[str]] = {t.key: [] for t in tasks}
    left = {t.key: 0 for t in tasks}
    by_key = {t.key: t for t in tasks}
    for t in tasks:
        for n in t.needs:
            after[n].append(t.key)
            left[n] += 1
    ready = [k for k, n in left.items() if n == 0]
    found: dict[str, float] = {}
    while ready:
        key = ready.pop()
        found[key] = float(by_key[key].whole) + max((found[k] for k in after[key]), default=0.0)
        for n in by_key[key].needs:
            left[n] -= 1
            if left[n] == 0:
                ready.append(n)
    return found


def _possible(tasks: Sequence[Task], calendar: ShopCalendar) -> tuple[list[Task], dict[str, str]]:
    """What is longer than any shop day is split and said; a sealant that can never be met is said."""
    refused: dict[str, str] = {}
    found = []
    by_key = {t.key: t for t in tasks}
    for t in tasks:
        if not t.split and t.minutes > calendar.longest_day:
            refused[t.key] = f"{t.label} is longer than a shop day: split it, or say that it may be split"
            t = replace(t, split=True)
        if t.wait and not t.alone and t.wait > calendar.longest_day:
            refused[t.key] = f"{t.label} may not be left alone, and its wait is longer than any shop day"
            t = replace(t, alone=True)
        if t.open_minutes:
            last = by_key.get(t.open_until)
            need = t.minutes + (last.minutes if last and last.key != t.key else 0)
            if need > t.open_minutes:
                refused[t.key] = (
                    f"{t.label}: {need} min of work in {t.open_minutes} min open time: two pairs of hands, or a slower sealant"
                )
                t = replace(t, open_minutes=0)
        found.append(t)
    return found, refused


def _with_lags(
    tasks: Sequence[Task],
    rank: Mapping[str, tuple[float, str, int]],
    calendar: ShopCalendar,
    resources: Mapping[str, int],
    start: datetime,
    refused: dict[str, str],
) -> Plan:
    """Forward; where the last bolt comes too late the first bead is laid later."""
    release = {t.key: t.release for t in tasks}
    lagged = [t for t in tasks if t.open_minutes and t.open_until not in ("", t.key)]
    for _ in range(ROUNDS):
        slots, lost = _forward(tasks, rank, release, calendar, resources, start)
        late = [
            t
            for t in lagged
            if t.key in slots
            and t.open_until in slots
            and slots[t.open_until].worked - slots[t.key].start > t.open_minutes
        ]
        if not late:
            break
        for t in late:
            release[t.key] = max(slots[t.open_until].worked - t.open_minutes, release[t.key] + 1)
    else:
        for t in late:
            refused[t.key] = f"{t.label}: it skins before the last bolt, whatever is moved"
    finish = max((s.end for s in slots.values()), default=0)
    return Plan(start, slots, finish, {**refused, **lost})


def _forward(
    tasks: Sequence[Task],
    rank: Mapping[str, tuple[float, str, int]],
    release: Mapping[str, int],
    calendar: ShopCalendar,
    resources: Mapping[str, int],
    start: datetime,
) -> tuple[dict[str, Slot], dict[str, str]]:
    line = Timeline(start, calendar, resources)
    by_key = {t.key: t for t in tasks}
    left = {t.key: len(set(t.needs)) for t in tasks}
    after: dict[str, list[str]] = {t.key: [] for t in tasks}
    for t in tasks:
        for n in dict.fromkeys(t.needs):
            after[n].append(t.key)
    ready = [(rank[k], k) for k, n in left.items() if n == 0]
    heapq.heapify(ready)
    slots: dict[str, Slot] = {}
    lost: dict[str, str] = {}
    while ready:
        _, key = heapq.heappop(ready)
        t = by_key[key]
        ends = [(slots[n].end, n) for n in t.needs if n in slots]
        bound = max(ends, default=(0, ""))
        lo = max(bound[0], release[key])
        at = line.earliest(t, lo)
        if at is None:
            lost[key] = f"{t.label} finds no hands or no {t.resource or 'shop hours'} in a year"
            at = lo
            slots[key] = Slot(t, at, at + t.minutes, at + t.whole)
        else:
            pieces = line.take(t, at)
            worked = pieces[-1][1]
            why = bound[1] if at == lo and bound[0] >= release[key] else "" if at == lo else "busy"
            slots[key] = Slot(t, at, worked, worked + t.wait, pieces, why)
        for k in after[key]:
            left[k] -= 1
            if left[k] == 0:
                heapq.heappush(ready, (rank[k], k))
    return slots, lost


def _backward(plan: Plan, calendar: ShopCalendar, resources: Mapping[str, int]) -> dict[str, int]:
    """Each task as late as it can be without a later finish: the order in which to go forward again."""
    line = Timeline(plan.start, calendar, resources)
    while line.free.size < plan.finish and line.grow():
        pass
    after: dict[str, list[str]] = {k: [] for k in plan.slots}
    for k, s in plan.slots.items():
        for n in s.task.needs:
            if n in after:
                after[n].append(k)
    starts: dict[str, int] = {}
    for key in sorted(plan.slots, key=lambda k: -plan.slots[k].end):
        t = plan.slots[key].task
        end = min((starts[k] for k in after[key] if k in starts), default=plan.finish)
        at = None if t.split else line.latest(t, end, t.release)
        if at is None:
            at = plan.slots[key].start
        else:
            line.take(t, at)
        starts[key] = at
    return dict(sorted(starts.items(), key=lambda kv: kv[1]))
