"""Progress of jobs as server-sent events: however many follow, one question to the database at a time for all."""

import asyncio
import json
import time
from collections import Counter
from collections.abc import AsyncIterator
from typing import Final

from fastapi.concurrency import run_in_threadpool
from sqlalchemy.exc import SQLAlchemyError

from maqueta.service.admission import Admission
from maqueta.service.jobs.messages import JobAnswer
from maqueta.store.database import Database
from maqueta.store.jobs import FINISHED, jobs_of
from maqueta.store.models import JobRecord

#: Streams one person may hold open; a browser opens one for each upload under way.
MOST_STREAMS: Final = 8
_STEP_SECONDS: Final = 0.3
_LONGEST_SECONDS: Final = 600.0


def job_form(job: JobRecord) -> JobAnswer:
    """A job as its owner sees it."""
    return JobAnswer(id=job.id, state=job.state, progress=job.progress, message=job.message)  # type: ignore[arg-type]


class JobNews:
    """The states of all jobs that somebody follows, read together at most a few times a second."""

    def __init__(self, database: Database, admission: Admission) -> None:
        self._database, self._admission = database, admission
        self._followed: Counter[int] = Counter()
        self._streams: Counter[int] = Counter()
        self._states: dict[int, JobAnswer] = {}
        self._read_at = 0.0
        self._reading = False

    def may_follow(self, person: int) -> bool:
        """Whether a person may open one more stream."""
        return self._streams[person] < MOST_STREAMS

    @property
    def streams(self) -> int:
        """Streams open just now."""
        return self._streams.total()

    async def follow(self, person: int, job_id: int) -> AsyncIterator[str]:
        """Events of one job until it has ended; none for who holds as many streams as may be, opened at one moment."""
        if not self.may_follow(person):
            return
        self._followed[job_id] += 1
        self._streams[person] += 1
        try:
            async for event in self._events(job_id):
                yield event
        finally:
            for counts, key in ((self._followed, job_id), (self._streams, person)):
                counts[key] -= 1
                if not counts[key]:
                    del counts[key]
            if not self._followed[job_id]:
                self._states.pop(job_id, None)

    async def _events(self, job_id: int) -> AsyncIterator[str]:
        deadline = time.monotonic() + _LONGEST_SECONDS
        last = ""
        while time.monotonic() < deadline:
            await self._refresh(job_id)
            form = self._states.get(job_id)
            if form is not None:
                text = json.dumps(form.model_dump())
                if text != last:
                    yield f"data: {text}\n\n"
                    last = text
                if form.state in FINISHED:
                    return
            await asyncio.sleep(_STEP_SECONDS)

    async def _refresh(self, job_id: int) -> None:
        due = time.monotonic() - self._read_at >= _STEP_SECONDS or job_id not in self._states
        if self._reading or not due:
            return
        self._reading = True
        try:
            async with self._admission.place():
                self._states.update(await run_in_threadpool(self._read, list(self._followed)))
        except SQLAlchemyError:
            # The next look is soon; whoever follows misses nothing.
            pass
        finally:
            self._reading, self._read_at = False, time.monotonic()

    def _read(self, followed: list[int]) -> dict[int, JobAnswer]:
        with self._database.transaction() as session:
            return {job.id: job_form(job) for job in jobs_of(session, followed)}
