"""What was done, by whom and from where: one line for everything that was written."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.core.plain import dump
from bornek.services.people.deed_words import about_words, deed_words
from bornek.services.people.who import Who
from bornek.services.shop.mechanics import mechanic_names
from bornek.store import tables as t
from bornek.store.once import get_held

SHOWN = 200


@dataclass(frozen=True)
class DeedView:
    """`how`: authenticated or named; `device` the device's name, where it was enrolled; `to` the page of what it was
    about."""

    id: int
    at: str
    who: str
    device: str
    what: str
    about: str
    to: str
    how: str


def write_deed(session: Session, who: Who | None, what: str, about: str, now: datetime) -> None:
    known = who is not None and get_held(session, t.Mechanic, who.mechanic) is not None
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


def tried_as(session: Session, name: str) -> str:
    """The yard's name that was tried, by name or id. Anything else may be a passphrase in the wrong field: it is never
    kept."""
    names = mechanic_names(session)
    found = names.get(name) or next((n for n in names.values() if n == name.strip()), None)
    return found or "a name that is not here"


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
            DeedView(
                d.id,
                d.at.isoformat(),
                who or "",
                device or "",
                deed_words(d.what),
                *about_words(session, d.about),
                d.how,
            )
            for d, who, device in rows
        ]
    )
    return shown
