"""A running service on a real MariaDB in a temporary folder, with the demo world loaded."""

import gc
from collections.abc import Callable, Iterator, Mapping
from itertools import chain, zip_longest
from pathlib import Path
from typing import Any, Final

import pytest
from fastapi.testclient import TestClient
from hypothesis import settings as examples
from sqlalchemy import event
from xdist.scheduler import LoadFileScheduling

from maqueta.service.app import create_app
from maqueta.service.settings import Settings
from maqueta.store.database import Database
from maqueta.store.mariadb import MariaDB
from tests.demo_world import PASSWORD as PASSWORD
from tests.demo_world import copied_demo_world

# Nothing that is loaded and collected is garbage: none is looked for until all of it is there.
gc.disable()

# No test depends on how fast a machine is.
examples.register_profile("any machine", deadline=None)
examples.load_profile("any machine")

#: So many of the processes run browser tests: each has a server, a browser and its pages of its own to begin with.
_WITH_BROWSERS: Final = 2
#: Folders whose files wait half of their time, for a browser, a service or a database.
_WAITING = ("browser", "service", "store")
#: Folders with files that are at work all the time and take long: a long one at the end would run alone. The files of
#: the command line lie in the folder of all tests.
_WORKING = ("trust", "reading", "tests", "projection", "sizes")


def pytest_collection_modifyitems(items: list[pytest.Item]) -> None:
    """Files that wait and files that work take turns, the long ones first.

    Of those that run at one moment some wait and some work, and the cores are neither idle nor fought for.
    """
    files: dict[Path, list[pytest.Item]] = {}
    for item in items:
        files.setdefault(item.path, []).append(item)
    ranks = {name: rank for rank, name in enumerate((*_WAITING, *_WORKING))}
    ordered = sorted(files, key=lambda path: ranks.get(path.parent.name, len(ranks)))
    waiting = [path for path in ordered if path.parent.name in _WAITING]
    working = [path for path in ordered if path.parent.name not in _WAITING]
    turns = chain.from_iterable(zip_longest(waiting, working))
    items[:] = [item for path in turns if path is not None for item in files[path]]


class _ByFile(LoadFileScheduling):  # type: ignore[misc]
    """Files go to whichever process is free; those of browser tests, in turn, to as many as have a browser."""

    def __init__(self, *known: Any) -> None:
        super().__init__(*known)
        self._browser_files: dict[str, int] = {}

    def _split_scope(self, nodeid: str) -> str:
        file = str(super()._split_scope(nodeid))
        if not file.startswith("tests/browser/"):
            return file
        place = self._browser_files.setdefault(file, len(self._browser_files))
        return f"browser {place % _WITH_BROWSERS}"


@pytest.hookimpl(optionalhook=True)
def pytest_xdist_make_scheduler(config: pytest.Config, log: Any) -> LoadFileScheduling:
    return _ByFile(config, log)


def pytest_collection_finish() -> None:
    """Leave what is there by now alone, and look through the rest seldom: little of it is ever garbage in a ring."""
    gc.freeze()
    gc.set_threshold(20_000, 20, 20)
    gc.enable()


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
    """The statements sent to the database."""
    statements: list[str] = []

    def note(connection: Any, cursor: Any, statement: str, *rest: Any) -> None:
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


@pytest.fixture
def own_cache(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> Path:
    """A user's cache that this test alone fills."""
    monkeypatch.setenv("XDG_CACHE_HOME", str(tmp_path / "cache"))
    return tmp_path / "cache"
