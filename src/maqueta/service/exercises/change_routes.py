"""Exercises changed after they were drafted or set: copied, archived, asked otherwise, moved to a newer part."""

from collections import defaultdict
from dataclasses import replace

from fastapi import APIRouter, HTTPException
from sqlalchemy.orm import Session

from maqueta.judging.again import compared_again
from maqueta.judging.finding import Finding
from maqueta.judging.points import mark
from maqueta.judging.scope import Scope
from maqueta.phrases.phrase import phrase
from maqueta.service.desk import AT_ONCE, AtDesk, DeskPlace, batched
from maqueta.service.desk_work import Desk
from maqueta.service.exercises.answers import exercise_answer, task_of
from maqueta.service.exercises.beforehand import ask_for_own_parts
from maqueta.service.exercises.messages import (
    ArchiveRequest,
    ChangedExercise,
    CopyRequest,
    ExerciseAnswer,
    ExerciseTrial,
    SheetMoved,
)
from maqueta.service.exercises.set_out import ready_to_set
from maqueta.service.exercises.variation import version_for
from maqueta.service.exercises.work import judged_anew
from maqueta.service.marking.answers import FINDING, decided_of, late_after
from maqueta.service.marking.rechecking import ask_to_check_again
from maqueta.service.marking.scheme_messages import scheme_of
from maqueta.service.marking.standing import standings
from maqueta.service.world import Instructor, InTransaction
from maqueta.sheet.document import SheetDocument
from maqueta.store.classes import own_class, students_of
from maqueta.store.clock import now
from maqueta.store.exercises import copy_exercise, exercise_for, extra_time
from maqueta.store.marking import change_scheme, tell_wall
from maqueta.store.models import ExerciseRecord, SheetRecord, VersionRecord
from maqueta.store.sets import all_of_set, alone
from maqueta.store.sheets import check_all_again, sheets_with_drawings
from maqueta.task.exercise import Exercise

router = APIRouter(prefix="/api/exercises")
#: What of a task only turns findings into marks: no sheet has to be checked again for it.
_MARKS_ONLY = {"points", "error_cost", "marking", "counts", "attempts", "course", "checks", "checks_tell", "title"}


def _checks_otherwise(before: Exercise, after: Exercise) -> bool:
    """Whether sheets get other findings by a changed task."""
    return before.model_dump(exclude=_MARKS_ONLY) != after.model_dump(exclude=_MARKS_ONLY)


def _as_asked(form: ChangedExercise) -> Exercise:
    return form.task.model_copy(update={"title": form.title})


def _found_otherwise(exercise: ExerciseRecord, version: VersionRecord, form: ChangedExercise) -> bool:
    """Whether the sheets of an exercise get other findings by a change: in a set how they are to be titled counts."""
    renamed = exercise.set_id is not None and form.title != exercise.title
    return renamed or version.id != exercise.version_id or _checks_otherwise(task_of(exercise), form.task)


def _to_draw(exercise: ExerciseRecord, form: ChangedExercise) -> VersionRecord:
    """The version of the part that is drawn from now on."""
    newer = form.newest_part and exercise.version.part.current_id != exercise.version_id
    if newer and exercise.varied:
        raise HTTPException(422, phrase("own-sizes-stay"))
    return exercise.version.part.current if newer else exercise.version


@router.post("/{exercise_id}/trial")
def tried(
    exercise_id: int, form: ChangedExercise, instructor: Instructor, session: InTransaction, at: AtDesk
) -> ExerciseTrial:
    """What a change would do to the sheets that are in; nothing is changed."""
    exercise = exercise_for(session, instructor, exercise_id)
    version, task = _to_draw(exercise, form), task_of(exercise)
    ready_to_set(at, version, form.task, exercise.varied)
    same = not _found_otherwise(exercise, version, form)
    found = standings(at, exercise, task)
    anew = {} if same else _judged_anew(at, session, exercise, version, _as_asked(form))
    moved = []
    for own in found.values():
        last = own[-1]
        findings, scope, decided = last.findings, last.scope, decided_of(last.sheet)
        if last.sheet.id in anew:
            findings, scope = anew[last.sheet.id]
            kept = compared_again(last.findings, findings).kept
            decided = replace(decided, waived={new for new, old in kept.items() if old in decided.waived})
        late = late_after(last.sheet, form.due_at, extra_time(session, exercise, last.sheet.student_id))
        moved.append(
            SheetMoved(
                sheet=last.sheet.id,
                student=last.sheet.student.name,
                before=last.mark.points,
                after=mark(findings, form.task, scope, decided, late).points,
                findings_before=len(last.findings),
                findings_after=len(findings),
            )
        )
    returned = sum(1 for own in found.values() if own[-1].sheet.state == "returned")
    return ExerciseTrial(checked_again=not same, returned=returned, sheets=moved)


def _judged_anew(
    at: DeskPlace, session: Session, exercise: ExerciseRecord, version: VersionRecord, task: Exercise
) -> dict[int, tuple[list[Finding], Scope]]:
    """What would be found on the sheets of an exercise that are still out, and what could be judged."""
    by_desk: dict[int, list[SheetRecord]] = defaultdict(list)
    desks: dict[int, Desk] = {}
    for sheet in sheets_with_drawings(session, exercise):
        own = version_for(at.world, session, exercise, sheet.student_id) if exercise.varied else version
        # In a set each lies among others of its student.
        alike = own.id if exercise.set_id is None else -sheet.id
        if alike not in desks:
            desks[alike] = at.in_its_set(at.desk(own, task), exercise, sheet.student_id)
        by_desk[alike].append(sheet)
    found = {}
    for alike, sheets in by_desk.items():
        desk = desks[alike]
        for some in batched(sheets, AT_ONCE):
            documents = [SheetDocument.model_validate(sheet.document) for sheet in some]
            for sheet, result in zip(some, at.run(judged_anew, desk, *documents), strict=True):
                if result is not None:
                    measured = [FINDING.validate_python(own) for _, own in result.measured]
                    found[sheet.id] = (measured, result.scope)
    return found


@router.put("/{exercise_id}")
def change(
    exercise_id: int, form: ChangedExercise, instructor: Instructor, session: InTransaction, at: AtDesk
) -> ExerciseAnswer:
    """Ask otherwise from now on. Sheets that are still out are checked again, if they get other findings by it."""
    exercise = exercise_for(session, instructor, exercise_id)
    version, task = _to_draw(exercise, form), task_of(exercise)
    ready_to_set(at, version, form.task, exercise.varied)
    again = _found_otherwise(exercise, version, form)
    if again:
        # Sheets before the exercise, in the order in which whoever marks takes their locks.
        for own in all_of_set(session, exercise):
            check_all_again(session, own)
    exercise.version_id, exercise.title = version.id, form.title
    exercise.due_at, exercise.opens_at, exercise.closes_at = form.due_at, form.opens_at, form.closes_at
    asked = _as_asked(form)
    before, after = scheme_of(task), scheme_of(asked)
    exercise.task = asked.model_dump(mode="json")
    if before != after and exercise.set_at is not None:
        change_scheme(session, exercise, instructor, before.model_dump(mode="json"), after.model_dump(mode="json"))
    if exercise.set_at is None and not form.draft:
        exercise.set_at = now()
        ask_for_own_parts(at.world, session, instructor, [exercise])
    session.flush()
    tell_wall(session, exercise.id)
    session.commit()
    if again:
        ask_to_check_again(at.world.database)
        at.world.queue.wake()
    session.refresh(exercise, ["version", "school_class"])
    return exercise_answer(exercise, total=len(students_of(session, exercise.class_id)))


@router.post("/{exercise_id}/copy", status_code=201)
def copied(exercise_id: int, form: CopyRequest, instructor: Instructor, session: InTransaction) -> ExerciseAnswer:
    """A copy of an exercise for a class, as a draft, on the newest version of its part."""
    exercise = exercise_for(session, instructor, exercise_id)
    school_class = own_class(session, instructor, form.school_class)
    record = copy_exercise(session, instructor, exercise, school_class, form.title, form.due_at)
    record.task = alone(record.task)
    session.flush()
    session.refresh(record, ["version", "school_class"])
    return exercise_answer(record, total=len(students_of(session, school_class.id)))


@router.put("/{exercise_id}/archived")
def archive(exercise_id: int, form: ArchiveRequest, instructor: Instructor, session: InTransaction) -> ExerciseAnswer:
    """Put an exercise out of the way, or bring it back; nothing of it is lost."""
    exercise = exercise_for(session, instructor, exercise_id)
    exercise.archived_at = now() if form.archived else None
    return exercise_answer(exercise)
