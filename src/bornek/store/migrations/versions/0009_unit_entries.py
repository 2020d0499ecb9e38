"""What a unit owes is done with its job closed: on the unit itself."""

import sqlalchemy as sa
from alembic import op

import bornek.store.base
from bornek.store.migrations.guards import guard, guard_keys

revision = "0009"
down_revision = "0008"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "unit_entry",
        sa.Column("id", sa.String(length=64), nullable=False),
        sa.Column("unit_id", sa.String(), nullable=False),
        sa.Column("answers", sa.String(), nullable=False),
        sa.Column("words", sa.String(), nullable=False),
        sa.Column("mechanic_id", sa.String(), nullable=False),
        sa.Column("at", bornek.store.base.UtcTime(), nullable=False),
        sa.ForeignKeyConstraint(["unit_id"], ["unit.id"], name=op.f("fk_unit_entry_unit_id_unit")),
        sa.ForeignKeyConstraint(["answers"], ["fact.id"], name=op.f("fk_unit_entry_answers_fact")),
        sa.ForeignKeyConstraint(["mechanic_id"], ["mechanic.id"], name=op.f("fk_unit_entry_mechanic_id_mechanic")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_unit_entry")),
        sa.UniqueConstraint("answers", name=op.f("uq_unit_entry_answers")),
    )
    op.create_index(op.f("ix_unit_entry_unit_id"), "unit_entry", ["unit_id"])
    guard("unit_entry")
    guard_keys("unit_entry")


def downgrade() -> None:
    raise NotImplementedError("Restore a backup instead.")
