"""What an instructor corrects in how a file was read, and which of its doubts somebody has looked at"""

import sqlalchemy as sa
from alembic import op

revision = "0016"
down_revision = "0015"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "correction",
        sa.Column("sheet_id", sa.Integer(), sa.ForeignKey("sheet.id", ondelete="CASCADE"), primary_key=True),
        sa.Column("revision", sa.Integer(), nullable=False),
        sa.Column("document", sa.JSON(), nullable=True),
        sa.Column("saved_at", sa.DateTime(), nullable=False),
        sa.Column("handed_in", sa.JSON(), nullable=True),
        sa.Column("judged_at", sa.DateTime(), nullable=True),
        sa.Column("judged_by", sa.Integer(), sa.ForeignKey("account.id"), nullable=True),
    )
    op.add_column("original", sa.Column("looked_at", sa.JSON(), nullable=True))


def downgrade() -> None:
    op.drop_column("original", "looked_at")
    op.drop_table("correction")
