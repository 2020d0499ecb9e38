"""A limit table of the shop as it was written: the next revision does not change it."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from sqlalchemy import JSON, ForeignKey, UniqueConstraint
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base, primary_key


class LimitTable(Base):
    """`number` counts the revisions of a table; the last one is offered. `kind`: the kind of setting it is for."""

    __tablename__ = "limit_table"
    __table_args__ = (UniqueConstraint("name", "number"),)
    id: Mapped[str] = primary_key()
    name: Mapped[str]
    number: Mapped[int]
    kind: Mapped[str]
    source: Mapped[str]
    rows: Mapped[list[Any]] = mapped_column(JSON)
    mechanic_id: Mapped[str] = mapped_column(ForeignKey("mechanic.id"))
    at: Mapped[datetime]
