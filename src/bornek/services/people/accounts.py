"""Accounts made, changed and ended; the first of a yard is its owner."""

from __future__ import annotations

import uuid
from datetime import datetime
from typing import Any

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from bornek.core.errors import InputError, NotAllowed, NotFound
from bornek.core.people.roles import read_role
from bornek.core.people.secrets import check_passphrase, check_pin
from bornek.services.people.hashes import slow_hash
from bornek.services.people.sign_in import account_named, end_sign_ins
from bornek.services.people.who import Who, has_owner
from bornek.store import tables as t


def make_owner(session: Session, sent: dict[str, Any], now: datetime) -> None:
    """sent: name, passphrase. NotAllowed where the yard has its owner."""
    if has_owner(session):
        raise NotAllowed("This yard has its owner.", next_step="Sign in, or ask the owner for an account.")
    make_account(session, {**sent, "role": "owner"}, now)


def make_account(session: Session, sent: dict[str, Any], now: datetime) -> str:
    """sent: name, role, passphrase; mechanic (id) for somebody who works here already. The mechanic's id.

    Raises InputError for a weak passphrase and for a name that has an account.
    """
    name = sent["name"].strip()
    if not name:
        raise InputError(
            "Nobody is named.", field="name", next_step="Write the name as it is on the records."
        )
    role = read_role(sent["role"])
    check_passphrase(sent["passphrase"], name)
    mechanic = _mechanic(session, sent.get("mechanic", ""), name)
    account = session.get(t.Account, mechanic.id)
    if account_named(session, name) is not None or (account is not None and account.ended_at is None):
        raise InputError(
            f"{name} has an account.", field="name", next_step="Change that one, or tell the two names apart."
        )
    if account is None:
        account = t.Account(mechanic_id=mechanic.id, role=role, passphrase="", made_at=now)
        session.add(account)
    account.role, account.passphrase, account.pin = role, slow_hash(sent["passphrase"]), None
    account.ended_at, account.wrong, account.locked_until = None, 0, None
    session.flush()
    return mechanic.id


def change_account(session: Session, mechanic: str, sent: dict[str, Any], now: datetime) -> None:
    """sent: any of role, passphrase (a new one, from which everything else is signed out), ended. The last owner stays."""
    account = session.get(t.Account, mechanic)
    if account is None:
        raise NotFound("There is no such account.", field="mechanic", next_step="Look at the page again.")
    role = read_role(sent["role"]) if sent.get("role") else read_role(account.role)
    ended = bool(sent.get("ended", account.ended_at is not None))
    if (
        account.role == "owner"
        and account.ended_at is None
        and (role != "owner" or ended)
        and _owners(session) < 2
    ):
        raise InputError(
            "This is the yard's only owner.", field="role", next_step="Make somebody else an owner first."
        )
    if sent.get("passphrase"):
        check_passphrase(sent["passphrase"], _name(session, mechanic))
        account.passphrase, account.pin = slow_hash(sent["passphrase"]), None
        account.wrong, account.locked_until = 0, None
    account.role = role
    account.ended_at = (account.ended_at or now) if ended else None
    if ended or sent.get("passphrase") or sent.get("role"):
        end_sign_ins(session, now, t.SignIn.mechanic_id == mechanic)


def set_own(session: Session, who: Who, sent: dict[str, Any], now: datetime) -> None:
    """sent: what (passphrase or pin) and new. What one chooses oneself; that it is oneself was confirmed before. Whoever
    knew the passphrase that was is signed out by a new one."""
    account = session.get(t.Account, who.mechanic)
    if account is None:
        raise NotFound("You have no account here.", field="mechanic", next_step="Sign in with one first.")
    if sent["what"] == "pin":
        check_pin(sent["new"])
        account.pin = slow_hash(sent["new"])
    else:
        check_passphrase(sent["new"], who.name)
        account.passphrase = slow_hash(sent["new"])
        mine = t.SignIn.mechanic_id == who.mechanic
        end_sign_ins(session, now, mine, t.SignIn.secret != who.secret)


def end_device(session: Session, device: str, now: datetime) -> None:
    """A device that was lost or sold: no PIN will do there, and who is signed in there is signed out."""
    found = session.get(t.Device, device)
    if found is None:
        raise NotFound("There is no such device.", field="device", next_step="Look at the page again.")
    found.ended_at = found.ended_at or now
    end_sign_ins(session, now, t.SignIn.device_id == device)


def _owners(session: Session) -> int:
    found = select(func.count()).where(t.Account.role == "owner", t.Account.ended_at.is_(None))
    return session.scalar(found) or 0


def _name(session: Session, mechanic: str) -> str:
    found = session.get(t.Mechanic, mechanic)
    return found.name if found else ""


def _mechanic(session: Session, key: str, name: str) -> t.Mechanic:
    """Somebody who works here already, by id or by the only one of that name; else somebody new."""
    if key:
        found = session.get(t.Mechanic, key)
        if found is None:
            raise NotFound(
                "Nobody of that id works here.",
                field="mechanic",
                next_step="Choose one of the list, or leave it empty.",
            )
        return found
    same = session.scalars(
        select(t.Mechanic).where(t.Mechanic.name == name, t.Mechanic.known_as.is_(None))
    ).all()
    if len(same) == 1:
        return same[0]
    made = t.Mechanic(id=uuid.uuid4().hex, name=name)
    session.add(made)
    session.flush()
    return made
