"""Alembic runs on the application's own connection, with its pragmas."""

from alembic import context

from bornek.store import tables  # noqa: F401
from bornek.store.base import Base

connection = context.config.attributes["connection"]
context.configure(
    connection=connection, target_metadata=Base.metadata, render_as_batch=True, transaction_per_migration=True
)
with context.begin_transaction():
    context.run_migrations()
