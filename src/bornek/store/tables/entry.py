"""One reading as typed; corrections supersede, never delete."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from sqlalchemy import JSON, ForeignKey, UniqueConstraint
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base, primary_key


class Entry(Base):
    """`void` strikes the entry that it supersedes and puts nothing in its place. The card is the gauge's as it was
    when it was read; `trace` is what its needle did, where the reading was taken and not typed."""

    __tablename__ = "entry"
    __table_args__ = (UniqueConstraint("job_id", "seq"),)
    id: Mapped[str] = primary_key()
    job_id: Mapped[str] = mapped_column(ForeignKey("job.id"))
    setting_id: Mapped[str] = mapped_column(ForeignKey("setting.id"), index=True)
    round_id: Mapped[str] = mapped_column(ForeignKey("round.id"))
    slot: Mapped[str]
    as_typed: Mapped[str]
    raw: Mapped[dict[str, Any]]
    trace: Mapped[dict[str, Any] | None] = mapped_column(JSON(none_as_null=True), default=None)
    gauge_id: Mapped[str | None] = mapped_column(ForeignKey("gauge.id"))
    gauge_card_id: Mapped[str | None] = mapped_column(ForeignKey("gauge_card.id"), default=None)
    confirmed: Mapped[bool]
    void: Mapped[bool]
    supersedes: Mapped[str | None] = mapped_column(ForeignKey("entry.id"), unique=True)
    seq: Mapped[int]
    mechanic_id: Mapped[str] = mapped_column(ForeignKey("mechanic.id"), index=True)
    at: Mapped[datetime]
