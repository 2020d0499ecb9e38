"""The yard itself: what it is called and which clock hangs on its wall."""

from __future__ import annotations

from sqlalchemy.orm import Mapped

from bornek.store.base import Base, primary_key


class Yard(Base):
    """One row, under the id `yard`. `zone` is a name of the time zone database; moments are stored in UTC."""

    __tablename__ = "yard"
    id: Mapped[str] = primary_key()
    name: Mapped[str]
    zone: Mapped[str]
