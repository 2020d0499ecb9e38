"""A tool of the yard as it was written: the next card of the same tool does not change it."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from sqlalchemy import JSON, ForeignKey, UniqueConstraint
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base, primary_key


class YardTool(Base):
    """`number` counts the cards of a tool; the last one counts."""

    __tablename__ = "yard_tool"
    __table_args__ = (UniqueConstraint("tool", "number"),)
    id: Mapped[str] = primary_key()
    tool: Mapped[str]
    number: Mapped[int]
    sort: Mapped[str]
    name: Mapped[str]
    count: Mapped[int]
    out_of_order: Mapped[bool]
    words: Mapped[str]
    details: Mapped[dict[str, Any]] = mapped_column(JSON)
    mechanic_id: Mapped[str] = mapped_column(ForeignKey("mechanic.id"))
    at: Mapped[datetime]
