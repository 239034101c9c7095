"""A running service on a real MariaDB in a temporary folder, with the demo world loaded."""

from collections.abc import Callable, Iterator
from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient

from maqueta.service.app import create_app
from maqueta.service.demo_data import load_demo
from maqueta.service.settings import Settings
from maqueta.store.database import Database
from maqueta.store.files import FileStore
from maqueta.store.mariadb import MariaDB

PASSWORD = "loom-and-shuttle"
LogIn = Callable[..., "Person"]


class Person:
    """Somebody logged in: a client that carries cookie and token."""

    def __init__(self, client: TestClient, login: str) -> None:
        self.client = client
        answer = client.post("/api/log-in", json={"login": login, "password": PASSWORD})
        assert answer.status_code == 200, answer.text
        self.token = answer.json()["token"]

    def send(self, method: str, path: str, **rest: Any) -> Any:
        return self.client.request(method, path, headers={"x-maqueta-token": self.token}, **rest)

    def get(self, path: str) -> Any:
        answer = self.send("GET", path)
        assert answer.status_code == 200, answer.text
        return answer.json()

    def status(self, method: str, path: str, **rest: Any) -> int:
        return int(self.send(method, path, **rest).status_code)


@pytest.fixture(scope="session")
def database_server(tmp_path_factory: pytest.TempPathFactory) -> Iterator[MariaDB]:
    server = MariaDB(tmp_path_factory.mktemp("database") / "data")
    server.start()
    yield server
    server.stop()


@pytest.fixture(scope="session")
def settings(tmp_path_factory: pytest.TempPathFactory) -> Settings:
    return Settings(
        data=tmp_path_factory.mktemp("var"),
        demo_password=PASSWORD,
        kernel_seconds=20,
        largest_upload=1024 * 1024,
        largest_request=512 * 1024,
    )


@pytest.fixture(scope="session")
def database(database_server: MariaDB, settings: Settings) -> Iterator[Database]:
    database = Database(database_server.url)
    database.migrate()
    load_demo(database, FileStore(settings.data / "files"), settings)
    yield database
    database.close()


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
        return Person(TestClient(app, raise_server_exceptions=False), login)

    return enter


@pytest.fixture
def instructor(log_in: LogIn) -> Person:
    return log_in("ines.corvalho")


@pytest.fixture
def uploads(settings: Settings) -> Path:
    return settings.data / "files"
