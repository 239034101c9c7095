"""Parts drawn in any look; sheets whose views hang together (format 2), and by which version they were checked"""

from typing import Any

import sqlalchemy as sa
from alembic import op

from maqueta.sheet.former import upgraded

revision = "0006"
down_revision = "0005"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "projection",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("part", sa.String(length=64), nullable=False),
        sa.Column("look", sa.String(length=250), nullable=False),
        sa.Column("lines", sa.String(length=64), nullable=False),
        sa.Column("drawn_at", sa.DateTime(), nullable=False),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_projection")),
        sa.UniqueConstraint("part", "look", name=op.f("uq_projection_part_look")),
    )
    op.add_column("sheet", sa.Column("checker", sa.Integer(), nullable=False, server_default="0"))
    op.alter_column("sheet", "checker", existing_type=sa.Integer(), server_default=None, existing_nullable=False)
    op.add_column("sheet", sa.Column("changed", sa.JSON(), nullable=True))
    # What could not be judged was kept as finished sentences; it is found out again when it is asked for.
    op.execute(sa.table("sheet", sa.column("scope", sa.JSON)).update().values(scope=sa.null()))
    _upgrade_documents("sheet", "id")
    _upgrade_documents("model_answer", "exercise_id")


def _upgrade_documents(name: str, key: str) -> None:
    columns: list[sa.ColumnClause[Any]] = [sa.column(key, sa.Integer), sa.column("document", sa.JSON)]
    table = sa.table(name, *columns)
    for number, document in op.get_bind().execute(sa.select(*columns)).all():
        op.execute(table.update().where(columns[0] == number).values(document=upgraded(document)))


def downgrade() -> None:
    raise NotImplementedError("older versions do not know which view is folded out from which")
