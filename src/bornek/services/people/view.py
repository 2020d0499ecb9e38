"""Who is signed in here, and for the owner: everybody, and every device."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.core.people.roles import RIGHT_WORDS, RIGHTS, ROLES
from bornek.core.plain import dump
from bornek.services.people.sign_in import device_of
from bornek.services.people.who import Who, has_owner
from bornek.store import tables as t


@dataclass(frozen=True)
class BenchName:
    """Somebody who may sign in with a PIN at this device."""

    id: str
    name: str


@dataclass(frozen=True)
class MeView:
    """`asks`: owner (the yard has none, and this is its own machine), sign_in, or nothing. `trusts`: whoever sits at this
    machine is taken at their word. `bench`: who may sign in here with a PIN. `token` goes with everything written."""

    mechanic: str
    name: str
    role: str
    rights: list[str]
    how: str
    asks: str
    trusts: bool
    device: str
    pin: bool
    bench: list[BenchName]
    token: str
    owned: bool


@dataclass(frozen=True)
class RoleView:
    key: str
    words: str


@dataclass(frozen=True)
class AccountView:
    """`account` is whether there is one: others are names alone, as those of jobs that came from elsewhere."""

    id: str
    name: str
    account: bool
    role: str
    pin: bool
    ended: bool
    waits: bool


@dataclass(frozen=True)
class DeviceView:
    id: str
    name: str
    by: str
    at: str
    ended: bool


@dataclass(frozen=True)
class PeopleView:
    people: list[AccountView]
    roles: list[RoleView]
    devices: list[DeviceView]


def view_me(
    session: Session, who: Who | None, device_secret: str, trusts: bool, here: bool
) -> dict[str, Any]:
    """`here`: asked at the yard's own machine."""
    device, owned = device_of(session, device_secret), has_owner(session)
    account = session.get(t.Account, who.mechanic) if who else None
    view = MeView(
        mechanic=who.mechanic if who else "",
        name=who.name if who else "",
        role=who.role if who else "",
        rights=sorted(RIGHTS[who.role]) if who else [],
        how=who.how if who else "",
        asks="" if who else "owner" if here and not owned else "sign_in",
        trusts=trusts,
        device=device.name if device else "",
        pin=bool(account and account.pin),
        bench=_bench(session) if device else [],
        token=who.token if who else "",
        owned=owned,
    )
    shown: dict[str, Any] = dump(view)
    return shown


def _bench(session: Session) -> list[BenchName]:
    rows = session.execute(
        select(t.Mechanic.id, t.Mechanic.name)
        .join(t.Account, t.Account.mechanic_id == t.Mechanic.id)
        .where(t.Account.ended_at.is_(None), t.Account.pin.is_not(None))
        .order_by(t.Mechanic.name)
    )
    return [BenchName(key, name) for key, name in rows]


def view_people(session: Session, now: datetime) -> dict[str, Any]:
    accounts = {a.mechanic_id: a for a in session.scalars(select(t.Account))}
    people = session.scalars(select(t.Mechanic).order_by(t.Mechanic.name))
    devices = session.execute(
        select(t.Device, t.Mechanic.name)
        .join(t.Mechanic, t.Mechanic.id == t.Device.mechanic_id)
        .order_by(t.Device.at)
    )
    view = PeopleView(
        people=[_account(m, accounts.get(m.id), now) for m in people],
        roles=[RoleView(r, "; ".join(RIGHT_WORDS[x] for x in RIGHT_WORDS if x in RIGHTS[r])) for r in ROLES],
        devices=[
            DeviceView(d.id, d.name, name, d.at.isoformat(), d.ended_at is not None) for d, name in devices
        ],
    )
    shown: dict[str, Any] = dump(view)
    return shown


def _account(m: t.Mechanic, a: t.Account | None, now: datetime) -> AccountView:
    return AccountView(
        id=m.id,
        name=m.name,
        account=a is not None,
        role=a.role if a else "",
        pin=bool(a and a.pin),
        ended=bool(a and a.ended_at),
        waits=bool(a and a.locked_until and a.locked_until > now),
    )
