"""Where packs live: under a cover, behind a cup."""

from __future__ import annotations

from sqlalchemy import ForeignKey, UniqueConstraint
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base, primary_key


class Place(Base):
    __tablename__ = "place"
    __table_args__ = (UniqueConstraint("job_id", "key"),)
    id: Mapped[str] = primary_key()
    job_id: Mapped[str] = mapped_column(ForeignKey("job.id"))
    key: Mapped[str]
    label: Mapped[str]
    shim_form: Mapped[str]
