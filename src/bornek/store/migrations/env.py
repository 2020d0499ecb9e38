"""Alembic runs on the application's own connection, with its pragmas."""

from alembic import context

from bornek.store import tables  # noqa: F401
from bornek.store.base import Base


def in_metadata(name: str | None, kind: str, _parents: object) -> bool:
    """The search index is a virtual table with tables of its own: not in the metadata."""
    return kind != "table" or not str(name).startswith("search_index")


connection = context.config.attributes["connection"]
context.configure(
    connection=connection,
    target_metadata=Base.metadata,
    render_as_batch=True,
    transaction_per_migration=True,
    include_name=in_metadata,
)
with context.begin_transaction():
    context.run_migrations()
