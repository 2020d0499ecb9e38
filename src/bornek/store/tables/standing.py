"""Where a job stands on the board, kept so that the board need not compute every sheet again."""

from __future__ import annotations

from typing import Any

from sqlalchemy import ForeignKey, Index
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base


class Standing(Base):
    """`seq` is the job's when this was made, `mark` says on which drawer and day it rests."""

    __tablename__ = "standing"
    __table_args__ = (Index("ix_standing_band_rank", "band", "rank"),)
    job_id: Mapped[str] = mapped_column(ForeignKey("job.id"), primary_key=True)
    seq: Mapped[int]
    mark: Mapped[str]
    band: Mapped[str]
    rank: Mapped[int]
    row: Mapped[dict[str, Any]]
