"""One job whole: identity, section with the state of each place, settings, components, schools."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, datetime, time
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.closing import open_points
from bornek.core.facts.corrected import Corrected
from bornek.core.facts.hour_meter import WHEN, HourMeter
from bornek.core.facts.kind import Fact
from bornek.core.facts.named import UNNAMED, Named
from bornek.core.facts.registry import find_fact_kind
from bornek.core.fits.open_fits import open_fits
from bornek.core.phrases import Span
from bornek.core.plain import dump
from bornek.core.prove.sheet import prove_sheet
from bornek.core.prove.stands import OpenPoint
from bornek.core.scenes import Section
from bornek.core.schools import QUESTIONS, read_schools
from bornek.core.stages import STAGES
from bornek.core.strip.baselines import baselines
from bornek.core.train.sheet import TrainSheet
from bornek.core.units.definition import Definition
from bornek.services.inspect.view import inspect_open
from bornek.services.job.closing import job_stands
from bornek.services.job.components import ComponentView, components_of, condemned_words
from bornek.services.job.job_definition import definition_of
from bornek.services.job.job_section import section_of
from bornek.services.mesh.train_of import train_of
from bornek.services.plan.open_points import plan_open
from bornek.services.prove.view import prove_open
from bornek.services.setting.summary import SettingSummary, summaries
from bornek.services.strip.facts_of import facts_of
from bornek.services.strip.view import strip_open
from bornek.store import tables as t
from bornek.store.queries.jobs import job_with_unit


@dataclass(frozen=True)
class SchoolView:
    """A question where good mechanics differ: the school in force, and the other."""

    key: str
    label: str
    school: str
    does: str
    means: str
    other: str
    other_means: str


@dataclass(frozen=True)
class PlaceView:
    """A place of the section: its parts, what was found there, and the settings that stand there."""

    key: str
    number: int
    label: str
    shim_form: str
    parts: list[str]
    found: list[str]
    settings: list[str]


@dataclass(frozen=True)
class StageView:
    """A stage as the rail shows it: `to` is its page, empty while it has none; `open` what is to be done."""

    key: str
    label: str
    to: str
    open: int


@dataclass(frozen=True)
class HourView:
    """What the hour meter said: `when` it was asked, in words, and what was written down."""

    id: str
    when: str
    label: str
    words: str
    by: str


@dataclass(frozen=True)
class TrainBrief:
    """The gear train on the mesh stage: how it stands, and what is next."""

    state: str
    code: str
    words: str
    say: list[Span]


@dataclass(frozen=True)
class JobView:
    id: str
    unit_id: str
    tag: str
    unit_name: str
    serial: str
    complaint: str
    known: str
    stands: str
    basis: str
    bench: str
    length_unit: str
    waits_for: str
    schools: list[SchoolView]
    gauges: list[str]
    cautions: list[str]
    version: int
    closed_at: str
    open_points: list[OpenPoint]
    hours: list[HourView]
    corrections: list[str]
    unnamed: bool
    stages: list[StageView]
    settings: list[SettingSummary]
    section: Section
    places: list[PlaceView]
    components: list[ComponentView]
    train: TrainBrief | None
    definition: dict[str, Any]


def view_job(session: Session, job_id: str, today: date) -> dict[str, Any]:
    view: dict[str, Any] = dump(job_view(session, job_id, today))
    return view


def job_view(session: Session, job_id: str, today: date) -> JobView:
    job, unit = job_with_unit(session, job_id)
    settings, d, facts = summaries(session, job, today), definition_of(job), facts_of(session, job_id)
    stands = job_stands(session, job, d, facts, settings, datetime.combine(today, time(12)))
    looked = prove_sheet(stands)
    train = train_brief(train_of(session, job))
    places = _places(d, facts, settings)
    seen = {p.key: "found" if p.found else "" for p in places}
    return JobView(
        id=job.id,
        unit_id=unit.id,
        tag=unit.tag,
        unit_name=unit.name,
        serial=unit.serial,
        complaint=job.complaint,
        known=job.known,
        stands=job.stands,
        basis=job.basis,
        bench=job.bench,
        length_unit=job.length_unit,
        waits_for=job.waits_for,
        schools=schools_view(job),
        gauges=list(job.gauges),
        cautions=[*condemned_words(session, job), *d.cautions],
        version=job.seq,
        closed_at=job.closed_at.isoformat() if job.closed_at else "",
        open_points=[] if job.closed_at else open_points(stands, looked),
        hours=[
            HourView(f.id, f.body.when, WHEN[f.body.when], find_fact_kind(f.fact_kind).words(f.body), f.by)
            for f in facts
            if isinstance(f.body, HourMeter)
        ],
        corrections=corrections(d, facts),
        unnamed=unit.serial == UNNAMED,
        stages=_stages(
            job_id,
            {
                "strip": strip_open(session, job),
                "inspect": inspect_open(session, job, d, facts),
                "plan": plan_open(session, job, today),
                "fit": len(open_fits(facts)),
                "set": sum(not s.signed and s.stage == "set" for s in settings),
                "mesh": sum(not s.signed and s.stage == "mesh" for s in settings)
                + (train is not None and train.state != "done"),
                "prove": 0 if job.closed_at else prove_open(looked),
            },
        ),
        settings=settings,
        section=section_of(job, settings, f"{unit.tag} {unit.name}", seen),
        places=places,
        components=components_of(session, job),
        train=train,
        definition=dict(job.definition),
    )


def train_brief(sheet: TrainSheet) -> TrainBrief | None:
    """None where there is no train to count."""
    words = {"open": "to be counted", "wrong": "wrong", "done": "as it must"}
    if sheet.state not in words:
        return None
    code = {"open": "not_read", "wrong": "out_high", "done": "in"}[sheet.state]
    return TrainBrief(sheet.state, code, words[sheet.state], list(sheet.say))


def corrections(d: Definition, facts: Sequence[Fact]) -> list[str]:
    """What was corrected of what was received, in words."""
    lines = [
        line
        for f in facts
        if isinstance(f.body, Corrected | Named)
        and (line := find_fact_kind(f.fact_kind).line(f, d)) is not None
    ]
    return [f"{line.label}: {line.words}, by {line.by}" for line in lines]


def _stages(job_id: str, still_open: dict[str, int]) -> list[StageView]:
    return [
        StageView(s.key, s.label, f"/jobs/{job_id}{s.path}" if s.built else "", still_open.get(s.key, 0))
        for s in STAGES
    ]


def schools_view(job: t.Job) -> list[SchoolView]:
    chosen = read_schools(job.schools)
    shown = []
    for q in QUESTIONS:
        sides = [(q.a, q.a_means), (q.b, q.b_means)]
        (does, means), (other, other_means) = sides if chosen[q.key] == "A" else reversed(sides)
        shown.append(
            SchoolView(
                key=q.key,
                label=q.label,
                school=chosen[q.key],
                does=does,
                means=means,
                other=other,
                other_means=other_means,
            )
        )
    return shown


def _places(d: Definition, facts: Sequence[Fact], settings: Sequence[SettingSummary]) -> list[PlaceView]:
    taken = {b.key: b for b in baselines(d, facts)}
    by_key = {s.key: s.id for s in settings}
    shown = []
    for n, p in enumerate(d.places, 1):
        parts = d.parts_at(p)
        keys = [
            f"pack:{p.key}",
            *(f"{kind}:{p.at}" for kind in ("witness", "match_marks", "checking_distance", "way_round")),
        ]
        found = [f"{taken[k].label}: {taken[k].words}" for k in keys if k in taken and taken[k].words]
        here = [by_key[s.key] for s in d.settings if s.place == p.key and s.key in by_key]
        shown.append(
            PlaceView(
                key=p.key,
                number=n,
                label=p.label,
                shim_form=p.shim_form,
                parts=[x.label for x in parts],
                found=found,
                settings=here,
            )
        )
    return shown
