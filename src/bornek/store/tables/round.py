"""One round of set, assemble, read; opened by an act."""

from __future__ import annotations

from sqlalchemy import ForeignKey, UniqueConstraint
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base, primary_key


class Round(Base):
    __tablename__ = "round"
    __table_args__ = (UniqueConstraint("setting_id", "number"),)
    id: Mapped[str] = primary_key()
    setting_id: Mapped[str] = mapped_column(ForeignKey("setting.id"))
    number: Mapped[int]
    act_id: Mapped[str | None] = mapped_column(ForeignKey("act.id"), index=True)
