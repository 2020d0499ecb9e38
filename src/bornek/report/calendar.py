"""The yard's schedule as iCalendar: hands as appointments, what is ready as an alarm of its own."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import date, datetime
from zoneinfo import ZoneInfo

from icalendar import Alarm, Calendar, Event

from bornek.core.build.player import hours
from bornek.core.build.schedule.tasks import Slot
from bornek.core.build.standing import waits
from bornek.core.build.today.yard_day import YardDay
from bornek.services.unit.owed import OwedView


def day_calendar(day: YardDay, yard: str, zone: str, stamp: datetime, owed: Sequence[OwedView] = ()) -> bytes:
    """One event for each step's hands and one for the moment at which a wait is over, in the yard's zone; a whole day
    for what a unit owes."""
    calendar = Calendar()
    calendar.add("prodid", "-//Bornek//build order//EN")
    calendar.add("version", "2.0")
    calendar.add("x-wr-calname", f"{yard}: build order")
    calendar.add("x-wr-timezone", zone)
    clock = ZoneInfo(zone)
    for slot in sorted(day.plan.slots.values(), key=lambda s: (s.start, s.task.key)):
        for n, piece in enumerate(slot.pieces):
            calendar.add_component(_hands(day, slot, n, piece, clock, stamp))
        if slot.task.wait:
            ready = day.plan.when(slot.end).replace(tzinfo=clock)
            words, tag = f"{slot.task.label}: ready", day.job(slot.task.job).tag
            calendar.add_component(_ready(f"{slot.task.key}.ready", tag, words, ready, stamp))
    for about in day.jobs:
        for key, wait in waits(about.order, about.bench).items():
            if about.order.is_done(key) and not wait.over:
                label = about.order.by_key[key].step.label
                ready = wait.ready.replace(tzinfo=clock)
                calendar.add_component(
                    _ready(f"{about.job}/{key}.ready", about.tag, f"{label}: ready", ready, stamp)
                )
    for o in owed:
        calendar.add_component(_due(o, stamp))
    made: bytes = calendar.to_ical()
    return made


def _due(owed: OwedView, stamp: datetime) -> Event:
    event = Event()
    event.add("uid", f"{owed.fact}.owed@bornek")
    event.add("dtstamp", stamp)
    event.add("summary", f"{owed.tag} {owed.what}")
    event.add("dtstart", date.fromisoformat(owed.until))
    event.add("description", f"put off on {owed.at} by {owed.by}, to be done by {owed.who}: {owed.why}")
    return event


def _hands(
    day: YardDay, slot: Slot, number: int, piece: tuple[int, int], clock: ZoneInfo, stamp: datetime
) -> Event:
    task = slot.task
    event = Event()
    event.add("uid", f"{task.key}.{number}@bornek" if number else f"{task.key}@bornek")
    event.add("dtstamp", stamp)
    event.add("summary", f"{day.job(task.job).tag} {task.label}")
    event.add("dtstart", day.plan.when(piece[0]).replace(tzinfo=clock))
    event.add("dtend", day.plan.when(max(piece[1], piece[0] + 1)).replace(tzinfo=clock))
    said = [
        f"{task.hands} pairs of hands" if task.hands > 1 else "",
        f"the {task.resource}" if task.resource else "",
    ]
    said.append(f"then it waits {hours(task.wait)}" if task.wait else "")
    event.add("description", "; ".join(x for x in said if x))
    return event


def _ready(uid: str, tag: str, words: str, ready: datetime, stamp: datetime) -> Event:
    event = Event()
    event.add("uid", f"{uid}@bornek")
    event.add("dtstamp", stamp)
    event.add("summary", f"{tag} {words}")
    event.add("dtstart", ready)
    event.add("dtend", ready)
    alarm = Alarm()
    alarm.add("action", "DISPLAY")
    alarm.add("description", f"{tag} {words}")
    alarm.add("trigger", ready - ready)
    event.add_component(alarm)
    return event
