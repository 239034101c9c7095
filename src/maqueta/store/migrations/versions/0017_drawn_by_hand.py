"""What of a sheet that was read excuses what is not there, and by which of its lines it is known again"""

import sqlalchemy as sa
from alembic import op

revision = "0017"
down_revision = "0016"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("original", sa.Column("by_hand", sa.Boolean(), nullable=False, server_default=sa.false()))
    op.add_column("original", sa.Column("drawn", sa.JSON(), nullable=True))


def downgrade() -> None:
    op.drop_column("original", "drawn")
    op.drop_column("original", "by_hand")
