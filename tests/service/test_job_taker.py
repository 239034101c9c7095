"""The thread that takes jobs up: whatever a job, the kernel or the database does to it, the next one is done."""

import threading
import time
from collections.abc import Callable, Iterator
from datetime import timedelta
from pathlib import Path
from typing import Any

import pytest
from sqlalchemy.exc import OperationalError

from maqueta.phrases.phrase import Phrase
from maqueta.phrases.said import said
from maqueta.service.queue import examining
from maqueta.service.queue.examining import JobTaker
from maqueta.service.queue.work_queue import QueueSilentError, Wanted
from maqueta.service.shelf.kernel_work import FoundAssembly, FoundPart, PartWork
from maqueta.solid.assembly import Assembly, PlacedPart
from maqueta.store.accounts import add_account
from maqueta.store.clock import now
from maqueta.store.database import Database
from maqueta.store.files import FileStore
from maqueta.store.jobs import EXAMINATION_STOPPED, LOST_AFTER, MOST_ATTEMPTS, add_job, cancel_job, claim_next
from maqueta.store.mariadb import MariaDB
from maqueta.store.models import Account, JobRecord, LabelRecord, VersionRecord
from maqueta.store.shelf import add_part
from tests.databases import own_database

READY = PartWork(name="Clamp", dossier=b"d", mesh=b"m", picture=b"p", facts={"natural_up": "+z"})
Examined = Callable[[Callable[[float, str], None], Callable[[], bool]], PartWork | None]


class Kernel:
    """Stands in for the kernel's processes: what becomes of each part is said beforehand."""

    def __init__(self, *outcomes: Examined) -> None:
        self._outcomes = list(outcomes)
        self.seen = 0

    def examine(self, _: Any, progress: Any, wanted: Any) -> PartWork | None:
        self.seen += 1
        return self._outcomes.pop(0)(progress, wanted)


class UntilStopped:
    """An examination that lasts as long as it is wanted."""

    def __init__(self) -> None:
        self.begun = threading.Event()

    def __call__(self, _: object, wanted: Callable[[], bool]) -> None:
        self.begun.set()
        while wanted():
            time.sleep(0.01)


class NoSheets:
    """No sheet has to be checked again."""

    def stale(self, exercise_id: int) -> list[int]:
        return []

    def again(self, sheet_id: int, wanted: Wanted) -> bool:
        raise AssertionError(sheet_id)


@pytest.fixture(scope="module")
def database(database_server: MariaDB) -> Iterator[Database]:
    with own_database(database_server, "taken") as own:
        own.migrate()
        with own.transaction() as session:
            add_account(session, "i.one", "I One", "instructor", "")
        yield own


@pytest.fixture
def run(database: Database, tmp_path: Path) -> Iterator[Callable[..., JobTaker]]:
    """Start taking jobs up with a kernel; all is ended at the end of the test."""
    started: list[JobTaker] = []

    def start(kernel: Kernel, on: Database = database) -> JobTaker:
        own = JobTaker(on, FileStore(tmp_path / "files"), kernel.examine, NoSheets())
        started.append(own)
        own.start()
        return own

    yield start
    for own in started:
        own.close()
    with database.transaction() as session:
        session.query(JobRecord).delete()


def brought_in(database: Database, files: Path) -> int:
    """A part that waits to be examined; its job's number."""
    with database.transaction() as session:
        owner = session.get(Account, 1)
        assert owner is not None
        part = add_part(session, owner, "clamp", "clamp.step", FileStore(files).put(b"a part"))
        return add_job(session, owner, "part", part.current.id).id


def _words(told: Phrase | None) -> str:
    return said(told) if told is not None else ""


def ended(database: Database, job: int, *states: str) -> tuple[str, str, str, str]:
    """A job's state and message, and those of its part, in words, once it is in one of some states."""
    for _ in range(400):
        with database.transaction() as session:
            found = session.get(JobRecord, job)
            assert found is not None
            version = session.get(VersionRecord, found.subject_id)
            assert version is not None
            if found.state in states:
                return found.state, _words(found.message), version.state, _words(version.error)
        time.sleep(0.05)
    raise AssertionError(f"job {job} never was {states}")


def test_an_examined_part_is_kept_and_named_as_its_file_says(run: Any, database: Database, tmp_path: Path) -> None:
    job = brought_in(database, tmp_path / "files")
    run(Kernel(lambda *_: READY))
    assert ended(database, job, "done") == ("done", "ready", "ready", "")
    with database.transaction() as session:
        version = session.get(VersionRecord, session.get(JobRecord, job).subject_id)  # type: ignore[union-attr]
        assert version is not None
        assert (version.part.name, version.natural_up) == ("Clamp", "+z")


def test_a_job_that_fails_as_nobody_thought_does_not_stop_the_others(
    run: Any, database: Database, tmp_path: Path
) -> None:
    def unthinkable(*_: Any) -> PartWork:
        raise ZeroDivisionError

    first, second = (brought_in(database, tmp_path / "files") for _ in range(2))
    own = run(Kernel(unthinkable, lambda *_: READY))
    assert ended(database, second, "done")[0] == "done"
    assert own.alive
    assert ended(database, first, "running")[0] == "running", "its lease runs out, then it is taken up again"


def test_an_assembly_whose_worker_is_killed_half_way_puts_its_parts_on_the_shelf_once(
    run: Any, database: Database, tmp_path: Path
) -> None:
    """Its parts are there, the whole is not: whoever takes the job up again finds an assembly of them."""
    placed = tuple(PlacedPart(id=key, name=key.title(), part=part) for key, part in (("base", "p0"), ("pin", "p1")))
    document = Assembly(name="Hinge on trial", components=placed).model_dump_json()
    found = FoundAssembly(document, (FoundPart("Base", b"one"), FoundPart("Pin", b"two")), {"read": []})

    def killed(*_: Any) -> PartWork:
        raise ZeroDivisionError

    job = brought_in(database, tmp_path / "files")
    own = run(Kernel(lambda *_: PartWork(assembly=found), killed, *6 * (lambda *_: READY,)))
    with database.transaction() as session:
        first = session.get(JobRecord, job)
        assert first is not None
        whole = first.subject_id

    def parts() -> list[int]:
        """The parts that came with it, and those it is put together from."""
        with database.transaction() as session:
            version = session.get(VersionRecord, whole)
            assert version is not None
            labelled = session.query(LabelRecord).filter(LabelRecord.label == "Hinge on trial").count()
            return [labelled, len(version.components)] if version.is_assembly else []

    for _ in range(400):
        if parts() == [2, 2]:
            break
        time.sleep(0.05)
    with database.transaction() as session:
        silent = session.get(JobRecord, job)
        assert silent is not None
        silent.seen_at = now() - LOST_AFTER - timedelta(seconds=1)
    own.wake()
    assert ended(database, job, "done")[2] == "ready"
    assert parts() == [2, 2]


def test_what_nobody_ever_finishes_is_given_up_in_the_end(run: Any, database: Database, tmp_path: Path) -> None:
    job = brought_in(database, tmp_path / "files")
    with database.transaction() as session:
        found = session.get(JobRecord, job)
        assert found is not None
        found.state, found.attempts = "running", MOST_ATTEMPTS
        found.seen_at = now() - LOST_AFTER - timedelta(seconds=1)
    kernel = Kernel()
    run(kernel)
    state, message, version, error = ended(database, job, "failed")
    assert (state, version, message) == ("failed", "refused", error)
    assert "never finished" in message
    assert kernel.seen == 0


def test_a_database_that_is_away_while_progress_is_noted_refuses_no_part(
    run: Any, database: Database, tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    def gone(*_: Any) -> None:
        raise OperationalError("UPDATE job", {}, Exception("away"))

    def examined(progress: Any, wanted: Any) -> PartWork:
        progress(0.5, "drawing")
        assert wanted(), "that nobody can be asked is no reason to stop"
        return READY

    monkeypatch.setattr(examining, "note_progress", gone)
    monkeypatch.setattr(examining, "sign_of_life", gone)
    monkeypatch.setattr(examining, "_SIGN_SECONDS", 0.0)
    job = brought_in(database, tmp_path / "files")
    run(Kernel(examined))
    assert ended(database, job, "done")[2] == "ready"


def test_jobs_go_on_when_the_database_is_back(run: Any, database: Database, tmp_path: Path, monkeypatch: Any) -> None:
    away = threading.Event()
    away.set()

    def claim(session: Any) -> Any:
        if away.is_set():
            raise OperationalError("SELECT", {}, Exception("away"))
        return claim_next(session)

    monkeypatch.setattr(examining, "claim_next", claim)
    job = brought_in(database, tmp_path / "files")
    own = run(Kernel(lambda *_: READY))
    time.sleep(0.2)
    assert own.alive
    away.clear()
    own.wake()
    assert ended(database, job, "done")[0] == "done"


def test_a_job_cancelled_at_work_stops_and_keeps_nothing(
    run: Any, database: Database, tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(examining, "_SIGN_SECONDS", 0.0)
    work = UntilStopped()
    job = brought_in(database, tmp_path / "files")
    later = brought_in(database, tmp_path / "files")
    run(Kernel(work, lambda *_: READY))
    assert work.begun.wait(20)
    with database.transaction() as session:
        owner = session.get(Account, 1)
        assert owner is not None
        assert cancel_job(session, owner, job).state == "cancelled"
    assert ended(database, later, "done")[0] == "done"
    assert ended(database, job, "cancelled")[2] == "waiting", "the route that cancels says what becomes of the part"


def test_a_result_that_comes_after_cancelling_is_not_kept(run: Any, database: Database, tmp_path: Path) -> None:
    job = brought_in(database, tmp_path / "files")

    def too_late(*_: Any) -> PartWork:
        with database.transaction() as session:
            owner = session.get(Account, 1)
            assert owner is not None
            cancelled = cancel_job(session, owner, job)
            version = session.get(VersionRecord, cancelled.subject_id)
            assert version is not None
            version.state, version.error = "refused", EXAMINATION_STOPPED
        return READY

    later = brought_in(database, tmp_path / "files")
    run(Kernel(too_late, lambda *_: READY))
    ended(database, later, "done")
    assert ended(database, job, "cancelled") == ("cancelled", "cancelled", "refused", said(EXAMINATION_STOPPED))


def test_what_is_at_work_when_the_server_ends_waits_for_the_next_one(
    run: Any, database: Database, tmp_path: Path
) -> None:
    work = UntilStopped()
    job = brought_in(database, tmp_path / "files")
    first = run(Kernel(work))
    assert work.begun.wait(20)
    first.close()
    assert not first.alive
    assert ended(database, job, "waiting")[2] == "waiting"
    run(Kernel(lambda *_: READY))
    assert ended(database, job, "done")[0] == "done"


def test_a_part_whose_file_is_away_is_examined_when_it_is_back(
    run: Any, database: Database, tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    def away(*_: Any) -> PartWork:
        raise QueueSilentError("the files are away")

    monkeypatch.setattr("maqueta.store.jobs.LOST_AFTER", timedelta(seconds=0))
    monkeypatch.setattr(examining, "_LOOK_SECONDS", 0.1)
    job = brought_in(database, tmp_path / "files")
    run(Kernel(away, lambda *_: READY))
    assert ended(database, job, "done", "failed") == ("done", "ready", "ready", "")
