"""Answers given, kept so that a repeated request gets the same one."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base


class Idempotency(Base):
    __tablename__ = "idempotency"
    key: Mapped[str] = mapped_column(primary_key=True)
    request_sha256: Mapped[str]
    answer: Mapped[dict[str, Any]]
    at: Mapped[datetime]
