"""The yard's own clock: moments are stored in UTC, days are the yard's."""

from __future__ import annotations

from datetime import date, datetime
from zoneinfo import ZoneInfo

from sqlalchemy.orm import Session

from bornek.store import tables as t

THE_YARD = "yard"


def the_yard(session: Session) -> t.Yard:
    found = session.get(t.Yard, THE_YARD)
    session.info[THE_YARD] = found  # held, or the session forgets it and asks the file each time
    return found if found is not None else t.Yard(id=THE_YARD, name="The yard", zone="UTC")


def local(session: Session, moment: datetime) -> datetime:
    """A moment as the clock on the yard's wall says it."""
    return moment.astimezone(ZoneInfo(the_yard(session).zone))


def local_day(session: Session, moment: datetime) -> date:
    """The day that it is in the yard at a moment."""
    return local(session, moment).date()
