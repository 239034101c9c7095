"""Runs waiting jobs one after another beside the server."""

import logging
import threading
from pathlib import Path
from typing import Protocol

from sqlalchemy.exc import OperationalError

from maqueta.service.part_files import kept, source_of
from maqueta.service.workers import KernelWorkers
from maqueta.store.database import Database
from maqueta.store.files import FileStore
from maqueta.store.jobs import EXAMINATION_STOPPED, claim_next, note_progress, requeue_interrupted
from maqueta.store.models import JobRecord, VersionRecord
from maqueta.store.shelf import keep_examined

_LOG = logging.getLogger("maqueta.jobs")


class JobQueue(Protocol):
    """What the service needs of a queue; a distributed one can take over unchanged."""

    def wake(self) -> None:
        """Say that a job is waiting in the database."""

    def cancel(self, job_id: int) -> None:
        """Stop a job, if it runs."""


class LocalJobs:
    """A thread that takes waiting jobs from the database and gives them to the kernel processes."""

    def __init__(self, database: Database, files: FileStore, workers: KernelWorkers) -> None:
        self._database = database
        self._files = files
        self._workers = workers
        self._signal = threading.Event()
        self._closing = False
        self._thread = threading.Thread(target=self._run, name="jobs", daemon=True)

    def start(self) -> None:
        """Take up work, first what a restart interrupted."""
        with self._database.transaction() as session:
            requeue_interrupted(session)
        self._thread.start()
        self.wake()

    def wake(self) -> None:
        """Look for waiting jobs now."""
        self._signal.set()

    def cancel(self, job_id: int) -> None:
        """Stop a job, if it runs."""
        self._workers.cancel(job_id)

    def close(self) -> None:
        """Finish; what runs is taken up again at the next start."""
        self._closing = True
        self._signal.set()
        self._workers.close()
        self._thread.join(10)

    def _run(self) -> None:
        while not self._closing:
            self._signal.wait(5.0)
            self._signal.clear()
            try:
                while not self._closing and self._next():
                    pass
            except OperationalError:
                _LOG.warning("the database does not answer; jobs wait")
                threading.Event().wait(1.0)

    def _next(self) -> bool:
        with self._database.transaction() as session:
            job = claim_next(session)
            if job is None:
                return False
            job.progress, job.message = 0.02, "reading the file"
            version = session.get(VersionRecord, job.subject_id)
            assert version is not None, "a job of kind part names a version of a part"
            job_id, version_id, source = job.id, version.id, source_of(self._files, version)

        def progress(share: float, doing: str) -> None:
            with self._database.transaction() as session:
                note_progress(session, job_id, share, doing)

        work = self._workers.examine(job_id, source, progress)
        if self._closing:
            return False
        with self._database.transaction() as session:
            job, version = session.get(JobRecord, job_id), session.get(VersionRecord, version_id)
            assert job is not None
            assert version is not None
            job.progress = 1.0
            if work is None:
                job.state, job.message = "cancelled", "cancelled"
                version.state, version.error = "refused", EXAMINATION_STOPPED
                return True
            keep_examined(version, kept(self._files, work))
            if work.refused is not None:
                job.state, job.message = "failed", work.refused
            else:
                # A file's own name is better than the name it was sent under, a chosen name better than both.
                if version.number == 1 and version.part.name == Path(version.file_name).stem:
                    version.part.name = work.name[:120] or version.part.name
                job.state, job.message = "done", "ready"
        return True
