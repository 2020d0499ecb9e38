"""Who asks: from a sign-in that still runs."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime, timedelta

from sqlalchemy import bindparam, func, select
from sqlalchemy.orm import Session

from bornek.core.people.roles import Role, read_role
from bornek.services.people.hashes import plain_hash
from bornek.store import tables as t

IDLE, LONGEST = timedelta(minutes=30), timedelta(hours=12)
"""A sign-in ends when nobody did anything for so long, and after so long whatever was done."""

_PERSON = (
    select(t.Mechanic, t.Account)
    .outerjoin(t.Account, t.Account.mechanic_id == t.Mechanic.id)
    .where(t.Mechanic.id == bindparam("mechanic_id"))
)


@dataclass(frozen=True)
class Who:
    """`how`: authenticated, or named alone (at the machine of a yard that trusts whoever sits there). `secret`: the
    sign-in's hash, empty where there is none; `token`: what a page says with what it writes."""

    mechanic: str
    name: str
    role: Role
    how: str
    device: str = ""
    secret: str = ""
    token: str = ""


def who_is(session: Session, secret: str, now: datetime) -> Who | None:
    """None where the sign-in is unknown, has ended, or its account has."""
    row = session.get(t.SignIn, plain_hash(secret)) if secret else None
    if row is None or row.ended_at or now - row.seen_at > IDLE or now - row.at > LONGEST:
        return None
    mechanic, account = _person(session, row.mechanic_id)
    if account is None or mechanic is None or account.ended_at:
        return None
    return Who(
        mechanic=mechanic.id,
        name=mechanic.name,
        role=read_role(account.role),
        how="authenticated",
        device=row.device_id or "",
        secret=row.secret,
        token=row.token,
    )


def trusted(session: Session, named: str) -> Who:
    """Whoever sits at the yard's own machine, where that is trusted: under the name that was chosen there, with all
    rights, or those of the account of that name."""
    mechanic, account = _person(session, named) if named else (None, None)
    role: Role = read_role(account.role) if account and not account.ended_at else "owner"
    return Who(mechanic=named, name=mechanic.name if mechanic else "", role=role, how="named")


def _person(session: Session, key: str) -> tuple[t.Mechanic | None, t.Account | None]:
    row = session.execute(_PERSON, {"mechanic_id": key}).one_or_none()
    return (row[0], row[1]) if row else (None, None)


def has_owner(session: Session) -> bool:
    """Whether there is an account that looks after people."""
    owners = select(func.count()).where(t.Account.role == "owner", t.Account.ended_at.is_(None))
    return bool(session.scalar(owners))
