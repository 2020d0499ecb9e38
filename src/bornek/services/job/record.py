"""The record of a job: as found, every round, as left, working, who and when."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.build.first_draft import DraftStep, first_draft
from bornek.core.facts.kind import RecordLine
from bornek.core.parts.causes import evidence_shown
from bornek.core.plain import dump
from bornek.core.scenes import Flank
from bornek.core.strip.baselines import baselines
from bornek.core.strip.ledger import ledger
from bornek.core.strip.part_counts import part_counts
from bornek.core.units.definition import Definition
from bornek.services.inspect.inspection_lines import inspection_lines
from bornek.services.job.job_definition import definition_of
from bornek.services.job.view import JobView, job_view
from bornek.services.setting.load_setting import load_setting
from bornek.services.setting.record import RecordSetting, record_setting
from bornek.services.strip.facts_of import fact_lines, facts_of
from bornek.services.strip.photos_of import photos_view
from bornek.services.strip.view import flanks_of, read_as_found
from bornek.store import tables as t
from bornek.store.queries.jobs import job_with_unit, settings_of


@dataclass(frozen=True)
class RecordView:
    job: JobView
    opened_at: str
    settings: list[RecordSetting]
    strip: list[RecordLine]
    inspection: list[RecordLine]
    flanks: list[Flank]
    draft: list[DraftStep]
    photos: list[str]


def view_record(session: Session, job_id: str, today: date) -> dict[str, Any]:
    job, _ = job_with_unit(session, job_id)
    settings = [
        record_setting(session, load_setting(session, s.id, today)) for s in settings_of(session, job_id)
    ]
    strip, inspected, flanks, draft, photos = _strip(session, job, today)
    view: dict[str, Any] = dump(
        RecordView(
            job=job_view(session, job_id, today),
            opened_at=job.opened_at.isoformat(),
            settings=settings,
            strip=strip,
            inspection=inspected,
            flanks=flanks,
            draft=draft,
            photos=photos,
        )
    )
    return view


def _strip(
    session: Session, job: t.Job, today: date
) -> tuple[list[RecordLine], list[RecordLine], list[Flank], list[DraftStep], list[str]]:
    """The strip and the inspection in lines, the witness as painted, the first draft of the build, captions of photos."""
    d, facts = definition_of(job), facts_of(session, job.id)
    lines = [
        RecordLine("as found", b.label, b.words or "not written down", "")
        for b in baselines(d, facts, read_as_found(session, job.id))
        if b.fact_kind != "reading"
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
        f"{_shown_on(d, p.subject)}: {p.caption or 'no caption'}" for p in photos_view(session, job.id)
    ]
    inspected = inspection_lines(session, job, d, facts, today)
    return lines, inspected, flanks_of(d, facts), first_draft(d, facts), captions


def _shown_on(d: Definition, subject: str) -> str:
    evidence = evidence_shown(subject)
    return evidence.label if evidence else d.label_of(subject) or "the unit"
