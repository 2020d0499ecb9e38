"""A look-for that the shop added to a group of parts; the newest row of a chain counts."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from sqlalchemy import ForeignKey
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base, primary_key


class LookFor(Base):
    """`void` retires what it supersedes: grades given by it stay on their records."""

    __tablename__ = "look_for"
    id: Mapped[str] = primary_key()
    part_group: Mapped[str]
    key: Mapped[str]
    label: Mapped[str]
    means: Mapped[str]
    kinds: Mapped[list[Any]]
    void: Mapped[bool]
    supersedes: Mapped[str | None] = mapped_column(ForeignKey("look_for.id"), unique=True)
    mechanic_id: Mapped[str] = mapped_column(ForeignKey("mechanic.id"))
    at: Mapped[datetime]
