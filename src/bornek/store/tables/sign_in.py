"""A sign-in, from when it began to when it ended."""

from __future__ import annotations

from datetime import datetime

from sqlalchemy import ForeignKey
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base


class SignIn(Base):
    """`secret`: the hash of what the browser holds. `token`: what a page must say with everything that it writes.
    `seen_at`: when somebody last did something."""

    __tablename__ = "sign_in"
    secret: Mapped[str] = mapped_column(primary_key=True)
    token: Mapped[str]
    mechanic_id: Mapped[str] = mapped_column(ForeignKey("account.mechanic_id"), index=True)
    device_id: Mapped[str | None] = mapped_column(ForeignKey("device.id"))
    by: Mapped[str]
    at: Mapped[datetime]
    seen_at: Mapped[datetime]
    ended_at: Mapped[datetime | None] = mapped_column(default=None)
