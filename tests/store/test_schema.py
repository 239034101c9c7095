"""The migrations and the models describe the same schema."""

from alembic.autogenerate import compare_metadata
from alembic.migration import MigrationContext

from maqueta.store.database import Database
from maqueta.store.models import Base


def test_migrations_lead_to_the_models(database: Database) -> None:
    with database.engine.connect() as connection:
        context = MigrationContext.configure(connection, opts={"compare_type": True})
        assert compare_metadata(context, Base.metadata) == []
