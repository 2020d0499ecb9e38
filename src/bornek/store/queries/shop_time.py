"""The yard's tools and hours as they stand: the last card of each, the last hours."""

from __future__ import annotations

from collections.abc import Sequence

from sqlalchemy import bindparam, func, select
from sqlalchemy.orm import Session

from bornek.store import tables as t
from bornek.store.once import read_once

_last = select(t.YardTool.tool, func.max(t.YardTool.number).label("n")).group_by(t.YardTool.tool).subquery()
_TOOLS = (
    select(t.YardTool)
    .join(_last, (t.YardTool.tool == _last.c.tool) & (t.YardTool.number == _last.c.n))
    .order_by(t.YardTool.sort, t.YardTool.name)
)
_HOURS = select(t.ShopHours).order_by(t.ShopHours.number.desc()).limit(1)
_BEGUN = select(t.Fact.job_id).where(t.Fact.fact_kind.in_(bindparam("kinds", expanding=True)))
_IN_BUILD = (
    select(t.Job, t.Unit)
    .join(t.Unit, t.Unit.id == t.Job.unit_id)
    .where(t.Job.closed_at.is_(None), t.Job.id.in_(_BEGUN))
    .order_by(t.Job.opened_at, t.Unit.tag)
)


def tool_cards(session: Session) -> Sequence[t.YardTool]:
    return read_once(session, "tool cards", lambda: session.scalars(_TOOLS).all())


def last_hours(session: Session) -> t.ShopHours | None:
    return read_once(session, "shop hours", lambda: session.scalars(_HOURS).one_or_none())


def jobs_in_build(session: Session, kinds: Sequence[str]) -> list[tuple[t.Job, t.Unit]]:
    """Open jobs of which something was written down that a build order begins with."""
    rows = session.execute(_IN_BUILD, {"kinds": list(kinds)})
    return [(job, unit) for job, unit in rows]
