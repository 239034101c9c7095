"""Around every request: a number, careful headers, one line in the log, and an answer whatever happens inside."""

import json
import logging
from typing import Any

import pytest
from fastapi.testclient import TestClient
from starlette.responses import PlainTextResponse
from starlette.types import Receive, Scope, Send

from maqueta.service.envelope import NUMBER_HEADER, Envelope, asking, request_number
from maqueta.service.log_lines import LogLine


async def inside(scope: Scope, receive: Receive, send: Send) -> None:
    path = scope["path"]
    if path == "/api/fails":
        raise RuntimeError("secret words of the inside")
    if path == "/api/breaks-off":
        await send({"type": "http.response.start", "status": 200, "headers": []})
        raise RuntimeError("after it has begun")
    if path == "/api/known":
        who = asking.get()
        assert who is not None
        who.append(42)
    headers = {"cache-control": "private"} if path == "/api/own" else {}
    await PlainTextResponse(request_number.get(), headers=headers)(scope, receive, send)


@pytest.fixture
def counted() -> list[tuple[str, int]]:
    return []


@pytest.fixture
def client(counted: list[tuple[str, int]]) -> TestClient:
    app = Envelope(inside, lambda method, status, seconds: counted.append((method, status)))
    return TestClient(app, raise_server_exceptions=False)


def lines(caplog: pytest.LogCaptureFixture) -> list[dict[str, Any]]:
    return [json.loads(LogLine().format(record)) for record in caplog.records if record.name == "maqueta.requests"]


def test_every_request_has_a_number_of_its_own_which_the_inside_knows(client: TestClient) -> None:
    answers = [client.get("/api/plain") for _ in range(5)]
    assert len({answer.text for answer in answers}) == 5
    assert all(answer.headers[NUMBER_HEADER] == answer.text for answer in answers)


def test_a_failure_inside_is_one_sentence_with_the_number_and_the_careful_headers(
    client: TestClient, counted: list[tuple[str, int]], caplog: pytest.LogCaptureFixture
) -> None:
    with caplog.at_level(logging.INFO, "maqueta.requests"):
        answer = client.get("/api/fails")
    assert (answer.status_code, counted) == (500, [("GET", 500)])
    assert answer.json()["request"] == answer.headers[NUMBER_HEADER]
    assert answer.json()["request"] in answer.json()["message"]
    assert "secret" not in answer.text
    assert answer.headers["x-content-type-options"] == "nosniff"
    assert "default-src 'self'" in answer.headers["content-security-policy"]
    failed, answered = lines(caplog)
    assert "secret words of the inside" in failed["trace"]
    assert failed["request"] == answered["request"] == answer.json()["request"]


def test_an_answer_that_breaks_off_is_logged_and_not_begun_again(
    client: TestClient, caplog: pytest.LogCaptureFixture
) -> None:
    with caplog.at_level(logging.INFO, "maqueta.requests"):
        client.get("/api/breaks-off")
    assert [line["what"] for line in lines(caplog)] == ["failed", "answered"]


def test_the_log_says_who_and_what_and_no_secrets(client: TestClient, caplog: pytest.LogCaptureFixture) -> None:
    with caplog.at_level(logging.INFO, "maqueta.requests"):
        client.post("/api/known?token=secret", content=b"password=secret", headers={"cookie": "maqueta=secret"})
        client.get("/" + "x" * 5000)
    first, second = lines(caplog)
    assert (first["person"], first["method"], first["path"], first["status"]) == (42, "POST", "/api/known", 200)
    assert first["ms"] >= 0
    assert "secret" not in json.dumps([first, second])
    assert len(second["path"]) == 200


def test_what_an_answer_says_of_itself_stands(client: TestClient) -> None:
    assert client.get("/api/own").headers["cache-control"] == "private"
    assert client.get("/api/plain").headers["cache-control"] == "no-store"
    assert "immutable" in client.get("/assets/app-1a2b.js").headers["cache-control"]
    assert "cache-control" not in client.get("/").headers
