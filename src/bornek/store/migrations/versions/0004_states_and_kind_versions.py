"""States say their sort, unit and step; a given revision keeps the kind's version."""

import json

import sqlalchemy as sa
from alembic import op

from bornek.store.migrations.guards import guard, release
from bornek.store.migrations.old_states import typed_state

revision = "0004"
down_revision = "0003"
branch_labels = None
depends_on = None


def upgrade() -> None:
    release("given_revision")
    op.add_column("given_revision", sa.Column("kind_version", sa.Integer(), nullable=False, server_default="1"))
    op.execute(
        "UPDATE given_revision SET kind_version = "
        "(SELECT kind_version FROM setting WHERE setting.id = given_revision.setting_id)"
    )
    guard("given_revision")
    release("act_knob")
    connection = op.get_bind()
    rows = connection.execute(sa.text("SELECT id, knob, before, after FROM act_knob")).all()
    for row in rows:
        connection.execute(
            sa.text("UPDATE act_knob SET before = :before, after = :after WHERE id = :id"),
            {"id": row.id, "before": _typed(row.before, row.knob), "after": _typed(row.after, row.knob)},
        )
    guard("act_knob")
    op.execute("DELETE FROM standing")  # made afresh in the new shape


def _typed(stored: str, knob: str) -> str:
    return json.dumps(typed_state(json.loads(stored), knob))


def downgrade() -> None:
    raise NotImplementedError("Restore a backup instead.")
