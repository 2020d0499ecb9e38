"""A part of a job's list, from the job's own copy of the definition."""

from __future__ import annotations

from sqlalchemy import ForeignKey, UniqueConstraint
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base, primary_key


class Part(Base):
    __tablename__ = "part"
    __table_args__ = (UniqueConstraint("job_id", "key"),)
    id: Mapped[str] = primary_key()
    job_id: Mapped[str] = mapped_column(ForeignKey("job.id"))
    key: Mapped[str]
    label: Mapped[str]
    part_kind: Mapped[str] = mapped_column("kind")
    number: Mapped[str]
    count: Mapped[int]
    position: Mapped[int]
