"""inspection: the shop's look-fors, its cross-reference of numbers, facts found by kind"""

import sqlalchemy as sa
from alembic import op

import bornek.store.base
from bornek.store.migrations.guards import guard

revision = '0003'
down_revision = '0002'
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table('look_for',
    sa.Column('id', sa.String(length=64), nullable=False),
    sa.Column('part_group', sa.String(), nullable=False),
    sa.Column('key', sa.String(), nullable=False),
    sa.Column('label', sa.String(), nullable=False),
    sa.Column('means', sa.String(), nullable=False),
    sa.Column('kinds', sa.JSON(), nullable=False),
    sa.Column('void', sa.Boolean(), nullable=False),
    sa.Column('supersedes', sa.String(length=64), nullable=True),
    sa.Column('mechanic_id', sa.String(length=64), nullable=False),
    sa.Column('at', bornek.store.base.UtcTime(), nullable=False),
    sa.ForeignKeyConstraint(['mechanic_id'], ['mechanic.id'], name=op.f('fk_look_for_mechanic_id_mechanic')),
    sa.ForeignKeyConstraint(['supersedes'], ['look_for.id'], name=op.f('fk_look_for_supersedes_look_for')),
    sa.PrimaryKeyConstraint('id', name=op.f('pk_look_for')),
    sa.UniqueConstraint('supersedes', name=op.f('uq_look_for_supersedes'))
    )
    op.create_table('cross_number',
    sa.Column('id', sa.String(length=64), nullable=False),
    sa.Column('number', sa.String(), nullable=False),
    sa.Column('other', sa.String(), nullable=False),
    sa.Column('words', sa.String(), nullable=False),
    sa.Column('void', sa.Boolean(), nullable=False),
    sa.Column('supersedes', sa.String(length=64), nullable=True),
    sa.Column('mechanic_id', sa.String(length=64), nullable=False),
    sa.Column('at', bornek.store.base.UtcTime(), nullable=False),
    sa.ForeignKeyConstraint(['mechanic_id'], ['mechanic.id'], name=op.f('fk_cross_number_mechanic_id_mechanic')),
    sa.ForeignKeyConstraint(['supersedes'], ['cross_number.id'], name=op.f('fk_cross_number_supersedes_cross_number')),
    sa.PrimaryKeyConstraint('id', name=op.f('pk_cross_number')),
    sa.UniqueConstraint('supersedes', name=op.f('uq_cross_number_supersedes'))
    )
    op.create_index(op.f('ix_cross_number_number'), 'cross_number', ['number'])
    op.create_index(op.f('ix_cross_number_other'), 'cross_number', ['other'])
    op.create_index(op.f('ix_fact_kind'), 'fact', ['kind'])
    for table in ("look_for", "cross_number"):
        guard(table)
    op.execute("DELETE FROM standing")  # made afresh, with late orders


def downgrade() -> None:
    raise NotImplementedError("Restore a backup instead.")
