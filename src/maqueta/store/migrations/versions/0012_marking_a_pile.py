"""Schemes of marks, attempts, added findings, pins, shared classes, groups, more time, receipts"""

import sqlalchemy as sa
from alembic import op

revision = "0012"
down_revision = "0011"
branch_labels = None
depends_on = None


def _to(table: str, column: str, target: str, gone: str | None = None) -> sa.ForeignKeyConstraint:
    """A column that names a row of another table."""
    return sa.ForeignKeyConstraint([column], [f"{target}.id"], name=f"fk_{table}_{column}_{target}", ondelete=gone)


def upgrade() -> None:
    op.add_column("account", sa.Column("email", sa.String(200), nullable=True))
    op.add_column("account", sa.Column("made_by", sa.Integer(), nullable=True))
    op.create_foreign_key("fk_account_made_by_account", "account", "account", ["made_by"], ["id"], ondelete="SET NULL")
    op.add_column("school_class", sa.Column("marks_out", sa.JSON(), nullable=True))
    op.add_column("school_class", sa.Column("join_code", sa.String(12), nullable=True))
    op.add_column("school_class", sa.Column("archived_at", sa.DateTime(), nullable=True))
    op.create_unique_constraint("uq_school_class_join_code", "school_class", ["join_code"])
    op.add_column("enrolment", sa.Column("group", sa.String(40), nullable=False, server_default=""))
    for column in ("set_at", "opens_at", "closes_at", "archived_at"):
        op.add_column("exercise", sa.Column(column, sa.DateTime(), nullable=True))
    op.execute("UPDATE exercise SET set_at = created_at")
    op.add_column("exercise", sa.Column("news", sa.Integer(), nullable=False, server_default="0"))
    op.add_column("sheet", sa.Column("attempt", sa.Integer(), nullable=False, server_default="1"))
    op.add_column("sheet", sa.Column("receipt", sa.String(64), nullable=True))
    one_each = ["exercise_id", "student_id", "attempt"]
    op.create_unique_constraint("uq_sheet_exercise_id_student_id_attempt", "sheet", one_each)
    op.drop_constraint("uq_sheet_exercise_id_student_id", "sheet", type_="unique")
    op.add_column("finding", sa.Column("answer", sa.Text(), nullable=False, server_default=""))
    op.add_column("job", sa.Column("result", sa.String(64), nullable=True))
    op.add_column("sheet_form", sa.Column("dropped_at", sa.DateTime(), nullable=True))
    op.create_table(
        "shared_class",
        sa.Column("class_id", sa.Integer(), nullable=False),
        sa.Column("instructor_id", sa.Integer(), nullable=False),
        _to("shared_class", "class_id", "school_class", "CASCADE"),
        _to("shared_class", "instructor_id", "account", "CASCADE"),
        sa.PrimaryKeyConstraint("class_id", "instructor_id", name="pk_shared_class"),
    )
    op.create_table(
        "more_time",
        sa.Column("exercise_id", sa.Integer(), nullable=False),
        sa.Column("student_id", sa.Integer(), nullable=False),
        sa.Column("minutes", sa.Integer(), nullable=False),
        _to("more_time", "exercise_id", "exercise", "CASCADE"),
        _to("more_time", "student_id", "account", "CASCADE"),
        sa.PrimaryKeyConstraint("exercise_id", "student_id", name="pk_more_time"),
    )
    op.create_table(
        "added_finding",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("sheet_id", sa.Integer(), nullable=False),
        sa.Column("key", sa.String(40), nullable=False),
        sa.Column("criterion", sa.String(20), nullable=False),
        sa.Column("words", sa.Text(), nullable=False),
        sa.Column("cost", sa.Float(), nullable=False),
        sa.Column("at", sa.JSON(), nullable=True),
        sa.Column("added_by", sa.Integer(), nullable=True),
        sa.Column("added_at", sa.DateTime(), nullable=False),
        _to("added_finding", "sheet_id", "sheet", "CASCADE"),
        _to("added_finding", "added_by", "account"),
        sa.PrimaryKeyConstraint("id", name="pk_added_finding"),
        sa.UniqueConstraint("sheet_id", "key", name="uq_added_finding_sheet_id_key"),
    )
    op.create_table(
        "given_mark",
        sa.Column("sheet_id", sa.Integer(), nullable=False),
        sa.Column("criterion", sa.String(20), nullable=False),
        sa.Column("points", sa.Float(), nullable=False),
        sa.Column("given_by", sa.Integer(), nullable=True),
        sa.Column("given_at", sa.DateTime(), nullable=False),
        _to("given_mark", "sheet_id", "sheet", "CASCADE"),
        _to("given_mark", "given_by", "account"),
        sa.PrimaryKeyConstraint("sheet_id", "criterion", name="pk_given_mark"),
    )
    op.create_table(
        "pin",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("sheet_id", sa.Integer(), nullable=False),
        sa.Column("key", sa.String(40), nullable=False),
        sa.Column("points", sa.JSON(), nullable=False),
        sa.Column("words", sa.Text(), nullable=False),
        sa.Column("made_by", sa.Integer(), nullable=True),
        sa.Column("made_at", sa.DateTime(), nullable=False),
        _to("pin", "sheet_id", "sheet", "CASCADE"),
        _to("pin", "made_by", "account"),
        sa.PrimaryKeyConstraint("id", name="pk_pin"),
        sa.UniqueConstraint("sheet_id", "key", name="uq_pin_sheet_id_key"),
    )
    op.create_table(
        "scheme_change",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("exercise_id", sa.Integer(), nullable=False),
        sa.Column("account_id", sa.Integer(), nullable=True),
        sa.Column("at", sa.DateTime(), nullable=False),
        sa.Column("before", sa.JSON(), nullable=False),
        sa.Column("after", sa.JSON(), nullable=False),
        _to("scheme_change", "exercise_id", "exercise", "CASCADE"),
        _to("scheme_change", "account_id", "account"),
        sa.PrimaryKeyConstraint("id", name="pk_scheme_change"),
    )
    op.create_index("ix_scheme_change_exercise_id_id", "scheme_change", ["exercise_id", "id"])
    op.create_table(
        "scheme_template",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("owner_id", sa.Integer(), nullable=False),
        sa.Column("name", sa.String(80), nullable=False),
        sa.Column("scheme", sa.JSON(), nullable=False),
        sa.Column("kept_at", sa.DateTime(), nullable=False),
        _to("scheme_template", "owner_id", "account"),
        sa.PrimaryKeyConstraint("id", name="pk_scheme_template"),
    )


def downgrade() -> None:
    for table in (
        "scheme_template",
        "scheme_change",
        "pin",
        "given_mark",
        "added_finding",
        "more_time",
        "shared_class",
    ):
        op.drop_table(table)
    op.drop_column("job", "result")
    op.drop_column("sheet_form", "dropped_at")
    op.drop_column("finding", "answer")
    # Of several attempts the last one stays.
    op.execute(
        "DELETE earlier FROM sheet earlier JOIN sheet later ON later.exercise_id = earlier.exercise_id"
        " AND later.student_id = earlier.student_id AND later.attempt > earlier.attempt"
    )
    op.create_unique_constraint("uq_sheet_exercise_id_student_id", "sheet", ["exercise_id", "student_id"])
    op.drop_constraint("uq_sheet_exercise_id_student_id_attempt", "sheet", type_="unique")
    op.drop_column("sheet", "receipt")
    op.drop_column("sheet", "attempt")
    for column in ("news", "archived_at", "closes_at", "opens_at", "set_at"):
        op.drop_column("exercise", column)
    op.drop_column("enrolment", "group")
    op.drop_constraint("uq_school_class_join_code", "school_class", type_="unique")
    op.drop_column("school_class", "archived_at")
    op.drop_column("school_class", "join_code")
    op.drop_column("school_class", "marks_out")
    op.drop_constraint("fk_account_made_by_account", "account", type_="foreignkey")
    op.drop_column("account", "made_by")
    op.drop_column("account", "email")
