"""What the mechanic said of a round far from its prediction."""

from __future__ import annotations

from datetime import datetime

from sqlalchemy import ForeignKey, UniqueConstraint
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base, primary_key


class Explanation(Base):
    __tablename__ = "explanation"
    __table_args__ = (UniqueConstraint("setting_id", "round"),)
    id: Mapped[str] = primary_key()
    setting_id: Mapped[str] = mapped_column(ForeignKey("setting.id"), index=True)
    round: Mapped[int]
    cause: Mapped[str]
    words: Mapped[str]
    seq: Mapped[int]
    mechanic_id: Mapped[str] = mapped_column(ForeignKey("mechanic.id"))
    at: Mapped[datetime]
