"""Requests drawn from the OpenAPI document, as everybody: whatever is sent, the answer is never a failure of ours."""

import json
from collections.abc import Iterator
from functools import cache
from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from maqueta.service.app import create_app
from maqueta.service.settings import Settings
from maqueta.store.database import Database
from maqueta.store.mariadb import MariaDB
from tests.demo_world import PASSWORD, copied_demo_world
from tests.world import Person

_DOCUMENT = Path(__file__).parents[2] / "frontend" / "openapi.json"
#: These begin and end sessions, or wait for what may never come.
_SKIPPED = {"/api/log-in", "/api/log-out", "/api/jobs/{job_id}/events", "/api/me/password"}
#: Numbers of things there are, so that not everything ends at "no such thing".
_KNOWN = ("exercise_id", "sheet_id", "model_id", "part_id", "number", "job_id")


#: What the interface is made from; the lint holds it against the service.
PATHS: dict[str, dict[str, Any]] = json.loads(_DOCUMENT.read_text("utf-8"))["paths"]
OPERATIONS = [
    f"{method.upper()} {path}" for path, methods in PATHS.items() if path not in _SKIPPED for method in methods
]


@cache
def _operations() -> dict[str, Any]:
    # Loaded here, where it is needed: every process of a run looks through this file for its tests.
    import schemathesis

    results: Any = schemathesis.openapi.from_path(_DOCUMENT).get_all_operations()
    found = [result.ok() for result in results]
    return {operation.label: operation for operation in found}


def _sent(who: Person, case: Any, real: bool) -> Any:
    path = case.operation.path
    for name, value in (case.path_parameters or {}).items():
        # A name that would lead elsewhere is another address.
        # Nobody who is needed again loses their password here.
        value = 10**6 if name == "person" else value
        shown = "1" if real and name in _KNOWN else str(value).replace("/", "").replace("?", "").replace("#", "")
        path = path.replace(f"{{{name}}}", shown or "0")
    body = case.body if isinstance(case.body, dict | list | str | int | float | bool) else None
    query = {k: v for k, v in (case.query or {}).items() if isinstance(v, str | int | float | bool | list)}
    kind = {"json": body} if case.media_type in (None, "application/json") else {"data": _fields(body)}
    return who.send(case.method, path, params=query, **kind)


def _fields(body: Any) -> dict[str, str]:
    return {name: str(value) for name, value in body.items()} if isinstance(body, dict) else {}


@pytest.fixture(scope="module")
def people(tmp_path_factory: pytest.TempPathFactory) -> Iterator[list[Person]]:
    """A demo world of its own: what is left of it afterwards is no world for other tests."""
    chosen = Settings(
        data=copied_demo_world(tmp_path_factory, tmp_path_factory.mktemp("anything")), demo_password=PASSWORD
    )
    server = MariaDB(chosen.data / "mariadb")
    server.start()
    own = Database(server.url)
    app = create_app(chosen, own)
    with TestClient(app):
        logins = ("ines.corvalho", "kemi.oduya", "otto.brandt")
        yield [Person(TestClient(app, raise_server_exceptions=False), login) for login in logins]
    own.close()
    server.stop()


@pytest.mark.parametrize("operation", OPERATIONS)
def test_no_request_makes_the_service_fail(operation: str, people: list[Person]) -> None:
    strategy = _operations()[operation].as_strategy()

    @settings(max_examples=8, derandomize=True, deadline=None, database=None, suppress_health_check=list(HealthCheck))
    @given(data=st.data())
    def ask(data: Any) -> None:
        case = data.draw(strategy)
        who = data.draw(st.sampled_from(people))
        answer = _sent(who, case, data.draw(st.booleans()))
        # 503 says that somebody else has to answer first; anything else of that kind is ours.
        assert answer.status_code < 500 or answer.status_code == 503, answer.text
        if answer.status_code >= 400 and answer.headers.get("content-type") == "application/json":
            assert set(answer.json()) == {"message", "detail", "request"}

    ask()
