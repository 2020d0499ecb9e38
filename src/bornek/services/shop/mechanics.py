"""The yard's mechanics by id."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.store import tables as t


@dataclass(frozen=True)
class MechanicView:
    id: str
    name: str


def mechanic_names(session: Session) -> dict[str, str]:
    return {m.id: m.name for m in session.scalars(select(t.Mechanic).order_by(t.Mechanic.name))}


def list_mechanics(session: Session) -> list[dict[str, Any]]:
    return [{"id": key, "name": name} for key, name in mechanic_names(session).items()]


def add_mechanic(session: Session, key: str, name: str) -> None:
    session.add(t.Mechanic(id=key, name=name))
    session.flush()
