"""A job is closed over what may stay open, with a reason; and opened again, with another."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from bornek.core.closing import open_points
from bornek.core.errors import InputError
from bornek.core.facts.closed import Closed, ClosedKind
from bornek.core.facts.deferred import Deferred
from bornek.core.facts.kind import Fact
from bornek.core.facts.opened_again import OpenedAgain, OpenedAgainKind
from bornek.core.facts.registry import body_of
from bornek.core.plain import dump
from bornek.core.prove.sheet import ProveSheet, prove_sheet
from bornek.services.desk import Desk
from bornek.services.job.closing import job_stands
from bornek.services.job.job_definition import definition_of
from bornek.services.setting.summary import summaries
from bornek.services.strip.append_fact import append_fact
from bornek.services.strip.facts_of import facts_of
from bornek.store.queries.jobs import job_with_unit, open_job
from bornek.store.queries.yard import local


def close_job(desk: Desk, job_id: str, sent: dict[str, Any]) -> None:
    """sent: id, words. Raises InputError naming what must be settled first, or what wants a reason."""
    desk.mechanic()
    job, _ = open_job(desk.session, job_id)
    d, facts = definition_of(job), facts_of(desk.session, job_id)
    settings = summaries(desk.session, job, desk.today)
    stands = job_stands(desk.session, job, d, facts, settings, local(desk.session, desk.now))
    sheet = prove_sheet(stands)
    found = open_points(stands, sheet)
    first = [p for p in found if not p.may_stay]
    if first:
        raise InputError(
            "The job cannot be closed: " + "; ".join(p.words for p in first) + ".",
            field="open_points",
            next_step="Settle each where it is written, then close.",
            details={"open_points": dump(first)},
        )
    words = str(sent.get("words", "")).strip()
    if found and not words:
        raise InputError(
            "Still open: " + "; ".join(p.words for p in found) + ".",
            field="words",
            next_step="Settle it, or say why the job is closed without.",
            details={"open_points": dump(found)},
        )
    closed = Closed(words, tuple(p.words for p in found), tuple(_done_after_all(facts, sheet)))
    append_fact(desk, job, sent["id"], ClosedKind.key, "", body_of(closed))
    job.closed_at = desk.now
    desk.session.flush()


def _done_after_all(facts: Sequence[Fact], sheet: ProveSheet) -> list[str]:
    """Work that was put off and is done: by its own stage, so that nothing else says so."""
    points = sheet.by_key
    put_off = [f for f in facts if isinstance(f.body, Deferred)]
    return [f.id for f in put_off if f.body.point in points and points[f.body.point].state == "done"]


def open_again(desk: Desk, job_id: str, sent: dict[str, Any]) -> None:
    """sent: id, words. What was written stays; the job takes entries again."""
    desk.mechanic()
    job, _ = job_with_unit(desk.session, job_id)
    words = str(sent.get("words", "")).strip()
    if job.closed_at is None:
        raise InputError("This job is open.", field="job_id", next_step="Write on it.")
    if not words:
        raise InputError("Say why it is opened again.", field="words", next_step="Say it in a few words.")
    append_fact(desk, job, sent["id"], OpenedAgainKind.key, "", body_of(OpenedAgain(words)))
    job.closed_at = None
    desk.session.flush()
