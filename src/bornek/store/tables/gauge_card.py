"""A gauge's card as it was written: the next one does not change it."""

from __future__ import annotations

from datetime import datetime

from sqlalchemy import ForeignKey, String, UniqueConstraint
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base
from bornek.store.tables.gauge import Card


class GaugeCard(Card, Base):
    """`number` counts the cards of a gauge; the last one is what `gauge` holds. Nobody wrote those that were
    there before cards were kept."""

    __tablename__ = "gauge_card"
    __table_args__ = (UniqueConstraint("gauge_id", "number"),)
    id: Mapped[str] = mapped_column(String(80), primary_key=True)
    gauge_id: Mapped[str] = mapped_column(ForeignKey("gauge.id"))
    number: Mapped[int]
    mechanic_id: Mapped[str | None] = mapped_column(ForeignKey("mechanic.id"))
    at: Mapped[datetime]
    known_as: Mapped[str | None] = mapped_column(default=None)
