"""Signing in and out: with the passphrase anywhere, with the PIN at a device that was enrolled with it."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from sqlalchemy import ColumnElement, select
from sqlalchemy.orm import Session

from bornek.core.errors import BornekError
from bornek.services.people.hashes import new_secret, plain_hash
from bornek.services.people.tries import try_secret, wrong
from bornek.services.people.who import Who
from bornek.store import tables as t


@dataclass(frozen=True)
class Signed:
    """What the browser is given to keep; the device's secret where it was enrolled just now. `refused`: what to say
    instead, once what was counted is stored."""

    secret: str = ""
    device_secret: str = ""
    refused: BornekError | None = None


def by_passphrase(session: Session, sent: dict[str, Any], now: datetime) -> Signed:
    """sent: name, passphrase, device (its name, to enrol it; may be empty)."""
    account = account_named(session, sent["name"])
    if not try_secret(account, account.passphrase if account else None, sent["passphrase"], now):
        return Signed(refused=wrong())
    assert account is not None
    device, device_secret = None, ""
    if sent["device"].strip():
        device_secret = new_secret()
        device = t.Device(
            id=uuid.uuid4().hex,
            name=sent["device"].strip(),
            secret=plain_hash(device_secret),
            mechanic_id=account.mechanic_id,
            at=now,
        )
        session.add(device)
        session.flush()
    secret = _begin(session, account, device, "passphrase", now)
    return Signed(secret, device_secret)


def by_pin(session: Session, sent: dict[str, Any], device_secret: str, now: datetime) -> Signed:
    """sent: mechanic (id), pin. At an enrolled device alone."""
    device = device_of(session, device_secret)
    account = session.get(t.Account, sent["mechanic"])
    fitting = account.pin if account and device else None
    if not try_secret(account if device else None, fitting, sent["pin"], now):
        return Signed(refused=wrong("That PIN does not fit.", "pin"))
    assert account is not None
    return Signed(_begin(session, account, device, "pin", now))


def confirm(session: Session, who: Who, sent: str, now: datetime, mechanic: str = "") -> BornekError | None:
    """The PIN again before something is signed, or the passphrase where there is no PIN here; of `mechanic`, else of
    who is signed in. None where it fits."""
    account = session.get(t.Account, mechanic or who.mechanic)
    kept = None
    if account is not None:
        kept = account.pin if who.device and account.pin and sent.isdigit() else account.passphrase
    if try_secret(account, kept, sent, now):
        return None
    return wrong("That PIN or passphrase does not fit: nothing was signed or changed.", "pin")


def sign_out(session: Session, who: Who, everywhere: bool, now: datetime) -> None:
    which = t.SignIn.mechanic_id == who.mechanic if everywhere else t.SignIn.secret == who.secret
    end_sign_ins(session, now, which)


def end_sign_ins(session: Session, now: datetime, *which: ColumnElement[bool]) -> None:
    """Signs out whoever is signed in by one of which all that holds."""
    for row in session.scalars(select(t.SignIn).where(t.SignIn.ended_at.is_(None), *which)):
        row.ended_at = now


def still_here(session: Session, who: Who, now: datetime) -> None:
    """Somebody did something: the sign-in goes on."""
    row = session.get(t.SignIn, who.secret)
    if row is not None:
        row.seen_at = now


def device_of(session: Session, secret: str) -> t.Device | None:
    """The device that holds a secret, while it is enrolled."""
    if not secret:
        return None
    found = session.scalars(select(t.Device).where(t.Device.secret == plain_hash(secret))).one_or_none()
    return found if found is not None and found.ended_at is None else None


def account_named(session: Session, name: str) -> t.Account | None:
    """The one account of a name; None where there is none, or several people of the name have one."""
    rows = session.scalars(
        select(t.Account)
        .join(t.Mechanic, t.Mechanic.id == t.Account.mechanic_id)
        .where(t.Mechanic.name == name.strip(), t.Account.ended_at.is_(None))
    ).all()
    return rows[0] if len(rows) == 1 else None


def _begin(session: Session, account: t.Account, device: t.Device | None, by: str, now: datetime) -> str:
    secret = new_secret()
    session.add(
        t.SignIn(
            secret=plain_hash(secret),
            token=new_secret(),
            mechanic_id=account.mechanic_id,
            device_id=device.id if device else None,
            by=by,
            at=now,
            seen_at=now,
        )
    )
    session.flush()
    return secret
