"""What was done, by whom and from where: one line for everything that was written."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.core.plain import dump
from bornek.services.people.who import Who
from bornek.store import tables as t

SHOWN = 200


@dataclass(frozen=True)
class DeedView:
    """`how`: authenticated or named; `device` the device's name, where it was enrolled."""

    id: int
    at: str
    who: str
    device: str
    what: str
    about: str
    how: str


def write_deed(session: Session, who: Who | None, what: str, about: str, now: datetime) -> None:
    known = who is not None and session.get(t.Mechanic, who.mechanic) is not None
    session.add(
        t.Deed(
            at=now,
            mechanic_id=who.mechanic if who and known else None,
            device_id=(who.device if who else "") or None,
            what=what,
            about=about[:300],
            how=who.how if who else "nobody",
        )
    )


def view_deeds(session: Session) -> list[dict[str, Any]]:
    """The last ones, newest first."""
    rows = session.execute(
        select(t.Deed, t.Mechanic.name, t.Device.name)
        .outerjoin(t.Mechanic, t.Mechanic.id == t.Deed.mechanic_id)
        .outerjoin(t.Device, t.Device.id == t.Deed.device_id)
        .order_by(t.Deed.id.desc())
        .limit(SHOWN)
    )
    shown: list[dict[str, Any]] = dump(
        [
            DeedView(d.id, d.at.isoformat(), who or "", device or "", d.what, d.about, d.how)
            for d, who, device in rows
        ]
    )
    return shown
