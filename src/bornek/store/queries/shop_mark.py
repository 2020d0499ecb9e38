"""Whether anything of the shop changed that a setting rests on."""

from __future__ import annotations

from sqlalchemy import text
from sqlalchemy.orm import Session

RESTS_ON = ("stock_movement", "gauge_card", "signature", "mechanic")
"""Nothing in these tables is ever changed or taken away: the last row tells."""
_MARK = text("SELECT " + ", ".join(f"(SELECT MAX(rowid) FROM {table})" for table in RESTS_ON))


def shop_mark(session: Session) -> tuple[int, ...]:
    """The same as long as no shim was moved, no gauge got a card, nothing was signed, nobody came."""
    return tuple(n or 0 for n in session.execute(_MARK).one())
