"""Marks as CSV and XLSX: of one exercise, of a set, or of a class over all its exercises."""

from collections.abc import Sequence
from datetime import timedelta
from typing import Final

from fastapi import APIRouter, Response
from sqlalchemy.orm import Session

from maqueta.phrases.phrase import phrase
from maqueta.service.desk import AtDesk, DeskPlace
from maqueta.service.exercises.answers import of_points, task_of
from maqueta.service.language import spoken
from maqueta.service.marking.marks_out import Marked, MarksOut, cells_of, figure_of, headings, who_columns
from maqueta.service.marking.standing import Standing, counting, standings
from maqueta.service.spreadsheet import MEDIA_TYPES, Row, TableKind, written
from maqueta.service.world import Instructor, InTransaction
from maqueta.store.classes import own_class, places_of
from maqueta.store.exercises import exercise_for, exercises_of_class
from maqueta.store.models import Account, ExerciseRecord, SchoolClass
from maqueta.store.sets import exercises_of_set
from maqueta.task.exercise import Exercise

router = APIRouter(prefix="/api")
_USUAL: Final = MarksOut()


def _chosen(school_class: SchoolClass) -> MarksOut:
    return MarksOut.model_validate(school_class.marks_out) if school_class.marks_out else _USUAL


@router.get("/classes/{class_id}/marks-out")
def chosen(class_id: int, instructor: Instructor, session: InTransaction) -> MarksOut:
    """How the marks of a class are written."""
    return _chosen(own_class(session, instructor, class_id))


@router.put("/classes/{class_id}/marks-out")
def choose(class_id: int, form: MarksOut, instructor: Instructor, session: InTransaction) -> MarksOut:
    """Choose how the marks of a class are written from now on."""
    own_class(session, instructor, class_id).marks_out = form.model_dump(mode="json")
    return form


@router.get("/exercises/{exercise_id}/marks.{kind}", response_class=Response)
def of_exercise(
    exercise_id: int, kind: TableKind, instructor: Instructor, session: InTransaction, at: AtDesk
) -> Response:
    """The marks of an exercise, a row for everybody in the class; who has handed in nothing has earned nothing."""
    exercise = exercise_for(session, instructor, exercise_id)
    out = _chosen(exercise.school_class)
    rows: list[Row] = [headings(out)]
    rows += [cells_of(own, out) for own in _marked(at, session, exercise).values()]
    return _file(rows, kind, out, f"marks-{exercise.id}")


@router.get("/sets/{set_id}/marks.{kind}", response_class=Response)
def of_set(set_id: int, kind: TableKind, instructor: Instructor, session: InTransaction, at: AtDesk) -> Response:
    """The marks of a set: a row for everybody in the class, a column for every sheet, and the sum of the points."""
    exercises = exercises_of_set(session, instructor, set_id)
    return _of_several(at, exercises[0].school_class, exercises, kind, f"set-{set_id}")


@router.get("/classes/{class_id}/marks.{kind}", response_class=Response)
def of_class(class_id: int, kind: TableKind, instructor: Instructor, session: InTransaction, at: AtDesk) -> Response:
    """The marks of a class: a row for everybody, a column for every exercise that is set, and the sum of the points."""
    school_class = own_class(session, instructor, class_id)
    return _of_several(at, school_class, exercises_of_class(session, school_class), kind, f"class-{class_id}")


def _of_several(
    at: DeskPlace, school_class: SchoolClass, exercises: Sequence[ExerciseRecord], kind: TableKind, name: str
) -> Response:
    out = _chosen(school_class)
    marks = {exercise.id: _marked(at, at.session, exercise) for exercise in exercises}
    who = who_columns(out)
    rows: list[Row] = [[*headings(who), *(e.title for e in exercises), spoken(phrase("column-sum"))]]
    for student, group in places_of(at.session, school_class.id):
        own = [marks[exercise.id][student.id] for exercise in exercises]
        person = Marked(student.name, student.login, student.email or "", group, 0.0)
        figures = [figure_of(mark, out.figure) for mark in own]
        rows.append([*cells_of(person, who), *figures, sum(mark.counting for mark in own)])
    return _file(rows, kind, out, name)


def _marked(at: DeskPlace, session: Session, exercise: ExerciseRecord) -> dict[int, Marked]:
    """The marks of everybody in the class of an exercise, by student, in the order of their names."""
    task = task_of(exercise)
    found = standings(at, exercise, task)
    return {
        student.id: _one(student, group, found.get(student.id, []), task)
        for student, group in places_of(session, exercise.class_id)
    }


def _one(student: Account, group: str, own: list[Standing], task: Exercise) -> Marked:
    of, email = of_points(task), student.email or ""
    if not own:
        return Marked(student.name, student.login, email, group, of, grade=task.marking.grade_of(0.0))
    last = own[-1]
    counted = counting([entry.mark.points for entry in own], task)
    return Marked(
        student.name,
        student.login,
        email,
        group,
        of,
        last.mark,
        counted,
        task.marking.grade_of(counted / of if of else 0.0),
        last.sheet.state,
        last.sheet.attempt,
        last.sheet.handed_in_at,
        last.late > timedelta(),
        last.sheet.remark,
    )


def _file(rows: list[Row], kind: TableKind, out: MarksOut, name: str) -> Response:
    data = written(rows, kind, out.separator, out.decimal_comma)
    headers = {"content-disposition": f'attachment; filename="{name}.{kind}"', "cache-control": "no-store"}
    return Response(data, media_type=MEDIA_TYPES[kind], headers=headers)
