"""Log-ins, known browsers, who did what; jobs: attempts and sign of life; what of a sheet could be judged"""

import sqlalchemy as sa
from alembic import op

revision = "0004"
down_revision = "0003"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "known_browser",
        sa.Column("token_hash", sa.String(length=64), nullable=False),
        sa.Column("account_id", sa.Integer(), nullable=False),
        sa.Column("seen_at", sa.DateTime(), nullable=False),
        sa.ForeignKeyConstraint(
            ["account_id"], ["account.id"], name=op.f("fk_known_browser_account_id_account"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("token_hash", name=op.f("pk_known_browser")),
    )
    op.create_table(
        "deed",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("at", sa.DateTime(), nullable=False),
        sa.Column("account_id", sa.Integer(), nullable=True),
        sa.Column("what", sa.String(length=120), nullable=False),
        sa.Column("to_what", sa.JSON(), nullable=False),
        sa.Column("request", sa.String(length=20), nullable=False),
        sa.ForeignKeyConstraint(
            ["account_id"], ["account.id"], name=op.f("fk_deed_account_id_account"), ondelete="SET NULL"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_deed")),
    )
    op.create_index(op.f("ix_deed_at"), "deed", ["at"], unique=False)
    # What was refused before today is forgotten: nobody is kept out by it.
    op.execute("DELETE FROM failed_log_in")
    op.add_column("failed_log_in", sa.Column("address", sa.String(length=64), nullable=False))
    op.add_column("failed_log_in", sa.Column("known", sa.String(length=64), nullable=False))
    op.create_index(op.f("ix_failed_log_in_address"), "failed_log_in", ["address"], unique=False)
    op.add_column("account", sa.Column("must_change", sa.Boolean(), nullable=False, server_default=sa.false()))
    op.alter_column("account", "must_change", existing_type=sa.Boolean(), server_default=None, existing_nullable=False)
    op.add_column("sheet", sa.Column("scope", sa.JSON(), nullable=True))
    op.add_column("job", sa.Column("attempts", sa.Integer(), nullable=False, server_default="0"))
    op.add_column("job", sa.Column("seen_at", sa.DateTime(), nullable=True))
    op.alter_column("job", "attempts", existing_type=sa.Integer(), server_default=None, existing_nullable=False)


def downgrade() -> None:
    raise NotImplementedError("who is known where would be lost")
