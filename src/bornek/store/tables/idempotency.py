"""Requests that were answered, kept so that a repeated one does nothing twice."""

from __future__ import annotations

from datetime import datetime

from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base


class Idempotency(Base):
    """`made` is the id of what the request made, where the answer needs it."""

    __tablename__ = "idempotency"
    key: Mapped[str] = mapped_column(primary_key=True)
    request_sha256: Mapped[str]
    made: Mapped[str | None]
    at: Mapped[datetime] = mapped_column(index=True)
