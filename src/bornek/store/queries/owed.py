"""Work that was put off, over the jobs of a unit or of the yard."""

from __future__ import annotations

from collections.abc import Sequence

from sqlalchemy import exists, select
from sqlalchemy.orm import Session, aliased

from bornek.store import tables as t

_later = aliased(t.Fact)


def facts_of_owing(
    session: Session, owing: str, kinds: Sequence[str], unit_id: str = ""
) -> list[tuple[t.Fact, t.Job, t.Unit]]:
    """Live facts of some kinds, in their order: of the units that have one of the kind `owing`, or of one of them."""
    owe = select(t.Job.unit_id).join(t.Fact, t.Fact.job_id == t.Job.id).where(t.Fact.fact_kind == owing)
    wanted = (
        select(t.Fact, t.Job, t.Unit)
        .join(t.Job, t.Job.id == t.Fact.job_id)
        .join(t.Unit, t.Unit.id == t.Job.unit_id)
        .where(
            t.Job.unit_id.in_(owe),
            t.Fact.fact_kind.in_(kinds),
            ~t.Fact.void,
            ~exists().where(_later.supersedes == t.Fact.id),
        )
        .order_by(t.Job.opened_at, t.Job.id, t.Fact.seq)
    )
    if unit_id:
        wanted = wanted.where(t.Job.unit_id == unit_id)
    return [(fact, job, unit) for fact, job, unit in session.execute(wanted)]


def unit_entries(session: Session, unit_id: str = "") -> Sequence[t.UnitEntry]:
    """What was done on units without a job."""
    wanted = select(t.UnitEntry).order_by(t.UnitEntry.at, t.UnitEntry.id)
    return session.scalars(wanted.where(t.UnitEntry.unit_id == unit_id) if unit_id else wanted).all()
