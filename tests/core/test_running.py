"""Run-in as it goes: every bearing by its own rise, what stops it, cooling before the next start, what it asks for."""

from __future__ import annotations

import math
from typing import Any

import pytest

from bornek.core.facts.kind import Fact
from bornek.core.facts.registry import fact_kinds
from bornek.core.facts.run_begun import RunBegun
from bornek.core.facts.run_ended import RunEnded
from bornek.core.facts.run_heard import RunHeard
from bornek.core.facts.run_read import RunRead
from bornek.core.prove.run_scene import run_scene
from bornek.core.prove.running import RunLog, check_start, run_log, say_run
from bornek.core.units.definition import Definition, Part, Shaft
from bornek.core.units.prove import RunStage

D = Definition(
    shafts=(Shaft("in", "input"),),
    parts=(
        Part("front", "Front bearing", "taper_bearing", shaft="in"),
        Part("rear", "Rear bearing", "taper_bearing", shaft="in"),
        Part("gear", "Gear", "gear", shaft="in"),
    ),
    run_in=(RunStage("idle", "Idle", "300 rpm", 60, "80 °C", "Card 4"), RunStage("load", "Load", "half", 60, "85 °C", "Card 4")),
)  # fmt: skip
BEGUN = RunBegun("Idle", 60, "80 °C", "Card 4", "20 °C", stage="idle")
KEYS = {k.body: k.key for k in fact_kinds()}


def log_of(*bodies: Any) -> RunLog:
    return run_log(D, [Fact(f"f{n}", KEYS[type(b)], "", b, by="Jun", seq=n) for n, b in enumerate(bodies, 1)])


def warms(part: str, end: float, tau: float = 15.0, last: int = 40) -> list[RunRead]:
    return [
        RunRead("f1", part, t, f"{end - (end - 20) * math.exp(-t / tau):.2f}") for t in range(4, last + 1, 4)
    ]


def said(log: RunLog) -> str:
    return "".join(s.text for s in say_run(log))


def test_the_stages_are_run_in_their_order() -> None:
    assert said(log_of()) == "Run in: Idle, 300 rpm, 60 min."
    done = log_of(BEGUN, *warms("front", 60), RunEnded("f1", "done"))
    assert done.next_stage is not None
    assert done.next_stage.key == "load"


def test_every_bearing_is_asked_for_and_no_gear() -> None:
    assert [r.label for r in log_of(BEGUN).runs[0].rows] == ["Front bearing", "Rear bearing"]


def test_a_bearing_that_levels_says_where() -> None:
    run = log_of(BEGUN, *warms("front", 60)).runs[0]
    assert (run.rows[0].code, run.must_stop) == ("in", False)
    assert "levels at 60" in run.rows[0].found.words


def test_the_hottest_judgement_decides() -> None:
    run = log_of(BEGUN, *warms("front", 60), RunRead("f1", "rear", 41, "80")).runs[0]
    assert run.worst is not None
    assert (run.worst.label, run.must_stop) == ("Rear bearing", True)


def test_one_bearing_far_above_its_partner_is_named() -> None:
    run = log_of(BEGUN, RunRead("f1", "front", 10, "51"), RunRead("f1", "rear", 10, "39")).runs[0]
    assert "12 K above its partner" in run.rows[0].beside
    assert not run.rows[1].beside


@pytest.mark.parametrize(
    ("heard", "stops"),
    [(RunHeard("f1"), False), (RunHeard("f1", "whine", words="gears"), False),
     (RunHeard("f1", "knock", words="front"), True), (RunHeard("f1", leak="drips", words="seal"), True)],
)  # fmt: skip
def test_what_is_heard_stops_it_whatever_the_numbers_say(heard: RunHeard, stops: bool) -> None:
    log = log_of(BEGUN, *warms("front", 60), heard)
    assert log.runs[0].must_stop == stops
    assert said(log).startswith("Stop: ") == stops


@pytest.mark.parametrize(
    ("hottest", "ambient", "refused"),
    [("", "20", "say what the hottest bearing reads"), ("48", "20", "let it cool to within 5 K"), ("24,5", "20", ""), ("77 °F", "20", "")],
)  # fmt: skip
def test_after_a_stop_it_cools_before_the_next_start(hottest: str, ambient: str, refused: str) -> None:
    log = log_of(BEGUN, RunRead("f1", "front", 5, "81"), RunEnded("f1", "stopped", "at its limit"))
    assert "find the cause" in said(log)
    found = check_start(log, RunBegun("Idle", 60, "80", "Card 4", ambient, stage="idle", hottest=hottest))
    assert refused in found
    assert bool(found) == bool(refused)


def test_nothing_is_begun_while_something_runs() -> None:
    assert "is running: end it first" in check_start(log_of(BEGUN), BEGUN)


def test_the_drawing_shows_the_deciding_bearing_its_end_and_the_stop() -> None:
    strip, log = run_scene(log_of(BEGUN, *warms("front", 60), RunRead("f1", "rear", 40, "30")).runs[0])
    assert strip.needle is not None
    assert strip.landing is not None
    assert strip.landing.middle == pytest.approx(60, abs=1)
    assert strip.stop is not None
    assert strip.stop.lo == 80
    assert len(log.rows) <= 6


def test_a_run_without_a_reading_is_drawn_too() -> None:
    strip, log = run_scene(log_of(BEGUN).runs[0])
    assert (strip.needle, log.rows) == (None, ())
