"""The yard's tools and the shop's hours. Definitions of the edition before are read as they are: what they lack has its default."""

import sqlalchemy as sa
from alembic import op

import bornek.store.base
from bornek.store.migrations.guards import guard, guard_keys

revision = "0007"
down_revision = "0006"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "yard_tool",
        sa.Column("id", sa.String(length=64), nullable=False),
        sa.Column("tool", sa.String(), nullable=False),
        sa.Column("number", sa.Integer(), nullable=False),
        sa.Column("sort", sa.String(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("count", sa.Integer(), nullable=False),
        sa.Column("out_of_order", sa.Boolean(), nullable=False),
        sa.Column("words", sa.String(), nullable=False),
        sa.Column("details", sa.JSON(), nullable=False),
        sa.Column("mechanic_id", sa.String(), nullable=False),
        sa.Column("at", bornek.store.base.UtcTime(), nullable=False),
        sa.ForeignKeyConstraint(["mechanic_id"], ["mechanic.id"], name=op.f("fk_yard_tool_mechanic_id_mechanic")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_yard_tool")),
        sa.UniqueConstraint("tool", "number", name=op.f("uq_yard_tool_tool_number")),
    )
    op.create_table(
        "shop_hours",
        sa.Column("id", sa.String(length=64), nullable=False),
        sa.Column("number", sa.Integer(), nullable=False),
        sa.Column("week", sa.JSON(), nullable=False),
        sa.Column("days", sa.JSON(), nullable=False),
        sa.Column("mechanic_id", sa.String(), nullable=False),
        sa.Column("at", bornek.store.base.UtcTime(), nullable=False),
        sa.ForeignKeyConstraint(["mechanic_id"], ["mechanic.id"], name=op.f("fk_shop_hours_mechanic_id_mechanic")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_shop_hours")),
        sa.UniqueConstraint("number", name=op.f("uq_shop_hours_number")),
    )
    for table in ("yard_tool", "shop_hours"):
        guard(table)
        guard_keys(table)


def downgrade() -> None:
    raise NotImplementedError("Restore a backup instead.")
