"""Two servers on one database behave as one, with workers that both reach by Redis or with processes of their own."""

import json
import signal
import subprocess
from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor
from contextlib import contextmanager
from dataclasses import dataclass
from pathlib import Path
from typing import Any

import httpx
import pytest

from maqueta.demo.workshop import demo_recipe
from maqueta.store.database import Database
from maqueta.store.mariadb import MariaDB
from maqueta.store.models import Account, FindingRecord, SheetRecord
from tests.databases import own_database
from tests.demo_world import copied_demo_world
from tests.queue_processes import redis_server, worker
from tests.server_process import PASSWORD, free_port, start, wait_until


@dataclass
class Pair:
    """Two servers, each with a data folder of its own; database and files are shared."""

    ports: tuple[int, int]
    processes: tuple[subprocess.Popen[str], subprocess.Popen[str]]
    database: Database

    def person(self, login: str, at: int = 0) -> tuple[httpx.Client, httpx.Client]:
        """Somebody who has logged in at one server, at both of them with the same cookie."""
        ends = tuple(httpx.Client(base_url=f"http://127.0.0.1:{port}", timeout=60) for port in self.ports)
        answer = ends[at].post("/api/log-in", json={"login": login, "password": PASSWORD})
        assert answer.status_code == 200, answer.text
        for end in ends:
            end.cookies = ends[at].cookies
            end.headers["x-maqueta-token"] = answer.json()["token"]
        return ends[0], ends[1]


@contextmanager
def _peopled(run: pytest.TempPathFactory, folder: Path) -> Iterator[Database]:
    """A database with the demo world in it, and its files in the folder."""
    server = MariaDB(copied_demo_world(run, folder) / "mariadb")
    server.start()
    database = Database(server.url)
    yield database
    database.close()
    server.stop()


@pytest.fixture(scope="module", params=["processes of their own", "workers"])
def pair(
    request: pytest.FixtureRequest, database_server: MariaDB, tmp_path_factory: pytest.TempPathFactory
) -> Iterator[Pair]:
    folder = tmp_path_factory.mktemp("pair")
    ports = free_port(), free_port()
    workers = request.param == "workers"
    # Once both begin on an empty database in the same instant, once on one that knows the demo class already.
    begun = own_database(database_server, "pair") if workers else _peopled(tmp_path_factory, folder)
    with begun as database, redis_server(folder) as queue:
        shared = {"MAQUETA_DATABASE_URL": database.url, "MAQUETA_FILES_URL": str(folder / "files")}
        more = {**shared, "MAQUETA_QUEUE_URL": queue} if workers else shared
        first, second = (start(folder / str(port), port, True, **more) for port in ports)
        try:
            for port, process in zip(ports, (first, second), strict=True):
                wait_until(port, 401, process)
            pair = Pair(ports, (first, second), database)
            if workers:
                with worker(folder / "worker", database.url, queue, MAQUETA_FILES_URL=shared["MAQUETA_FILES_URL"]):
                    yield pair
            else:
                yield pair
        finally:
            for process in (first, second):
                process.send_signal(signal.SIGTERM)
                process.communicate(timeout=60)


def ended(client: httpx.Client, job: int) -> str:
    """The state in which a job's events end."""
    with client.stream("GET", f"/api/jobs/{job}/events") as events:
        lines = [line for line in events.iter_lines() if line.startswith("data: ")]
    return str(json.loads(lines[-1].removeprefix("data: "))["state"])


def recipe_file() -> dict[str, Any]:
    return {"file": ("rest.json", demo_recipe("shuttle-rest").model_dump_json().encode())}


def test_the_demo_class_is_loaded_once(pair: Pair) -> None:
    with pair.database.transaction() as session:
        assert session.query(Account).count() == 14


def test_who_logs_in_at_one_is_known_at_the_other_and_gone_from_both(pair: Pair) -> None:
    here, there = pair.person("ines.corvalho")
    assert there.get("/api/exercises").json() == here.get("/api/exercises").json()
    assert there.post("/api/log-out").status_code == 200
    assert here.get("/api/me").status_code == 401


def test_guesses_are_counted_together(pair: Pair) -> None:
    wrong = {"login": "tomas.brekke", "password": "a wrong guess"}
    log_ins = [f"http://127.0.0.1:{pair.ports[k % 2]}/api/log-in" for k in range(8)]
    codes = [httpx.post(log_in, json=wrong, timeout=60).status_code for log_in in log_ins]
    assert codes == [401] * 6 + [429] * 2


def test_a_part_brought_in_at_one_is_followed_and_seen_at_the_other(pair: Pair) -> None:
    here, there = pair.person("ines.corvalho")
    part = here.post("/api/parts", files=recipe_file()).json()
    assert ended(there, part["job"]) == "done"
    for end in (here, there):
        version = end.get(f"/api/parts/{part['id']}").json()["part"]
        assert version["state"] == "ready"
        assert end.get(f"/api/models/{version['model']}/picture").status_code == 200
        assert len(end.get(f"/api/models/{version['model']}").json()["sides"]) == 6


def test_a_job_is_cancelled_at_the_other(pair: Pair) -> None:
    here, there = pair.person("ines.corvalho")
    job = here.post("/api/parts", files=recipe_file()).json()["job"]
    answer = there.delete(f"/api/jobs/{job}")
    # It may have been quicker.
    wanted = {200: "cancelled", 409: "done"}[answer.status_code]
    assert ended(here, job) == wanted


def test_a_draft_kept_at_one_is_not_overwritten_at_the_other(pair: Pair) -> None:
    here, there = pair.person("iker.valtierra", at=1)
    draft = here.get("/api/exercises/1/sheet").json()
    body = {"document": draft["document"], "base": draft["revision"]}
    assert here.put("/api/exercises/1/sheet", json=body).status_code == 200
    answer = there.put("/api/exercises/1/sheet", json=body)
    assert (answer.status_code, answer.json()["detail"]["revision"]) == (409, draft["revision"] + 1)
    assert there.get("/api/exercises/1/sheet").json()["revision"] == draft["revision"] + 1


def test_a_sheet_handed_in_at_both_in_one_instant_is_checked_and_kept_once(pair: Pair) -> None:
    ends = pair.person("iker.valtierra")
    draft = ends[0].get("/api/exercises/1/sheet").json()
    body = {"document": draft["document"], "base": draft["revision"]}
    with ThreadPoolExecutor(2) as both:
        answers = list(both.map(lambda end: end.post("/api/exercises/1/sheet/hand-in", json=body), ends))
    assert [answer.status_code for answer in answers] == [200, 200]
    assert answers[0].json()["id"] == answers[1].json()["id"]
    assert {end.get("/api/exercises/1/sheet").json()["state"] for end in ends} == {"handed-in"}
    with pair.database.transaction() as session:
        sheet = session.get_one(SheetRecord, answers[0].json()["id"])
        places = [f.number for f in session.query(FindingRecord).filter(FindingRecord.sheet_id == sheet.id)]
        assert sorted(places) == list(range(len(places))), "found once"
        assert sheet.scope is not None


def test_both_say_that_they_are_well(pair: Pair) -> None:
    for port in pair.ports:
        answer = httpx.get(f"http://127.0.0.1:{port}/readyz", timeout=60)
        assert (answer.status_code, answer.json()["jobs"]) == (200, "taken up"), answer.text


def test_when_one_is_killed_the_other_goes_on_and_takes_up_its_work(pair: Pair) -> None:
    """Last, since one of the two is gone afterwards."""
    here, there = pair.person("ines.corvalho")
    jobs = [here.post("/api/parts", files=recipe_file()).json()["job"] for _ in range(3)]
    pair.processes[0].send_signal(signal.SIGKILL)
    pair.processes[0].wait(10)
    assert {ended(there, job) for job in jobs} == {"done"}
    assert there.get("/api/exercises").status_code == 200
