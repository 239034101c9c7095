"""Exercises: who sees them and when, how they are marked, their model answers."""

from collections import Counter
from collections.abc import Mapping, Sequence
from datetime import datetime, timedelta
from typing import Any

from sqlalchemy import ColumnElement, Select, and_, func, or_, select
from sqlalchemy.orm import Session, joinedload

from maqueta.store.classes import taught
from maqueta.store.clock import now
from maqueta.store.database import locked
from maqueta.store.errors import NotVisible
from maqueta.store.models import (
    Account,
    Enrolment,
    ExerciseRecord,
    ModelAnswerRecord,
    MoreTime,
    PartRecord,
    SchoolClass,
    SheetRecord,
    VersionRecord,
)
from maqueta.store.revisions import keep_revision


def add_exercise(
    session: Session,
    instructor: Account,
    version: VersionRecord,
    school_class: SchoolClass,
    title: str,
    task: Mapping[str, Any],
    due_at: datetime,
    varied: bool = False,
    is_set: bool = True,
) -> ExerciseRecord:
    """A new exercise for a class, on one version of a part; unless it `is_set`, only its instructors see it."""
    record = ExerciseRecord(
        version_id=version.id,
        varied=varied,
        class_id=school_class.id,
        instructor_id=instructor.id,
        title=title,
        task=dict(task),
        due_at=due_at,
        set_at=now() if is_set else None,
        created_at=now(),
    )
    session.add(record)
    session.flush()
    return record


def shown_to(student: Account) -> ColumnElement[bool]:
    """Whether an exercise is shown to a student: set to a class of theirs, and open."""
    own = select(Enrolment.class_id).where(Enrolment.student_id == student.id)
    opened = or_(ExerciseRecord.opens_at.is_(None), ExerciseRecord.opens_at <= now())
    return and_(ExerciseRecord.class_id.in_(own), ExerciseRecord.set_at.is_not(None), opened)


def copy_exercise(
    session: Session,
    instructor: Account,
    exercise: ExerciseRecord,
    school_class: SchoolClass,
    title: str,
    due_at: datetime,
) -> ExerciseRecord:
    """A copy of an exercise for a class, as a draft in no set, on the newest version of its part if not varied."""
    version = exercise.version if exercise.varied else exercise.version.part.current
    task = exercise.task | {"title": title}
    return add_exercise(session, instructor, version, school_class, title, task, due_at, exercise.varied, is_set=False)


def exercises_seen_by(account: Account) -> Select[ExerciseRecord]:
    """The exercises somebody teaches, or has to do."""
    query = select(ExerciseRecord)
    if account.role == "instructor":
        return query.where(ExerciseRecord.class_id.in_(taught(account)))
    return query.where(shown_to(account))


def exercises_for(session: Session, account: Account, archived: bool = False) -> list[ExerciseRecord]:
    """The exercises of an instructor's classes, or those a student has to do; the next due first."""
    part = joinedload(ExerciseRecord.version).joinedload(VersionRecord.part)
    shown = (part.lazyload(PartRecord.current), part.lazyload(PartRecord.labels))
    own = (joinedload(ExerciseRecord.school_class), joinedload(ExerciseRecord.sheet_set))
    query = exercises_seen_by(account).options(*shown, *own)
    away = ExerciseRecord.archived_at
    query = query.where(away.is_not(None) if archived else away.is_(None))
    return list(session.scalars(query.order_by(ExerciseRecord.due_at)))


def exercise_for(session: Session, account: Account, exercise_id: int) -> ExerciseRecord:
    """One exercise, if the account teaches its class or is to do it. Raises NotVisible."""
    # Drafts are kept every few seconds: what a request does not look at is not read.
    query = exercises_seen_by(account).options(joinedload(ExerciseRecord.version))
    found = session.scalar(query.where(ExerciseRecord.id == exercise_id))
    if found is None:
        raise NotVisible
    return found


def news_of(session: Session, instructor: Account, exercise_id: int) -> int:
    """The number that grows with every change on the wall of an exercise. Raises NotVisible.

    Every wall asks for it again and again: nothing else is read.
    """
    query = select(ExerciseRecord.news).where(
        ExerciseRecord.id == exercise_id, ExerciseRecord.class_id.in_(taught(instructor))
    )
    found = session.scalar(query)
    if found is None:
        raise NotVisible
    return found


def exercises_of_class(session: Session, school_class: SchoolClass) -> list[ExerciseRecord]:
    """The exercises set to a class, archived ones too, the first due first."""
    query = select(ExerciseRecord).where(ExerciseRecord.class_id == school_class.id, ExerciseRecord.set_at.is_not(None))
    query = query.options(joinedload(ExerciseRecord.version), joinedload(ExerciseRecord.school_class))
    return list(session.scalars(query.order_by(ExerciseRecord.due_at, ExerciseRecord.id)))


def sheet_counts(session: Session, exercises: Sequence[ExerciseRecord]) -> dict[int, Counter[str]]:
    """How many sheets of each exercise are in each state, of each student the last one, by the exercise's number."""
    counts: dict[int, Counter[str]] = {exercise.id: Counter() for exercise in exercises}
    last = (
        select(SheetRecord.exercise_id, SheetRecord.student_id, func.max(SheetRecord.attempt).label("attempt"))
        .where(SheetRecord.exercise_id.in_(counts))
        .group_by(SheetRecord.exercise_id, SheetRecord.student_id)
        .subquery()
    )
    same = (
        SheetRecord.exercise_id == last.c.exercise_id,
        SheetRecord.student_id == last.c.student_id,
        SheetRecord.attempt == last.c.attempt,
    )
    query = select(SheetRecord.exercise_id, SheetRecord.state, func.count()).join(last, and_(*same))
    query = query.group_by(SheetRecord.exercise_id, SheetRecord.state)
    for exercise_id, state, number in session.execute(query).tuples():
        counts[exercise_id][state] = number
    return counts


def more_time(session: Session, exercise: ExerciseRecord) -> dict[int, timedelta]:
    """Who has more time for an exercise, and how much."""
    query = select(MoreTime.student_id, MoreTime.minutes).where(MoreTime.exercise_id == exercise.id)
    return {student: timedelta(minutes=minutes) for student, minutes in session.execute(query).tuples()}


def own_more_time(session: Session, student_id: int) -> dict[int, timedelta]:
    """For which exercises a student has more time than the others, and how much."""
    query = select(MoreTime.exercise_id, MoreTime.minutes).where(MoreTime.student_id == student_id)
    return {exercise: timedelta(minutes=minutes) for exercise, minutes in session.execute(query).tuples()}


def give_more_time(session: Session, exercise: ExerciseRecord, student_id: int, minutes: int) -> None:
    """Give a student so many minutes more; none takes it back."""
    found = session.get(MoreTime, (exercise.id, student_id))
    if found is not None and not minutes:
        session.delete(found)
    elif found is not None:
        found.minutes = minutes
    elif minutes:
        session.add(MoreTime(exercise_id=exercise.id, student_id=student_id, minutes=minutes))
    session.flush()


def extra_time(session: Session, exercise: ExerciseRecord, student_id: int) -> timedelta:
    """How much longer than the others a student has."""
    query = select(MoreTime.minutes).where(MoreTime.exercise_id == exercise.id, MoreTime.student_id == student_id)
    return timedelta(minutes=session.scalar(query) or 0)


def model_answer(session: Session, exercise: ExerciseRecord, lock: bool = False) -> ModelAnswerRecord | None:
    """The model answer of an exercise the caller may see, or None where it is as proposed."""
    query = select(ModelAnswerRecord).where(ModelAnswerRecord.exercise_id == exercise.id)
    return session.scalar(locked(query) if lock else query)


def save_model_answer(
    session: Session, exercise: ExerciseRecord, document: Mapping[str, Any], base: int
) -> ModelAnswerRecord:
    """Keep a model answer. Raises OutOfDate when another tab saved in between."""
    record = model_answer(session, exercise, lock=True)
    return keep_revision(session, record, ModelAnswerRecord(exercise_id=exercise.id), document, base)
