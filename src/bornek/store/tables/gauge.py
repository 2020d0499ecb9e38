"""A measuring instrument with its card."""

from __future__ import annotations

from typing import Any

from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base, primary_key

CARD = ("name", "quantity", "unit", "division", "interpolation", "calibration_u", "due", "takes")
"""What a card says."""


class Card:
    """The columns of a card, as it holds now and as it was."""

    name: Mapped[str]
    quantity: Mapped[str]
    unit: Mapped[str]
    division: Mapped[float]
    interpolation: Mapped[float]
    calibration_u: Mapped[float]
    due: Mapped[str]
    takes: Mapped[list[Any]] = mapped_column(default=list, server_default="[]")


class Gauge(Card, Base):
    """`known_as`: the id that it has in the yard it came from, where it is taken here."""

    __tablename__ = "gauge"
    id: Mapped[str] = primary_key()
    known_as: Mapped[str | None] = mapped_column(default=None)
