"""A gear set, bearing or rotor with its own serial; it may move from one housing to another."""

from __future__ import annotations

from sqlalchemy import UniqueConstraint
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base, primary_key


class Component(Base):
    """`known_as`: the id that it has in the yard it came from, where it is taken here."""

    __tablename__ = "component"
    __table_args__ = (UniqueConstraint("kind", "serial"),)
    id: Mapped[str] = primary_key()
    part_kind: Mapped[str] = mapped_column("kind")
    serial: Mapped[str]
    label: Mapped[str]
    known_as: Mapped[str | None] = mapped_column(default=None)
