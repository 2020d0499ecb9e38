"""Something written down about a job besides readings; corrections supersede, never delete."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from sqlalchemy import ForeignKey, UniqueConstraint
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base, primary_key


class Fact(Base):
    """`fact_kind` and `body` are the core's; `void` strikes what it supersedes and puts nothing in its place."""

    __tablename__ = "fact"
    __table_args__ = (UniqueConstraint("job_id", "seq"),)
    id: Mapped[str] = primary_key()
    job_id: Mapped[str] = mapped_column(ForeignKey("job.id"))
    fact_kind: Mapped[str] = mapped_column("kind", index=True)
    subject: Mapped[str]
    body: Mapped[dict[str, Any]]
    void: Mapped[bool]
    supersedes: Mapped[str | None] = mapped_column(ForeignKey("fact.id"), unique=True)
    seq: Mapped[int]
    mechanic_id: Mapped[str] = mapped_column(ForeignKey("mechanic.id"), index=True)
    at: Mapped[datetime]
