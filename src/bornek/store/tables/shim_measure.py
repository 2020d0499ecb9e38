"""What a lot of shims really measures: miked, by whom and when; the last one holds."""

from __future__ import annotations

from datetime import datetime

from sqlalchemy import ForeignKey
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base, primary_key


class ShimMeasure(Base):
    __tablename__ = "shim_measure"
    id: Mapped[str] = primary_key()
    lot_id: Mapped[str] = mapped_column(ForeignKey("shim_lot.id"), index=True)
    measured_nm: Mapped[int]
    mechanic_id: Mapped[str] = mapped_column(ForeignKey("mechanic.id"))
    at: Mapped[datetime]
