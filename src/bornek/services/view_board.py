"""The yard at a glance: every unit on the bench, its next move and what it waits for."""

from __future__ import annotations

from datetime import date
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.phrases import Span
from bornek.core.plain import dump
from bornek.core.scenes import Strip
from bornek.services.bench import Bench, open_bench
from bornek.services.drawer import low_shims
from bornek.services.views import BoardRow, BoardView, JobView, SettingSummary
from bornek.store import tables as t
from bornek.store.queries.jobs import job_with_unit, open_jobs, settings_of

URGENCY = ("out_high", "out_low", "not_proven", "at_edge", "read_again", "not_read", "in")
BANDS = ("hands", "held", "done")


def view_board(session: Session, today: date) -> dict[str, Any]:
    rows = [_row(session, job, unit, today) for job, unit in open_jobs(session)]
    rows.sort(key=lambda r: BANDS.index(r.band))
    count = {band: sum(r.band == band for r in rows) for band in BANDS}
    say = [Span("Nothing needs hands.")]
    if count["hands"]:
        say = [Span(rows[0].tag, True), Span(": "), *(Span(s.text) for s in rows[0].say)]
    board = BoardView(say, count["hands"], count["held"], count["done"], rows, low_shims(session))
    view: dict[str, Any] = dump(board)
    return view


def job_view(session: Session, job_id: str, today: date) -> JobView:
    job, unit = job_with_unit(session, job_id)
    return JobView(job.id, unit.tag, unit.name, unit.serial, job.complaint, job.bench, job.length_unit,
                   job.waits_for, job.schools, job.seq, summaries(session, job, today))  # fmt: skip


def view_job(session: Session, job_id: str, today: date) -> dict[str, Any]:
    view: dict[str, Any] = dump(job_view(session, job_id, today))
    return view


def _row(session: Session, job: t.Job, unit: t.Unit, today: date) -> BoardRow:
    settings = summaries(session, job, today)
    unsigned = [s for s in settings if not s.signed]
    lead = min(unsigned, key=_rank) if unsigned else (settings[-1] if settings else None)
    band = "done" if not unsigned else "held" if job.waits_for else "hands"
    say = lead.say if lead and unsigned else [Span("Every setting is signed. Take the record.")]
    return BoardRow(job.id, unit.tag, unit.name, job.bench, band, job.waits_for, say,
                    lead.id if lead else None, lead.label if lead else "", settings)  # fmt: skip


def _rank(summary: SettingSummary) -> tuple[bool, int]:
    """A setting in the middle of a round comes before one not begun."""
    return not summary.begun, URGENCY.index(summary.verdict)


def summaries(session: Session, job: t.Job, today: date) -> list[SettingSummary]:
    return [_summary(open_bench(session, s.id, today)) for s in settings_of(session, job.id)]


def _summary(bench: Bench) -> SettingSummary:
    sheet, log = bench.sheet(), bench.log
    strip = next((s for s in sheet.scenes if isinstance(s, Strip)), None)
    return SettingSummary(
        log.setting.id, log.setting.label, log.place.label, sheet.title, sheet.round, list(sheet.say),
        sheet.verdict.code, sheet.verdict.words, strip, log.signature is not None and not log.disturbed,
        log.disturbed, bool(bench.ctx.entries),
    )  # fmt: skip
