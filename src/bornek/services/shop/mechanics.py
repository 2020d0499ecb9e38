"""The yard's mechanics by id."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.store import tables as t
from bornek.store.once import read_once

_NAMES = select(t.Mechanic.id, t.Mechanic.name).order_by(t.Mechanic.name)


@dataclass(frozen=True)
class MechanicView:
    id: str
    name: str


def mechanic_names(session: Session) -> Mapping[str, str]:
    return read_once(session, "mechanics", lambda: dict(session.execute(_NAMES).all()))


def list_mechanics(session: Session) -> list[dict[str, Any]]:
    return [{"id": key, "name": name} for key, name in mechanic_names(session).items()]


def add_mechanic(session: Session, key: str, name: str) -> None:
    session.add(t.Mechanic(id=key, name=name))
    session.flush()
