"""Run-in as the page shows it: stages, the run that goes on, each bearing with its sentence."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.facts.run_heard import LEAK_WORDS, NOISE_WORDS
from bornek.core.phrases import Say
from bornek.core.prove.run_in import COOL_K
from bornek.core.prove.run_scene import run_scene
from bornek.core.prove.running import STOP_RULE, Run, RunLog, say_run
from bornek.core.scenes import Readout, RoundLog


@dataclass(frozen=True)
class BearingView:
    """One bearing: its readings as minutes and °C, and the sentence on its rise."""

    part: str
    label: str
    code: str
    last: str
    words: str
    beside: str
    next_min: float
    last_fact: str
    """The reading that was taken last, to be struck."""


@dataclass(frozen=True)
class RunView:
    id: str
    label: str
    words: str
    minutes: float
    limit: str
    source: str
    ambient: str
    state: str
    at: str
    by: str
    must_stop: bool
    rows: list[BearingView]
    heard: list[str]
    ended: str
    strip: Readout
    log: RoundLog


@dataclass(frozen=True)
class RunStageView:
    key: str
    label: str
    words: str
    minutes: float
    limit: str
    source: str
    state: str


@dataclass(frozen=True)
class RunningView:
    say: Say
    stop_rule: str
    cool: str
    running: str
    """The id of the run that goes on; empty if none does."""
    next: str
    cooling: bool
    stages: list[RunStageView]
    runs: list[RunView]
    noises: list[tuple[str, str]]
    leaks: list[tuple[str, str]]


def view_running(log: RunLog) -> RunningView:
    running, following = log.running, log.next_stage
    return RunningView(
        say=say_run(log),
        stop_rule=STOP_RULE,
        cool=f"After a stop: cool to within {COOL_K:g} K of the surroundings before it starts again.",
        running=running.id if running else "",
        next=following.key if following else "",
        cooling=log.cooling is not None,
        stages=[
            RunStageView(
                s.key, s.label, s.words, s.minutes, s.limit, s.source, s.run.state if s.run else "open"
            )
            for s in log.stages
        ],
        runs=[_run(r) for r in log.runs],
        noises=list(NOISE_WORDS.items()),
        leaks=list(LEAK_WORDS.items()),
    )


def _run(run: Run) -> RunView:
    body = run.body
    strip, log = run_scene(run)
    return RunView(
        id=run.id,
        label=body.label,
        words=body.words,
        minutes=body.minutes,
        limit=body.limit,
        source=body.source,
        ambient=body.ambient,
        state=run.state,
        at=run.at,
        by=run.by,
        must_stop=run.must_stop,
        rows=[
            BearingView(
                r.part,
                r.label,
                r.code,
                f"{r.read[-1].celsius:g} °C at {r.read[-1].minutes:g} min" if r.read else "",
                r.found.words,
                r.beside,
                r.next_min,
                r.facts[-1] if r.facts else "",
            )
            for r in run.rows
        ],
        heard=[f"{f.body.said} ({f.by})" for f in run.heard],
        ended=run.ended.body.words if run.ended else "",
        strip=strip,
        log=log,
    )
