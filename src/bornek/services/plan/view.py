"""The build order of a job whole: steps and how they stand, tray, lids, findings, turns, what is asked."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.build.enclosures import Enclosure
from bornek.core.build.findings.finding import Finding, Mend
from bornek.core.build.gather import ORIGIN_WORDS, Planned, turning_shaft, whole_of
from bornek.core.build.needs import Ask, Need, closing_steps
from bornek.core.build.order import BuildOrder
from bornek.core.build.player import BenchAct, hours, next_act, with_unit
from bornek.core.build.say_plan import say_plan
from bornek.core.build.schedule.from_order import due_of
from bornek.core.build.standing import Gate, Waiting, waits, window
from bornek.core.build.torque_order import star_order
from bornek.core.build.tray import shut_outs, tray
from bornek.core.build.turns import Suspect, Turn
from bornek.core.build.undo import way_back_to
from bornek.core.facts.reckoned import Reckoned
from bornek.core.facts.turned import FEEL_WORDS
from bornek.core.phrases import Span, count_words
from bornek.core.plain import dump
from bornek.core.practice.veil import veil_plan
from bornek.core.scenes import Section
from bornek.core.units.check_steps import torque_n_m
from bornek.core.units.step import WAIT_WORDS, BuildStep
from bornek.services.job.components import condemned_words
from bornek.services.job.job_section import section_of
from bornek.services.plan.load_plan import LoadedPlan, load_plan
from bornek.services.setting.veiled import is_veiled
from bornek.store import tables as t
from bornek.store.queries.jobs import job_with_unit
from bornek.store.queries.yard import local


@dataclass(frozen=True)
class StepPart:
    """A part that a step takes. `fresh`: not the one that came off."""

    key: str
    label: str
    count: int
    fresh: bool
    mass_kg: float


@dataclass(frozen=True)
class WaitView:
    """What runs by itself after a step: begun and ready as the yard's clock says; empty while not begun."""

    words: str
    lasts: str
    minutes: float
    begun: str
    ready: str
    over: bool
    may_be_left: bool


@dataclass(frozen=True)
class TorqueView:
    """`stages` in N·m, the last one last; `order` positions round the circle; `done` bolts brought to a stage."""

    bolts: int
    stages: list[float]
    words: list[str]
    order: list[int]
    done: int


@dataclass(frozen=True)
class StepFit:
    """A sum laid down at the step or at a part that it takes; `at` as the page of fits has it."""

    at: str
    said: str


@dataclass(frozen=True)
class StepView:
    """`after` and `before`: numbers between which it may stand, 0 for none. `shuts`: its lid in words."""

    key: str
    number: int
    label: str
    line: str
    origin: str
    state: str
    how: str
    by: str
    at: str
    gates: list[Gate]
    parts: list[StepPart]
    step: BuildStep
    act: BenchAct
    wait: WaitView | None
    torque: TorqueView | None
    way_seen: str
    hole_seen: str
    hold_seen: str
    sealant_begun: str
    turn: str
    turn_label: str
    fits: list[StepFit]
    after: int
    before: int
    setting_id: str


@dataclass(frozen=True)
class LidView:
    """Drawn before the step that closes: `out` says what is left outside, `shut` that it shuts something out."""

    step: str
    words: str
    out: str
    shut: bool


@dataclass(frozen=True)
class PlanTray:
    part: str
    label: str
    count: int
    where: str
    step: str
    shut_by: int
    trapped: bool


@dataclass(frozen=True)
class FindingView:
    key: str
    code: str
    severity: str
    title: str
    words: str
    say: list[Span]
    do: str
    steps: list[str]
    parts: list[str]
    mend: Mend | None


@dataclass(frozen=True)
class NeedView:
    before: str
    after: str
    rule: str
    reason: str
    derived: bool
    confirmed: bool


@dataclass(frozen=True)
class ShaftName:
    key: str
    label: str


@dataclass(frozen=True)
class FeelView:
    key: str
    label: str


@dataclass(frozen=True)
class PlanHead:
    id: str
    tag: str
    unit_name: str
    complaint: str
    length_unit: str
    version: int


@dataclass(frozen=True)
class PlanView:
    job: PlanHead
    now: str
    say: list[Span]
    say_head: str
    say_aside: str
    head: str
    cautions: list[str]
    steps: list[StepView]
    done: int
    next: str
    lids: list[LidView]
    tray: list[PlanTray]
    findings: list[FindingView]
    needs: list[NeedView]
    due: str
    finish: str
    waits_for: list[str]
    loop: list[str]
    asks: list[Ask]
    turns: list[Turn]
    last_good: str
    suspects: list[Suspect]
    turn_owed: str
    shafts: list[ShaftName]
    feels: list[FeelView]
    section: Section
    part_states: dict[str, str]
    parts: list[StepPart]


def view_plan(session: Session, job_id: str, now: datetime) -> dict[str, Any]:
    job, unit = job_with_unit(session, job_id)
    clock = local(session, now)
    plan = load_plan(session, job, clock)
    order, d = plan.order, plan.order.d
    running = waits(order, plan.bench)
    steps = [_step(plan, p, running.get(p.key)) for p in order.steps]
    done = sum(order.is_done(p.key) for p in order.steps)
    lying = tray(order)
    said = say_plan(order, plan.findings, plan.standing, plan.turns)
    view = PlanView(
        job=PlanHead(
            id=job.id,
            tag=unit.tag,
            unit_name=unit.name,
            complaint=job.complaint,
            length_unit=job.length_unit,
            version=job.seq,
        ),
        now=clock.isoformat(timespec="seconds"),
        say=list(said.say),
        say_head=said.head,
        say_aside=said.aside,
        head=f"{count_words(len(steps), 'step')}, {done} done" if steps else "",
        cautions=_cautions(session, job, order),
        steps=steps,
        done=done,
        next=order.next_key,
        lids=_lids(order, bare=is_veiled(session)),
        tray=[
            PlanTray(
                part=i.part,
                label=i.label,
                count=i.count,
                where=i.where,
                step=i.step,
                shut_by=order.number.get(i.shut_by, 0),
                trapped=i.trapped,
            )
            for i in lying
        ],
        findings=[_finding(f) for f in plan.findings],
        needs=[_need(n) for n in order.needs],
        due=due_of(order),
        finish=plan.finish.isoformat(timespec="minutes") if plan.finish else "",
        waits_for=[*plan.left.dayless, *plan.left.late] if plan.left else [],
        loop=list(order.loop),
        asks=list(order.asks),
        turns=list(plan.turns.turns),
        last_good=plan.turns.last_good,
        suspects=list(plan.turns.suspects),
        turn_owed=plan.turns.owed,
        shafts=[ShaftName(s.key, s.label) for s in d.by_hand()],
        feels=[FeelView(key, words) for key, words in FEEL_WORDS.items()],
        section=section_of(job, [], f"{unit.tag} {unit.name}"),
        part_states={i.part: "out" for i in lying} | {p: "hand" for f in plan.findings[:1] for p in f.parts},
        parts=[
            StepPart(p.key, p.label, p.count, False, p.mass_kg) for p in d.parts if p.part_kind != "housing"
        ],
    )
    shown: dict[str, Any] = dump(view)
    return veil_plan(shown) if is_veiled(session) else shown


def _cautions(session: Session, job: t.Job, order: BuildOrder) -> list[str]:
    return [
        *condemned_words(session, job),
        "Fingers out of gears: turn by hand only, nobody else's hands inside.",
        "Never under a hanging part, never in line with a press or a ram. Lifting is for those who hold the licence.",
        *order.d.cautions,
        "The maker's manual, the shop's rules and local codes come first.",
    ]


def _step(plan: LoadedPlan, p: Planned, running: Waiting | None) -> StepView:
    order, step, stands = plan.order, p.step, plan.standing[p.key]
    done = order.worked.done.get(p.key)
    lo, hi = window(order, p.key)
    shaft = step.turn or turning_shaft(order.d, step.parts)
    seen = {what: order.worked.seen.get((p.key, what)) for what in ("way_round", "hole", "hold")}
    return StepView(
        key=p.key,
        number=order.number[p.key],
        label=step.label,
        line=_line(order, p),
        origin=ORIGIN_WORDS[p.origin],
        state=stands.state,
        how=done.words if done else "",
        by=done.by if done else "",
        at=done.at if done else order.signed.get(step.setting, ""),
        gates=list(stands.gates),
        parts=[
            StepPart(part.key, part.label, n, _fresh(plan, part.key), part.mass_kg)
            for part, n in whole_of(order.d, p)
        ],
        step=step,
        act=next_act(order, plan.bench, p, stands),
        wait=_wait(step, running),
        torque=_torque(step, order.worked.bolts.get(p.key, 0)),
        way_seen=_seen(seen["way_round"]),
        hole_seen=_seen(seen["hole"]),
        hold_seen=_seen(seen["hold"]),
        sealant_begun=order.worked.clocks.get((p.key, "sealant"), ""),
        turn=shaft,
        turn_label=next((s.label for s in order.d.shafts if s.key == shaft), ""),
        fits=_fits(plan, p),
        after=order.number.get(lo, 0),
        before=order.number.get(hi, 0),
        setting_id=plan.setting_ids.get(step.setting, ""),
    )


def _fits(plan: LoadedPlan, p: Planned) -> list[StepFit]:
    """The last of each sum at the step itself or at one of its parts."""
    last: dict[tuple[str, str], Reckoned] = {}
    for f in plan.facts:
        if isinstance(f.body, Reckoned) and (f.body.step == p.key or f.body.part in p.step.parts):
            last[(f.body.at[1], f.body.sum)] = f.body
    return [StepFit(":".join(b.at), b.said) for b in last.values()]


def _seen(found: tuple[bool, str, int] | None) -> str:
    """right, wrong, or empty while nobody looked."""
    return "" if found is None else "right" if found[0] else "wrong"


def _fresh(plan: LoadedPlan, key: str) -> bool:
    part = plan.order.d.part(key)
    verdict = plan.bench.verdicts.get(key, "")
    return verdict == "replace" or bool(part and part.single_use and verdict == "")


def _line(order: BuildOrder, p: Planned) -> str:
    """The second line of a step: side, way round, torque, what it needs, what sealant."""
    step = p.step
    bolts = f"{step.bolts} bolts at {step.torque}" if step.bolts and step.torque else step.torque
    needs = [str(order.number[n]) for n in step.needs if n in order.number]
    said = (
        f"{step.side} side" if step.side else "",
        step.way_round,
        bolts,
        *step.consumables,
        f"needs {' and '.join(needs)}" if needs else "",
        f"other way round: {step.wrong_way}" if step.wrong_way else "",
        f"hold: {step.hold}" if step.hold and not step.setting else "",
        p.words,
    )
    return " · ".join(x for x in said if x)


def _wait(step: BuildStep, running: Waiting | None) -> WaitView | None:
    if not step.wait:
        return None
    return WaitView(
        words=WAIT_WORDS[step.wait],
        lasts=hours(step.wait_minutes),
        minutes=step.wait_minutes,
        begun=running.begun.isoformat(timespec="seconds") if running else "",
        ready=running.ready.isoformat(timespec="seconds") if running else "",
        over=running.over if running else False,
        may_be_left=step.may_be_left,
    )


def _torque(step: BuildStep, done: int) -> TorqueView | None:
    if not step.torque:
        return None
    words = [*step.stages, step.torque]
    return TorqueView(
        bolts=step.bolts,
        stages=[round(torque_n_m(x), 2) for x in words],
        words=[with_unit(x) for x in words],
        order=star_order(step.bolts),
        done=done,
    )


def _lids(order: BuildOrder, bare: bool) -> list[LidView]:
    """`bare`: the lids of the unit alone, whatever they shut off."""
    shut = {(s.step, s.enclosure): s for s in shut_outs(order)}
    rank = dict(order.number)
    lids = []
    for e in order.enclosures:
        step = closing_steps(e, order.final, rank)
        if step is None or not (e.parts or e.settings):
            continue
        trapped = shut.get((step, e.key))
        lids.append(_lid(e, step, len(trapped.parts) if trapped else 0))
    named = {lid.step for lid in lids if lid.shut}
    for s in () if bare else shut.values():
        if not s.enclosure and s.step not in named:
            out = f"shuts out {len(s.parts)}"
            lids.append(LidView(s.step, f"{order.label(s.step)} covers it", out, True))
    return [lid for n, lid in enumerate(lids) if not _told(lids, n)]


def _told(lids: list[LidView], n: int) -> bool:
    """Whether another lid of the same step says more: one that shuts something out, or an earlier one."""
    mine = lids[n]
    others = [(k, x) for k, x in enumerate(lids) if k != n and x.step == mine.step]
    return any((x.shut and not mine.shut) or (x.shut == mine.shut and k < n) for k, x in others)


def _lid(e: Enclosure, step: str, trapped: int) -> LidView:
    out = f"shuts out {trapped}" if trapped else "a way in stays" if e.ways_in else "nothing left outside"
    return LidView(step, f"{e.label} closes", out, trapped > 0)


def _finding(f: Finding) -> FindingView:
    return FindingView(
        key=f.key,
        code=f.code,
        severity=f.severity,
        title=f.title,
        words=f.words,
        say=list(f.say),
        do=f.do,
        steps=list(f.steps),
        parts=list(f.parts),
        mend=f.mend,
    )


def _need(n: Need) -> NeedView:
    return NeedView(n.before, n.after, n.rule, n.reason, n.derived, n.confirmed)


def view_way_back(session: Session, job_id: str, step: str, now: datetime) -> dict[str, Any]:
    """What comes off when one step is undone."""
    job, _ = job_with_unit(session, job_id)
    plan = load_plan(session, job, local(session, now))
    shown: dict[str, Any] = dump(way_back_to(plan.order, step))
    return shown
