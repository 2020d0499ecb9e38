"""A device of the bench that was enrolled with a passphrase: there a PIN will do."""

from __future__ import annotations

from datetime import datetime

from sqlalchemy import ForeignKey
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base, primary_key


class Device(Base):
    """Known by a secret that only it holds; `secret` is the hash of that."""

    __tablename__ = "device"
    id: Mapped[str] = primary_key()
    name: Mapped[str]
    secret: Mapped[str] = mapped_column(unique=True)
    mechanic_id: Mapped[str] = mapped_column(ForeignKey("mechanic.id"))
    at: Mapped[datetime]
    ended_at: Mapped[datetime | None] = mapped_column(default=None)
