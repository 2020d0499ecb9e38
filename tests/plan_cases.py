"""A small gear case and its order, sound as it stands, and mistakes planted in it one at a time."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, field, replace
from typing import Any

from bornek.core.build.bench import Bench, YardTool
from bornek.core.build.findings.find import find_all
from bornek.core.build.findings.finding import Finding
from bornek.core.build.order import BuildOrder, build_order
from bornek.core.facts.cause import CauseNamed
from bornek.core.facts.clock_begun import ClockBegun
from bornek.core.facts.from_type import FromType
from bornek.core.facts.kind import Fact
from bornek.core.facts.loose import Loose
from bornek.core.facts.removed import Removed
from bornek.core.facts.seen_right import SeenRight
from bornek.core.facts.step_struck import StepStruck
from bornek.core.facts.step_worked import StepWorked
from bornek.core.facts.turned import Turned
from bornek.core.phrases import text_of
from bornek.core.units.definition import Definition, Part, Place, SettingPoint, Shaft
from bornek.core.units.step import BuildStep


def part(key: str, part_kind: str, label: str, **more: Any) -> Part:
    return Part(key, label, part_kind, **more)


def step(key: str, label: str, *parts: str, **more: Any) -> BuildStep:
    return BuildStep(key, label, parts=parts, **more)


PARTS = (
    part("left-cover", "cover", "Left cover", shaft="cross"),
    part("left-bearing", "taper_bearing", "Left bearing", shaft="cross"),
    part("left-spacer", "spacer", "Left spacer", shaft="cross"),
    part("wheel", "gear", "Wheel", shaft="cross", seat=True),
    part("right-spacer", "spacer", "Right spacer", shaft="cross"),
    part("right-bearing", "taper_bearing", "Right bearing", shaft="cross"),
    part("right-cover", "cover", "Right cover", shaft="cross"),
    part("cross-shaft", "shaft", "Cross shaft", shaft="cross"),
    part("baffle", "other", "Oil baffle", inside="left-side"),
    part("bolts", "fastener", "Cover bolts", count=8),
    part("tabs", "lock_washer", "Tab plates", count=4, single_use=True, safety=True),
)
STEPS = (
    step("wheel-on", "Wheel onto the shaft", "cross-shaft", "wheel"),
    step("spacers-on", "Spacers on", "left-spacer", "right-spacer", needs=("wheel-on",)),
    step("bearings-on", "Bearings on", "left-bearing", "right-bearing", resource="press"),
    step("baffle-in", "Oil baffle in", "baffle"),
    step("left-dry", "Left cover, dry", "left-cover", fit="dry"),
    step("right-on", "Right cover, for good", "right-cover", torque="80 N·m", bolts=4),
    step("play-set", "End play", setting="play", needs=("left-dry", "right-on")),
    step("left-on", "Left cover, for good", "left-cover", way_round="drain down", side="left", hole="drain hole",
         consumables=("sealant",), open_minutes=40, minutes=20, turn="cross"),
    step("bolts-in", "Bolts and tabs", "bolts", "tabs", torque="80 N·m", minutes=15, open_until=""),
    step("cure", "Joint cures", wait="cure", wait_minutes=120, needs=("left-on",)),
)  # fmt: skip
CASE = Definition(
    shafts=(Shaft("cross", "cross shaft", built="outside"),),
    parts=PARTS,
    places=(Place("left-pack", "left cover", "C3 ring", "left-cover"), Place("left-side", "left side", closed_by=("left-cover",))),
    settings=(SettingPoint("play", "End play", "shim_pack_end_play", "left-pack", {}),),
    steps=STEPS,
)  # fmt: skip
TOOLS = (YardTool("press", "Press 1", True), YardTool("crane", "Crane", True))


@dataclass(frozen=True)
class Job:
    """What is checked: a definition, what was written down, and the bench."""

    d: Definition = CASE
    bodies: tuple[Any, ...] = (FromType(),)
    bench: Bench = field(default_factory=lambda: Bench(tools=TOOLS))

    def order(self) -> BuildOrder:
        facts = [
            Fact(
                f"f{n}",
                "",
                getattr(b, "part", ""),
                b,
                "Jun",
                f"2026-11-23T{8 + n // 60:02d}:{n % 60:02d}:00+00:00",
                n,
            )
            for n, b in enumerate(self.bodies, start=1)
        ]
        return build_order(self.d, facts, dict(self.bench.signed))

    def found(self) -> list[Finding]:
        return find_all(self.order(), self.bench)

    def codes(self) -> list[str]:
        return [f.code for f in self.found()]

    def sentence(self, code: str) -> str:
        return next(text_of(f.say) for f in self.found() if f.code == code)


def with_steps(change: Callable[[list[BuildStep]], list[BuildStep]], job: Job = Job()) -> Job:
    return replace(job, d=replace(job.d, steps=tuple(change(list(job.d.steps)))))


def changed(key: str, job: Job = Job(), **fields: Any) -> Job:
    return with_steps(lambda steps: [replace(s, **fields) if s.key == key else s for s in steps], job)


def put_last(key: str) -> Job:
    return with_steps(lambda steps: [s for s in steps if s.key != key] + [s for s in steps if s.key == key])


def without(key: str) -> Job:
    return with_steps(lambda steps: [s for s in steps if s.key != key])


def with_part(key: str, **fields: Any) -> Job:
    parts = tuple(replace(p, **fields) if p.key == key else p for p in CASE.parts)
    return Job(d=replace(CASE, parts=parts))


def also(*bodies: Any, **bench: Any) -> Job:
    return Job(bodies=(FromType(), *bodies), bench=replace(Bench(tools=TOOLS), **bench))


def worked(*keys: str) -> tuple[StepWorked, ...]:
    by_key = {s.key: s for s in CASE.steps}
    return tuple(StepWorked(k, label=by_key[k].label, parts=by_key[k].parts) for k in keys)


MISTAKES: dict[str, tuple[str, Job]] = {
    "a part behind its cover comes after it": ("shut_out", put_last("baffle-in")),
    "a spacer between two others comes after the outer one": ("shut_out", put_last("spacers-on")),
    "a part with no step": ("no_step", without("baffle-in")),
    "half of the bolts in no step": ("no_step", changed("bolts-in", counts={"bolts": 4})),
    "a dry fit never done for good": ("dry_for_good", without("left-on")),
    "a temporary part never taken out": ("temporary_left", changed("right-on", fit="temporary")),
    "a single-use part used again": ("used_again", also(verdicts={"tabs": "reuse"})),
    "a part to be had new that nobody ordered": ("deferred", also(verdicts={"right-bearing": "replace"})),
    "a skipped step with its part still on the tray": (
        "deferred", also(StepWorked("baffle-in", "skipped", "not here yet", parts=("baffle",)))),
    "a part on the wrong side": (
        "wrong_side", also(Removed("left-cover", "hand", side="right"))),
    "a part seen the wrong way round": (
        "wrong_way", also(SeenRight("left-on", "way_round", False, "drain on top"))),
    "planned another way round than it came off": (
        "wrong_way", also(Removed("left-cover", "hand", orientation="drain up"))),
    "a cause's hold not cleared": ("hold_open", also(CauseNamed("starved"))),
    "a hold point gone past": (
        "hold_open", replace(changed("wheel-on", hold="runout of the wheel seen"), bodies=(FromType(), *worked("wheel-on", "spacers-on")))),
    "a drain hole that does not line up": (
        "hole_shut", also(SeenRight("left-on", "hole", False, "a quarter turn off"))),
    "a drain hole nobody looked at before it was closed": (
        "hole_shut", also(*worked("wheel-on", "spacers-on", "bearings-on", "baffle-in", "left-dry", "right-on", "left-on"))),
    "two steps that need each other": ("cycle", changed("wheel-on", needs=("bearings-on",), job=changed("bearings-on", needs=("wheel-on",)))),
    "a setting after the step that shuts it off": (
        "setting_late", replace(put_last("play-set"), d=replace(put_last("play-set").d, places=(
            Place("left-pack", "left cover", "C3 ring", "left-bearing", closed_by=("left-cover",)), CASE.places[1])))),
    "sealant where the thickness locates": ("locating_sealant", changed("left-on", locates=True)),
    "a washer loose in the sump": ("loose_item", also(Loose("M8 washer", "the sump"))),
    "the press is out of order": ("tool_missing", also(tools=(YardTool("press", "Press 1", False, "ram leaks"),))),
    "a tool the yard does not have": ("tool_missing", changed("bolts-in", tools=("Torque wrench 200",))),
    "no wrench reaches the torque": (
        "tool_missing", also(tools=(*TOOLS, YardTool("torque_wrench", "Wrench 1", True, "", 10, 60))), ),
    "the gauge of a coming setting is due": ("tool_missing", also(gauges={"play": "Dial 7 is due since 2026-06-30"})),
    "sealant that skins before the last bolt": ("open_too_short", changed("left-on", open_minutes=10)),
    "a heavy part with no rated point": ("heavy", with_part("wheel", mass_kg=80)),
    "a heavy shaft left on one bearing": (
        "unsupported", replace(with_steps(lambda s: [
            s[0], s[1], step("left-bearing-on", "Left bearing in its bore", "left-bearing"), s[3], s[4],
            step("right-bearing-on", "Right bearing in its bore", "right-bearing"), *s[5:]],
            replace(with_part("cross-shaft", mass_kg=60))), d=replace(with_part("cross-shaft", mass_kg=60).d,
            shafts=(Shaft("cross", "cross shaft"),), steps=(
                *STEPS[:2], step("left-bearing-on", "Left bearing in its bore", "left-bearing"), *STEPS[3:5],
                step("right-bearing-on", "Right bearing in its bore", "right-bearing"), *STEPS[5:])))),
}  # fmt: skip


def _log(*parts: str) -> tuple[Removed, ...]:
    return tuple(Removed(p, "hand") for p in parts)


SOUND: dict[str, Job] = {
    "the order as the card has it": Job(),
    "the removal log turned round": Job(
        d=replace(CASE, steps=()),
        bodies=_log("right-cover", "left-cover", "right-bearing", "left-bearing", "right-spacer", "left-spacer", "wheel"),
    ),
    "only one side apart": Job(d=replace(CASE, steps=()), bodies=_log("right-cover", "right-bearing", "right-spacer")),
    "half built, everything seen": also(
        *worked("wheel-on", "spacers-on", "bearings-on", "baffle-in", "left-dry", "right-on"),
        Turned("cross", "free"), SeenRight("left-on", "way_round"), SeenRight("left-on", "hole"),
        ClockBegun("left-on", "sealant"), *worked("left-on"),
    ),
    "temporary in and out again": with_steps(lambda s: [
        *s[:5], step("guide-in", "Old seal as a guide", "tabs", fit="temporary"), *s[5:7],
        step("guide-out", "Guide out", takes_out=("tabs",)), *s[7:]]),
    "the built-up section alone": Job(d=replace(CASE, steps=())),
    "a step struck with its reason, its part in another": replace(
        changed("right-on", parts=("right-cover", "baffle")), bodies=(FromType(), StepStruck("baffle-in", "goes in with the cover"))),
}  # fmt: skip
