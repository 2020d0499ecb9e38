"""One machine with its tag and serial."""

from __future__ import annotations

from sqlalchemy import ForeignKey
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base, primary_key


class Unit(Base):
    __tablename__ = "unit"
    id: Mapped[str] = primary_key()
    tag: Mapped[str] = mapped_column(unique=True)
    name: Mapped[str]
    serial: Mapped[str]
    unit_type_id: Mapped[str] = mapped_column(ForeignKey("unit_type.id"))
