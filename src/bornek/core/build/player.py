"""One step at the bench, act by act: what to look at, lay, tighten, start and turn, each in one sentence."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import timedelta
from typing import Literal

from bornek.core.build.bench import Bench, yard_moment
from bornek.core.build.gather import Planned
from bornek.core.build.order import BuildOrder
from bornek.core.build.standing import Standing
from bornek.core.build.torque_order import star_order
from bornek.core.phrases import Say, Span, lower_first
from bornek.core.units.step import WAIT_WORDS, BuildStep

ActSort = Literal[
    "way_round", "hole", "hold", "bead", "bolt", "skinned", "set", "start", "do", "look", "none"
]


@dataclass(frozen=True)
class BenchAct:
    """What is next at a step. `main` stands on the button; `turns` is the count of bolts after it, for bolts;
    `bolt` the one in hand, as its place in the order, `stage` its torque as typed."""

    sort: ActSort
    say: Say
    main: str
    eyebrow: str = ""
    turns: int = 0
    bolt: int = 0
    stage: str = ""


def next_act(order: BuildOrder, bench: Bench, planned: Planned, stands: Standing) -> BenchAct:
    """The next act of a step: what must be seen before the first bolt comes before it.

    >>> from bornek.core.build.order import build_order
    >>> from bornek.core.units.definition import Definition
    >>> p = Planned(BuildStep("a", "Cover on", way_round="slot down"), "own")
    >>> o = build_order(Definition(), [])
    >>> next_act(o, Bench(), p, Standing("a", "ready")).main
    'Seen: slot down'
    """
    step, worked, key = planned.step, order.worked, planned.key
    if stands.state == "check":
        say = (
            Span(f"{step.label}: "),
            Span("look again", True),
            Span(", something before it was written wrongly."),
        )
        return BenchAct("look", say, "Looked, it is right", "Check")
    if stands.state in ("done", "differently", "skipped"):
        return BenchAct("none", (Span(f"{step.label}: {stands.state}."),), "")
    if step.setting and step.setting not in order.signed:
        say = (Span(f"{step.label}: "), Span("set and sign it", True), Span("; the step is done with that."))
        return BenchAct("set", say, "Go to the setting")
    if step.way_round and not worked.right(key, "way_round"):
        say = (Span(f"{step.label}: look that it sits "), Span(step.way_round, True), Span("."))
        return BenchAct("way_round", say, f"Seen: {step.way_round}", "Before the first bolt")
    if step.hole and not worked.right(key, "hole"):
        say = (Span("Put a wire through the "), Span(step.hole, True), Span(": it must line up."))
        return BenchAct("hole", say, f"Open: {step.hole}", "Before it is closed")
    if step.open_minutes and not _all_tight(order, step):
        bead = _bead(order, bench, planned)
        if bead is not None:
            return bead
    if step.bolts and step.torque:
        bolt = _bolt(order, step)
        if bolt is not None:
            return bolt
    if step.hold and not worked.right(key, "hold"):
        say = (Span("Hold: "), Span(lower_first(step.hold), True), Span("."))
        return BenchAct("hold", say, "Seen, go on", "Hold point")
    if step.wait:
        return _start(step, bench)
    way = f", {lower_first(step.way_round)}" if step.way_round else ""
    side = f", {step.side} side" if step.side else ""
    fit = {"dry": ", dry: it comes off again", "temporary": ", only to help: it comes out again"}.get(
        step.fit, ""
    )
    return BenchAct("do", (Span(step.label, True), Span(f"{side}{way}{fit}.")), "Done")


def _bead(order: BuildOrder, bench: Bench, planned: Planned) -> BenchAct | None:
    """The first bead; or what to do once it has skinned."""
    step = planned.step
    begun = order.worked.clocks.get((planned.key, "sealant"), "")
    if not begun:
        say = (
            Span(f"{step.label}: lay the "),
            Span("first bead", True),
            Span(f", then it must be tight in {step.open_minutes:g} min."),
        )
        return BenchAct("bead", say, "First bead laid", "The sealant's clock starts")
    end = yard_moment(begun) + timedelta(minutes=step.open_minutes)
    if bench.now is not None and bench.now > end:
        say = (
            Span("It has skinned: "),
            Span("wipe it off", True),
            Span(", clean both faces and lay it again."),
        )
        return BenchAct("skinned", say, "Clean, first bead laid again", "Out of time")
    return None


def _all_tight(order: BuildOrder, step: BuildStep) -> bool:
    """Whether every bolt was brought to its last stage: then the sealant's clock says nothing any more."""
    turns = step.bolts * (len(step.stages) + 1) if step.torque else 0
    return turns > 0 and order.worked.bolts.get(step.key, 0) >= turns


def _bolt(order: BuildOrder, step: BuildStep) -> BenchAct | None:
    stages = [*step.stages, step.torque]
    done = order.worked.bolts.get(step.key, 0)
    if _all_tight(order, step):
        return None
    stage, place = divmod(done, step.bolts)
    say = (
        Span(f"{step.label}: bolt "),
        Span(str(place + 1), True),
        Span(" to "),
        Span(with_unit(stages[stage]), True),
        Span("."),
    )
    return BenchAct(
        "bolt",
        say,
        f"Bolt {place + 1} is at {stages[stage]}",
        f"Stage {stage + 1} of {len(stages)}, bolt {place + 1} of {step.bolts}",
        turns=done + 1,
        bolt=star_order(step.bolts)[place],
        stage=with_unit(stages[stage]),
    )


def with_unit(torque: str) -> str:
    """
    >>> with_unit("65"), with_unit("48 lb-ft")
    ('65 N·m', '48 lb-ft')
    """
    return torque if any(c.isalpha() for c in torque) else f"{torque} N·m"


def _start(step: BuildStep, bench: Bench) -> BenchAct:
    """What runs by itself is begun with one tap: it is ready when its time is over."""
    ready = f", ready {bench.now + timedelta(minutes=step.wait_minutes):%H:%M}" if bench.now else ""
    say = (
        Span(f"{step.label}: "),
        Span("start it", True),
        Span(f", it {WAIT_WORDS[step.wait]} {hours(step.wait_minutes)}{ready}."),
    )
    left = "" if step.may_be_left else "Somebody stays with it"
    return BenchAct("start", say, "Started", left or "It runs by itself")


def hours(minutes: float) -> str:
    """
    >>> hours(50), hours(360), hours(150), hours(2880)
    ('50 min', '6 h', '2 h 30 min', '2 days')
    """
    if minutes >= 2880 and minutes % 1440 == 0:
        return f"{minutes / 1440:g} days"
    whole, rest = divmod(round(minutes), 60)
    if not whole:
        return f"{rest} min"
    return f"{whole} h" + (f" {rest} min" if rest else "")
