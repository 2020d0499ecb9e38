"""The yard's board: every open unit with its next move, grouped by who can act.

What a job shows there is kept in its standing and made afresh when the job was written on, or when the
drawer that its packs draw from was.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import date
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.facts.released import release_of
from bornek.core.parts.days import is_late
from bornek.core.parts.orders import order_lines
from bornek.core.phrases import Span
from bornek.core.plain import dump
from bornek.services.inspect.orders import yard_orders
from bornek.services.job.job_definition import definition_of
from bornek.services.setting.summary import SettingSummary, summaries
from bornek.services.shop.drawer import low_shims
from bornek.services.strip.facts_of import facts_of
from bornek.services.unit.owed import OwedView, yard_owed
from bornek.store import tables as t
from bornek.store.queries.drawer import movements_by_form
from bornek.store.queries.jobs import (
    band_counts,
    count_unread,
    job_with_unit,
    marks_in,
    standing_rows,
    unread_jobs,
)


@dataclass(frozen=True)
class Owed:
    """Something ordered that is not here yet."""

    label: str
    supplier: str
    promised: str


@dataclass(frozen=True)
class BoardRow:
    """`owed` is out on order; `late` says of what of it the promise has passed."""

    job_id: str
    tag: str
    name: str
    bench: str
    band: str
    waits_for: str
    say: list[Span]
    setting_id: str | None
    setting_label: str
    settings: list[SettingSummary]
    owed: list[Owed]
    late: list[str]


@dataclass(frozen=True)
class BoardView:
    """`rows` are the first of each band; the counts are of all open jobs, `unread` of those not read yet;
    `late` counts orders of the whole yard. `due`: what units owe, the soonest first; `due_more` how many more."""

    say: list[Span]
    needs_hands: int
    held_up: int
    ready: int
    unread: int
    late: int
    rows: list[BoardRow]
    low: list[str]
    due: list[OwedView]
    due_more: int


URGENCY = ("out_high", "out_low", "not_proven", "at_edge", "read_again", "not_read", "in")
BANDS = ("hands", "held", "done")
SHOWN = 30
AT_ONCE = 60
DUE_SHOWN = 8


def board_is_stale(session: Session) -> bool:
    """Whether something shown on the board must be made afresh first."""
    return bool(count_unread(session)) or bool(_outdated(session))


def refresh_board(session: Session, today: date) -> int:
    """Makes part_counts afresh, at most sixty in one transaction; returns how many."""
    marks = movements_by_form(session)
    jobs = unread_jobs(session, AT_ONCE)
    jobs += [job_with_unit(session, job_id) for job_id in _outdated(session)[: AT_ONCE - len(jobs)]]
    for job, unit in jobs:
        row = _row(session, job, unit, today)
        lead = next((s for s in row.settings if s.id == row.setting_id), None)
        session.merge(
            t.Standing(
                job_id=job.id,
                seq=job.seq,
                mark=_mark(job, marks),
                band=row.band,
                rank=sum(x * n for x, n in zip(_rank(lead), (10, 1), strict=True)) if lead else 99,
                row=dump(row),
            )
        )
    session.flush()
    return len(jobs)


def view_board(session: Session, today: date) -> dict[str, Any]:
    """The first rows of each band as kept; `unread` jobs are not in it yet (refresh_board reads them)."""
    shown = [job_id for band in BANDS for job_id, _ in marks_in(session, band, SHOWN)]
    rows, count = standing_rows(session, shown), band_counts(session)
    due = yard_owed(session, today.isoformat())
    say = [Span("Nothing needs hands.")]
    if rows and rows[0]["band"] == "hands":
        first = rows[0]
        say = [Span(first["tag"], True), Span(": "), *(Span(s["text"]) for s in first["say"])]
    board = BoardView(
        say=say,
        needs_hands=count.get("hands", 0),
        held_up=count.get("held", 0),
        ready=count.get("done", 0),
        unread=count_unread(session),
        late=sum(o.late for o in yard_orders(session, today)),
        rows=[],
        low=low_shims(session),
        due=due[:DUE_SHOWN],
        due_more=max(0, len(due) - DUE_SHOWN),
    )
    view: dict[str, Any] = dump(board)
    return view | {"rows": [row | {"late": _late(row["owed"], today)} for row in rows]}


def _late(owed: Sequence[Mapping[str, str]], today: date) -> list[str]:
    return [
        f"{o['label']} from {o['supplier']}, promised {o['promised']}"
        for o in owed
        if is_late(o["promised"], today.isoformat())
    ]


def _outdated(session: Session) -> list[str]:
    """Jobs shown on the board whose drawer has moved since."""
    marks = movements_by_form(session)
    shown = [row for band in BANDS[:2] for row in marks_in(session, band, SHOWN)]
    return [job_id for job_id, mark in shown if mark != _known_mark(mark, marks)]


def _mark(job: t.Job, marks: Mapping[str, int]) -> str:
    forms = sorted({p.shim_form for p in definition_of(job).places} - {"", "none"})
    return ";".join(f"{form}={marks.get(form, 0)}" for form in forms)


def _known_mark(mark: str, marks: Mapping[str, int]) -> str:
    """The same mark as it would be now."""
    forms = [part.rsplit("=", 1)[0] for part in mark.split(";") if part]
    return ";".join(f"{form}={marks.get(form, 0)}" for form in forms)


def _row(session: Session, job: t.Job, unit: t.Unit, today: date) -> BoardRow:
    settings = summaries(session, job, today)
    unsigned = [s for s in settings if not s.signed]
    lead = min(unsigned, key=_rank) if unsigned else (settings[-1] if settings else None)
    band = (
        "held"
        if job.waits_for and (unsigned or not settings)
        else "hands"
        if unsigned or not settings
        else "done"
    )
    say = lead.say if lead and unsigned else _say_signed(session, job)
    if not settings:
        say = [Span("Nothing is defined to be set. Fill in the job's own definition.")]
    settings = [s if s is lead else replace(s, strip=None, say=[]) for s in settings]
    return BoardRow(
        job_id=job.id,
        tag=unit.tag,
        name=unit.name,
        bench=job.bench,
        band=band,
        waits_for=job.waits_for,
        say=list(say),
        setting_id=lead.id if lead else None,
        setting_label=lead.label if lead else "",
        settings=settings,
        owed=_owed(session, job),
        late=[],
    )


def _say_signed(session: Session, job: t.Job) -> list[Span]:
    """What is next once every setting is signed."""
    if release_of(facts_of(session, job.id)) is not None:
        return [Span("Released: "), Span("close the job", True), Span(".")]
    return [Span("Every setting is signed: "), Span("prove it", True), Span(".")]


def _owed(session: Session, job: t.Job) -> list[Owed]:
    lines = order_lines(definition_of(job), facts_of(session, job.id), job.length_unit)
    return [Owed(o.label, o.supplier, o.promised) for o in lines if o.state != "received"]


def _rank(summary: SettingSummary) -> tuple[int, int]:
    """A setting in the middle of a round comes before one not begun."""
    return int(not summary.begun), URGENCY.index(summary.verdict)
