"""Connection and transactions."""

from collections.abc import Iterator
from contextlib import contextmanager
from typing import TypeVar

from alembic import command
from alembic.config import Config
from sqlalchemy import Engine, Select, create_engine, event, text
from sqlalchemy.orm import ORMExecuteState, Session, UOWTransaction, sessionmaker

from maqueta.store.models import Base

MIGRATIONS = "maqueta:store/migrations"
#: Connections kept, and how many more in a rush. Whoever uses them admits fewer than these at one time.
CONNECTIONS, MORE_CONNECTIONS = 16, 8
#: Seconds somebody waits for a connection before the database counts as not answering.
_PATIENCE = 5


Row = TypeVar("Row")


def locked(query: Select[Row], of: type[Base] | None = None, *, skip_locked: bool = False) -> Select[Row]:
    """A query whose rows are locked, and read as they are now even where the session has read them before.

    Where a query joins several tables, `of` names the one whose rows are locked. Rows that somebody else has locked
    are waited for, or skipped.
    """
    return query.with_for_update(of=of, skip_locked=skip_locked).execution_options(populate_existing=True)


def has_changed(session: Session) -> bool:
    """Whether a session has changed anything so far, kept already or still to be kept."""
    return bool(session.info.get("changed") or session.new or session.dirty or session.deleted)


def _flushed(session: Session, _: UOWTransaction) -> None:
    session.info["changed"] = True


def _executed(state: ORMExecuteState) -> None:
    if state.is_insert or state.is_update or state.is_delete:
        state.session.info["changed"] = True


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
        event.listen(self._sessions, "after_flush", _flushed)
        event.listen(self._sessions, "do_orm_execute", _executed)

    @contextmanager
    def transaction(self) -> Iterator[Session]:
        """A session that commits at the end, or rolls back when an exception leaves it."""
        with self._sessions.begin() as session:
            yield session

    def session(self) -> Session:
        """A session whose user ends it; it takes a connection when it is first asked something."""
        return self._sessions()

    @contextmanager
    def alone(self, work: str, seconds: int = 600) -> Iterator[bool]:
        """Be the only one on this database who does some work, on whatever machine; False where another one does it.

        Another one is waited for at most so many seconds.
        """
        name = f"maqueta.{self.engine.url.database}.{work}"[:64]
        with self.engine.connect() as connection:
            got = bool(connection.scalar(text("SELECT GET_LOCK(:name, :seconds)"), {"name": name, "seconds": seconds}))
            try:
                yield got
            finally:
                if got:
                    connection.scalar(text("SELECT RELEASE_LOCK(:name)"), {"name": name})

    def migrate(self) -> None:
        """Bring the schema up to date."""
        config = Config()
        config.set_main_option("script_location", MIGRATIONS)
        config.attributes["engine"] = self.engine
        command.upgrade(config, "head")

    def close(self) -> None:
        """Close all connections."""
        self.engine.dispose()
