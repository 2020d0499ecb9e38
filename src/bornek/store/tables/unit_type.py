"""A type of unit; its definition lives in revisions."""

from __future__ import annotations

from sqlalchemy.orm import Mapped

from bornek.store.base import Base, primary_key


class UnitType(Base):
    __tablename__ = "unit_type"
    id: Mapped[str] = primary_key()
    name: Mapped[str]
