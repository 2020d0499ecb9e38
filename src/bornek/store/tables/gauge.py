"""A measuring instrument with its card."""

from __future__ import annotations

from sqlalchemy.orm import Mapped

from bornek.store.base import Base, primary_key


class Gauge(Base):
    __tablename__ = "gauge"
    id: Mapped[str] = primary_key()
    name: Mapped[str]
    quantity: Mapped[str]
    unit: Mapped[str]
    division: Mapped[float]
    interpolation: Mapped[float]
    calibration_u: Mapped[float]
    due: Mapped[str]
