"""Versions that are assemblies know the versions of the parts they are put together from"""

import sqlalchemy as sa
from alembic import op

revision = "0018"
down_revision = "0017"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "version_component",
        sa.Column("version_id", sa.Integer(), sa.ForeignKey("part_version.id", ondelete="CASCADE"), primary_key=True),
        sa.Column("component_id", sa.Integer(), sa.ForeignKey("part_version.id"), primary_key=True),
        sa.Index("ix_version_component_component_id", "component_id"),
    )


def downgrade() -> None:
    op.drop_table("version_component")
