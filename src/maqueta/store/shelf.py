"""Parts: an instructor's own, and for students those of exercises set to their classes."""

from sqlalchemy import select
from sqlalchemy.orm import Session

from maqueta.store.clock import now
from maqueta.store.errors import NotVisible
from maqueta.store.models import Account, Enrolment, ExerciseRecord, PartRecord


def add_part(session: Session, owner: Account, name: str, file_name: str, source: str) -> PartRecord:
    """A part whose file has arrived and waits to be examined."""
    part = PartRecord(
        owner_id=owner.id,
        name=name[:120],
        file_name=file_name[:200],
        state="waiting",
        error="",
        source=source,
        created_at=now(),
    )
    session.add(part)
    session.flush()
    return part


def parts_of(session: Session, owner: Account) -> list[PartRecord]:
    """An instructor's shelf, in the order the parts came."""
    return list(session.scalars(select(PartRecord).where(PartRecord.owner_id == owner.id).order_by(PartRecord.id)))


def own_part(session: Session, owner: Account, part_id: int) -> PartRecord:
    """A part of an instructor's shelf. Raises NotVisible."""
    found = session.scalar(select(PartRecord).where(PartRecord.id == part_id, PartRecord.owner_id == owner.id))
    if found is None:
        raise NotVisible
    return found


def visible_part(session: Session, account: Account, part_id: int) -> PartRecord:
    """A part on the account's shelf, or of an exercise of one of its classes. Raises NotVisible."""
    if account.role == "instructor":
        return own_part(session, account, part_id)
    query = (
        select(PartRecord)
        .join(ExerciseRecord, ExerciseRecord.part_id == PartRecord.id)
        .join(Enrolment, Enrolment.class_id == ExerciseRecord.class_id)
        .where(PartRecord.id == part_id, Enrolment.student_id == account.id)
        .limit(1)
    )
    found = session.scalar(query)
    if found is None:
        raise NotVisible
    return found
