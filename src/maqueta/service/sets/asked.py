"""Exercises made of the sheets a set asks for."""

from collections.abc import Iterable, Sequence
from datetime import datetime
from typing import NamedTuple

from sqlalchemy.orm import Session

from maqueta.service.desk import DeskPlace
from maqueta.service.exercises.set_out import ready_to_set
from maqueta.service.sets.messages import NewSheet
from maqueta.store.exercises import add_exercise
from maqueta.store.models import Account, ExerciseRecord, SchoolClass, VersionRecord
from maqueta.store.shelf import own_part


class Terms(NamedTuple):
    """What goes for all sheets of a set: whom it is for, until when, and whether in sizes of everyone's own."""

    school_class: SchoolClass
    due_at: datetime
    opens_at: datetime | None
    closes_at: datetime | None
    varied: bool
    draft: bool


def asked_parts(
    at: DeskPlace, session: Session, instructor: Account, sheets: Iterable[NewSheet], varied: bool
) -> list[VersionRecord]:
    """The part of each sheet as it is on the shelf now. Raises HTTPException 422 where one cannot be set so."""
    found = []
    for own in sheets:
        version = own_part(session, instructor, own.part).current
        ready_to_set(at, version, own.task, varied)
        found.append(version)
    return found


def add_asked(
    session: Session, instructor: Account, versions: Sequence[VersionRecord], sheets: Sequence[NewSheet], terms: Terms
) -> list[ExerciseRecord]:
    """An exercise for each sheet, in no set yet."""
    records = []
    for version, own in zip(versions, sheets, strict=True):
        task = own.task.model_copy(update={"title": own.title}).model_dump(mode="json")
        record = add_exercise(
            session,
            instructor,
            version,
            terms.school_class,
            own.title,
            task,
            terms.due_at,
            terms.varied,
            not terms.draft,
        )
        record.opens_at, record.closes_at = terms.opens_at, terms.closes_at
        records.append(record)
    return records
