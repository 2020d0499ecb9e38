"""Something done to the unit's adjusters; it opens rounds."""

from __future__ import annotations

from datetime import datetime

from sqlalchemy import ForeignKey, UniqueConstraint
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base, primary_key


class Act(Base):
    """act_kind: as_found, move, reseat or recount."""

    __tablename__ = "act"
    __table_args__ = (UniqueConstraint("job_id", "seq"),)
    id: Mapped[str] = primary_key()
    job_id: Mapped[str] = mapped_column(ForeignKey("job.id"))
    act_kind: Mapped[str] = mapped_column("kind")
    seq: Mapped[int]
    remark: Mapped[str]
    mechanic_id: Mapped[str] = mapped_column(ForeignKey("mechanic.id"))
    at: Mapped[datetime]
