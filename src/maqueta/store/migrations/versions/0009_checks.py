"""How often a student has had a sheet checked before handing it in"""

import sqlalchemy as sa
from alembic import op

revision = "0009"
down_revision = "0008"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("sheet", sa.Column("checks", sa.Integer(), nullable=False, server_default="0"))


def downgrade() -> None:
    op.drop_column("sheet", "checks")
