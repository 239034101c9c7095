"""Watching and stopping work beside the server."""

from fastapi import APIRouter, HTTPException
from fastapi.concurrency import run_in_threadpool
from fastapi.responses import StreamingResponse

from maqueta.phrases.phrase import phrase
from maqueta.service.jobs.messages import JobAnswer
from maqueta.service.jobs.streams import job_form
from maqueta.service.language import speak
from maqueta.service.world import AnyAccount, InTransaction, InWorld
from maqueta.store.jobs import EXAMINATION_STOPPED, cancel_job, own_job
from maqueta.store.models import VersionRecord

router = APIRouter(prefix="/api/jobs")


@router.get("/{job_id}")
def state(job_id: int, account: AnyAccount, session: InTransaction) -> JobAnswer:
    """The state of a job."""
    return job_form(own_job(session, account, job_id))


@router.get("/{job_id}/events", response_class=StreamingResponse)
async def events(job_id: int, account: AnyAccount, session: InTransaction, world: InWorld) -> StreamingResponse:
    """Progress as server-sent events until the job has ended."""
    await run_in_threadpool(own_job, session, account, job_id)
    if not world.news.may_follow(account.id):
        raise HTTPException(429, phrase("too-many-followed"), {"retry-after": "2"})
    speak(account.language)
    return StreamingResponse(world.news.follow(account.id, job_id), media_type="text/event-stream")


@router.delete("/{job_id}")
def cancel(job_id: int, account: AnyAccount, session: InTransaction) -> JobAnswer:
    """Stop a job, whoever works on it. 409 says how one has ended that cannot be stopped any more."""
    job = cancel_job(session, account, job_id)
    if job.state != "cancelled":
        raise HTTPException(409, phrase("job-ended", reason=job.message or phrase("job-cancelled")))
    version = session.get(VersionRecord, job.subject_id)
    if job.kind == "part" and version is not None and version.state == "waiting":
        version.state, version.error = "refused", EXAMINATION_STOPPED
    return job_form(job)
