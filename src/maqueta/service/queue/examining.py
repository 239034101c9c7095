"""Takes waiting jobs from the database, one after another, and has them done here."""

import logging
import threading
import time
from collections.abc import Callable
from contextlib import suppress
from pathlib import Path
from typing import Final

from sqlalchemy.exc import SQLAlchemyError

from maqueta.service.kernel_work import PartSource, PartWork
from maqueta.service.part_files import kept, source_of
from maqueta.service.queue.work_queue import NotDoneError, Wanted
from maqueta.store.database import Database
from maqueta.store.files import FileStore
from maqueta.store.jobs import MOST_ATTEMPTS, claim_next, give_up, note_progress, running_job, sign_of_life
from maqueta.store.models import VersionRecord
from maqueta.store.shelf import keep_examined

_LOG = logging.getLogger("maqueta.jobs")
#: How often is looked for jobs nobody told of, and how often a sign of life is given (seconds).
_LOOK_SECONDS, _SIGN_SECONDS = 5.0, 2.0
_TRIED: Final = "it was begun several times and never finished; try it again, or another file"


#: Told how far some work is (0 to 1), and what it is doing.
Progress = Callable[[float, str], None]
#: Examines a part; None when it was not wanted any more. Raises for nothing the file does: what raises is tried again.
Examine = Callable[[PartSource, Progress, Wanted], PartWork | None]


class JobTaker:
    """A thread that takes waiting jobs from the database and has parts examined.

    Several servers may do so on one database: a job belongs to whoever claimed it while signs of life arrive.
    """

    def __init__(self, database: Database, files: FileStore, examine: Examine) -> None:
        self._database = database
        self._files = files
        self._examine = examine
        self._signal = threading.Event()
        self._closing = threading.Event()
        self._thread = threading.Thread(target=self._run, name="jobs", daemon=True)

    def start(self) -> None:
        """Take up work, also what a killed server left behind."""
        self._thread.start()
        self.wake()

    def wake(self) -> None:
        """Look for waiting jobs now."""
        self._signal.set()

    @property
    def alive(self) -> bool:
        """Whether jobs are taken up."""
        return self._thread.is_alive()

    def close(self) -> None:
        """Finish; what runs is given back and taken up again at the next start, or by another server."""
        self._closing.set()
        self._signal.set()
        self._thread.join(3)

    def _run(self) -> None:
        while not self._closing.is_set():
            self._signal.wait(_LOOK_SECONDS)
            self._signal.clear()
            try:
                while not self._closing.is_set() and self._next():
                    pass
            except SQLAlchemyError:
                _LOG.warning("the database does not answer; jobs wait")
                self._closing.wait(1.0)
            except NotDoneError as error:
                _LOG.warning("a job was not done, and is taken up again soon: %s", error)
                self._closing.wait(1.0)
            except Exception:
                # Whatever it was, it is that job's; the others go on.
                _LOG.exception("a job failed in a way nobody thought of")
                self._closing.wait(1.0)

    def _next(self) -> bool:
        with self._database.transaction() as session:
            job = claim_next(session)
            if job is None:
                return False
            version = session.get(VersionRecord, job.subject_id)
            if version is None or job.attempts > MOST_ATTEMPTS:
                why = "the part is gone" if version is None else _TRIED
                job.state, job.message = "failed", why
                if version is not None:
                    version.state, version.error = "refused", why
                return True
            job.progress, job.message = 0.02, "reading the file"
            claim = _Claim(self._database, job.id, job.attempts, self._closing)
            version_id, source = version.id, source_of(self._files, version)
        work = self._examine(source, claim.progress, claim.wanted)
        if work is None:
            claim.give_up()
            return not self._closing.is_set()
        self._keep(claim, version_id, work)
        return True

    def _keep(self, claim: "_Claim", version_id: int, work: PartWork) -> None:
        columns = kept(self._files, work)
        with self._database.transaction() as session:
            job = running_job(session, claim.job_id, claim.attempt)
            version = session.get(VersionRecord, version_id)
            if job is None or version is None:
                return
            job.progress = 1.0
            keep_examined(version, columns)
            if work.refused is not None:
                job.state, job.message = "failed", work.refused
                return
            # A file's own name is better than the name it was sent under, a chosen name better than both.
            if version.number == 1 and version.part.name == Path(version.file_name).stem:
                version.part.name = work.name[:120] or version.part.name
            job.state, job.message = "done", "ready"


class _Claim:
    """A job that is worked on here: how it tells of itself, and whether it is still wanted."""

    def __init__(self, database: Database, job_id: int, attempt: int, closing: threading.Event) -> None:
        self.job_id, self.attempt = job_id, attempt
        self._database, self._closing = database, closing
        self._told_at = time.monotonic()

    def progress(self, share: float, doing: str) -> None:
        """Say how far the work is. That nobody can be told is no reason to stop."""
        with suppress(SQLAlchemyError), self._database.transaction() as session:
            note_progress(session, self.job_id, self.attempt, share, doing)

    def wanted(self) -> bool:
        """Whether the job is still to be done, and done here; tells of being alive now and then."""
        if self._closing.is_set():
            return False
        if time.monotonic() - self._told_at < _SIGN_SECONDS:
            return True
        self._told_at = time.monotonic()
        try:
            with self._database.transaction() as session:
                return sign_of_life(session, self.job_id, self.attempt)
        except SQLAlchemyError:
            return True

    def give_up(self) -> None:
        """Let somebody else do it, unless it was cancelled."""
        with suppress(SQLAlchemyError), self._database.transaction() as session:
            give_up(session, self.job_id, self.attempt)
