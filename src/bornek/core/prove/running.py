"""Run-in as it goes: every stage with its bearings, what was heard, and what is to be done now."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field, replace
from typing import Literal

from bornek.core.facts.kind import Fact
from bornek.core.facts.run_begun import RunBegun
from bornek.core.facts.run_ended import RunEnded
from bornek.core.facts.run_heard import RunHeard
from bornek.core.facts.run_read import RunRead
from bornek.core.phrases import Say, Span, lower_first, plain
from bornek.core.prove.run_in import (
    COOL_K,
    Code,
    RunIn,
    Temperature,
    beside_words,
    judge_stage,
    may_start,
)
from bornek.core.quantities import parse
from bornek.core.units.definition import Definition, Part
from bornek.core.units.part_kinds import BEARINGS

STOP_RULE = "Stop at once for smoke, a new noise, a leak that drips, or a bearing at its limit, whatever the minutes say."
VERDICTS: dict[Code, str] = {
    "levels": "in",
    "over": "at_edge",
    "early": "not_read",
    "not_levelling": "not_proven",
    "limit": "out_high",
    "bends_up": "out_high",
    "meets_limit": "out_high",
}
"""How each judgement of the rise is marked."""
WORST: tuple[Code, ...] = ("limit", "bends_up", "meets_limit", "over", "not_levelling")
"""Which judgement decides for a stage; among the others the hottest bearing does."""
READ_EVERY_MIN = 5.0
"""A bearing is read so often; its curve is told by eight readings in twenty minutes."""
RunState = Literal["running", "done", "stopped"]


@dataclass(frozen=True)
class BearingRow:
    """One bearing in a stage: what was read, how its rise is judged, what is said besides its partner."""

    part: str
    label: str
    read: tuple[Temperature, ...]
    facts: tuple[str, ...]
    found: RunIn
    beside: str = ""

    @property
    def code(self) -> str:
        return VERDICTS[self.found.code] if self.read else "not_read"

    @property
    def next_min(self) -> float:
        """The minute at which it is read again."""
        return (self.read[-1].minutes if self.read else 0.0) + READ_EVERY_MIN

    @property
    def severity(self) -> int:
        return WORST.index(self.found.code) if self.found.code in WORST else len(WORST)


@dataclass(frozen=True)
class Run:
    """A stage as it was begun and as it went."""

    id: str
    body: RunBegun
    limit_c: float
    ambient_c: float
    by: str
    at: str
    rows: tuple[BearingRow, ...]
    heard: tuple[Fact, ...]
    ended: Fact | None

    @property
    def state(self) -> RunState:
        if self.ended is None:
            return "running"
        return "done" if self.ended.body.how == "done" else "stopped"

    @property
    def must_stop(self) -> bool:
        return any(r.found.stop for r in self.rows) or any(f.body.stops for f in self.heard)

    @property
    def worst(self) -> BearingRow | None:
        """The bearing that decides, among those read."""
        read = [r for r in self.rows if r.read]
        return min(read, key=lambda r: (r.severity, -r.read[-1].celsius), default=None)


@dataclass(frozen=True)
class StageStands:
    """A stage that is asked for, with its last run."""

    key: str
    label: str
    words: str
    minutes: float
    limit: str
    source: str
    run: Run | None = None


@dataclass(frozen=True)
class RunLog:
    runs: tuple[Run, ...] = ()
    stages: tuple[StageStands, ...] = ()
    bearings: tuple[Part, ...] = field(default=())

    @property
    def running(self) -> Run | None:
        return next((r for r in self.runs if r.state == "running"), None)

    @property
    def next_stage(self) -> StageStands | None:
        """The first stage that was not run to its end."""
        return next((s for s in self.stages if s.run is None or s.run.state != "done"), None)

    @property
    def cooling(self) -> Run | None:
        """The run that was stopped last, where nothing was begun since."""
        last = self.runs[-1] if self.runs else None
        return last if last is not None and last.state == "stopped" else None


def run_log(d: Definition, facts: Sequence[Fact]) -> RunLog:
    """Every stage of run-in in its order; those of the mechanic's own behind the unit type's.

    >>> run_log(Definition(), []).next_stage is None
    True
    """
    runs = tuple(_run(d, facts, f) for f in facts if isinstance(f.body, RunBegun))
    last = {r.body.stage: r for r in runs if r.body.stage}
    stages = tuple(
        StageStands(s.key, s.label, s.words, s.minutes, s.limit, s.source, last.get(s.key)) for s in d.run_in
    )
    return RunLog(runs, stages, tuple(bearings_of(d)))


def bearings_of(d: Definition) -> list[Part]:
    """Parts whose temperature is read."""
    return [p for p in d.parts if p.shaft and (p.part_kind in BEARINGS or p.part_kind == "thrust_bearing")]


def _run(d: Definition, facts: Sequence[Fact], begun: Fact) -> Run:
    body: RunBegun = begun.body
    limit = parse(body.limit, "temperature", "°C").value
    rows = [_row(facts, begun.id, part, limit, body.minutes) for part in bearings_of(d)]
    return Run(
        id=begun.id,
        body=body,
        limit_c=limit,
        ambient_c=parse(body.ambient, "temperature", "°C").value,
        by=begun.by,
        at=begun.at,
        rows=tuple(_beside(d, rows, r) for r in rows),
        heard=tuple(f for f in facts if isinstance(f.body, RunHeard) and f.body.run == begun.id),
        ended=next(
            (f for f in reversed(facts) if isinstance(f.body, RunEnded) and f.body.run == begun.id), None
        ),
    )


def _row(facts: Sequence[Fact], run: str, part: Part, limit: float, minutes: float) -> BearingRow:
    """What was read last at a minute counts: a correction may have met another's."""
    by_minute = {
        f.body.minutes: (parse(f.body.text, "temperature", "°C").value, f.id)
        for f in facts
        if isinstance(f.body, RunRead) and (f.body.run, f.body.part) == (run, part.key)
    }
    read = sorted(by_minute.items())
    at = tuple(Temperature(minutes, celsius) for minutes, (celsius, _) in read)
    found = judge_stage(at, limit, minutes) if at else RunIn("early", "not read yet")
    return BearingRow(part.key, part.label, at, tuple(key for _, (_, key) in read), found)


def _beside(d: Definition, rows: Sequence[BearingRow], row: BearingRow) -> BearingRow:
    """A bearing with what is said of it beside the coolest other of its shaft."""
    shaft = {p.key: p.shaft for p in d.parts}
    others = [
        r.read[-1].celsius
        for r in rows
        if r is not row and r.read and shaft.get(r.part) == shaft.get(row.part)
    ]
    if not row.read or not others:
        return row
    words = beside_words(row.read[-1].celsius, min(others))
    return replace(row, beside=words)


def check_start(log: RunLog, body: RunBegun) -> str:
    """Why a stage may not be begun; empty where it may. After a stop it cools first.

    >>> check_start(RunLog(), RunBegun("idle", 30, "85 °C", "card", "20 °C"))
    ''
    """
    if log.running is not None:
        return f"{log.running.body.label} is running: end it first."
    stopped = log.cooling
    if stopped is None:
        return ""
    if not body.hottest:
        return "It was stopped: say what the hottest bearing reads now."
    now, ambient = (parse(x, "temperature", "°C").value for x in (body.hottest, body.ambient))
    if not may_start(now, ambient):
        return f"It still reads {now:g} °C over surroundings of {ambient:g} °C: let it cool to within {COOL_K:g} K."
    return ""


def say_run(log: RunLog) -> Say:
    """What to do now, the stop first.

    >>> say_run(RunLog())[0].text
    'No run-in is asked for.'
    """
    run = log.running
    if run is not None:
        heard = next((f for f in reversed(run.heard) if f.body.stops), None)
        if heard is not None:
            return Span("Stop: ", True), Span(f"{heard.body.said}. Look before it runs again.")
        worst = run.worst
        if worst is None:
            return Span("Read the "), Span("bearings", True), Span(": every few minutes, each with a number.")
        if worst.beside and not worst.found.stop:
            return Span(f"{worst.label}: ", True), Span(lower_first(worst.beside))
        return Span(f"{worst.label}: ", worst.found.stop), Span(lower_first(worst.found.words))
    if log.cooling is not None:
        return (
            Span("Stopped: "),
            Span("find the cause", True),
            Span(f", let it cool to within {COOL_K:g} K of the surroundings."),
        )
    stage = log.next_stage
    if stage is not None:
        words = f", {stage.words}" if stage.words else ""
        return Span("Run in: "), Span(stage.label, True), Span(f"{words}, {stage.minutes:g} min.")
    return plain("Every stage was run to its end." if log.stages else "No run-in is asked for.")
