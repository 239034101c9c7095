"""Exercises: setting them, and what an account has to do or has set."""

from collections import defaultdict
from collections.abc import Sequence
from datetime import timedelta

from fastapi import APIRouter, HTTPException
from sqlalchemy.orm import Session

from maqueta.projection.ranking import DEFAULT_VIEWS
from maqueta.service.desk import AtDesk, DeskPlace
from maqueta.service.exercises.answers import exercise_answer, of_points, task_of
from maqueta.service.exercises.beforehand import ask_for_own_parts
from maqueta.service.exercises.course import attempts_left
from maqueta.service.exercises.messages import BlankTask, ExerciseAnswer, NewExercise, StartingAnswer, StartingRequest
from maqueta.service.exercises.set_out import ready_to_set, set_out
from maqueta.service.exercises.variation import check_ranges, version_for
from maqueta.service.exercises.work import tried
from maqueta.service.language import language_spoken
from maqueta.service.marking.standing import counting, standing
from maqueta.service.world import AnyAccount, Instructor, InTransaction, World
from maqueta.store.classes import class_sizes, own_class, students_of
from maqueta.store.exercises import add_exercise, exercise_for, exercises_for, own_more_time, sheet_counts
from maqueta.store.models import Account, ExerciseRecord, SheetRecord
from maqueta.store.sheets import own_sheets
from maqueta.store.shelf import own_part, own_variation
from maqueta.task.criteria import ASKED_POINTS, SHOWN_POINTS, USUAL_POINTS
from maqueta.task.exercise import Exercise

router = APIRouter(prefix="/api/exercises")


@router.get("")
def listing(account: AnyAccount, session: InTransaction, at: AtDesk, archived: bool = False) -> list[ExerciseAnswer]:
    """The exercises of an instructor with counts, or of a student with the own sheet."""
    if account.role == "student":
        return _all_to_do(exercises_for(session, account), account, at, listed=True)
    return _set_by(exercises_for(session, account, archived), session) if account.role == "instructor" else []


def _all_to_do(
    exercises: Sequence[ExerciseRecord], student: Account, at: DeskPlace, listed: bool = False
) -> list[ExerciseAnswer]:
    """Exercises as their student sees them; in lists nobody waits for all parts of a set."""
    own: dict[int, list[SheetRecord]] = defaultdict(list)
    for sheet in own_sheets(at.session, student, [exercise.id for exercise in exercises], decided=True):
        own[sheet.exercise_id].append(sheet)
    extra = own_more_time(at.session, student.id)
    return [_to_do(each, own[each.id], student, at, extra.get(each.id, timedelta()), listed) for each in exercises]


def _to_do(
    exercise: ExerciseRecord,
    sheets: Sequence[SheetRecord],
    student: Account,
    at: DeskPlace,
    extra: timedelta,
    listed: bool,
) -> ExerciseAnswer:
    """An exercise as its student sees it, with the own attempts."""
    task = task_of(exercise)
    last = sheets[-1] if sheets else None
    returned = [standing(at, sheet, exercise, task, extra) for sheet in sheets if sheet.state == "returned"]
    points, of = counting([entry.mark.points for entry in returned], task), of_points(task)
    return exercise_answer(
        exercise,
        extra=extra,
        model=_model_for(at.world, at.session, exercise, student.id, listed),
        to_student=True,
        sheet=last.id if last else None,
        sheet_state=last.state if last else None,
        attempt=last.attempt if last else 1,
        attempts_left=attempts_left(exercise, last, extra),
        points=points if returned else None,
        grade=task.marking.grade_of(points / of) if returned and of else None,
        returned_sheet=returned[-1].sheet.id if returned else None,
    )


def _set_by(exercises: Sequence[ExerciseRecord], session: Session) -> list[ExerciseAnswer]:
    """Exercises as their instructor sees them, with counts of sheets."""
    counts = sheet_counts(session, exercises)
    sizes = class_sizes(session, {exercise.class_id for exercise in exercises})
    forms = []
    for exercise in exercises:
        returned = counts[exercise.id]["returned"]
        handed_in = counts[exercise.id]["handed-in"] + returned
        total = sizes.get(exercise.class_id, 0)
        forms.append(exercise_answer(exercise, total=total, handed_in=handed_in, returned=returned))
    return forms


def _model_for(world: World, session: Session, exercise: ExerciseRecord, student_id: int, listed: bool) -> int | None:
    """The version a student works from; None where none can be made, so that the other exercises still show, and in
    lists where those of a set are yet to be made.
    """
    if listed and exercise.varied and exercise.set_id is not None:
        found = own_variation(session, exercise, student_id)
        return found.id if found is not None else None
    try:
        return version_for(world, session, exercise, student_id).id
    except HTTPException:
        return None


@router.post("", status_code=201)
def set_exercise(form: NewExercise, instructor: Instructor, session: InTransaction, at: AtDesk) -> ExerciseAnswer:
    """Set an exercise for a class."""
    version = own_part(session, instructor, form.part).current
    ready_to_set(at, version, form.task, form.varied)
    if form.varied:
        check_ranges(at.world, session, [version])
    school_class = own_class(session, instructor, form.school_class)
    task = form.task.model_copy(update={"title": form.title})
    record = add_exercise(
        session,
        instructor,
        version,
        school_class,
        form.title,
        task.model_dump(mode="json"),
        form.due_at,
        form.varied,
        not form.draft,
    )
    record.opens_at, record.closes_at = form.opens_at, form.closes_at
    ask_for_own_parts(at.world, session, instructor, [record])
    session.refresh(record, ["version", "school_class"])
    return exercise_answer(record, total=len(students_of(session, school_class.id)))


@router.get("/blank", response_model=BlankTask)
def blank(_: Instructor) -> BlankTask:
    """What an exercise asks unless its instructor says otherwise, and the usual points of every kind."""
    usual = Exercise(
        views=DEFAULT_VIEWS, title_fields=("title", "drafter", "date", "scale"), captions=language_spoken()
    )
    return BlankTask(task=usual, points=USUAL_POINTS, asked_points=ASKED_POINTS, shown_points=SHOWN_POINTS)


@router.post("/starting-sheet")
def started(form: StartingRequest, instructor: Instructor, session: InTransaction, at: AtDesk) -> StartingAnswer:
    """The sheet students would start from, and the lines of it that can be changed, before the exercise is set.

    With `propose` that many changes are chosen by the program; the same `seed` chooses the same ones.
    """
    version = own_part(session, instructor, form.part).current
    return at.run(tried, set_out(at, at.desk(version, form.task)), form.propose, form.seed)


@router.get("/{exercise_id}")
def one(exercise_id: int, account: AnyAccount, session: InTransaction, at: AtDesk) -> ExerciseAnswer:
    """One exercise."""
    exercise = exercise_for(session, account, exercise_id)
    if account.role == "student":
        return _all_to_do([exercise], account, at)[0]
    return _set_by([exercise], session)[0]
