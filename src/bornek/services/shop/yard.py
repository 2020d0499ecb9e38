"""The yard's name, its time zone, and who works there."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache
from typing import Any
from zoneinfo import ZoneInfo, available_timezones

from sqlalchemy.orm import Session

from bornek.core.errors import InputError
from bornek.core.plain import dump
from bornek.services.desk import Desk
from bornek.services.shop.mechanics import MechanicView, mechanic_names
from bornek.store import tables as t
from bornek.store.queries.yard import THE_YARD, the_yard


@dataclass(frozen=True)
class YardView:
    """`zones`: every time zone that can be chosen."""

    name: str
    zone: str
    people: list[MechanicView]
    zones: list[str]


def view_yard(session: Session) -> dict[str, Any]:
    yard = the_yard(session)
    people = [MechanicView(key, name) for key, name in mechanic_names(session).items()]
    view: dict[str, Any] = dump(YardView(yard.name, yard.zone, people, list(_zones())))
    return view


@cache
def _zones() -> tuple[str, ...]:
    return tuple(sorted(available_timezones()))


def change_yard(desk: Desk, sent: dict[str, Any]) -> None:
    """sent: name, zone. What the board keeps is made afresh: its days may be others now."""
    desk.mechanic()
    name = sent["name"].strip()
    if not name:
        raise InputError("The yard has no name.", field="name", next_step="Say what it is called.")
    check_zone(sent["zone"])
    desk.session.merge(t.Yard(id=THE_YARD, name=name, zone=sent["zone"]))
    desk.session.query(t.Standing).delete()
    desk.session.flush()


def check_zone(zone: str) -> None:
    """Raises InputError for a time zone that is not known."""
    try:
        ZoneInfo(zone)
    except (KeyError, ValueError, OSError) as error:
        raise InputError(
            f"No time zone {zone[:60]!r} is known.",
            field="zone",
            next_step="Choose one, such as Europe/Oslo.",
        ) from error


def add_person(desk: Desk, sent: dict[str, Any]) -> None:
    """sent: id, name. The first one in a new yard is added by nobody; each further one by somebody."""
    known = mechanic_names(desk.session)
    if known:
        desk.mechanic()
    name = sent["name"].strip()
    if not name:
        raise InputError("The name is empty.", field="name", next_step="Write first and last name.")
    if name.casefold() in {n.casefold() for n in known.values()}:
        raise InputError(
            f"{name} works here already.", field="name", next_step="Add what tells the two apart."
        )
    desk.session.add(t.Mechanic(id=sent["id"], name=name))
    desk.session.flush()
