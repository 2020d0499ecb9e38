"""A unit on the bench; it works from its own copy of the definition."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from sqlalchemy import ForeignKey
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base, primary_key


class Job(Base):
    """`seq` is the last number given out in this job; it orders everything, never a clock.

    `definition` is long and read when it is asked for. `stands` is bench or field; `basis` says for which parts the limits were chosen.
    """

    __tablename__ = "job"
    id: Mapped[str] = primary_key()
    unit_id: Mapped[str] = mapped_column(ForeignKey("unit.id"))
    unit_type_revision_id: Mapped[str] = mapped_column(ForeignKey("unit_type_revision.id"))
    definition: Mapped[dict[str, Any]] = mapped_column(deferred=True)
    complaint: Mapped[str]
    length_unit: Mapped[str]
    schools: Mapped[dict[str, Any]]
    bench: Mapped[str]
    waits_for: Mapped[str]
    known: Mapped[str] = mapped_column(default="", server_default="")
    stands: Mapped[str] = mapped_column(default="bench", server_default="bench")
    basis: Mapped[str] = mapped_column(default="new parts", server_default="new parts")
    gauges: Mapped[list[Any]] = mapped_column(default=list, server_default="[]")
    closed_at: Mapped[datetime | None] = mapped_column(default=None)
    opened_at: Mapped[datetime]
    seq: Mapped[int] = mapped_column(default=0)
