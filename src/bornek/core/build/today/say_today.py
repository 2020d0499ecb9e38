"""The one sentence of the yard's day."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import datetime

from bornek.core.build.player import hours
from bornek.core.build.say_plan import Said
from bornek.core.build.schedule.incoming import in_a_sentence
from bornek.core.build.today.leaving import Leaving
from bornek.core.build.today.rows import Clash, HandRow, JobFinish
from bornek.core.build.today.self_rows import SelfRow
from bornek.core.build.today.yard_day import YardDay
from bornek.core.phrases import Span, lower_first, plain


def say_today(
    day: YardDay,
    hands: Sequence[HandRow],
    by_itself: Sequence[SelfRow],
    clashes: Sequence[Clash],
    leaving: Sequence[Leaving],
    finish: Sequence[JobFinish],
) -> Said:
    """What is ready and does not wait, what two want at once, what to start before leaving, else the next hand."""
    head, aside = _aside(day, finish)
    ready = next((r for r in by_itself if r.state == "ready" and not r.may_be_left), None)
    if ready is not None:
        return Said(
            (Span("Take it now: "), Span(ready.tag, True), Span(f", {lower_first(ready.label)} is ready.")),
            head,
            aside,
        )
    if clashes:
        c = clashes[0]
        words = f" after {c.holder}: both want the {c.resource}, free at {c.at:%H:%M}."
        return Said((Span(f"{c.label}: "), Span(c.tag, True), Span(words)), head, aside)
    closing = day.calendar.closes_at(day.start)
    near = closing is not None and (closing - day.now).total_seconds() < 2 * 3600
    if leaving and near:
        x = leaving[0]
        words = f", {lower_first(x.label)}: saves {hours(x.saves)}."
        return Said((Span("Start before you leave: "), Span(x.tag, True), Span(words)), head, aside)
    first = next((r for r in hands if r.now), hands[0] if hands else None)
    if first is None:
        return _nothing_to_do(finish, aside)
    when = "" if first.now else f" at {_when(day.now, first.starts)}"
    takes = f", with the {first.resource}" if first.resource else ""
    return Said(
        (Span(f"Next{when}: "), Span(first.tag, True), Span(f", {lower_first(first.label)}{takes}.")),
        head,
        aside,
    )


def _when(now: datetime, then: datetime) -> str:
    """
    >>> _when(datetime(2026, 11, 23, 10, 0), datetime(2026, 11, 23, 11, 40))
    '11:40'
    >>> _when(datetime(2026, 11, 23, 10, 0), datetime(2026, 11, 24, 8, 0))
    '08:00 on Tue 24'
    """
    return f"{then:%H:%M}" if then.date() == now.date() else f"{then:%H:%M} on {then:%a} {then.day}"


def _nothing_to_do(finish: Sequence[JobFinish], aside: str) -> Said:
    """No hands have work: everything waits for what has no day, everything is done, or nothing is begun."""
    stuck = next((f for f in finish if f.waits and f.finish is None), None)
    if stuck is not None:
        words = f" waits for what has no day: {in_a_sentence(stuck.waits)}."
        return Said((Span(stuck.tag, True), Span(words)), "Order it, or ask when it comes", aside)
    if finish:
        return Said(plain("Every build is done. Prove them, or plan the next."), "", aside)
    return Said(plain("No build is begun. Plan a job from what came off it."), "", "")


def _aside(day: YardDay, finish: Sequence[JobFinish]) -> tuple[str, str]:
    """When all is whole, beside what no schedule can beat; who is late, who has no end, what decides."""
    whole = [f.finish for f in finish if f.finish is not None]
    words = [_late_words(day, f) for f in finish if f.late][:1]
    words += [
        f"{f.tag} has no end yet: {in_a_sentence(f.waits)}." for f in finish if f.waits and f.finish is None
    ][:1]
    if not whole:
        return "", " ".join(words)
    end = max(whole)
    slack = day.plan.finish - day.bound
    gap = "nothing can beat it" if slack <= 0 else f"at best {hours(slack)} sooner"
    last = max(finish, key=lambda f: f.finish or datetime.min)
    if last.chain:
        words.append(f"Decided by {', then '.join(last.chain[-2:])}.")
    some = "All" if len(whole) == len(finish) else "What has a day"
    return f"{some} by {end:%a} {end.day} {end:%b}, {end:%H:%M}; {gap}", " ".join(words)


def _late_words(day: YardDay, f: JobFinish) -> str:
    when = f"whole {_when(day.now, f.finish)}, " if f.finish else ""
    return f"{f.tag} is late: {when}promised {f.due}."
