"""Jobs: work beside the server whose state outlives a restart."""

from typing import Literal

from sqlalchemy import select, update
from sqlalchemy.orm import Session

from maqueta.store.clock import now
from maqueta.store.errors import NotVisible
from maqueta.store.models import Account, JobRecord

JobState = Literal["waiting", "running", "done", "failed", "cancelled"]
FINISHED: tuple[JobState, ...] = ("done", "failed", "cancelled")
EXAMINATION_STOPPED = "the examination was stopped"


def add_job(session: Session, owner: Account, kind: str, subject_id: int) -> JobRecord:
    """A job that waits to be run."""
    job = JobRecord(
        owner_id=owner.id,
        kind=kind,
        subject_id=subject_id,
        state="waiting",
        progress=0.0,
        message="",
        created_at=now(),
    )
    session.add(job)
    session.flush()
    return job


def own_job(session: Session, owner: Account, job_id: int) -> JobRecord:
    """A job the account started. Raises NotVisible."""
    found = session.scalar(select(JobRecord).where(JobRecord.id == job_id, JobRecord.owner_id == owner.id))
    if found is None:
        raise NotVisible
    return found


def claim_next(session: Session) -> JobRecord | None:
    """Take the oldest waiting job and mark it running."""
    query = select(JobRecord).where(JobRecord.state == "waiting").order_by(JobRecord.id).limit(1)
    job = session.scalar(query.with_for_update(skip_locked=True))
    if job is not None:
        job.state = "running"
    return job


def note_progress(session: Session, job_id: int, share: float, doing: str) -> None:
    """Say how far a running job is, and what it is doing."""
    running = update(JobRecord).where(JobRecord.id == job_id, JobRecord.state == "running")
    session.execute(running.values(progress=share, message=doing))


def requeue_interrupted(session: Session) -> None:
    """After a restart: what was running waits again."""
    session.execute(update(JobRecord).where(JobRecord.state == "running").values(state="waiting", progress=0.0))
