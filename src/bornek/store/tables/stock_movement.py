"""Shims in or out of the drawer; the count is their sum and may go below 0."""

from __future__ import annotations

from datetime import datetime

from sqlalchemy import ForeignKey
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base, primary_key


class StockMovement(Base):
    """`elsewhere`: of another yard's drawer, as history of a job that came in."""

    __tablename__ = "stock_movement"
    id: Mapped[str] = primary_key()
    lot_id: Mapped[str] = mapped_column(ForeignKey("shim_lot.id"), index=True)
    delta: Mapped[int]
    act_id: Mapped[str | None] = mapped_column(ForeignKey("act.id"))
    remark: Mapped[str]
    mechanic_id: Mapped[str] = mapped_column(ForeignKey("mechanic.id"))
    at: Mapped[datetime]
    elsewhere: Mapped[bool] = mapped_column(default=False, server_default="0")
