"""A database of one's own on the shared server, for tests that would be in the others' way."""

from collections.abc import Iterator
from contextlib import contextmanager

from sqlalchemy import make_url, text

from maqueta.store.database import Database
from maqueta.store.mariadb import MariaDB


@contextmanager
def own_database(server: MariaDB, name: str) -> Iterator[Database]:
    """An empty database that is gone afterwards."""
    admin = Database(server.url)
    own = Database(make_url(server.url).set(database=name).render_as_string(hide_password=False))
    with admin.engine.begin() as connection:
        connection.execute(text(f"CREATE DATABASE {name} CHARACTER SET utf8mb4"))
    try:
        yield own
    finally:
        own.close()
        with admin.engine.begin() as connection:
            connection.execute(text(f"DROP DATABASE {name}"))
        admin.close()
