"""The build order of a job whole: steps and how they stand, tray, lids, findings, turns, what is asked."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.build.findings.finding import Finding, Mend
from bornek.core.build.needs import Ask, Need
from bornek.core.build.order import BuildOrder
from bornek.core.build.say_plan import say_plan
from bornek.core.build.schedule.from_order import due_of
from bornek.core.build.standing import waits
from bornek.core.build.tray import tray
from bornek.core.build.turns import Suspect, Turn
from bornek.core.build.undo import way_back_to
from bornek.core.facts.turned import FEEL_WORDS
from bornek.core.phrases import Span, count_words
from bornek.core.plain import dump
from bornek.core.practice.veil import veil_plan
from bornek.core.scenes import Section
from bornek.services.job.components import condemned_words
from bornek.services.job.job_section import section_of
from bornek.services.plan.lid_view import LidView, lid_views
from bornek.services.plan.load_plan import load_plan
from bornek.services.plan.step_view import StepPart, StepView, step_view
from bornek.services.setting.veiled import is_veiled
from bornek.store import tables as t
from bornek.store.queries.jobs import job_with_unit
from bornek.store.queries.yard import local


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
    steps = [step_view(plan, p, running.get(p.key)) for p in order.steps]
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
        lids=lid_views(order, bare=is_veiled(session)),
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
