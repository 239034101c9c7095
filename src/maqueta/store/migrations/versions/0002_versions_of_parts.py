"""Versions of parts: exercises keep the one they were set with; labels, archive, variations"""

import sqlalchemy as sa
from alembic import op

revision = "0002"
down_revision = "0001"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "part_version",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("part_id", sa.Integer(), nullable=False),
        sa.Column("number", sa.Integer(), nullable=False),
        sa.Column("file_name", sa.String(length=200), nullable=False),
        sa.Column("state", sa.String(length=12), nullable=False),
        sa.Column("error", sa.Text(), nullable=False),
        sa.Column("source", sa.String(length=64), nullable=False),
        sa.Column("natural_up", sa.String(length=2), nullable=True),
        sa.Column("sizes", sa.JSON(), nullable=True),
        sa.Column("facts", sa.JSON(), nullable=True),
        sa.Column("report", sa.JSON(), nullable=True),
        sa.Column("dossier", sa.String(length=64), nullable=True),
        sa.Column("mesh", sa.String(length=64), nullable=True),
        sa.Column("picture", sa.String(length=64), nullable=True),
        sa.Column("created_at", sa.DateTime(), nullable=False),
        sa.ForeignKeyConstraint(["part_id"], ["part.id"], name=op.f("fk_part_version_part_id_part")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_part_version")),
    )
    op.create_index("ix_part_version_part_id_number", "part_version", ["part_id", "number"], unique=False)
    op.create_table(
        "part_label",
        sa.Column("part_id", sa.Integer(), nullable=False),
        sa.Column("label", sa.String(length=40), nullable=False),
        sa.ForeignKeyConstraint(["part_id"], ["part.id"], name=op.f("fk_part_label_part_id_part"), ondelete="CASCADE"),
        sa.PrimaryKeyConstraint("part_id", "label", name=op.f("pk_part_label")),
    )
    op.create_table(
        "student_part",
        sa.Column("exercise_id", sa.Integer(), nullable=False),
        sa.Column("student_id", sa.Integer(), nullable=False),
        sa.Column("version_id", sa.Integer(), nullable=False),
        sa.ForeignKeyConstraint(
            ["exercise_id"], ["exercise.id"], name=op.f("fk_student_part_exercise_id_exercise"), ondelete="CASCADE"
        ),
        sa.ForeignKeyConstraint(["student_id"], ["account.id"], name=op.f("fk_student_part_student_id_account")),
        sa.ForeignKeyConstraint(
            ["version_id"], ["part_version.id"], name=op.f("fk_student_part_version_id_part_version")
        ),
        sa.PrimaryKeyConstraint("exercise_id", "student_id", name=op.f("pk_student_part")),
    )
    op.add_column("part", sa.Column("current_id", sa.Integer(), nullable=True))
    op.add_column("part", sa.Column("archived_at", sa.DateTime(), nullable=True))
    op.create_index(op.f("ix_part_name"), "part", ["name"], unique=False)
    # Every part there is becomes its own first version.
    op.execute(
        "INSERT INTO part_version (part_id, number, file_name, state, error, source, dossier, mesh, created_at) "
        "SELECT id, 1, file_name, state, error, source, dossier, mesh, created_at FROM part"
    )
    op.execute("UPDATE part JOIN part_version ON part_version.part_id = part.id SET current_id = part_version.id")
    op.add_column("exercise", sa.Column("version_id", sa.Integer(), nullable=True))
    op.add_column("exercise", sa.Column("varied", sa.Boolean(), nullable=False, server_default=sa.false()))
    op.execute("UPDATE exercise JOIN part ON part.id = exercise.part_id SET version_id = part.current_id")
    # Work that waits speaks of versions from now on.
    op.execute("UPDATE job JOIN part ON part.id = job.subject_id SET subject_id = part.current_id WHERE kind = 'part'")
    # Meshes are packed from now on, and lists show pictures: every part that is ready is examined once more.
    op.execute("UPDATE part_version SET mesh = NULL")
    op.execute(
        "INSERT INTO job (owner_id, kind, subject_id, state, progress, message, created_at) "
        "SELECT part.owner_id, 'part', part_version.id, 'waiting', 0, '', UTC_TIMESTAMP() "
        "FROM part_version JOIN part ON part.id = part_version.part_id WHERE part_version.state = 'ready'"
    )
    op.alter_column("exercise", "version_id", existing_type=sa.Integer(), nullable=False)
    op.alter_column("exercise", "varied", existing_type=sa.Boolean(), server_default=None, existing_nullable=False)
    op.create_foreign_key(
        op.f("fk_exercise_version_id_part_version"), "exercise", "part_version", ["version_id"], ["id"]
    )
    op.drop_constraint(op.f("fk_exercise_part_id_part"), "exercise", type_="foreignkey")
    op.drop_column("exercise", "part_id")
    for column in ("file_name", "state", "error", "source", "dossier", "mesh"):
        op.drop_column("part", column)


def downgrade() -> None:
    raise NotImplementedError("variations and older versions would be lost")
