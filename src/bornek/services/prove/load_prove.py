"""A job's last look, thought through from all that is written on it."""

from __future__ import annotations

from datetime import datetime

from sqlalchemy.orm import Session

from bornek.core.prove.sheet import ProveSheet, prove_sheet
from bornek.services.job.closing import job_stands
from bornek.services.job.job_definition import definition_of
from bornek.services.setting.summary import summaries
from bornek.services.strip.facts_of import facts_of
from bornek.store import tables as t


def load_prove(session: Session, job: t.Job, now: datetime) -> ProveSheet:
    """`now`: as the clock on the yard's wall says it."""
    d, facts = definition_of(job), facts_of(session, job.id)
    return prove_sheet(job_stands(session, job, d, facts, summaries(session, job, now.date()), now))
