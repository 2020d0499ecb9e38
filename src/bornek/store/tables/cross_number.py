"""Two part numbers that stand for each other, by the shop's own word."""

from __future__ import annotations

from datetime import datetime

from sqlalchemy import ForeignKey
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base, primary_key


class CrossNumber(Base):
    __tablename__ = "cross_number"
    id: Mapped[str] = primary_key()
    number: Mapped[str] = mapped_column(index=True)
    other: Mapped[str] = mapped_column(index=True)
    words: Mapped[str]
    void: Mapped[bool]
    supersedes: Mapped[str | None] = mapped_column(ForeignKey("cross_number.id"), unique=True)
    mechanic_id: Mapped[str] = mapped_column(ForeignKey("mechanic.id"))
    at: Mapped[datetime]
