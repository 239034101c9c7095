"""Exercises: setting them, the wall, decisions for all sheets at once."""

from collections.abc import Sequence

from fastapi import APIRouter, HTTPException, Response
from sqlalchemy.orm import Session

from maqueta.phrases.phrase import phrase
from maqueta.projection.ranking import DEFAULT_VIEWS
from maqueta.service.bench.answers import task_paper
from maqueta.service.desk import AtDesk, DeskPlace, scope_of_sheet
from maqueta.service.exercises.answers import exercise_answer, task_of
from maqueta.service.exercises.messages import BlankTask, ExerciseAnswer, NewExercise, StartingAnswer, StartingRequest
from maqueta.service.exercises.variation import check_ranges, version_for
from maqueta.service.exercises.work import begun, tried
from maqueta.service.language import language_spoken
from maqueta.service.marking.answers import (
    finding_answers,
    finding_of,
    findings_of,
    is_late,
    points_of_criteria,
    share_key,
)
from maqueta.service.marking.messages import SharedDecision, WallAnswer, WallSheet
from maqueta.service.messages import Number
from maqueta.service.world import AnyAccount, Instructor, InTransaction, World
from maqueta.sheet.form_flaws import form_flaws
from maqueta.store.classes import class_sizes, own_class, students_of
from maqueta.store.exercises import (
    add_exercise,
    decide,
    exercise_for,
    exercises_for,
    give_back,
    own_sheet,
    own_sheets,
    sheet_counts,
    sheets_of,
)
from maqueta.store.models import Account, ExerciseRecord, SheetRecord
from maqueta.store.shelf import own_part
from maqueta.task.criteria import USUAL_POINTS
from maqueta.task.exercise import Exercise

router = APIRouter(prefix="/api/exercises")


@router.get("")
def listing(account: AnyAccount, session: InTransaction, at: AtDesk) -> list[ExerciseAnswer]:
    """The exercises of an instructor with counts, or of a student with the own sheet."""
    if account.role == "student":
        own = {sheet.exercise_id: sheet for sheet in own_sheets(session, account)}
        return [_to_do(exercise, own.get(exercise.id), account, at) for exercise in exercises_for(session, account)]
    return _set_by(exercises_for(session, account), session) if account.role == "instructor" else []


def _to_do(exercise: ExerciseRecord, sheet: SheetRecord | None, student: Account, at: DeskPlace) -> ExerciseAnswer:
    """An exercise as its student sees it, with the own sheet."""
    points = None
    if sheet is not None and sheet.state == "returned":
        scope = scope_of_sheet(at, sheet, version_for(at.world, at.session, exercise, student.id))
        marks = points_of_criteria(sheet.findings, findings_of(sheet.findings), task_of(exercise), scope)
        points = sum(mark.points for mark in marks)
    return exercise_answer(
        exercise,
        model=_model_for(at.world, at.session, exercise, student.id),
        to_student=True,
        sheet=sheet.id if sheet else None,
        sheet_state=sheet.state if sheet else None,
        points=points,
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


def _model_for(world: World, session: Session, exercise: ExerciseRecord, student_id: int) -> int | None:
    """The version a student works from; None where none can be made, so that the other exercises still show."""
    try:
        return version_for(world, session, exercise, student_id).id
    except HTTPException:
        return None


@router.post("", status_code=201)
def set_exercise(form: NewExercise, instructor: Instructor, session: InTransaction, at: AtDesk) -> ExerciseAnswer:
    """Set an exercise for a class."""
    version = own_part(session, instructor, form.part).current
    own = form.task.sheet_form
    if own is not None and (barred := next((flaw for flaw in form_flaws(own) if flaw.bars), None)) is not None:
        raise HTTPException(422, phrase("form-not-ready", reason=barred.what))
    at.run(begun, at.desk(version, form.task))
    if form.varied and form.task.drafting.changes:
        raise HTTPException(422, phrase("changes-need-one-size"))
    if form.varied:
        check_ranges(at.world, at.session, version)
    school_class = own_class(session, instructor, form.school_class)
    task = form.task.model_copy(update={"title": form.title})
    record = add_exercise(
        session, instructor, version, school_class, form.title, task.model_dump(mode="json"), form.due_at, form.varied
    )
    session.refresh(record, ["version", "school_class"])
    return exercise_answer(record, total=len(students_of(session, school_class.id)))


@router.get("/blank", response_model=BlankTask)
def blank(_: Instructor) -> BlankTask:
    """What an exercise asks unless its instructor says otherwise, and the usual points of every kind."""
    usual = Exercise(
        views=DEFAULT_VIEWS, title_fields=("title", "drafter", "date", "scale"), captions=language_spoken()
    )
    return BlankTask(task=usual, points=USUAL_POINTS)


@router.post("/starting-sheet")
def started(form: StartingRequest, instructor: Instructor, session: InTransaction, at: AtDesk) -> StartingAnswer:
    """The sheet students would start from, and the lines of it that can be changed, before the exercise is set.

    With `propose` that many changes are chosen by the program; the same `seed` chooses the same ones.
    """
    version = own_part(session, instructor, form.part).current
    return at.run(tried, at.desk(version, form.task), form.propose, form.seed)


@router.get("/{exercise_id}")
def one(exercise_id: int, account: AnyAccount, session: InTransaction, at: AtDesk) -> ExerciseAnswer:
    """One exercise."""
    exercise = exercise_for(session, account, exercise_id)
    if account.role == "student":
        return _to_do(exercise, own_sheet(session, account, exercise.id), account, at)
    return _set_by([exercise], session)[0]


@router.get("/{exercise_id}/wall", response_model=WallAnswer)
def wall(exercise_id: int, instructor: Instructor, session: InTransaction, at: AtDesk) -> Response:
    """All sheets handed in, with their findings; who has not handed in yet."""
    exercise = exercise_for(session, instructor, exercise_id)
    task = task_of(exercise)
    pinned, students = [], {student.id: student.name for student in students_of(session, exercise.class_id)}
    for sheet in sheets_of(session, exercise):
        students.pop(sheet.student_id, None)
        scope = scope_of_sheet(at, sheet, version_for(at.world, session, exercise, sheet.student_id))
        findings = findings_of(sheet.findings)
        marks = points_of_criteria(sheet.findings, findings, task, scope)
        pinned.append(
            WallSheet(
                id=sheet.id,
                student=sheet.student.name,
                state=sheet.state,  # type: ignore[arg-type]
                late=is_late(sheet, exercise),
                revision=sheet.revision,
                points=sum(mark.points for mark in marks),
                of=sum(mark.of for mark in marks),
                changed=sheet.changed is not None,
                decided=sum(1 for finding in sheet.findings if finding.decision is not None),
                findings=finding_answers(sheet.findings, findings, task),
                marks=marks,
            )
        )
    returned = sum(1 for sheet in pinned if sheet.state == "returned")
    form = exercise_answer(exercise, total=len(pinned) + len(students), handed_in=len(pinned), returned=returned)
    answer = WallAnswer(exercise=form, paper=task_paper(task), sheets=pinned, missing=sorted(students.values()))
    # Two hundred sheets are a long answer: it is written at once, without the framework's checks of what is checked.
    return Response(answer.model_dump_json(), media_type="application/json")


@router.post("/{exercise_id}/decisions")
def decide_for_all(exercise_id: int, form: SharedDecision, instructor: Instructor, session: InTransaction) -> Number:
    """Decide the same mistake on every sheet that is still out. Returned sheets keep what was decided."""
    exercise = exercise_for(session, instructor, exercise_id)
    shared = [
        finding
        for sheet in sheets_of(session, exercise)
        if sheet.state == "handed-in"
        for finding in sheet.findings
        if share_key(finding_of(finding)) == form.share
    ]
    decide(shared, instructor, form.decision, form.remark)
    return Number(number=len(shared))


@router.post("/{exercise_id}/return")
def return_decided(exercise_id: int, instructor: Instructor, session: InTransaction) -> Number:
    """Return every sheet on which nothing is left to decide."""
    exercise = exercise_for(session, instructor, exercise_id)
    done = [s for s in sheets_of(session, exercise) if all(f.decision is not None for f in s.findings)]
    return Number(number=give_back(done))
