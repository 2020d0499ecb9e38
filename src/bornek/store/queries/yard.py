"""The yard's own clock: moments are stored in UTC, days are the yard's."""

from __future__ import annotations

from datetime import date, datetime
from zoneinfo import ZoneInfo

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.store import tables as t

THE_YARD = "yard"
_YARD = select(t.Yard).where(t.Yard.id == THE_YARD)


def the_yard(session: Session) -> t.Yard:
    held: t.Yard | None = session.info.get(THE_YARD)
    if held is None:
        held = session.info[THE_YARD] = session.scalars(_YARD).one_or_none()
    return held if held is not None else t.Yard(id=THE_YARD, name="The yard", zone="UTC")


def local(session: Session, moment: datetime) -> datetime:
    """A moment as the clock on the yard's wall says it."""
    return moment.astimezone(ZoneInfo(the_yard(session).zone))


def local_day(session: Session, moment: datetime) -> date:
    """The day that it is in the yard at a moment."""
    return local(session, moment).date()
