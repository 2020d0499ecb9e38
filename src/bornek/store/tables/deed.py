"""What was done, by whom, from which device: only ever added."""

from __future__ import annotations

from datetime import datetime

from sqlalchemy import ForeignKey
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base


class Deed(Base):
    """`what` was asked, `about` which address; `how`: authenticated, or named alone. Nothing of what was sent."""

    __tablename__ = "deed"
    id: Mapped[int] = mapped_column(primary_key=True)
    at: Mapped[datetime] = mapped_column(index=True)
    mechanic_id: Mapped[str | None] = mapped_column(ForeignKey("mechanic.id"))
    device_id: Mapped[str | None] = mapped_column(ForeignKey("device.id"))
    what: Mapped[str]
    about: Mapped[str]
    how: Mapped[str]
