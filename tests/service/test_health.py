"""Health and figures: true of what they stand on, and told to nobody else."""

from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient

from maqueta.demo.workshop import demo_recipe
from maqueta.service.app import create_app
from maqueta.service.settings import Settings
from maqueta.store.database import Database
from maqueta.store.mariadb import MariaDB


@pytest.fixture
def server(database_server: MariaDB, database: Database, tmp_path: Path) -> Iterator[tuple[TestClient, Any]]:
    """A server of its own on the shared database, whose world may be spoilt."""
    own = Database(database_server.url)
    app = create_app(Settings(data=tmp_path, metrics_token="a token"), own)
    with TestClient(app) as client:
        yield client, app.state.world


def test_a_well_service_says_so(server: tuple[TestClient, Any]) -> None:
    client, _ = server
    assert client.get("/healthz").json() == {"alive": True}
    answer = client.get("/readyz")
    assert answer.status_code == 200
    assert answer.json() == {
        "database": "answers",
        "jobs": "taken up",
        "crews": dict.fromkeys(("uploads", "previews", "readers", "desk"), "sound"),
    }


def test_without_its_database_it_is_alive_and_not_ready(server: tuple[TestClient, Any], tmp_path: Path) -> None:
    client, world = server
    world.database = Database(f"mysql+pymysql://nobody@localhost/x?unix_socket={tmp_path}/none")
    assert client.get("/healthz").status_code == 200
    answer = client.get("/readyz")
    assert (answer.status_code, answer.json()["database"]) == (503, "silent")


def test_with_a_queue_that_has_stopped_it_is_not_ready(server: tuple[TestClient, Any]) -> None:
    client, world = server
    world.queue.close()
    answer = client.get("/readyz")
    assert (answer.status_code, answer.json()["jobs"]) == (503, "stopped")
    assert set(answer.json()["crews"].values()) == {"broken"}


def figures(client: TestClient) -> dict[str, float]:
    answer = client.get("/metrics", headers={"authorization": "Bearer a token"})
    assert answer.status_code == 200
    assert answer.headers["content-type"].startswith("text/plain")
    pairs = [line.rpartition(" ") for line in answer.text.splitlines() if line and not line.startswith("#")]
    return {name: float(value) for name, _, value in pairs}


def test_figures_are_told_to_who_has_the_token_only(server: tuple[TestClient, Any], app: Any, running: Any) -> None:
    client, _ = server
    for header in ({}, {"authorization": "Bearer another"}, {"authorization": "a"}, {"authorization": "Bearer ä"}):
        assert client.get("/metrics", headers={k: v.encode() for k, v in header.items()}).status_code == 404
    assert figures(client)
    without = TestClient(app)
    assert without.get("/metrics", headers={"authorization": "Bearer None"}).status_code == 404


def test_figures_count_requests_and_tell_of_queue_crews_and_database(server: tuple[TestClient, Any]) -> None:
    client, world = server
    before = figures(client)
    for _ in range(3):
        client.get("/api/me")
    client.request("BREW", "/api/me")
    after = figures(client)
    refused = 'maqueta_requests_total{answer="4xx",method="GET"}'
    assert after[refused] - before.get(refused, 0.0) == 3
    assert after['maqueta_requests_total{answer="4xx",method="other"}'] >= 1
    assert after["maqueta_request_seconds_count"] > before["maqueta_request_seconds_count"]
    assert after["maqueta_database_answers"] == 1
    assert after['maqueta_jobs{state="waiting"}'] >= 0
    assert after['maqueta_crew_sound{crew="desk"}'] == 1
    assert after['maqueta_places{where="waiting"}'] == 0
    assert after["maqueta_streams"] == 0
    assert world.kernel.preview(demo_recipe("shuttle-rest")).fault is None
    assert figures(client)['maqueta_work_seconds_count{crew="previews",ended="well",work="preview"}'] >= 1
    world.queue.close()
    assert figures(client)['maqueta_crew_sound{crew="desk"}'] == 0
