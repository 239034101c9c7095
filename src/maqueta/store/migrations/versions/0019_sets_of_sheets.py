"""Exercises that are one set: their sheets belong together"""

import sqlalchemy as sa
from alembic import op

revision = "0019"
down_revision = "0018"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "sheet_set",
        sa.Column("id", sa.Integer(), primary_key=True),
        sa.Column("title", sa.String(120), nullable=False),
        sa.Column("sheets", sa.Integer(), nullable=False),
        sa.Column("created_at", sa.DateTime(), nullable=False),
    )
    op.add_column("exercise", sa.Column("set_id", sa.Integer(), nullable=True))
    op.add_column("exercise", sa.Column("place", sa.Integer(), nullable=False, server_default="1"))
    op.create_foreign_key("fk_exercise_set_id", "exercise", "sheet_set", ["set_id"], ["id"])


def downgrade() -> None:
    op.drop_constraint("fk_exercise_set_id", "exercise", type_="foreignkey")
    op.drop_column("exercise", "place")
    op.drop_column("exercise", "set_id")
    op.drop_table("sheet_set")
