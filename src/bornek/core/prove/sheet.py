"""The last look whole: every point in its order, what is next, and whether the unit may leave."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property

from bornek.core.facts.kind import Fact
from bornek.core.facts.released import release_of
from bornek.core.phrases import Say, Span, count_words, lower_first
from bornek.core.prove.after import after_points, own_points, run_points
from bornek.core.prove.build_points import build_points
from bornek.core.prove.filled import filled_points
from bornek.core.prove.part_points import part_points
from bornek.core.prove.point import GROUPS, Group, ProvePoint, spoken_off
from bornek.core.prove.ready import ready_points
from bornek.core.prove.running import RunLog, run_log, say_run
from bornek.core.prove.settled import settled_points
from bornek.core.prove.stands import JobStands
from bornek.core.prove.turned import turned_points

BEFORE_RUN: tuple[Group, ...] = ("settled", "inside", "turned", "filled")
ORDER = list(GROUPS)


@dataclass(frozen=True)
class ProveSheet:
    """`points` as they are worked. `release`: the one that stands."""

    points: tuple[ProvePoint, ...]
    log: RunLog
    release: Fact | None
    second_person: bool

    @cached_property
    def by_key(self) -> dict[str, ProvePoint]:
        return {p.key: p for p in self.points}

    @cached_property
    def open(self) -> list[ProvePoint]:
        return [p for p in self.points if p.is_open]

    def open_in(self, *groups: Group) -> list[ProvePoint]:
        return [p for p in self.open if p.group in groups]

    @property
    def first(self) -> list[ProvePoint]:
        """What nobody releases over: what must be, and run-in, which comes before release."""
        return [p for p in self.open if p.first]

    @property
    def before_run(self) -> list[ProvePoint]:
        """What must be settled before it runs and before a lock comes off."""
        return [p for p in self.first if p.group in BEFORE_RUN]

    @property
    def may_stay(self) -> list[ProvePoint]:
        """What may be open at release, with a reason."""
        return [p for p in self.open if not p.first]

    @property
    def say(self) -> Say:
        return _say(self)


def prove_sheet(job: JobStands) -> ProveSheet:
    """Made from the job itself; what does not apply is not there.

    >>> from bornek.core.units.definition import Definition
    >>> prove_sheet(JobStands(Definition(), [], "bench")).points
    ()
    """
    log = run_log(job.d, job.facts)
    made: Sequence[ProvePoint] = (
        *settled_points(job),
        *build_points(job),
        *part_points(job),
        *own_points(job),
        *turned_points(job),
        *filled_points(job),
        *ready_points(job),
        *run_points(job, log),
        *after_points(job, log),
    )
    points = sorted((spoken_off(job, p) for p in made), key=lambda p: ORDER.index(p.group))
    return ProveSheet(tuple(points), log, release_of(job.facts), job.d.second_person)


def _say(sheet: ProveSheet) -> Say:
    """The next thing to do: what stops first, then in the order of the groups."""
    if sheet.log.running is not None or sheet.log.cooling is not None:
        return say_run(sheet.log)
    if sheet.release is not None:
        return _say_after(sheet)
    wrong = [p for p in sheet.open if p.state == "wrong"]
    before = wrong or sheet.open_in(*BEFORE_RUN)
    if before:
        point = before[0]
        return Span(f"{_lead(point)}: "), Span(lower_first(point.label), True), Span(_tail(point))
    ready = sheet.open_in("ready")
    if ready:
        return Span("Before it runs: "), Span(lower_first(ready[0].label), True), Span(".")
    if sheet.log.next_stage is not None and any(p.is_open for p in sheet.points if p.group == "run"):
        return say_run(sheet.log)
    left = sheet.open_in("run", "after")
    if left:
        return (
            Span("Then: "),
            Span(lower_first(left[0].label), True),
            Span(". Do it, or put it off until a day."),
        )
    return Span("Nothing is open: "), Span("release it", True), Span(".")


def _lead(point: ProvePoint) -> str:
    if point.state == "wrong":
        return "Not right"
    return {"again": "Look again", "waits": "Wait for"}.get(point.state, "Still open")


def _tail(point: ProvePoint) -> str:
    return f". {point.words[:1].upper()}{point.words[1:]}{'' if point.words.endswith('?') else '.'}"


def _say_after(sheet: ProveSheet) -> Say:
    assert sheet.release is not None
    left = sheet.open_in("after")
    by = f"Released by {sheet.release.by}" if sheet.release.body.how == "service" else "Goes out as it is"
    if left:
        return (
            Span(f"{by}. Put off or do: "),
            Span(count_words(len(left), "point"), True),
            Span(" after run-in."),
        )
    return Span(f"{by}: "), Span("close the job", True), Span(".")
