"""What of a part an instructor marks as not cut lengthwise"""

import sqlalchemy as sa
from alembic import op

revision = "0014"
down_revision = "0013"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("part_version", sa.Column("uncut", sa.JSON(), nullable=True))


def downgrade() -> None:
    op.drop_column("part_version", "uncut")
