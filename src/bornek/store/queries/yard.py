"""The yard's own clock: moments are stored in UTC, days are the yard's."""

from __future__ import annotations

from datetime import date, datetime
from zoneinfo import ZoneInfo

from sqlalchemy.orm import Session

from bornek.store import tables as t
from bornek.store.once import get_held

THE_YARD = "yard"


def the_yard(session: Session) -> t.Yard:
    return get_held(session, t.Yard, THE_YARD) or t.Yard(id=THE_YARD, name="The yard", zone="UTC")


def local(session: Session, moment: datetime) -> datetime:
    """A moment as the clock on the yard's wall says it."""
    return moment.astimezone(ZoneInfo(the_yard(session).zone))


def local_day(session: Session, moment: datetime) -> date:
    """The day that it is in the yard at a moment."""
    return local(session, moment).date()
