"""Watching and stopping work beside the server."""

import json
import time
from collections.abc import Iterator

from fastapi import APIRouter
from fastapi.responses import StreamingResponse

from maqueta.service.forms import JobForm
from maqueta.service.world import AnyAccount, InTransaction, InWorld, World
from maqueta.store.jobs import EXAMINATION_STOPPED, FINISHED, own_job
from maqueta.store.models import Account, JobRecord, VersionRecord

router = APIRouter(prefix="/api/jobs")
_STEP_SECONDS = 0.3
_LONGEST_SECONDS = 600.0


def _form(job: JobRecord) -> JobForm:
    return JobForm(id=job.id, state=job.state, progress=job.progress, message=job.message)  # type: ignore[arg-type]


@router.get("/{job_id}")
def state(job_id: int, account: AnyAccount, session: InTransaction) -> JobForm:
    """The state of a job."""
    return _form(own_job(session, account, job_id))


@router.get("/{job_id}/events", response_class=StreamingResponse)
def events(job_id: int, account: AnyAccount, session: InTransaction, world: InWorld) -> StreamingResponse:
    """Progress as server-sent events until the job has ended."""
    own_job(session, account, job_id)
    return StreamingResponse(_follow(world, account, job_id), media_type="text/event-stream")


def _follow(world: World, account: Account, job_id: int) -> Iterator[str]:
    deadline = time.monotonic() + _LONGEST_SECONDS
    last = ""
    while time.monotonic() < deadline:
        with world.database.transaction() as session:
            form = _form(own_job(session, account, job_id))
        text = json.dumps(form.model_dump())
        if text != last:
            yield f"data: {text}\n\n"
            last = text
        if form.state in FINISHED:
            return
        time.sleep(_STEP_SECONDS)


@router.delete("/{job_id}")
def cancel(job_id: int, account: AnyAccount, session: InTransaction, world: InWorld) -> JobForm:
    """Stop a job; one that has ended stays as it is."""
    job = own_job(session, account, job_id)
    if job.state == "waiting":
        job.state, job.message = "cancelled", "cancelled"
        version = session.get(VersionRecord, job.subject_id)
        if job.kind == "part" and version is not None:
            version.state, version.error = "refused", EXAMINATION_STOPPED
    elif job.state == "running":
        world.jobs.cancel(job_id)
    return _form(job)
