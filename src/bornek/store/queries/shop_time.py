"""The yard's tools and hours as they stand: the last card of each, the last hours."""

from __future__ import annotations

from collections.abc import Sequence

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from bornek.store import tables as t


def tool_cards(session: Session) -> Sequence[t.YardTool]:
    last = (
        select(t.YardTool.tool, func.max(t.YardTool.number).label("n")).group_by(t.YardTool.tool).subquery()
    )
    return session.scalars(
        select(t.YardTool)
        .join(last, (t.YardTool.tool == last.c.tool) & (t.YardTool.number == last.c.n))
        .order_by(t.YardTool.sort, t.YardTool.name)
    ).all()


def last_hours(session: Session) -> t.ShopHours | None:
    return session.scalars(select(t.ShopHours).order_by(t.ShopHours.number.desc()).limit(1)).one_or_none()


def jobs_in_build(session: Session, kinds: Sequence[str]) -> list[tuple[t.Job, t.Unit]]:
    """Open jobs of which something was written down that a build order begins with."""
    begun = select(t.Fact.job_id).where(t.Fact.fact_kind.in_(kinds))
    rows = session.execute(
        select(t.Job, t.Unit)
        .join(t.Unit, t.Unit.id == t.Job.unit_id)
        .where(t.Job.closed_at.is_(None), t.Job.id.in_(begun))
        .order_by(t.Job.opened_at, t.Unit.tag)
    )
    return [(job, unit) for job, unit in rows]
