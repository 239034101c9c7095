"""The files that sheets were read from"""

import sqlalchemy as sa
from alembic import op

revision = "0015"
down_revision = "0014"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "original",
        sa.Column("id", sa.Integer(), primary_key=True),
        sa.Column("exercise_id", sa.Integer(), sa.ForeignKey("exercise.id", ondelete="CASCADE"), nullable=False),
        sa.Column("student_id", sa.Integer(), sa.ForeignKey("account.id"), nullable=False),
        sa.Column("attempt", sa.Integer(), nullable=False),
        sa.Column("name", sa.String(255), nullable=False),
        sa.Column("file", sa.String(64), nullable=False),
        sa.Column("laid", sa.String(64), nullable=False),
        sa.Column("page", sa.Integer(), nullable=False),
        sa.Column("pages", sa.Integer(), nullable=False),
        sa.Column("not_read", sa.JSON(), nullable=False),
        sa.Column("unread_sizes", sa.Integer(), nullable=False),
        sa.Column("brought_in_at", sa.DateTime(), nullable=False),
        sa.UniqueConstraint("exercise_id", "student_id", "attempt"),
    )


def downgrade() -> None:
    op.drop_table("original")
