"""Who works here: chosen by name, not authenticated."""

from __future__ import annotations

from sqlalchemy.orm import Mapped

from bornek.store.base import Base, primary_key


class Mechanic(Base):
    __tablename__ = "mechanic"
    id: Mapped[str] = primary_key()
    name: Mapped[str]
