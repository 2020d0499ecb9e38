"""Keys of requests that were answered."""

from __future__ import annotations

from datetime import datetime

from sqlalchemy import delete
from sqlalchemy.orm import Session

from bornek.store import tables as t


def forget_keys(session: Session, before: datetime) -> None:
    """A request is sent again within minutes; keys older than that many days only fill the file."""
    session.execute(delete(t.Idempotency).where(t.Idempotency.at < before))
