"""The shop's hours as they were written: the last row counts."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from sqlalchemy import JSON, ForeignKey, UniqueConstraint
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base, primary_key


class ShopHours(Base):
    """`week` from Monday, `days` what is otherwise on a day: opens, closes and pairs of hands."""

    __tablename__ = "shop_hours"
    __table_args__ = (UniqueConstraint("number"),)
    id: Mapped[str] = primary_key()
    number: Mapped[int]
    week: Mapped[list[Any]] = mapped_column(JSON)
    days: Mapped[list[Any]] = mapped_column(JSON)
    mechanic_id: Mapped[str] = mapped_column(ForeignKey("mechanic.id"))
    at: Mapped[datetime]
