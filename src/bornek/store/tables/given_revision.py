"""What a setting was given, as typed; a change is a new row."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from sqlalchemy import ForeignKey
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base, primary_key


class GivenRevision(Base):
    """`kind_version`: the version of the kind whose form was filled in."""

    __tablename__ = "given_revision"
    id: Mapped[str] = primary_key()
    setting_id: Mapped[str] = mapped_column(ForeignKey("setting.id"), index=True)
    seq: Mapped[int]
    given: Mapped[dict[str, Any]]
    kind_version: Mapped[int] = mapped_column(default=1, server_default="1")
    mechanic_id: Mapped[str] = mapped_column(ForeignKey("mechanic.id"))
    at: Mapped[datetime]
