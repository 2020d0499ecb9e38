"""Triggers that keep append-only tables append-only.

They live in the file, so that whoever opens it is bound by them. REPLACE deletes without a DELETE trigger:
an insert that meets a row already there, by any of its keys, is refused before it can. A batch migration
recreates its table and drops the triggers with it: call `guard` again after it.
"""

import sqlalchemy as sa
from alembic import op


def guard(table: str) -> None:
    for verb in ("UPDATE", "DELETE"):
        op.execute(
            f"CREATE TRIGGER IF NOT EXISTS keep_{table}_{verb.lower()} BEFORE {verb} ON {table} "
            f"BEGIN SELECT RAISE(ABORT, '{table} is append-only'); END"
        )


def guard_keys(table: str) -> None:
    """No insert takes the place of a row that is there; what is given by nobody has the number -1."""
    met = " OR ".join(
        f"({' AND '.join(f'{c} = NEW.{c}' for c in key)})" for key in (("rowid",), *_keys(table))
    )
    op.execute(
        f"CREATE TRIGGER IF NOT EXISTS keep_{table}_insert BEFORE INSERT ON {table} "
        f"WHEN EXISTS (SELECT 1 FROM {table} WHERE {met}) "
        f"BEGIN SELECT RAISE(ABORT, '{table} is append-only: UNIQUE constraint failed'); END"
    )


def _keys(table: str) -> list[tuple[str, ...]]:
    """Every unique key of a table, its primary key among them."""
    connection = op.get_bind()
    names = [r.name for r in connection.execute(sa.text(f"PRAGMA index_list({table})")) if r.unique]
    return [tuple(r.name for r in connection.execute(sa.text(f"PRAGMA index_info({n})"))) for n in names]


def release(table: str) -> None:
    """Lifts the guard for a migration that brings stored rows into a new form; `guard` again after it."""
    for verb in ("UPDATE", "DELETE"):
        op.execute(f"DROP TRIGGER IF EXISTS keep_{table}_{verb.lower()}")
