"""A finding's number is called so: a place is a position on paper"""

import sqlalchemy as sa
from alembic import op

revision = "0011"
down_revision = "0010"
branch_labels = None
depends_on = None


def upgrade() -> None:
    _renamed("place", "number")


def downgrade() -> None:
    _renamed("number", "place")


def _renamed(old: str, new: str) -> None:
    op.alter_column("finding", old, new_column_name=new, existing_type=sa.Integer(), existing_nullable=False)
    op.execute(f"ALTER TABLE finding RENAME INDEX uq_finding_sheet_id_{old} TO uq_finding_sheet_id_{new}")
