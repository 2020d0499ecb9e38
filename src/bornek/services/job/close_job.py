"""A job is closed: nothing may still lie loose in the housing."""

from __future__ import annotations

from typing import Any

from bornek.core.errors import InputError
from bornek.core.facts.closed import ClosedKind
from bornek.services.desk import Desk
from bornek.services.job.closing import close_blockers
from bornek.services.job.view import view_job
from bornek.store import tables as t
from bornek.store.queries.jobs import job_with_unit, settings_of, signed_settings


def close_job(desk: Desk, job_id: str, sent: dict[str, Any]) -> dict[str, Any]:
    """sent: id, words. Unsigned settings do not block, but need a reason in words."""
    who = desk.mechanic()
    job, _ = job_with_unit(desk.session, job_id)
    if job.closed_at is not None:
        raise InputError("This job is closed already.", field="job_id")
    blockers = close_blockers(desk.session, job)
    if blockers:
        raise InputError(
            "The job cannot be closed: " + "; ".join(blockers) + ".",
            field="loose",
            next_step="Find it or account for it in the ledger, then close.",
            details={"blockers": blockers},
        )
    unsigned = len(settings_of(desk.session, job_id)) - len(signed_settings(desk.session, job_id))
    words = str(sent.get("words", "")).strip()
    if unsigned and not words:
        raise InputError(
            f"{unsigned} settings are not signed.",
            field="words",
            next_step="Sign them, or say why the job is closed without.",
        )
    job.seq += 1
    desk.session.add(
        t.Fact(
            id=sent["id"],
            job_id=job_id,
            fact_kind=ClosedKind.key,
            subject="",
            body={"words": words},
            void=False,
            supersedes=None,
            seq=job.seq,
            mechanic_id=who.id,
            at=desk.now,
        )
    )
    job.closed_at = desk.now
    desk.session.flush()
    return view_job(desk.session, job_id, desk.now.date())
