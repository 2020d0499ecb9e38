"""Triggers that keep append-only tables append-only.

A batch migration recreates its table and drops the triggers with it: call `guard` again after it.
"""

from alembic import op


def guard(table: str) -> None:
    for verb in ("UPDATE", "DELETE"):
        op.execute(
            f"CREATE TRIGGER IF NOT EXISTS keep_{table}_{verb.lower()} BEFORE {verb} ON {table} "
            f"BEGIN SELECT RAISE(ABORT, '{table} is append-only'); END"
        )


def release(table: str) -> None:
    """Lifts the guard for a migration that brings stored rows into a new form; `guard` again after it."""
    for verb in ("UPDATE", "DELETE"):
        op.execute(f"DROP TRIGGER IF EXISTS keep_{table}_{verb.lower()}")
