"""What a gauge can take stands on its card, a card that was written before does not say; and as which setting of its
type one is remembered that was begun without a unit. Limit tables of the shop, and what shims measure."""

import sqlalchemy as sa
from alembic import op

import bornek.store.base
from bornek.store.migrations.guards import guard, guard_keys

revision = "0008"
down_revision = "0007"
branch_labels = None
depends_on = None


def upgrade() -> None:
    for table in ("gauge", "gauge_card"):
        op.add_column(table, sa.Column("takes", sa.JSON(), nullable=False, server_default="[]"))
    op.add_column("setting", sa.Column("remembered_as", sa.String(), nullable=False, server_default=""))
    op.create_table(
        "limit_table",
        sa.Column("id", sa.String(length=64), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("number", sa.Integer(), nullable=False),
        sa.Column("kind", sa.String(), nullable=False),
        sa.Column("source", sa.String(), nullable=False),
        sa.Column("rows", sa.JSON(), nullable=False),
        sa.Column("mechanic_id", sa.String(), nullable=False),
        sa.Column("at", bornek.store.base.UtcTime(), nullable=False),
        sa.ForeignKeyConstraint(["mechanic_id"], ["mechanic.id"], name=op.f("fk_limit_table_mechanic_id_mechanic")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_limit_table")),
        sa.UniqueConstraint("name", "number", name=op.f("uq_limit_table_name_number")),
    )
    op.create_table(
        "shim_measure",
        sa.Column("id", sa.String(length=64), nullable=False),
        sa.Column("lot_id", sa.String(), nullable=False),
        sa.Column("measured_nm", sa.Integer(), nullable=False),
        sa.Column("mechanic_id", sa.String(), nullable=False),
        sa.Column("at", bornek.store.base.UtcTime(), nullable=False),
        sa.ForeignKeyConstraint(["lot_id"], ["shim_lot.id"], name=op.f("fk_shim_measure_lot_id_shim_lot")),
        sa.ForeignKeyConstraint(["mechanic_id"], ["mechanic.id"], name=op.f("fk_shim_measure_mechanic_id_mechanic")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_shim_measure")),
    )
    op.create_index(op.f("ix_shim_measure_lot_id"), "shim_measure", ["lot_id"])
    for table in ("limit_table", "shim_measure"):
        guard(table)
        guard_keys(table)


def downgrade() -> None:
    raise NotImplementedError("Restore a backup instead.")
