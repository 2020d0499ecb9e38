"""Accounts, the devices of the bench, sign-ins, and what was done by whom."""

import sqlalchemy as sa
from alembic import op

from bornek.store.base import UtcTime
from bornek.store.migrations.guards import guard, guard_keys

revision = "0011"
down_revision = "0010"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "account",
        sa.Column("mechanic_id", sa.String(), nullable=False),
        sa.Column("role", sa.String(), nullable=False),
        sa.Column("passphrase", sa.String(), nullable=False),
        sa.Column("pin", sa.String(), nullable=True),
        sa.Column("made_at", UtcTime(), nullable=False),
        sa.Column("ended_at", UtcTime(), nullable=True),
        sa.Column("wrong", sa.Integer(), nullable=False),
        sa.Column("locked_until", UtcTime(), nullable=True),
        sa.ForeignKeyConstraint(["mechanic_id"], ["mechanic.id"], name=op.f("fk_account_mechanic_id_mechanic")),
        sa.PrimaryKeyConstraint("mechanic_id", name=op.f("pk_account")),
    )
    op.create_table(
        "device",
        sa.Column("id", sa.String(length=64), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("secret", sa.String(), nullable=False),
        sa.Column("mechanic_id", sa.String(), nullable=False),
        sa.Column("at", UtcTime(), nullable=False),
        sa.Column("ended_at", UtcTime(), nullable=True),
        sa.ForeignKeyConstraint(["mechanic_id"], ["mechanic.id"], name=op.f("fk_device_mechanic_id_mechanic")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_device")),
        sa.UniqueConstraint("secret", name=op.f("uq_device_secret")),
    )
    op.create_table(
        "sign_in",
        sa.Column("secret", sa.String(), nullable=False),
        sa.Column("token", sa.String(), nullable=False),
        sa.Column("mechanic_id", sa.String(), nullable=False),
        sa.Column("device_id", sa.String(), nullable=True),
        sa.Column("by", sa.String(), nullable=False),
        sa.Column("at", UtcTime(), nullable=False),
        sa.Column("seen_at", UtcTime(), nullable=False),
        sa.Column("ended_at", UtcTime(), nullable=True),
        sa.ForeignKeyConstraint(["mechanic_id"], ["account.mechanic_id"], name=op.f("fk_sign_in_mechanic_id_account")),
        sa.ForeignKeyConstraint(["device_id"], ["device.id"], name=op.f("fk_sign_in_device_id_device")),
        sa.PrimaryKeyConstraint("secret", name=op.f("pk_sign_in")),
    )
    op.create_index(op.f("ix_sign_in_mechanic_id"), "sign_in", ["mechanic_id"])
    op.create_table(
        "deed",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("at", UtcTime(), nullable=False),
        sa.Column("mechanic_id", sa.String(), nullable=True),
        sa.Column("device_id", sa.String(), nullable=True),
        sa.Column("what", sa.String(), nullable=False),
        sa.Column("about", sa.String(), nullable=False),
        sa.Column("how", sa.String(), nullable=False),
        sa.ForeignKeyConstraint(["mechanic_id"], ["mechanic.id"], name=op.f("fk_deed_mechanic_id_mechanic")),
        sa.ForeignKeyConstraint(["device_id"], ["device.id"], name=op.f("fk_deed_device_id_device")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_deed")),
    )
    op.create_index(op.f("ix_deed_at"), "deed", ["at"])
    guard("deed")
    guard_keys("deed")


def downgrade() -> None:
    raise NotImplementedError("Restore a backup instead.")
