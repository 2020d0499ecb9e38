"""A file kept by the hash of its content."""

from __future__ import annotations

from datetime import datetime

from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base


class Blob(Base):
    """The bytes lie beside the database; `thumb` is the small picture's own hash. `file`: the hash under
    which they lie, where the picture was drawn anew as it came in."""

    __tablename__ = "blob"
    sha256: Mapped[str] = mapped_column(primary_key=True)
    media_type: Mapped[str]
    size: Mapped[int]
    width: Mapped[int]
    height: Mapped[int]
    thumb: Mapped[str]
    at: Mapped[datetime]
    file: Mapped[str | None] = mapped_column(default=None)
