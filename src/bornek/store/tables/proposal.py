"""What was shown when an act was written down, frozen."""

from __future__ import annotations

from typing import Any

from sqlalchemy import ForeignKey, UniqueConstraint
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base, primary_key


class Proposal(Base):
    """`shown` is the move as the page had it; `predicted` what it said of the state really made."""

    __tablename__ = "proposal"
    __table_args__ = (UniqueConstraint("act_id", "setting_id"),)
    id: Mapped[str] = primary_key()
    act_id: Mapped[str] = mapped_column(ForeignKey("act.id"))
    setting_id: Mapped[str] = mapped_column(ForeignKey("setting.id"), index=True)
    shown: Mapped[dict[str, Any]]
    predicted: Mapped[dict[str, Any]]
