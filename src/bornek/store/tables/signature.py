"""A setting signed, with the snapshot that was signed."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from sqlalchemy import ForeignKey
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base, primary_key


class Signature(Base):
    """Read from `snapshot`, never recomputed with newer formulas; `sha256` is over it."""

    __tablename__ = "signature"
    id: Mapped[str] = primary_key()
    setting_id: Mapped[str] = mapped_column(ForeignKey("setting.id"), index=True)
    seq: Mapped[int]
    through_seq: Mapped[int]
    snapshot: Mapped[dict[str, Any]]
    sha256: Mapped[str]
    remark: Mapped[str]
    mechanic_id: Mapped[str] = mapped_column(ForeignKey("mechanic.id"))
    at: Mapped[datetime]
