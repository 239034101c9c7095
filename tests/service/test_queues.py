"""Both queues alike, the one beside the server and the one that reaches workers by Redis: what is asked is done,
whoever dies; what nobody waits for stops; jobs in the database are taken up.
"""

import os
import signal
import threading
import time
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

import pytest
from pebble import ProcessExpired
from redis import Redis

from maqueta.demo.workshop import demo_recipe
from maqueta.service.queue import distributed
from maqueta.service.queue.celery_app import WORK, celery_app, crew_queue, wanted_key
from maqueta.service.queue.chosen import work_queue
from maqueta.service.queue.sealed import sealed
from maqueta.service.queue.work_queue import AbandonedError, BrokenCrewError, Piece, QueueSilentError, WorkQueue
from maqueta.service.settings import Settings
from maqueta.solid.errors import PartError
from maqueta.store.accounts import add_account
from maqueta.store.database import Database
from maqueta.store.files import FileStore, StoredFile
from maqueta.store.jobs import add_job
from maqueta.store.mariadb import MariaDB
from maqueta.store.models import Account, JobRecord
from maqueta.store.shelf import add_part
from tests.databases import own_database
from tests.queue_processes import redis_server, start_worker, wait_until_there, worker
from tests.service.works import (
    OnFile,
    contents,
    counts,
    dies,
    dies_once,
    gone,
    pid,
    piece,
    refuses,
    works_on,
    works_on_once,
)


@contextmanager
def _peopled(server: MariaDB, name: str) -> Iterator[Database]:
    with own_database(server, name) as own:
        own.migrate()
        with own.transaction() as session:
            add_account(session, "i.one", "I One", "instructor", "")
        yield own


@pytest.fixture(scope="module")
def database(database_server: MariaDB) -> Iterator[Database]:
    with _peopled(database_server, "queued") as own:
        yield own


@pytest.fixture(scope="module")
def data(tmp_path_factory: pytest.TempPathFactory) -> Path:
    return tmp_path_factory.mktemp("queued")


@pytest.fixture
def redis(tmp_path_factory: pytest.TempPathFactory) -> Iterator[str]:
    with redis_server(tmp_path_factory.mktemp("redis")) as url:
        yield url


@pytest.fixture(scope="module", params=["local", "distributed"])
def queue(
    request: pytest.FixtureRequest, database: Database, data: Path, tmp_path_factory: pytest.TempPathFactory
) -> Iterator[WorkQueue]:
    files = FileStore(data / "files")
    if request.param == "local":
        own = work_queue(Settings(data=data), database, files)
        own.start()
        yield own
        own.close()
        return
    # The worker reaches the files by a way of its own.
    elsewhere = data / "elsewhere"
    elsewhere.mkdir()
    (elsewhere / "files").symlink_to(data / "files")
    with redis_server(tmp_path_factory.mktemp("redis")) as url, worker(elsewhere, database.url, url):
        own = work_queue(Settings(data=data, queue_url=url), database, files)
        own.start()
        yield own
        own.close()


def test_work_is_done_with_its_files_in_another_process(queue: WorkQueue, data: Path) -> None:
    files = FileStore(data / "files")
    kept = StoredFile(files, files.put(b"warp"))
    assert queue.run(piece("desk", contents, OnFile(kept))) == b"warp"
    assert queue.run(piece("previews", pid)) != os.getpid()


def test_what_work_raises_arrives(queue: WorkQueue) -> None:
    with pytest.raises(PartError, match="it is too thin"):
        queue.run(piece("previews", refuses, "it is too thin"))


def test_work_over_which_a_process_was_killed_is_done_by_another(queue: WorkQueue, tmp_path: Path) -> None:
    assert queue.run(piece("desk", dies_once, str(tmp_path / "mark"))) == "done"


def test_work_that_kills_every_process_is_told_and_the_next_is_done(queue: WorkQueue) -> None:
    with pytest.raises(ProcessExpired):
        queue.run(piece("desk", dies))
    assert queue.run(piece("desk", pid))
    assert {crew.name: crew.sound for crew in queue.crews()} == dict.fromkeys(
        ("uploads", "previews", "readers", "desk"), True
    )


def test_work_nobody_waits_for_is_stopped_and_its_process_ended(queue: WorkQueue, tmp_path: Path) -> None:
    mark = tmp_path / "mark"
    with pytest.raises(AbandonedError):
        queue.run(piece("desk", works_on, str(mark), seconds=60), lambda: not mark.exists())
    assert gone(int(mark.read_text()))


def test_what_one_crew_has_to_do_keeps_no_other_waiting(queue: WorkQueue, tmp_path: Path) -> None:
    stop = threading.Event()

    def endless(mark: str) -> None:
        with pytest.raises(AbandonedError):
            queue.run(piece("desk", works_on, mark, seconds=60), lambda: not stop.is_set())

    busy = [threading.Thread(target=endless, args=(str(tmp_path / str(k)),)) for k in range(12)]
    for thread in busy:
        thread.start()
    while len(list(tmp_path.iterdir())) < 2:
        time.sleep(0.02)
    try:
        assert queue.run(piece("previews", pid, seconds=10))
        assert queue.run(piece("readers", pid, seconds=10))
    finally:
        stop.set()
        for thread in busy:
            thread.join(30)
    assert queue.run(piece("desk", pid))


def test_work_that_takes_too_long_is_stopped(queue: WorkQueue, tmp_path: Path) -> None:
    mark = tmp_path / "mark"
    with pytest.raises(TimeoutError):
        queue.run(piece("desk", works_on, str(mark), seconds=1))
    assert gone(int(mark.read_text()))


def _brought_in(database: Database, data: Path) -> int:
    source = FileStore(data / "files").put(demo_recipe("shuttle-rest").model_dump_json().encode())
    with database.transaction() as session:
        owner = session.query(Account).one()
        part = add_part(session, owner, "rest", "rest.json", source)
        return add_job(session, owner, "part", part.current.id).id


def _state(database: Database, job: int) -> str:
    with database.transaction() as session:
        return session.get_one(JobRecord, job).state


def _ended(database: Database, job: int) -> tuple[str, int]:
    for _ in range(600):
        with database.transaction() as session:
            found = session.get_one(JobRecord, job)
            if found.state not in ("waiting", "running"):
                return found.state, found.attempts
        time.sleep(0.1)
    raise AssertionError("the job never ended")


def test_jobs_are_taken_up(queue: WorkQueue, database: Database, data: Path) -> None:
    assert queue.alive
    job = _brought_in(database, data)
    queue.wake()
    assert _ended(database, job) == ("done", 1)


class Errand:
    """Work asked for by somebody who waits in a thread of their own."""

    def __init__(self, queue: WorkQueue, work: Piece[str]) -> None:
        self.outcome: list[str | Exception] = []
        self._thread = threading.Thread(target=self._run, args=(queue, work))
        self._thread.start()

    def _run(self, queue: WorkQueue, work: Piece[str]) -> None:
        try:
            self.outcome.append(queue.run(work))
        except Exception as error:
            self.outcome.append(error)

    def end(self) -> str | Exception:
        self._thread.join(60)
        return self.outcome[0]


@pytest.fixture
def alone(database: Database, data: Path, redis: str, monkeypatch: pytest.MonkeyPatch) -> Iterator[WorkQueue]:
    """A queue whose workers each test starts itself, however long a busy machine takes for that."""
    monkeypatch.setattr(distributed, "_BEGUN_SECONDS", 200.0)
    queue = work_queue(Settings(data=data, queue_url=redis), database, FileStore(data / "files"))
    yield queue
    queue.close()


def _there(mark: Path) -> int:
    """The process that works on something, once it does."""
    while not mark.exists():
        time.sleep(0.02)
    return int(mark.read_text())


def test_work_of_a_killed_worker_is_done_by_another(
    alone: WorkQueue, database: Database, data: Path, redis: str, tmp_path: Path
) -> None:
    first = start_worker(data, database.url, redis)
    wait_until_there(first, redis)
    errand = Errand(alone, piece("desk", works_on_once, str(tmp_path / "mark")))
    process = _there(tmp_path / "mark")
    first.send_signal(signal.SIGKILL)
    first.wait(10)
    assert gone(process), "its processes end with it"
    with worker(data, database.url, redis):
        assert errand.end() == "done"


def test_a_worker_that_stops_gives_its_work_back(
    alone: WorkQueue, database: Database, data: Path, redis: str, tmp_path: Path
) -> None:
    with worker(data, database.url, redis):
        errand = Errand(alone, piece("desk", works_on_once, str(tmp_path / "mark")))
        process = _there(tmp_path / "mark")
    assert gone(process)
    with worker(data, database.url, redis):
        assert errand.end() == "done"


def test_a_message_that_is_lost_is_sent_again_and_of_many_one_is_taken(
    alone: WorkQueue, database: Database, data: Path, redis: str, tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    # Sent again at every look.
    monkeypatch.setattr(distributed, "_AGAIN_SECONDS", 0.0)
    errand = Errand(alone, piece("desk", counts, str(tmp_path / "count")))
    client = Redis.from_url(redis)
    while client.lpop(crew_queue("desk")) is None:
        time.sleep(0.01)
    while int(client.llen(crew_queue("desk"))) < 5:
        time.sleep(0.01)
    with worker(data, database.url, redis):
        assert errand.end() == "1"
        time.sleep(1.0)
    assert (tmp_path / "count").read_text() == "1"


def test_work_over_which_workers_die_is_given_up_and_not_blamed(
    alone: WorkQueue, monkeypatch: pytest.MonkeyPatch
) -> None:
    asked = []

    def lost(*_: object) -> None:
        asked.append(1)
        raise distributed._LostError

    monkeypatch.setattr(distributed.DistributedQueue, "_once", lost)
    with pytest.raises(BrokenCrewError):
        alone.run(piece("desk", pid))
    assert len(asked) == 3


def test_who_has_the_queue_but_not_the_key_has_nothing_run(
    alone: WorkQueue, database: Database, data: Path, redis: str, tmp_path: Path
) -> None:
    forged = sealed(b"another key", piece("desk", works_on, str(tmp_path / "mark")))
    Redis.from_url(redis).set(wanted_key("forged"), "desk", px=60_000)
    for packet in (forged, "", "no seal"):
        celery_app(redis).send_task(WORK, ("forged", packet), queue=crew_queue("desk"))
    with worker(data, database.url, redis):
        assert alone.run(piece("desk", pid))
    assert not (tmp_path / "mark").exists()


def test_a_job_of_a_killed_worker_is_taken_up_by_another(database_server: MariaDB, redis: str, tmp_path: Path) -> None:
    with _peopled(database_server, "orphaned") as database:
        job = _brought_in(database, tmp_path)
        first = start_worker(tmp_path, database.url, redis)
        while _state(database, job) != "running":
            time.sleep(0.01)
        first.send_signal(signal.SIGKILL)
        first.wait(10)
        with worker(tmp_path, database.url, redis):
            assert _ended(database, job) == ("done", 2)


def test_without_redis_work_is_refused_and_jobs_are_kept(database: Database, data: Path, tmp_path: Path) -> None:
    with redis_server(tmp_path) as url:
        queue = work_queue(Settings(data=data, queue_url=url), database, FileStore(data / "files"))
    with pytest.raises(QueueSilentError):
        queue.run(piece("desk", pid))
    queue.wake()
    assert not queue.alive
    assert queue.crews() == []
    queue.close()
