"""A running service on a real MariaDB in a temporary folder, with the demo world loaded."""

import threading
from collections.abc import Callable, Iterator, Mapping
from pathlib import Path
from typing import Any, Final

import pytest
from fastapi.testclient import TestClient
from sqlalchemy import event

from maqueta.service.app import create_app
from maqueta.service.settings import Settings
from maqueta.store.database import Database
from maqueta.store.mariadb import MariaDB
from tests.demo_world import PASSWORD, copied_demo_world

#: Threads of a service that nobody asks anything.
_BY_THEMSELVES: Final = ("jobs", "nightly")
LogIn = Callable[..., "Person"]


class Person:
    """Somebody logged in: a client that carries cookie and token."""

    def __init__(self, client: TestClient, login: str) -> None:
        self.client = client
        answer = client.post("/api/log-in", json={"login": login, "password": PASSWORD})
        assert answer.status_code == 200, answer.text
        self.token = answer.json()["token"]

    def send(self, method: str, path: str, headers: Mapping[str, str] | None = None, **rest: Any) -> Any:
        own = {"x-maqueta-token": self.token, **(headers or {})}
        return self.client.request(method, path, headers=own, **rest)

    def get(self, path: str) -> Any:
        answer = self.send("GET", path)
        assert answer.status_code == 200, answer.text
        return answer.json()

    def status(self, method: str, path: str, **rest: Any) -> int:
        return int(self.send(method, path, **rest).status_code)


@pytest.fixture(scope="session")
def database_server(settings: Settings) -> Iterator[MariaDB]:
    server = MariaDB(settings.data / "mariadb")
    server.start()
    yield server
    server.stop()


@pytest.fixture(scope="session")
def settings(tmp_path_factory: pytest.TempPathFactory) -> Settings:
    return Settings(
        data=copied_demo_world(tmp_path_factory, tmp_path_factory.mktemp("var")),
        demo_password=PASSWORD,
        kernel_seconds=20,
        # Made when they are asked for: no test waits for a whole class, or has its parts made behind its back.
        parts_beforehand=False,
        largest_upload=1024 * 1024,
        largest_request=512 * 1024,
    )


@pytest.fixture(scope="session")
def database(database_server: MariaDB) -> Iterator[Database]:
    database = Database(database_server.url)
    yield database
    database.close()


@pytest.fixture
def asked(database: Database) -> Iterator[list[str]]:
    """The statements sent to the database, but for those of whoever looks into it by itself."""
    statements: list[str] = []

    def note(connection: Any, cursor: Any, statement: str, *rest: Any) -> None:
        if threading.current_thread().name not in _BY_THEMSELVES:
            statements.append(" ".join(statement.split()))

    event.listen(database.engine, "before_cursor_execute", note)
    yield statements
    event.remove(database.engine, "before_cursor_execute", note)


@pytest.fixture(scope="session")
def app(database: Database, settings: Settings) -> Any:
    return create_app(settings, database)


@pytest.fixture(scope="session")
def running(app: Any) -> Iterator[TestClient]:
    with TestClient(app) as client:
        yield client


@pytest.fixture
def log_in(app: Any, running: TestClient) -> LogIn:
    """Log somebody in, each with a browser of their own."""

    def enter(login: str) -> Person:
        client = TestClient(app, raise_server_exceptions=False)
        # One event loop answers all, as that of a server does.
        client.portal = running.portal
        return Person(client, login)

    return enter


@pytest.fixture
def instructor(log_in: LogIn) -> Person:
    return log_in("ines.corvalho")


@pytest.fixture
def uploads(settings: Settings) -> Path:
    return settings.data / "files"
