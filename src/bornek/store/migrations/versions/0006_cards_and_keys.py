"""Gauge cards keep their history, a reading its card; what came from elsewhere says so; no insert replaces a row."""

from datetime import UTC, datetime

import sqlalchemy as sa
from alembic import op

import bornek.store.base
from bornek.store.migrations.guards import guard, guard_keys

revision = "0006"
down_revision = "0005"
branch_labels = None
depends_on = None

RECORDS = ("entry", "act", "act_knob", "given_revision", "explanation", "signature", "proposal", "stock_movement",
           "unit_type_revision", "round", "fact", "component_stay", "attachment", "look_for", "cross_number",
           "gauge_card")
NEVER_CHANGED = ("mechanic", "component", "shim_lot", "blob")
CARD = ("name", "quantity", "unit", "division", "interpolation", "calibration_u", "due")


def upgrade() -> None:
    op.create_table(
        "gauge_card",
        sa.Column("id", sa.String(length=80), nullable=False),
        sa.Column("gauge_id", sa.String(), nullable=False),
        sa.Column("number", sa.Integer(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("quantity", sa.String(), nullable=False),
        sa.Column("unit", sa.String(), nullable=False),
        sa.Column("division", sa.Float(), nullable=False),
        sa.Column("interpolation", sa.Float(), nullable=False),
        sa.Column("calibration_u", sa.Float(), nullable=False),
        sa.Column("due", sa.String(), nullable=False),
        sa.Column("mechanic_id", sa.String(), nullable=True),
        sa.Column("at", bornek.store.base.UtcTime(), nullable=False),
        sa.ForeignKeyConstraint(["gauge_id"], ["gauge.id"], name=op.f("fk_gauge_card_gauge_id_gauge")),
        sa.ForeignKeyConstraint(["mechanic_id"], ["mechanic.id"], name=op.f("fk_gauge_card_mechanic_id_mechanic")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_gauge_card")),
        sa.UniqueConstraint("gauge_id", "number", name=op.f("uq_gauge_card_gauge_id_number")),
    )
    columns = ", ".join(CARD)
    op.get_bind().execute(
        sa.text(
            f"INSERT INTO gauge_card (id, gauge_id, number, {columns}, at) "
            f"SELECT id || '.1', id, 1, {columns}, :now FROM gauge"
        ),
        {"now": datetime.now(UTC).replace(tzinfo=None).isoformat(" ")},
    )
    op.execute("ALTER TABLE entry ADD COLUMN gauge_card_id VARCHAR REFERENCES gauge_card (id)")
    for table in ("mechanic", "gauge", "gauge_card", "component"):
        op.execute(f"ALTER TABLE {table} ADD COLUMN known_as VARCHAR")
    op.execute("ALTER TABLE blob ADD COLUMN file VARCHAR")
    op.execute("ALTER TABLE stock_movement ADD COLUMN elsewhere BOOLEAN DEFAULT 0 NOT NULL")
    op.create_table(
        "idempotency_now",
        sa.Column("key", sa.String(), nullable=False),
        sa.Column("request_sha256", sa.String(), nullable=False),
        sa.Column("made", sa.String(), nullable=True),
        sa.Column("at", bornek.store.base.UtcTime(), nullable=False),
        sa.PrimaryKeyConstraint("key", name=op.f("pk_idempotency")),
    )
    op.execute(
        "INSERT INTO idempotency_now SELECT key, request_sha256, json_extract(answer, '$.answer.job_id'), at "
        "FROM idempotency"
    )
    op.drop_table("idempotency")
    op.rename_table("idempotency_now", "idempotency")
    op.create_index(op.f("ix_idempotency_at"), "idempotency", ["at"])
    for table in (*RECORDS, *NEVER_CHANGED):
        guard(table)
        guard_keys(table)


def downgrade() -> None:
    raise NotImplementedError("Restore a backup instead.")
