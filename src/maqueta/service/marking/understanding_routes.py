"""What a class has not understood, and what a student was told over time."""

from fastapi import APIRouter
from sqlalchemy.orm import Session

from maqueta.judging.catalogue import CATALOGUE
from maqueta.service.language import Sentence
from maqueta.service.marking.understanding import Delivered, over_time
from maqueta.service.messages import Time
from maqueta.service.world import Instructor, InTransaction, Student
from maqueta.store.classes import names_of, own_class, places_of
from maqueta.store.exercises import exercises_of_class
from maqueta.store.models import SchoolClass
from maqueta.store.sheets import broken_rules
from maqueta.strict import Strict
from maqueta.task.criteria import Criterion

router = APIRouter(prefix="/api")


class ExerciseColumn(Strict):
    """An exercise, and how many of the class have handed it in."""

    id: int
    title: str
    due_at: Time
    handed_in: int


class RuleRow(Strict):
    """A rule, the sheets that break it by exercise, and what came of giving sheets back: students by number."""

    rule: str
    criterion: Criterion
    heading: Sentence
    times: int
    sheets: dict[int, list[int]]
    improved: list[int]
    again: list[int]


class StudentName(Strict):
    """A student, and the rules the sheets of each exercise break."""

    id: int
    name: str
    group: str
    broken: dict[int, list[str]]
    sheets: dict[int, int]


class Understanding(Strict):
    """The mistakes of a class over its exercises."""

    school_class: str
    exercises: list[ExerciseColumn]
    rules: list[RuleRow]
    students: list[StudentName]


@router.get("/classes/{class_id}/understanding")
def of_class(class_id: int, instructor: Instructor, session: InTransaction) -> Understanding:
    """What a class has not understood yet: mistakes by rule, exercise and student, and what has improved since."""
    school_class = own_class(session, instructor, class_id)
    exercises = exercises_of_class(session, school_class)
    delivered = _delivered(session, school_class)
    rows = []
    for own in over_time(delivered, [exercise.id for exercise in exercises]):
        rule = CATALOGUE[own.rule]
        rows.append(
            RuleRow(
                rule=rule.id,
                criterion=rule.criterion,
                heading=rule.heading,
                times=own.times,
                sheets={exercise: list(sheets) for exercise, sheets in own.sheets.items()},
                improved=list(own.improved),
                again=list(own.again),
            )
        )
    return Understanding(
        school_class=school_class.name,
        exercises=[
            ExerciseColumn(
                id=exercise.id,
                title=exercise.title,
                due_at=exercise.due_at,
                handed_in=sum(1 for own in delivered if own.exercise == exercise.id),
            )
            for exercise in exercises
        ],
        rules=rows,
        students=[
            StudentName(
                id=student.id,
                name=student.name,
                group=group,
                broken={own.exercise: sorted(own.broken) for own in delivered if own.student == student.id},
                sheets={own.exercise: own.sheet for own in delivered if own.student == student.id},
            )
            for student, group in places_of(session, class_id)
        ],
    )


def _delivered(session: Session, school_class: SchoolClass) -> list[Delivered]:
    enrolled = names_of(session, school_class.id)
    return [
        Delivered(sheet.id, sheet.student_id, sheet.exercise_id, sheet.state == "returned", _counted(rules))
        for sheet, rules in broken_rules(session, class_id=school_class.id)
        if sheet.student_id in enrolled
    ]


def _counted(rules: frozenset[str]) -> frozenset[str]:
    """The rules whose breach is more than a note."""
    return frozenset(rule for rule in rules if rule in CATALOGUE and CATALOGUE[rule].severity != "note")


class ToldMistake(Strict):
    """A rule a student was told of, on which sheets, and whether the last sheet that came back was free of it."""

    rule: str
    criterion: Criterion
    heading: Sentence
    sheets: list[int]
    now_right: bool


class OwnSheet(Strict):
    """A sheet that came back to its student."""

    sheet: int
    title: str
    returned_at: Time | None
    mistakes: int


class OwnProgress(Strict):
    """What was said to a student over time, and what they do right by now."""

    sheets: list[OwnSheet]
    mistakes: list[ToldMistake]


@router.get("/me/progress")
def own_progress(student: Student, session: InTransaction) -> OwnProgress:
    """What was said to a student over time, the newest sheet first, and what they do right by now."""
    back = [(sheet, _counted(rules)) for sheet, rules in broken_rules(session, student_id=student.id)]
    back = sorted(
        (own for own in back if own[0].state == "returned"), key=lambda own: own[0].returned_at or own[0].saved_at
    )
    mistakes = []
    for rule in sorted({rule for _, rules in back for rule in rules}):
        known, last = CATALOGUE[rule], back[-1][1]
        mistakes.append(
            ToldMistake(
                rule=rule,
                criterion=known.criterion,
                heading=known.heading,
                sheets=[sheet.id for sheet, rules in back if rule in rules],
                now_right=rule not in last,
            )
        )
    return OwnProgress(
        sheets=[
            OwnSheet(sheet=s.id, title=s.exercise.title, returned_at=s.returned_at, mistakes=len(rules))
            for s, rules in reversed(back)
        ],
        mistakes=sorted(mistakes, key=lambda own: (own.now_right, -len(own.sheets))),
    )
