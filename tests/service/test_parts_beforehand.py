"""Parts in sizes of everyone's own, made before a class begins, when there is nothing else to do."""

import time
from collections.abc import Callable, Iterator
from typing import Any

import pytest
from fastapi.testclient import TestClient
from sqlalchemy import select

from maqueta.phrases.phrase import phrase
from maqueta.service.queue.examining import JobTaker
from maqueta.service.queue.work_queue import AbandonedError, NotDoneError, Wanted
from maqueta.service.settings import Settings
from maqueta.service.shelf.kernel_work import PartWork
from maqueta.service.workers import KernelWorkers
from maqueta.store.accounts import add_account
from maqueta.store.clock import now
from maqueta.store.database import Database
from maqueta.store.files import FileStore
from maqueta.store.jobs import LOST_AFTER, MAKING_PARTS, add_job, claim_next
from maqueta.store.mariadb import MariaDB
from maqueta.store.models import Account, ExerciseRecord, JobRecord
from maqueta.store.shelf import students_without_part
from tests.databases import own_database
from tests.service.test_shelf import made_part, set_on
from tests.world import LogIn, Person

SIZES = [{"name": "w", "value": 80, "low": 60, "high": 90}]


@pytest.fixture
def exercise(instructor: Person, monkeypatch: pytest.MonkeyPatch, app: Any) -> Iterator[Callable[..., dict[str, Any]]]:
    """Set a plate in everyone's own width with parts made beforehand; out of the way afterwards."""
    made: list[dict[str, Any]] = []

    def set_one(**rest: Any) -> dict[str, Any]:
        part = made_part(instructor, f"Plate {len(made)}", width="w", sizes=SIZES)
        answer = set_on(instructor, part, varied=True, **rest)
        assert answer.status_code == 201, answer.text
        made.append(answer.json())
        return made[-1]

    monkeypatch.setattr(app.state.world.settings, "parts_beforehand", True)
    yield set_one
    for own in made:
        instructor.send("PUT", f"/api/exercises/{own['id']}/archived", json={"archived": True})


def jobs(database: Database, exercise: int) -> list[str]:
    with database.transaction() as session:
        query = select(JobRecord.state).where(JobRecord.kind == MAKING_PARTS, JobRecord.subject_id == exercise)
        return list(session.scalars(query))


def all_made(database: Database, exercise: int) -> None:
    for _ in range(1200):
        if jobs(database, exercise) == ["done"]:
            break
        time.sleep(0.1)
    assert jobs(database, exercise) == ["done"]
    with database.transaction() as session:
        assert students_without_part(session, exercise) == []


def test_nobody_waits_for_a_part_when_a_class_begins(
    exercise: Callable[..., dict[str, Any]],
    running: TestClient,
    database: Database,
    log_in: LogIn,
    monkeypatch: pytest.MonkeyPatch,
) -> None:
    own = exercise()
    running.app.state.world.queue.wake()  # type: ignore[attr-defined]
    all_made(database, own["id"])
    monkeypatch.setattr(KernelWorkers, "examine_now", lambda *_: PartWork(refused=phrase("result-not-valid")))
    models = {log_in(login).get(f"/api/exercises/{own['id']}")["model"] for login in ("rosa.quispe", "tor.brandvold")}
    assert len(models) == 2
    assert own["model"] not in models


def test_a_draft_is_made_when_it_is_given_out(
    exercise: Callable[..., dict[str, Any]], instructor: Person, database: Database
) -> None:
    own = exercise(draft=True)
    assert jobs(database, own["id"]) == []
    form = {key: own[key] for key in ("title", "task", "due_at", "opens_at", "closes_at")} | {"draft": False}
    answer = instructor.send("PUT", f"/api/exercises/{own['id']}", json=form)
    assert answer.status_code == 200, answer.text
    all_made(database, own["id"])
    again = instructor.send("PUT", f"/api/exercises/{own['id']}", json=form)
    assert again.status_code == 200
    assert jobs(database, own["id"]) == ["done"]


def test_parts_are_made_for_what_can_still_be_done_alone(
    exercise: Callable[..., dict[str, Any]], instructor: Person, database: Database
) -> None:
    def lack() -> bool:
        with database.transaction() as session:
            return bool(students_without_part(session, own["id"]))

    own = exercise(draft=True)
    assert not lack(), "a draft"
    with database.transaction() as session:
        record = session.get_one(ExerciseRecord, own["id"])
        record.set_at = now()
    assert lack()
    assert instructor.status("PUT", f"/api/exercises/{own['id']}/archived", json={"archived": True}) == 200
    assert not lack(), "out of the way"
    assert instructor.status("PUT", f"/api/exercises/{own['id']}/archived", json={"archived": False}) == 200
    assert lack()
    with database.transaction() as session:
        session.get_one(ExerciseRecord, own["id"]).closes_at = now()
    assert not lack(), "closed"


class Parts:
    """Students whose parts are to be made, and what comes in between."""

    def __init__(self, *students: int, between: Callable[[int], None] = lambda _: None) -> None:
        self.left, self.between, self.made = list(students), between, list[int]()

    def lacking(self, exercise_id: int) -> list[int]:
        return list(self.left)

    def make(self, exercise_id: int, student_id: int, wanted: Wanted) -> None:
        self.between(student_id)
        self.made.append(student_id)
        self.left.remove(student_id)

    def collect(self) -> int:
        return 0

    def slips(self, *_: Any) -> str | None:
        return None


class Sheets:
    """Notes which exercises are checked again, and how many parts are made by then."""

    def __init__(self, parts: Parts) -> None:
        self.parts, self.seen = parts, list[tuple[int, int]]()

    def stale(self, exercise_id: int) -> list[int]:
        self.seen.append((exercise_id, len(self.parts.made)))
        return []

    def again(self, sheet_id: int, wanted: Wanted) -> bool:
        raise AssertionError(sheet_id)


@pytest.fixture(scope="module")
def alone(database_server: MariaDB) -> Iterator[Database]:
    with own_database(database_server, "beforehand") as own:
        own.migrate()
        with own.transaction() as session:
            add_account(session, "i.one", "I One", "instructor", "")
        yield own


def asked(on: Database, kind: str, subject: int) -> int:
    with on.transaction() as session:
        return add_job(session, session.get_one(Account, 1), kind, subject).id


def state(on: Database, job: int) -> tuple[str, int]:
    with on.transaction() as session:
        found = session.get_one(JobRecord, job)
        return found.state, found.attempts


def taker(on: Database, settings: Settings, parts: Parts) -> tuple[JobTaker, Sheets]:
    sheets = Sheets(parts)
    return JobTaker(on, FileStore(settings.data / "files"), lambda *_: None, sheets, parts), sheets


def work_off(own: JobTaker) -> None:
    while own._next():
        pass


def test_jobs_somebody_waits_for_come_first(alone: Database, settings: Settings) -> None:
    """One that comes while parts are made is done before the next student's."""

    def between(student: int) -> None:
        if student == 2:
            asked(alone, "sheets", 8)

    parts = Parts(1, 2, 3, between=between)
    job = asked(alone, MAKING_PARTS, 5)
    asked(alone, "sheets", 7)
    own, sheets = taker(alone, settings, parts)
    work_off(own)
    assert parts.made == [1, 2, 3]
    assert sheets.seen == [(7, 0), (8, 2)]
    assert state(alone, job)[0] == "done"


def test_what_is_not_done_is_taken_up_again_and_what_is_not_wanted_is_given_back(
    alone: Database, settings: Settings
) -> None:
    trouble: list[Exception] = [NotDoneError("the crew is gone"), AbandonedError()]

    def between(student: int) -> None:
        if student == 2 and trouble:
            raise trouble.pop(0)

    parts = Parts(1, 2, between=between)
    job = asked(alone, MAKING_PARTS, 6)
    own, _ = taker(alone, settings, parts)
    with pytest.raises(NotDoneError):
        work_off(own)
    assert (parts.made, state(alone, job)) == ([1], ("running", 1))
    with alone.transaction() as session:
        session.get_one(JobRecord, job).seen_at = now() - 2 * LOST_AFTER
    assert own._next()
    assert (parts.made, state(alone, job)) == ([1], ("waiting", 1))
    work_off(own)
    assert (parts.made, state(alone, job)) == ([1, 2], ("done", 2))


def test_parts_that_are_never_made_are_given_up(alone: Database, settings: Settings) -> None:
    job = asked(alone, MAKING_PARTS, 6)
    with alone.transaction() as session:
        found = claim_next(session)
        assert found is not None
        found.attempts, found.seen_at = 3, now() - 2 * LOST_AFTER
    own, _ = taker(alone, settings, Parts(1))
    work_off(own)
    assert state(alone, job)[0] == "failed"
