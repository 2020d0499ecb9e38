"""Needs that jobs of one unit type overruled: proposals for its next revision."""

from __future__ import annotations

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.core.facts.need_judged import NeedJudgedKind
from bornek.store import tables as t


def overruled_needs(session: Session, type_id: str) -> list[str]:
    """Each in words with its reason and the unit that it was overruled on, newest first."""
    rows = session.execute(
        select(t.Fact.body, t.Unit.tag)
        .join(t.Job, t.Job.id == t.Fact.job_id)
        .join(t.Unit, t.Unit.id == t.Job.unit_id)
        .where(t.Unit.unit_type_id == type_id, t.Fact.fact_kind == NeedJudgedKind.key, ~t.Fact.void)
        .order_by(t.Fact.at.desc())
    )
    return [f"{body['label']}: not so on {tag}, {body['words']}" for body, tag in rows if not body["holds"]]
