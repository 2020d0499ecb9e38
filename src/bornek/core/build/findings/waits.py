"""A wait that eats the day: hands stand idle in shop hours because nothing else of the job can be done."""

from __future__ import annotations

from bornek.core.build.bench import Bench
from bornek.core.build.findings.finding import Finding
from bornek.core.build.order import BuildOrder
from bornek.core.build.player import hours
from bornek.core.build.schedule.calendar import ShopCalendar
from bornek.core.build.schedule.from_order import tasks_of
from bornek.core.build.schedule.serial import Plan, schedule
from bornek.core.build.schedule.tasks import Slot
from bornek.core.phrases import Span, lower_first

A_THIRD_OF_A_DAY = 180
"""Idle shop hours that are worth a word [min]."""


def eats_the_day(order: BuildOrder, bench: Bench) -> list[Finding]:
    """Told once, for the longest such wait; what runs overnight eats nothing."""
    if bench.calendar is None or bench.now is None or order.loop:
        return []
    left = tasks_of(order, bench, "", bench.now)
    if not left.tasks:
        return []
    plan = schedule(left.tasks, bench.calendar, {}, bench.now, justify=False)
    idle = [(_idle(plan, s, bench.calendar), s) for s in plan.slots.values() if s.task.wait]
    if not idle:
        return []
    lost, slot = max(idle, key=lambda x: x[0])
    if lost < A_THIRD_OF_A_DAY:
        return []
    key = slot.task.key.removeprefix("/")
    begins, ends = plan.when(slot.worked), plan.when(slot.end)
    do = "Start it before the shop closes, so that it runs overnight, or take other work in between."
    if not slot.task.alone:
        do = "Somebody must stay with it: take other work to its place."
    return [
        Finding(
            code="eats_the_day",
            severity="note",
            title="It eats the day",
            words=f"{lower_first(slot.task.label)}, {hours(lost)}",
            say=(
                Span(lower_first(slot.task.label).capitalize() + " runs from "),
                Span(f"{begins:%H:%M} to {ends:%H:%M}", True),
                Span(f" and {hours(lost)} of hands stand idle."),
            ),
            do=do,
            steps=(key,),
        )
    ]


def _idle(plan: Plan, slot: Slot, calendar: ShopCalendar) -> int:
    """Shop minutes of a wait in which nobody works on the job, while something still waits for it [min]."""
    if not any(slot.task.key in s.task.needs for s in plan.slots.values()):
        return 0
    shop = calendar.hands(plan.start, slot.end // 1440 + 2) > 0
    busy = shop.copy()
    busy[:] = False
    for first, last in (p for s in plan.slots.values() for p in s.pieces):
        busy[first:last] = True
    return int((shop & ~busy)[slot.worked : slot.end].sum())
