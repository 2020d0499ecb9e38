"""An immutable edition of a unit type's definition."""

from __future__ import annotations

from typing import Any

from sqlalchemy import ForeignKey, UniqueConstraint
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base, primary_key


class UnitTypeRevision(Base):
    __tablename__ = "unit_type_revision"
    __table_args__ = (UniqueConstraint("unit_type_id", "number"),)
    id: Mapped[str] = primary_key()
    unit_type_id: Mapped[str] = mapped_column(ForeignKey("unit_type.id"))
    number: Mapped[int]
    definition: Mapped[dict[str, Any]]
    sha256: Mapped[str]
