"""Takes waiting jobs from the database, one after another, and has them done here."""

import logging
import threading
import time
from collections.abc import Callable
from contextlib import suppress
from functools import partial
from pathlib import Path
from typing import Final, Protocol

from sqlalchemy.exc import SQLAlchemyError
from sqlalchemy.orm import Session

from maqueta.phrases.phrase import Phrase, phrase
from maqueta.service.assemblies.documents import spread_out
from maqueta.service.marking.slips import WRITING_SLIPS, WRITING_SLIPS_OF_SET
from maqueta.service.queue.work_queue import AbandonedError, NotDoneError, Progress, Wanted
from maqueta.service.shelf.kernel_work import FoundAssembly, PartSource, PartWork
from maqueta.service.shelf.part_files import kept, source_of
from maqueta.store.database import Database
from maqueta.store.files import FileStore
from maqueta.store.jobs import (
    MAKING_PARTS,
    MOST_ATTEMPTS,
    claim_next,
    give_up,
    note_progress,
    others_wait,
    running_job,
    sign_of_life,
)
from maqueta.store.models import JobRecord, VersionRecord
from maqueta.store.sheets import CHECKING_AGAIN
from maqueta.store.shelf import keep_examined

_LOG = logging.getLogger("maqueta.jobs")
#: How often is looked for jobs nobody told of, and how often a sign of life is given (seconds).
_LOOK_SECONDS, _SIGN_SECONDS = 5.0, 2.0
_GIVEN_UP: Final = phrase("checking-never-ended")
_TRIED: Final = phrase("examination-never-ended")


#: Examines a part; None when it was not wanted any more. Raises for nothing the file does: what raises is tried again.
Examine = Callable[[PartSource, Progress, Wanted], PartWork | None]


class Recheck(Protocol):
    """Checks sheets again."""

    def stale(self, exercise_id: int) -> list[int]:
        """The sheets of an exercise that are to be checked again."""

    def again(self, sheet_id: int, wanted: Wanted) -> bool:
        """Check one sheet again; whether that could be done. Raises NotDoneError where it is to be tried later."""


class Beside(Protocol):
    """What is done beside the server."""

    def collect(self) -> int:
        """Hand in what is on the sheets of exercises that have closed; how many."""

    def slips(
        self, exercise_id: int, owner_id: int, progress: Progress, wanted: Wanted, of_set: bool = False
    ) -> str | None:
        """The name of a file with all slips of an exercise, or of its set; None where there are none. Raises
        AbandonedError.
        """

    def lacking(self, exercise_id: int) -> list[int]:
        """The students of an exercise whose parts in sizes of their own are yet to be made."""

    def make(self, exercise_id: int, student_id: int, wanted: Wanted) -> None:
        """Make the parts of one of them. Raises NotDoneError where it is to be tried later."""


class JobTaker:
    """A thread that takes waiting jobs from the database: has parts examined, and sheets checked again. Between them it
    has what is on the sheets of exercises that have closed collected.

    Several servers may do so on one database: a job belongs to whoever claimed it while signs of life arrive.
    """

    def __init__(
        self, database: Database, files: FileStore, examine: Examine, recheck: Recheck, beside: Beside | None = None
    ) -> None:
        self._database = database
        self._files = files
        self._examine = examine
        self._recheck = recheck
        self._beside = beside
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
                if self._beside is not None and not self._closing.is_set():
                    self._beside.collect()
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
        """Do the next job; whether there may be more."""
        with self._database.transaction() as session:
            job = claim_next(session)
            if job is None:
                return False
            claim = _Claim(self._database, job.id, job.attempts, self._closing)
            match job.kind:
                case kind if kind == CHECKING_AGAIN:
                    work = self._sheets_of(job, claim)
                case kind if kind in (WRITING_SLIPS, WRITING_SLIPS_OF_SET):
                    work = self._slips_of(job, claim)
                case kind if kind == MAKING_PARTS:
                    work = self._own_parts_of(job, claim)
                case _:
                    work = self._part_of(session, job, claim)
        return work() if work is not None else True

    def _sheets_of(self, job: JobRecord, claim: "_Claim") -> Callable[[], bool] | None:
        """The sheets a job is about; none where it was tried too often."""
        if job.attempts > MOST_ATTEMPTS:
            job.state, job.message = "failed", _GIVEN_UP
            return None
        exercise_id = job.subject_id
        return lambda: self._check_again(claim, exercise_id)

    def _part_of(self, session: Session, job: JobRecord, claim: "_Claim") -> Callable[[], bool] | None:
        """The part a job is about; none where it is gone, or was tried too often."""
        version = session.get(VersionRecord, job.subject_id)
        if version is None or job.attempts > MOST_ATTEMPTS:
            why = phrase("part-is-gone") if version is None else _TRIED
            job.state, job.message = "failed", why
            if version is not None:
                version.state, version.error = "refused", why
            return None
        job.progress, job.message = 0.02, phrase("reading-file")
        version_id, source = version.id, source_of(self._files, version)
        return lambda: self._examined(claim, version_id, source)

    def _check_again(self, claim: "_Claim", exercise_id: int) -> bool:
        """Check the sheets of an exercise again, each kept as soon as it is done."""
        stale = self._recheck.stale(exercise_id)
        left = 0
        for done, sheet in enumerate(stale):
            claim.progress(done / len(stale), phrase("checking-sheet-again", number=done + 1, of=len(stale)))
            try:
                left += not self._recheck.again(sheet, claim.wanted)
            except AbandonedError:
                claim.give_up()
                return not self._closing.is_set()
        with self._database.transaction() as session:
            job = running_job(session, claim.job_id, claim.attempt)
            if job is not None:
                job.state, job.progress = "done", 1.0
                job.message = phrase("sheets-checked-again", number=len(stale) - left, of=len(stale))
        return True

    def _slips_of(self, job: JobRecord, claim: "_Claim") -> Callable[[], bool] | None:
        """The slips a job is about; none where it was tried too often."""
        if job.attempts > MOST_ATTEMPTS or self._beside is None:
            job.state, job.message = "failed", _GIVEN_UP
            return None
        write = partial(self._beside.slips, job.subject_id, job.owner_id, of_set=job.kind == WRITING_SLIPS_OF_SET)
        return lambda: self._write_slips(claim, write)

    def _write_slips(self, claim: "_Claim", write: Callable[[Progress, Wanted], str | None]) -> bool:
        try:
            name = write(claim.progress, claim.wanted)
        except AbandonedError:
            claim.give_up()
            return not self._closing.is_set()
        with self._database.transaction() as session:
            job = running_job(session, claim.job_id, claim.attempt)
            if job is not None:
                job.state, job.progress, job.result = "done", 1.0, name
                job.message = phrase("slips-ready") if name is not None else phrase("slips-none")
        return True

    def _own_parts_of(self, job: JobRecord, claim: "_Claim") -> Callable[[], bool] | None:
        """The parts of students a job is about; none where it was tried too often."""
        if job.attempts > MOST_ATTEMPTS or self._beside is None:
            job.state, job.message = "failed", _GIVEN_UP
            return None
        beside, exercise_id = self._beside, job.subject_id
        return lambda: self._make_parts(beside, claim, exercise_id)

    def _make_parts(self, beside: Beside, claim: "_Claim", exercise_id: int) -> bool:
        """Make parts, one student's after another; other jobs that come in between are done first."""
        lacking = beside.lacking(exercise_id)
        for done, student in enumerate(lacking):
            claim.progress(done / len(lacking), phrase("making-own-parts", number=done + 1, of=len(lacking)))
            with self._database.transaction() as session:
                first = others_wait(session)
            try:
                if not first:
                    beside.make(exercise_id, student, claim.wanted)
            except AbandonedError:
                first = True
            if first:
                claim.give_up()
                return not self._closing.is_set()
        with self._database.transaction() as session:
            job = running_job(session, claim.job_id, claim.attempt)
            if job is not None:
                job.state, job.progress, job.message = "done", 1.0, phrase("own-parts-made")
        return True

    def _examined(self, claim: "_Claim", version_id: int, source: PartSource) -> bool:
        work = self._examine(source, claim.progress, claim.wanted)
        if work is not None and work.assembly is not None:
            # Its parts are on the shelf from here on: who takes the job up again finds an assembly of them.
            whole = self._spread(claim, version_id, work.assembly)
            work = self._examine(whole, claim.progress, claim.wanted) if whole is not None else None
        if work is None:
            claim.give_up()
            return not self._closing.is_set()
        self._keep(claim, version_id, work)
        return True

    def _spread(self, claim: "_Claim", version_id: int, found: FoundAssembly) -> PartSource | None:
        """Put the parts of an assembly on the shelf; where the assembly is to be read from then, None where it is not
        wanted any more.
        """
        with self._database.transaction() as session:
            job = running_job(session, claim.job_id, claim.attempt)
            version = session.get(VersionRecord, version_id)
            if job is None or version is None:
                return None
            if not version.is_assembly:
                spread_out(session, self._files, version, found)
            return source_of(self._files, version)

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
            job.state, job.message = "done", phrase("part-is-ready")


class _Claim:
    """A job that is worked on here: how it tells of itself, and whether it is still wanted."""

    def __init__(self, database: Database, job_id: int, attempt: int, closing: threading.Event) -> None:
        self.job_id, self.attempt = job_id, attempt
        self._database, self._closing = database, closing
        self._told_at = time.monotonic()

    def progress(self, share: float, doing: Phrase) -> None:
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
