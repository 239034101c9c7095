"""The language each person reads; none chosen means the browser's"""

import sqlalchemy as sa
from alembic import op

revision = "0007"
down_revision = "0006"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("account", sa.Column("language", sa.String(length=5), nullable=True))


def downgrade() -> None:
    op.drop_column("account", "language")
