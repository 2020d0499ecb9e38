"""A photo hung on a job, and on the part, place or mesh that it shows."""

from __future__ import annotations

from datetime import datetime

from sqlalchemy import ForeignKey, UniqueConstraint
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base, primary_key


class Attachment(Base):
    __tablename__ = "attachment"
    __table_args__ = (UniqueConstraint("job_id", "seq"),)
    id: Mapped[str] = primary_key()
    job_id: Mapped[str] = mapped_column(ForeignKey("job.id"))
    sha256: Mapped[str] = mapped_column(ForeignKey("blob.sha256"))
    subject: Mapped[str]
    caption: Mapped[str]
    seq: Mapped[int]
    mechanic_id: Mapped[str] = mapped_column(ForeignKey("mechanic.id"))
    at: Mapped[datetime]
