"""Why a part is refused, what a job does and what became of a STEP file, kept as phrases and not as words"""

from collections.abc import Callable
from typing import Any

import sqlalchemy as sa
from alembic import op

revision = "0008"
down_revision = "0007"
branch_labels = None
depends_on = None


def _as_written(text: str) -> dict[str, Any]:
    """Words of an earlier version stay as they were written."""
    return {"kind": "as-written", "values": {"text": text}}


def _report(report: dict[str, Any]) -> dict[str, Any]:
    listed = ("read", "healed", "left_out")
    written = {} if report["unit_written"] == "no unit" else {"unit_written": report["unit_written"]}
    said = {key: [_as_written(text) for text in report[key]] for key in listed}
    return report | {"unit_written": ""} | written | said


def upgrade() -> None:
    _said("part_version", "error")
    _said("job", "message")
    _each("part_version", "report", _report)


def _said(table: str, name: str) -> None:
    """A column of words becomes one of phrases; no words are no phrase."""
    op.add_column(table, sa.Column("said", sa.JSON(), nullable=True))
    columns: list[sa.ColumnClause[Any]] = [sa.column("id", sa.Integer), sa.column(name, sa.Text)]
    kept = sa.table(table, *columns, sa.column("said", sa.JSON))
    for number, text in op.get_bind().execute(sa.select(*columns).where(columns[1] != "")).all():
        op.execute(kept.update().where(columns[0] == number).values(said=_as_written(text)))
    op.drop_column(table, name)
    op.alter_column(table, "said", new_column_name=name, existing_type=sa.JSON(), existing_nullable=True)


def _each(table: str, name: str, changed: Callable[[dict[str, Any]], dict[str, Any]]) -> None:
    columns: list[sa.ColumnClause[Any]] = [sa.column("id", sa.Integer), sa.column(name, sa.JSON)]
    kept = sa.table(table, *columns)
    for number, value in op.get_bind().execute(sa.select(*columns)).all():
        if value:
            op.execute(kept.update().where(columns[0] == number).values({name: changed(value)}))


def downgrade() -> None:
    raise NotImplementedError("older versions do not know phrases")
