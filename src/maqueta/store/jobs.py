"""Jobs: work beside the server whose state outlives a restart."""

from collections.abc import Sequence
from datetime import timedelta
from typing import Final, Literal

from sqlalchemy import and_, func, or_, select
from sqlalchemy.orm import Session

from maqueta.phrases.phrase import Phrase, phrase
from maqueta.store.clock import now
from maqueta.store.database import locked
from maqueta.store.errors import NotVisible
from maqueta.store.models import Account, JobRecord

JobState = Literal["waiting", "running", "done", "failed", "cancelled"]
FINISHED: tuple[JobState, ...] = ("done", "failed", "cancelled")
#: After so long without a sign of life somebody else takes a job; three who try are enough.
LOST_AFTER = timedelta(seconds=15)
MOST_ATTEMPTS = 3
#: So many of the oldest free jobs are looked at; others may be taking some of them just now.
_LOOKED_AT = 8
#: The kind of a job that makes the parts of everyone in a class. Nobody waits for those: others come first.
MAKING_PARTS: Final = "own parts"
EXAMINATION_STOPPED: Final = phrase("examination-stopped")


def add_job(session: Session, owner: Account, kind: str, subject_id: int) -> JobRecord:
    """A job that waits to be run."""
    job = JobRecord(
        owner_id=owner.id,
        kind=kind,
        subject_id=subject_id,
        state="waiting",
        progress=0.0,
        message=None,
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


def jobs_of(session: Session, numbers: Sequence[int]) -> list[JobRecord]:
    """Jobs by their numbers, for whoever has shown that they are the owner's."""
    return list(session.scalars(select(JobRecord).where(JobRecord.id.in_(numbers))))


def claim_next(session: Session) -> JobRecord | None:
    """Take the oldest waiting job, or one whose worker gave no sign of life for too long, and mark it running; those
    nobody waits for last.
    """
    silent = or_(JobRecord.seen_at.is_(None), JobRecord.seen_at < now() - LOST_AFTER)
    lost = and_(JobRecord.state == "running", silent)
    free = or_(JobRecord.state == "waiting", lost)
    # Locked by its number alone: a lock taken on the way through the index of states meets whoever changes the state
    # of a locked job half way, and neither gets on (MariaDB, 1213).
    for number in session.scalars(
        select(JobRecord.id).where(free).order_by(JobRecord.kind == MAKING_PARTS, JobRecord.id).limit(_LOOKED_AT)
    ).all():
        job = _locked(session, number, skip_locked=True)
        if job is not None and _is_free(job):
            job.state, job.seen_at = "running", now()
            job.attempts += 1
            return job
    return None


def others_wait(session: Session) -> bool:
    """Whether there are jobs that come before those nobody waits for."""
    query = select(JobRecord.id).where(JobRecord.state == "waiting", JobRecord.kind != MAKING_PARTS)
    return session.scalar(query.limit(1)) is not None


def _is_free(job: JobRecord) -> bool:
    silent = job.seen_at is None or job.seen_at < now() - LOST_AFTER
    return job.state == "waiting" or (job.state == "running" and silent)


def _locked(session: Session, job_id: int, *, skip_locked: bool = False) -> JobRecord | None:
    return session.scalar(locked(select(JobRecord).where(JobRecord.id == job_id), skip_locked=skip_locked))


def running_job(session: Session, job_id: int, attempt: int) -> JobRecord | None:
    """A job, locked, if it still runs in this attempt: neither cancelled nor taken over by another worker."""
    job = _locked(session, job_id)
    return job if job is not None and (job.state, job.attempts) == ("running", attempt) else None


def cancel_job(session: Session, owner: Account, job_id: int) -> JobRecord:
    """Cancel a job of one's own for good, whoever works on it. One that has ended stays as it is. Raises NotVisible."""
    job = _locked(session, own_job(session, owner, job_id).id)
    if job is None:
        raise NotVisible
    if job.state not in FINISHED:
        job.state, job.message = "cancelled", phrase("job-cancelled")
    return job


def sign_of_life(session: Session, job_id: int, attempt: int) -> bool:
    """Tell that a job is still worked on; whether it is still wanted."""
    job = running_job(session, job_id, attempt)
    if job is not None:
        job.seen_at = now()
    return job is not None


def note_progress(session: Session, job_id: int, attempt: int, share: float, doing: Phrase) -> None:
    """Say how far a running job is, and what it is doing."""
    job = running_job(session, job_id, attempt)
    if job is not None:
        job.progress, job.message, job.seen_at = share, doing, now()


def give_up(session: Session, job_id: int, attempt: int) -> None:
    """Let another worker take a job: this one stops."""
    job = running_job(session, job_id, attempt)
    if job is not None:
        job.state, job.progress = "waiting", 0.0
        job.attempts -= 1


def queue_counts(session: Session) -> dict[str, int]:
    """How many jobs wait and run."""
    query = select(JobRecord.state, func.count()).where(JobRecord.state.in_(("waiting", "running")))
    counts = dict(session.execute(query.group_by(JobRecord.state)).tuples().all())
    return {"waiting": counts.get("waiting", 0), "running": counts.get("running", 0)}
