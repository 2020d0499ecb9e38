"""A job's gear train, thought through once for as long as nothing is written."""

from __future__ import annotations

from sqlalchemy.orm import Session

from bornek.core.train.positions import Train
from bornek.core.train.sheet import TrainSheet, train_sheet
from bornek.services.job.job_definition import definition_of
from bornek.services.strip.facts_of import facts_of
from bornek.store import tables as t
from bornek.store.once import keep


def train_of(session: Session, job: t.Job) -> TrainSheet:
    """What is said of the train by the job's definition and all that was written down."""
    return keep(
        session,
        ("train", job.id, job.seq),
        lambda: train_sheet(Train(definition_of(job)), facts_of(session, job.id)),
    )
