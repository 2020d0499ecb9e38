"""The yard has a name and a time zone."""

import sqlalchemy as sa
from alembic import op

revision = "0005"
down_revision = "0004"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "yard",
        sa.Column("id", sa.String(length=64), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("zone", sa.String(), nullable=False),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_yard")),
    )
    op.execute("INSERT INTO yard (id, name, zone) VALUES ('yard', 'The yard', 'UTC')")
    op.execute("DELETE FROM standing")  # made afresh in the new shape


def downgrade() -> None:
    raise NotImplementedError("Restore a backup instead.")
