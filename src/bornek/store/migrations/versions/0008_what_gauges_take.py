"""What a gauge can take stands on its card, a card that was written before does not say; and as which setting of its
type one is remembered that was begun without a unit."""

import sqlalchemy as sa
from alembic import op

revision = "0008"
down_revision = "0007"
branch_labels = None
depends_on = None


def upgrade() -> None:
    for table in ("gauge", "gauge_card"):
        op.add_column(table, sa.Column("takes", sa.JSON(), nullable=False, server_default="[]"))
    op.add_column("setting", sa.Column("remembered_as", sa.String(), nullable=False, server_default=""))
