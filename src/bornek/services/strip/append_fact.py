"""One row more of what is written down about a job: nothing is ever changed or taken away."""

from __future__ import annotations

from typing import Any

from bornek.services.desk import Desk
from bornek.services.job.index_job import index_fact
from bornek.store import tables as t


def append_fact(
    desk: Desk,
    job: t.Job,
    fact_id: str,
    fact_kind: str,
    subject: str,
    body: dict[str, Any],
    old: t.Fact | None = None,
    void: bool = False,
) -> t.Fact:
    """`old` is what it takes the place of, or, with `void`, what it strikes."""
    job.seq += 1
    row = t.Fact(
        id=fact_id,
        job_id=job.id,
        fact_kind=fact_kind,
        subject=subject,
        body=body,
        void=void,
        supersedes=old.id if old else None,
        seq=job.seq,
        mechanic_id=desk.mechanic().id,
        at=desk.now,
    )
    desk.session.add(row)
    desk.session.flush()
    if not void:
        index_fact(desk.session, row)
    return row
