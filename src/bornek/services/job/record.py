"""The record of a job: as found, every round, as left, working, who and when."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.build.first_draft import DraftStep, first_draft
from bornek.core.facts.hour_meter import WHEN, hours_written
from bornek.core.facts.kind import RecordLine
from bornek.core.facts.timing_seen import TimingSeen
from bornek.core.parts.causes import evidence_shown
from bornek.core.plain import dump
from bornek.core.scenes import Flank, Gears
from bornek.core.strip.baselines import baselines
from bornek.core.strip.ledger import ledger
from bornek.core.strip.part_counts import part_counts
from bornek.core.train.gears_drawn import close_up
from bornek.core.train.timing import timed
from bornek.core.units.definition import Definition
from bornek.services.inspect.inspection_lines import inspection_lines
from bornek.services.job.chain import END_LETTERS, job_chain
from bornek.services.job.job_definition import definition_of
from bornek.services.job.view import JobView, job_view
from bornek.services.plan.build_lines import build_lines
from bornek.services.setting.load_setting import load_setting
from bornek.services.setting.record import RecordSetting, record_setting
from bornek.services.strip.facts_of import fact_lines, facts_of
from bornek.services.strip.photos_of import photos_view
from bornek.services.strip.view import flanks_of
from bornek.store import tables as t
from bornek.store.queries.as_found import read_as_found
from bornek.store.queries.jobs import job_with_unit, settings_of
from bornek.store.queries.yard import the_yard


@dataclass(frozen=True)
class RecordView:
    """`yard` is its name; every moment is in the yard's `zone`. `end` is the last hash of the chain over the job's
    rows, its first letters: kept elsewhere, it proves that nothing was changed since."""

    job: JobView
    yard: str
    zone: str
    opened_at: str
    end: str
    settings: list[RecordSetting]
    about: list[RecordLine]
    strip: list[RecordLine]
    inspection: list[RecordLine]
    build: list[RecordLine]
    fits: list[RecordLine]
    train: list[RecordLine]
    prove: list[RecordLine]
    train_drawn: list[Gears]
    flanks: list[Flank]
    draft: list[DraftStep]
    photos: list[str]


def view_record(session: Session, job_id: str, today: date) -> dict[str, Any]:
    job, _ = job_with_unit(session, job_id)
    settings = [
        record_setting(session, load_setting(session, s.id, today)) for s in settings_of(session, job_id)
    ]
    strip, inspected, flanks, draft, photos = _strip(session, job, today)
    yard = the_yard(session)
    view: dict[str, Any] = dump(
        RecordView(
            job=job_view(session, job_id, today),
            yard=yard.name,
            zone=yard.zone,
            opened_at=job.opened_at.isoformat(),
            end=job_chain(session, job_id)[:END_LETTERS],
            settings=settings,
            about=_about(session, job),
            strip=strip,
            inspection=inspected,
            build=build_lines(definition_of(job), facts_of(session, job_id)),
            fits=build_lines(definition_of(job), facts_of(session, job_id), "fit"),
            train=build_lines(definition_of(job), facts_of(session, job_id), "mesh"),
            prove=build_lines(definition_of(job), facts_of(session, job_id), "prove"),
            train_drawn=_marks_seen(session, job),
            flanks=flanks,
            draft=draft,
            photos=photos,
        )
    )
    return view


def _marks_seen(session: Session, job: t.Job) -> list[Gears]:
    """The timing marks that somebody looked at, as they must stand."""
    seen = {f.body.mark for f in facts_of(session, job.id) if isinstance(f.body, TimingSeen)}
    return [close_up(x) for x in timed(definition_of(job)) if x.mark.key in seen]


def _about(session: Session, job: t.Job) -> list[RecordLine]:
    """What was said of the job as a whole: hour meter, corrections, closing."""
    d, facts = definition_of(job), facts_of(session, job.id)
    first, stated = fact_lines(d, facts, "job")
    asked = [
        RecordLine("hour meter", words, "NOT WRITTEN DOWN", "")
        for when, words in WHEN.items()
        if (when == "receiving" or job.closed_at) and not hours_written(facts, when)
    ]
    return [*asked, *first, *stated]


def _strip(
    session: Session, job: t.Job, today: date
) -> tuple[list[RecordLine], list[RecordLine], list[Flank], list[DraftStep], list[str]]:
    """The strip and the inspection in lines, the witness as painted, the first draft of the build, captions of photos."""
    d, facts = definition_of(job), facts_of(session, job.id)
    lines = [
        RecordLine("as found", b.name, b.words or "NOT WRITTEN DOWN", "")
        for b in baselines(d, facts, read_as_found(session, job.id))
        if b.fact_kind != "reading" or b.state != "taken"
    ]
    first, stated = fact_lines(d, facts, "strip")
    lines = [*first, *lines, *stated]
    for s in part_counts(d, facts):
        if 0 < s.off != s.part.count:
            lines.append(RecordLine("count", s.part.label, s.words, ""))
    for i in ledger(facts):
        lines.append(
            RecordLine("loose", i.what, f"dropped at {i.where}; {i.words or 'NOT ACCOUNTED FOR'}", i.by)
        )
    captions = [
        f"{_shown_on(d, p.subject)}: {p.caption or 'no caption'}{f'; struck: {p.struck}' if p.struck else ''}"
        for p in photos_view(session, job.id, facts)
    ]
    inspected = inspection_lines(session, job, d, facts, today)
    return lines, inspected, flanks_of(d, facts), first_draft(d, facts), captions


def _shown_on(d: Definition, subject: str) -> str:
    evidence = evidence_shown(subject)
    return evidence.label if evidence else d.label_of(subject) or "the unit"
