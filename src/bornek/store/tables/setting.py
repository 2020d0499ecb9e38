"""A quantity to be set at a place, by a kind."""

from __future__ import annotations

from typing import Any

from sqlalchemy import ForeignKey, UniqueConstraint
from sqlalchemy.orm import Mapped, mapped_column

from bornek.store.base import Base, primary_key


class Setting(Base):
    """`rests_on`: keys of other places whose acts disturb this setting. `remembered_as`: the key under which its
    unit's type remembers it, where that is not its own."""

    __tablename__ = "setting"
    __table_args__ = (UniqueConstraint("job_id", "key"),)
    id: Mapped[str] = primary_key()
    job_id: Mapped[str] = mapped_column(ForeignKey("job.id"), index=True)
    place_id: Mapped[str] = mapped_column(ForeignKey("place.id"))
    key: Mapped[str]
    label: Mapped[str]
    kind: Mapped[str]
    kind_version: Mapped[int]
    gauge_id: Mapped[str | None] = mapped_column(ForeignKey("gauge.id"))
    rests_on: Mapped[list[Any]]
    position: Mapped[int]
    remembered_as: Mapped[str] = mapped_column(default="", server_default="")
