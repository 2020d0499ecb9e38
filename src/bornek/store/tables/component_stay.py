"""A component seen in a job, as one of its parts, with what it brought along; the last stay counts."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from sqlalchemy import ForeignKey, UniqueConstraint
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base, primary_key


class ComponentStay(Base):
    __tablename__ = "component_stay"
    __table_args__ = (UniqueConstraint("job_id", "seq"),)
    id: Mapped[str] = primary_key()
    component_id: Mapped[str] = mapped_column(ForeignKey("component.id"), index=True)
    job_id: Mapped[str] = mapped_column(ForeignKey("job.id"))
    part_key: Mapped[str]
    history: Mapped[list[Any]]
    seq: Mapped[int]
    mechanic_id: Mapped[str] = mapped_column(ForeignKey("mechanic.id"))
    at: Mapped[datetime]
