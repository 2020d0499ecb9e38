"""What was done to a unit with no job open: work that was put off, done."""

from __future__ import annotations

from datetime import datetime

from sqlalchemy import ForeignKey
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base, primary_key


class UnitEntry(Base):
    """`answers`: the fact by which it was put off, each once."""

    __tablename__ = "unit_entry"
    id: Mapped[str] = primary_key()
    unit_id: Mapped[str] = mapped_column(ForeignKey("unit.id"), index=True)
    answers: Mapped[str] = mapped_column(ForeignKey("fact.id"), unique=True)
    words: Mapped[str]
    mechanic_id: Mapped[str] = mapped_column(ForeignKey("mechanic.id"))
    at: Mapped[datetime]
