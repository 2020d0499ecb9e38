"""How a gauge that talks is reached, and what its needle did where a reading was taken by it."""

import sqlalchemy as sa
from alembic import op

import bornek.store.base

revision = "0010"
down_revision = "0009"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "gauge_line",
        sa.Column("gauge_id", sa.String(), nullable=False),
        sa.Column("line", sa.JSON(), nullable=False),
        sa.Column("mechanic_id", sa.String(), nullable=False),
        sa.Column("at", bornek.store.base.UtcTime(), nullable=False),
        sa.ForeignKeyConstraint(["gauge_id"], ["gauge.id"], name=op.f("fk_gauge_line_gauge_id_gauge")),
        sa.ForeignKeyConstraint(["mechanic_id"], ["mechanic.id"], name=op.f("fk_gauge_line_mechanic_id_mechanic")),
        sa.PrimaryKeyConstraint("gauge_id", name=op.f("pk_gauge_line")),
    )
    op.add_column("entry", sa.Column("trace", sa.JSON(), nullable=True))


def downgrade() -> None:
    raise NotImplementedError("Restore a backup instead.")
