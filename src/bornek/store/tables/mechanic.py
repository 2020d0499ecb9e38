"""Who works here: chosen by name, not authenticated."""

from __future__ import annotations

from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base, primary_key


class Mechanic(Base):
    """`known_as`: the id that they have in the yard they came from, where it is taken here."""

    __tablename__ = "mechanic"
    id: Mapped[str] = primary_key()
    name: Mapped[str]
    known_as: Mapped[str | None] = mapped_column(default=None)
