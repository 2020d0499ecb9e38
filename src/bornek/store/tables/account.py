"""Somebody who may sign in. What is made of passphrase and PIN never leaves this file of this yard."""

from __future__ import annotations

from datetime import datetime

from sqlalchemy import ForeignKey
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base


class Account(Base):
    """`wrong`: tries in a row that did not fit; after too many nobody signs in as this one before `locked_until`."""

    __tablename__ = "account"
    mechanic_id: Mapped[str] = mapped_column(ForeignKey("mechanic.id"), primary_key=True)
    role: Mapped[str]
    passphrase: Mapped[str]
    pin: Mapped[str | None] = mapped_column(default=None)
    made_at: Mapped[datetime]
    ended_at: Mapped[datetime | None] = mapped_column(default=None)
    wrong: Mapped[int] = mapped_column(default=0)
    locked_until: Mapped[datetime | None] = mapped_column(default=None)
