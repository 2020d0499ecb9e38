"""One job whole: identity, section with the state of each place, settings, components, schools."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import date
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.plain import dump
from bornek.core.scenes import Strip
from bornek.core.schools import QUESTIONS, read_schools
from bornek.core.strip.baselines import baselines
from bornek.core.strip.facts import Fact
from bornek.core.units.definition import Definition
from bornek.services.bench import Bench, open_bench
from bornek.services.closing import close_blockers
from bornek.services.components import components_of
from bornek.services.facts_of import facts_of
from bornek.services.job_definition import definition_of, section_of
from bornek.services.view_inspect import inspect_open
from bornek.services.view_strip import strip_open
from bornek.services.views import JobView, PlaceView, SchoolView, SettingSummary
from bornek.store import tables as t
from bornek.store.queries.jobs import job_with_unit, settings_of


def view_job(session: Session, job_id: str, today: date) -> dict[str, Any]:
    view: dict[str, Any] = dump(job_view(session, job_id, today))
    return view


def job_view(session: Session, job_id: str, today: date) -> JobView:
    job, unit = job_with_unit(session, job_id)
    settings, d, facts = summaries(session, job, today), definition_of(job), facts_of(session, job_id)
    places = _places(d, facts, settings)
    seen = {p.key: "found" if p.found else "" for p in places}
    return JobView(
        job.id, unit.tag, unit.name, unit.serial, job.complaint, job.known, job.stands, job.basis, job.bench,
        job.length_unit, job.waits_for, schools_view(job), list(job.gauges), list(d.cautions), job.seq,
        job.closed_at.isoformat() if job.closed_at else "", close_blockers(session, job),
        {"Strip": strip_open(session, job), "Inspect": inspect_open(session, job, d, facts), "Set": sum(not s.signed for s in settings)}, settings,
        section_of(job, settings, f"{unit.tag} {unit.name}", seen), places,
        components_of(session, job), dict(job.definition),
    )  # fmt: skip


def schools_view(job: t.Job) -> list[SchoolView]:
    chosen = read_schools(job.schools)
    shown = []
    for q in QUESTIONS:
        sides = [(q.a, q.a_means), (q.b, q.b_means)]
        (does, means), (other, other_means) = sides if chosen[q.key] == "A" else reversed(sides)
        shown.append(SchoolView(q.key, q.label, chosen[q.key], does, means, other, other_means))
    return shown


def summaries(session: Session, job: t.Job, today: date) -> list[SettingSummary]:
    return [summary(open_bench(session, s.id, today)) for s in settings_of(session, job.id)]


def summary(bench: Bench) -> SettingSummary:
    sheet, log = bench.sheet(), bench.log
    strip = next((s for s in sheet.scenes if isinstance(s, Strip)), None)
    return SettingSummary(
        log.setting.id, log.setting.key, log.setting.label, log.place.label, sheet.title, sheet.round,
        list(sheet.say), sheet.verdict.code, sheet.verdict.words, strip,
        log.signature is not None and not log.disturbed, log.disturbed, bool(bench.ctx.entries),
    )  # fmt: skip


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
        shown.append(PlaceView(p.key, n, p.label, p.shim_form, [x.label for x in parts], found, here))
    return shown
