"""Model answers: the sheet an instructor would deliver for an exercise"""

import sqlalchemy as sa
from alembic import op

revision = "0003"
down_revision = "0002"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "model_answer",
        sa.Column("exercise_id", sa.Integer(), nullable=False),
        sa.Column("document", sa.JSON(), nullable=False),
        sa.Column("revision", sa.Integer(), nullable=False),
        sa.Column("saved_at", sa.DateTime(), nullable=False),
        sa.ForeignKeyConstraint(
            ["exercise_id"], ["exercise.id"], name=op.f("fk_model_answer_exercise_id_exercise"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("exercise_id", name=op.f("pk_model_answer")),
    )


def downgrade() -> None:
    op.drop_table("model_answer")
