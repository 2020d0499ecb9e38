"""What a yard's archive is: a zip of its tables as JSON and as CSV, and of its pictures."""

from __future__ import annotations

from sqlalchemy import Table

from bornek.store.base import Base

FORMAT = "bornek-yard"
EDITION = 1
MADE_AFRESH = frozenset({"standing", "idempotency"})
"""What is made from the other tables, or belongs to no record."""
STAYS_HERE = frozenset({"account", "device", "sign_in", "deed"})
"""Who may sign in, and what was done by whom: a yard's people are names elsewhere, never accounts."""
MOST_UNPACKED = 4_000_000_000
MOST_VALUES = 50_000_000
DEEPEST = 64
AGAIN = "Write the archive again where it came from; nothing was taken in."


def archived() -> list[Table]:
    """Every table in an order in which its rows can be written."""
    return [t for t in Base.metadata.sorted_tables if t.name not in MADE_AFRESH | STAYS_HERE]
