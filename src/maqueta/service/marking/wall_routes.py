"""The wall: all sheets of an exercise, and what is decided about several of them at once."""

from datetime import timedelta
from typing import Annotated

from fastapi import APIRouter, HTTPException, Response
from pydantic import Field
from sqlalchemy.orm import Session

from maqueta.phrases.phrase import phrase
from maqueta.service.bench.answers import task_paper
from maqueta.service.desk import AtDesk
from maqueta.service.exercises.answers import exercise_answer, task_of
from maqueta.service.marking.answers import added_answers, finding_answers, finding_of, mark_fields, share_key
from maqueta.service.marking.messages import (
    Decisions,
    MissingSheet,
    SharedDecision,
    WallAnswer,
    WallSheet,
)
from maqueta.service.marking.standing import Standing, attempts, counting, standings
from maqueta.service.messages import Number
from maqueta.service.world import Instructor, InTransaction
from maqueta.store.classes import names_of
from maqueta.store.exercises import exercise_for, give_more_time, more_time, news_of
from maqueta.store.marking import decide, tell_wall
from maqueta.store.models import ExerciseRecord
from maqueta.store.sheets import give_back, last_attempts, sheets_of
from maqueta.strict import Strict
from maqueta.task.exercise import Exercise

router = APIRouter(prefix="/api/exercises")
#: Four weeks.
_MOST_MINUTES = 28 * 24 * 60


@router.get("/{exercise_id}/wall", response_model=WallAnswer)
def wall(exercise_id: int, instructor: Instructor, session: InTransaction, at: AtDesk) -> Response:
    """All sheets handed in, with their findings; who has not handed in yet."""
    exercise = exercise_for(session, instructor, exercise_id)
    task, news = task_of(exercise), exercise.news
    places = names_of(session, exercise.class_id)
    extra = more_time(session, exercise)
    found = standings(at, exercise, task, extra)
    pinned = [_pinned(own, task, places.get(student, ("", ""))[1]) for student, own in found.items()]
    missing = [
        MissingSheet(id=student, student=name, minutes=int(extra.get(student, timedelta()).total_seconds() // 60))
        for student, (name, _) in places.items()
        if student not in found
    ]
    returned = sum(1 for sheet in pinned if sheet.state == "returned")
    form = exercise_answer(exercise, total=len(pinned) + len(missing), handed_in=len(pinned), returned=returned)
    answer = WallAnswer(exercise=form, paper=task_paper(task), sheets=pinned, missing=missing, news=news)
    # Two hundred sheets are a long answer: it is written at once, without the framework's checks of what is checked.
    return Response(answer.model_dump_json(), media_type="application/json")


def _pinned(own: list[Standing], task: Exercise, group: str) -> WallSheet:
    last = own[-1]
    sheet = last.sheet
    return WallSheet(
        id=sheet.id,
        student=sheet.student.name,
        group=group,
        state=sheet.state,  # type: ignore[arg-type]
        late=last.late > timedelta(),
        handed_in_at=sheet.handed_in_at,
        revision=sheet.revision,
        changed=sheet.changed is not None,
        decided=sum(1 for finding in sheet.findings if finding.decision is not None),
        findings=finding_answers(sheet.findings, last.findings, task),
        added=added_answers(sheet),
        attempts=attempts(own),
        counting=counting([entry.mark.points for entry in own], task),
        **mark_fields(last.mark),
    )


@router.get("/{exercise_id}/news")
def news(exercise_id: int, instructor: Instructor, session: InTransaction) -> Number:
    """A number that grows whenever something on the wall of an exercise changes: asked for every second or two."""
    return Number(number=news_of(session, instructor, exercise_id))


@router.post("/{exercise_id}/decisions")
def decide_for_several(
    exercise_id: int, form: SharedDecision, instructor: Instructor, session: InTransaction
) -> Decisions:
    """Decide about findings of one sheet or many, those that are still out and still what they were.

    Returned sheets keep what was decided.
    """
    exercise = exercise_for(session, instructor, exercise_id)
    wanted = {(place.sheet, place.number): place.share for place in form.findings}
    still = [
        finding
        for sheet in sheets_of(session, exercise)
        if sheet.state == "handed-in"
        for finding in sheet.findings
        if wanted.get((sheet.id, finding.number)) == share_key(finding_of(finding))
    ]
    decide(still, instructor, form.decision, form.remark)
    tell_wall(session, exercise.id)
    return Decisions(number=len(still), left=len(wanted) - len(still))


@router.post("/{exercise_id}/return")
def return_decided(exercise_id: int, instructor: Instructor, session: InTransaction) -> Number:
    """Return every last attempt on which nothing is left to decide, and those before it."""
    exercise = exercise_for(session, instructor, exercise_id)
    sheets = sheets_of(session, exercise)
    done = {s.student_id for s in last_attempts(sheets) if all(f.decision is not None for f in s.findings)}
    number = give_back(sheet for sheet in sheets if sheet.student_id in done)
    # Sheets before the exercise, in the order in which whoever marks takes their locks.
    session.flush()
    tell_wall(session, exercise.id)
    return Number(number=number)


class MoreTimeRequest(Strict):
    """How many minutes more than the others a student has; none take them back."""

    minutes: Annotated[int, Field(ge=0, le=_MOST_MINUTES)]


@router.put("/{exercise_id}/more-time/{student_id}")
def more_time_for(
    exercise_id: int, student_id: int, form: MoreTimeRequest, instructor: Instructor, session: InTransaction
) -> Number:
    """Give one student more time than the others."""
    exercise = exercise_for(session, instructor, exercise_id)
    _in_class(session, exercise, student_id)
    give_more_time(session, exercise, student_id, form.minutes)
    tell_wall(session, exercise.id)
    return Number(number=form.minutes)


def _in_class(session: Session, exercise: ExerciseRecord, student_id: int) -> None:
    if student_id not in names_of(session, exercise.class_id):
        raise HTTPException(404, phrase("no-such-student"))
