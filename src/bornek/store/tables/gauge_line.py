"""How a gauge that talks is reached from this yard: it goes to no other."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from sqlalchemy import JSON, ForeignKey
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base


class GaugeLine(Base):
    """`line` as `core.gauge_line` reads it; the last one that was written counts."""

    __tablename__ = "gauge_line"
    gauge_id: Mapped[str] = mapped_column(ForeignKey("gauge.id"), primary_key=True)
    line: Mapped[dict[str, Any]] = mapped_column(JSON)
    mechanic_id: Mapped[str] = mapped_column(ForeignKey("mechanic.id"))
    at: Mapped[datetime]
