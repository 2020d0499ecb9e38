"""Which gauges of the yard talk, and how."""

from __future__ import annotations

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.core.gauge_line import TalkLine
from bornek.store import tables as t


def line_of(session: Session, gauge_id: str) -> TalkLine | None:
    """How a gauge talks; None where it does not."""
    row = session.get(t.GaugeLine, gauge_id)
    return TalkLine(**row.line) if row and row.line else None


def talking(session: Session) -> set[str]:
    """The ids of the gauges that talk."""
    return {row.gauge_id for row in session.scalars(select(t.GaugeLine)) if row.line}
