"""One adjuster in an act, before and after, as absolute states."""

from __future__ import annotations

from typing import Any

from sqlalchemy import ForeignKey, Index, UniqueConstraint
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base, primary_key


class ActKnob(Base):
    __tablename__ = "act_knob"
    __table_args__ = (UniqueConstraint("act_id", "place_id", "knob"), Index(None, "place_id"))
    id: Mapped[str] = primary_key()
    act_id: Mapped[str] = mapped_column(ForeignKey("act.id"))
    place_id: Mapped[str] = mapped_column(ForeignKey("place.id"))
    knob: Mapped[str]
    before: Mapped[dict[str, Any]]
    after: Mapped[dict[str, Any]]
