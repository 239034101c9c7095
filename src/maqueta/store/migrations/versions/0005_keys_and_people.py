"""A key shared with workers; when and where log-ins began; people made anonymous; exercises that broke later"""

import sqlalchemy as sa
from alembic import op

from maqueta.sheet.scales import parse_scale

revision = "0005"
down_revision = "0004"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "shared_key",
        sa.Column("name", sa.String(length=40), nullable=False),
        sa.Column("value", sa.String(length=64), nullable=False),
        sa.PrimaryKeyConstraint("name", name=op.f("pk_shared_key")),
    )
    op.add_column("log_in", sa.Column("begun_at", sa.DateTime(), nullable=True))
    op.execute("UPDATE log_in SET begun_at = UTC_TIMESTAMP()")
    op.alter_column("log_in", "begun_at", existing_type=sa.DateTime(), nullable=False)
    op.add_column("log_in", sa.Column("browser", sa.String(length=40), nullable=False, server_default=""))
    op.alter_column(
        "log_in", "browser", existing_type=sa.String(length=40), server_default=None, existing_nullable=False
    )
    op.add_column("account", sa.Column("anonymised_at", sa.DateTime(), nullable=True))
    _mend_tasks()


def _mend_tasks() -> None:
    """Exercises that could be set before and broke later: a view asked for twice, a scale nobody can draw at."""
    exercise = sa.table("exercise", sa.column("id", sa.Integer), sa.column("task", sa.JSON))
    for number, task in op.get_bind().execute(sa.select(exercise.c.id, exercise.c.task)).all():
        mended = dict(task)
        if mended.get("views"):
            mended["views"] = list(dict.fromkeys(mended["views"]))
        if mended.get("scale") is not None and not _drawable(str(mended["scale"])):
            mended["scale"] = None
        if mended != task:
            op.execute(exercise.update().where(exercise.c.id == number).values(task=mended))


def _drawable(scale: str) -> bool:
    # As the exercise reads it today; a later change of that reading changes nothing that was mended here.
    return len(scale) <= 40 and parse_scale(scale) is not None


def downgrade() -> None:
    raise NotImplementedError("who was made anonymous would be lost")
