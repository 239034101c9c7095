"""The queue in the database: who claims, who is lost, who is told to stop. In a database without a service on it."""

from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor
from datetime import timedelta

import pytest
from sqlalchemy import make_url, text

from maqueta.phrases.phrase import phrase
from maqueta.store.accounts import add_account
from maqueta.store.clock import now
from maqueta.store.database import Database
from maqueta.store.errors import NotVisible
from maqueta.store.jobs import (
    LOST_AFTER,
    add_job,
    cancel_job,
    claim_next,
    give_up,
    note_progress,
    queue_counts,
    running_job,
    sign_of_life,
)
from maqueta.store.mariadb import MariaDB
from maqueta.store.models import Account, JobRecord


@pytest.fixture(scope="module")
def queue(database_server: MariaDB) -> Iterator[Database]:
    admin = Database(database_server.url)
    with admin.engine.begin() as connection:
        connection.execute(text("CREATE DATABASE queued CHARACTER SET utf8mb4"))
    own = Database(make_url(database_server.url).set(database="queued").render_as_string(hide_password=False))
    own.migrate()
    with own.transaction() as session:
        add_account(session, "i.one", "I One", "instructor", "")
        add_account(session, "i.two", "I Two", "instructor", "")
    yield own
    own.close()
    with admin.engine.begin() as connection:
        connection.execute(text("DROP DATABASE queued"))
    admin.close()


@pytest.fixture
def job(queue: Database) -> int:
    """A job that waits, alone in the queue."""
    with queue.transaction() as session:
        session.query(JobRecord).delete()
        owner = session.get(Account, 1)
        assert owner is not None
        return add_job(session, owner, "part", 7).id


def claimed(queue: Database) -> tuple[int, int] | None:
    with queue.transaction() as session:
        found = claim_next(session)
        return (found.id, found.attempts) if found is not None else None


def state(queue: Database, job: int) -> tuple[str, int, float]:
    with queue.transaction() as session:
        found = session.get(JobRecord, job)
        assert found is not None
        return found.state, found.attempts, found.progress


def lose(queue: Database, job: int) -> None:
    """As if whoever works on it had fallen silent some time ago."""
    with queue.transaction() as session:
        found = session.get(JobRecord, job)
        assert found is not None
        found.seen_at = now() - LOST_AFTER - timedelta(seconds=1)


def test_two_workers_never_hold_one_job(queue: Database, job: int) -> None:
    first = queue.session()
    held = claim_next(first)
    assert held is not None
    assert claimed(queue) is None, "a row that is being claimed is passed over, not waited for"
    first.commit()
    first.close()
    assert claimed(queue) is None, "what runs and shows signs of life is left alone"
    assert state(queue, job)[:2] == ("running", 1)


def test_a_job_whose_worker_is_silent_is_taken_over_and_the_first_one_is_told(queue: Database, job: int) -> None:
    assert claimed(queue) == (job, 1)
    lose(queue, job)
    assert claimed(queue) == (job, 2)
    with queue.transaction() as session:
        assert not sign_of_life(session, job, 1)
        assert sign_of_life(session, job, 2)
        assert running_job(session, job, 1) is None, "whoever was given up on writes no result"
        note_progress(session, job, 1, 0.9, phrase("reading-file"))
    assert state(queue, job)[2] == 0.0


def test_signs_of_life_keep_a_job(queue: Database, job: int) -> None:
    assert claimed(queue) == (job, 1)
    lose(queue, job)
    with queue.transaction() as session:
        assert sign_of_life(session, job, 1)
    assert claimed(queue) is None


def test_what_is_given_up_waits_again_without_counting_as_an_attempt(queue: Database, job: int) -> None:
    assert claimed(queue) == (job, 1)
    with queue.transaction() as session:
        note_progress(session, job, 1, 0.5, phrase("making-card-model"))
        give_up(session, job, 1)
    assert state(queue, job) == ("waiting", 0, 0.0)
    assert claimed(queue) == (job, 1)


def test_cancelling_is_true_at_once_and_only_for_its_owner(queue: Database, job: int) -> None:
    assert claimed(queue) == (job, 1)
    with queue.transaction() as session:
        stranger, owner = session.get(Account, 2), session.get(Account, 1)
        assert stranger is not None
        assert owner is not None
        with pytest.raises(NotVisible):
            cancel_job(session, stranger, job)
        assert cancel_job(session, owner, job).state == "cancelled"
    with queue.transaction() as session:
        assert not sign_of_life(session, job, 1), "whoever works on it stops"
        give_up(session, job, 1)
    assert state(queue, job)[0] == "cancelled", "what was cancelled does not come back"
    assert claimed(queue) is None


def test_what_waits_and_runs_is_counted(queue: Database, job: int) -> None:
    with queue.transaction() as session:
        assert queue_counts(session) == {"waiting": 1, "running": 0}
    claimed(queue)
    with queue.transaction() as session:
        assert queue_counts(session) == {"waiting": 0, "running": 1}


def test_whoever_stops_a_job_and_whoever_works_on_it_do_not_lock_each_other_out(queue: Database) -> None:
    """Many change states at once: no lock may be taken on the way to a job that another one needs to let it go."""

    def begun_and_stopped(_: int) -> str:
        with queue.transaction() as session:
            owner = session.get(Account, 1)
            assert owner is not None
            number = add_job(session, owner, "part", 7).id
        with queue.transaction() as session:
            owner = session.get(Account, 1)
            assert owner is not None
            return cancel_job(session, owner, number).state

    def worked_on(_: int) -> None:
        found = claimed(queue)
        if found is not None:
            for share in (0.2, 0.4, 0.6):
                with queue.transaction() as session:
                    note_progress(session, *found, share, phrase("reading-file"))
                with queue.transaction() as session:
                    sign_of_life(session, *found)

    with ThreadPoolExecutor(8) as threads:
        working = [threads.submit(worked_on, k) for k in range(120)]
        stopped = list(threads.map(begun_and_stopped, range(60)))
        for work in working:
            work.result()
    assert set(stopped) == {"cancelled"}
