"""Sets: exercises whose sheets belong together, and one student's sheets of them."""

from collections.abc import Collection, Mapping, Sequence
from typing import Any

from sqlalchemy import select, update
from sqlalchemy.orm import Session, joinedload

from maqueta.store.clock import now
from maqueta.store.database import locked
from maqueta.store.errors import NotVisible
from maqueta.store.exercises import exercises_seen_by
from maqueta.store.models import Account, ExerciseRecord, SheetRecord, SheetSetRecord


def add_set(session: Session, title: str, exercises: Sequence[ExerciseRecord]) -> SheetSetRecord:
    """Make one set of exercises that are in none, in their order."""
    record = SheetSetRecord(title=title, sheets=len(exercises), created_at=now())
    session.add(record)
    for place, exercise in enumerate(exercises, 1):
        exercise.sheet_set, exercise.place = record, place
    session.flush()
    return record


def arrange_set(session: Session, exercises: Sequence[ExerciseRecord], title: str) -> None:
    """Let a set be of these exercises, in their order, some of which may be new; the first set any of them is of."""
    record = next(own.sheet_set for own in exercises if own.sheet_set is not None)
    record.title, record.sheets = title, len(exercises)
    for place, exercise in enumerate(exercises, 1):
        exercise.sheet_set, exercise.place = record, place
    session.flush()


def leave_set(session: Session, exercise: ExerciseRecord) -> None:
    """Take an exercise out of its set and out of the way; by itself there is nothing to fit among."""
    exercise.sheet_set, exercise.place, exercise.archived_at = None, 1, now()
    exercise.task = alone(exercise.task)
    session.flush()


def alone(task: Mapping[str, Any]) -> dict[str, Any]:
    """What an exercise of a set asks where it is by itself: no points for how it fits among others."""
    return dict(task) | {"points": {of: own for of, own in task["points"].items() if of != "set"}}


def hold_set(session: Session, exercise: ExerciseRecord) -> None:
    """Let nobody else hand in sheets of the set an exercise is of, if it is of one, until this transaction ends.

    Before anything is read: so all that is read after it is as others have left it.
    """
    if exercise.set_id is not None:
        session.execute(locked(select(SheetSetRecord.id).where(SheetSetRecord.id == exercise.set_id)))


def exercises_of_set(session: Session, account: Account, set_id: int) -> list[ExerciseRecord]:
    """The exercises of a set that somebody teaches or has to do, in their order. Raises NotVisible where there are
    none.
    """
    query = exercises_seen_by(account).where(ExerciseRecord.set_id == set_id).order_by(ExerciseRecord.place)
    own = (joinedload(ExerciseRecord.version), joinedload(ExerciseRecord.sheet_set))
    found = list(session.scalars(query.options(*own, joinedload(ExerciseRecord.school_class))))
    if not found:
        raise NotVisible
    return found


def sheets_beside(
    session: Session, exercise: ExerciseRecord, student_id: int, states: Collection[str]
) -> list[SheetRecord]:
    """A student's other sheets of the set an exercise is of, in certain states, of each the last such attempt, in the
    order of the set.
    """
    if exercise.set_id is None:
        return []
    query = (
        select(SheetRecord)
        .join(SheetRecord.exercise)
        .where(ExerciseRecord.set_id == exercise.set_id, ExerciseRecord.id != exercise.id)
        .where(SheetRecord.student_id == student_id, SheetRecord.state.in_(states))
        .order_by(ExerciseRecord.place, SheetRecord.attempt)
        # As they are now, even where the session has read them before.
        .execution_options(populate_existing=True)
    )
    last = {sheet.exercise_id: sheet for sheet in session.scalars(query)}
    return list(last.values())


def all_of_set(session: Session, exercise: ExerciseRecord) -> list[ExerciseRecord]:
    """All exercises of the set an exercise is of, in their order, whoever sees them; it alone where it is of none."""
    if exercise.set_id is None:
        return [exercise]
    query = select(ExerciseRecord).where(ExerciseRecord.set_id == exercise.set_id).order_by(ExerciseRecord.place)
    return list(session.scalars(query.options(joinedload(ExerciseRecord.version))))


def others_anew(session: Session, exercise: ExerciseRecord, student_id: int, just_in: Collection[int] = ()) -> int:
    """Let a student's other sheets of a set, handed in and not returned, count as checked by an older version: what is
    found of them among all may be something else now. Not those of exercises that came `just_in`. Returns how many
    there are.
    """
    beside = sheets_beside(session, exercise, student_id, ("handed-in",))
    out = [own.id for own in beside if own.exercise_id not in just_in]
    if out:
        # Written also where it is so already: whoever is about to keep what was found without the one that comes waits
        # for it, and looks again.
        session.execute(update(SheetRecord).where(SheetRecord.id.in_(out)).values(checker=0))
    return len(out)
