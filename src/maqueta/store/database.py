"""Connection and transactions."""

from collections.abc import Iterator
from contextlib import contextmanager

from alembic import command
from alembic.config import Config
from sqlalchemy import Engine, create_engine
from sqlalchemy.orm import Session, sessionmaker

MIGRATIONS = "maqueta:store/migrations"
#: Connections kept, and how many more in a rush. Whoever uses them admits fewer than these at one time.
CONNECTIONS, MORE_CONNECTIONS = 16, 8
#: Seconds somebody waits for a connection before the database counts as not answering.
_PATIENCE = 5


class Database:
    """One database; hands out transactions."""

    def __init__(self, url: str) -> None:
        self.url = url
        # A connection that died with the server is replaced before it is used (pre-ping).
        self.engine: Engine = create_engine(
            url,
            pool_pre_ping=True,
            pool_recycle=600,
            pool_size=CONNECTIONS,
            max_overflow=MORE_CONNECTIONS,
            pool_timeout=_PATIENCE,
            isolation_level="READ COMMITTED",
            connect_args={"init_command": "SET time_zone = '+00:00', sql_mode = 'TRADITIONAL'"},
        )
        self._sessions = sessionmaker(self.engine, expire_on_commit=False)

    @contextmanager
    def transaction(self) -> Iterator[Session]:
        """A session that commits at the end, or rolls back when an exception leaves it."""
        with self._sessions.begin() as session:
            yield session

    def session(self) -> Session:
        """A session whose user ends it; it takes a connection when it is first asked something."""
        return self._sessions()

    def migrate(self) -> None:
        """Bring the schema up to date."""
        config = Config()
        config.set_main_option("script_location", MIGRATIONS)
        config.attributes["engine"] = self.engine
        command.upgrade(config, "head")

    def close(self) -> None:
        """Close all connections."""
        self.engine.dispose()
