"""Which gauges of the yard talk, and how."""

from __future__ import annotations

from collections.abc import Set

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.core.gauge_line import TalkLine
from bornek.store import tables as t
from bornek.store.once import read_once

_LINES = select(t.GaugeLine)


def line_of(session: Session, gauge_id: str) -> TalkLine | None:
    """How a gauge talks; None where it does not."""
    row = session.get(t.GaugeLine, gauge_id)
    return TalkLine(**row.line) if row and row.line else None


def talking(session: Session) -> Set[str]:
    """The ids of the gauges that talk."""
    return read_once(
        session, "talking", lambda: {row.gauge_id for row in session.scalars(_LINES) if row.line}
    )
