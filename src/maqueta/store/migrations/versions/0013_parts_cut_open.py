"""Projections of parts cut open"""

import sqlalchemy as sa
from alembic import op

revision = "0013"
down_revision = "0012"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("projection", sa.Column("cut", sa.Text(), nullable=False, server_default=""))
    op.add_column("projection", sa.Column("cut_hash", sa.String(64), nullable=False, server_default=""))
    op.create_unique_constraint("uq_projection_part_look_cut_hash", "projection", ["part", "look", "cut_hash"])
    op.drop_constraint("uq_projection_part_look", "projection", type_="unique")


def downgrade() -> None:
    op.execute("DELETE FROM projection WHERE cut <> ''")
    op.create_unique_constraint("uq_projection_part_look", "projection", ["part", "look"])
    op.drop_constraint("uq_projection_part_look_cut_hash", "projection", type_="unique")
    op.drop_column("projection", "cut_hash")
    op.drop_column("projection", "cut")
