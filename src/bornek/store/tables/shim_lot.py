"""One thickness of one form of shim in the drawer."""

from __future__ import annotations

from sqlalchemy import UniqueConstraint
from sqlalchemy.orm import Mapped

from bornek.store.base import Base, primary_key


class ShimLot(Base):
    __tablename__ = "shim_lot"
    __table_args__ = (UniqueConstraint("form", "thickness_nm"),)
    id: Mapped[str] = primary_key()
    form: Mapped[str]
    thickness_nm: Mapped[int]
