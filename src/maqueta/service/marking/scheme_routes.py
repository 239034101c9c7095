"""How an exercise is marked: changed afterwards with all marks following, kept for other exercises."""

from fastapi import APIRouter, HTTPException

from maqueta.judging.catalogue import CATALOGUE
from maqueta.phrases.phrase import phrase
from maqueta.service.desk import AtDesk
from maqueta.service.exercises.answers import task_of
from maqueta.service.marking.answers import mark_of
from maqueta.service.marking.scheme_messages import (
    MarkMoved,
    Scheme,
    SchemeAnswer,
    SchemeChangeAnswer,
    TemplateAnswer,
    TemplateRequest,
    scheme_of,
)
from maqueta.service.marking.standing import standings
from maqueta.service.messages import Number
from maqueta.service.world import Instructor, InTransaction
from maqueta.store.exercises import exercise_for
from maqueta.store.marking import (
    change_scheme,
    drop_template,
    keep_template,
    scheme_changes,
    tell_wall,
    templates_of,
)
from maqueta.task.exercise import Exercise
from maqueta.task.mark_scheme import LETTERS, NUMBERS

router = APIRouter(prefix="/api")


def _with(task: Exercise, scheme: Scheme) -> Exercise:
    """An exercise that is marked otherwise. Raises HTTPException 422 for a rule there is not."""
    unknown = sorted(({*scheme.marking.costs} | {*scheme.marking.caps}) - set(CATALOGUE))
    if unknown:
        raise HTTPException(422, phrase("no-such-rule", rule=unknown[0]))
    return task.model_copy(
        update={
            "points": scheme.points,
            "error_cost": scheme.error_cost,
            "marking": scheme.marking,
            "counts": scheme.counts,
        }
    )


@router.get("/exercises/{exercise_id}/scheme")
def scheme(exercise_id: int, instructor: Instructor, session: InTransaction) -> SchemeAnswer:
    """How an exercise is marked, and how that was changed."""
    exercise = exercise_for(session, instructor, exercise_id)
    return SchemeAnswer(
        scheme=scheme_of(task_of(exercise)),
        letters=list(LETTERS),
        numbers=list(NUMBERS),
        changes=[
            SchemeChangeAnswer(
                at=change.at,
                who=change.account.name if change.account is not None else None,
                before=Scheme.model_validate(change.before),
                after=Scheme.model_validate(change.after),
            )
            for change in scheme_changes(session, exercise)
        ],
    )


@router.post("/exercises/{exercise_id}/scheme/trial")
def tried(
    exercise_id: int, form: Scheme, instructor: Instructor, session: InTransaction, at: AtDesk
) -> list[MarkMoved]:
    """What another scheme would make of the marks of the sheets that are in; nothing is changed."""
    exercise = exercise_for(session, instructor, exercise_id)
    task = task_of(exercise)
    other, moved = _with(task, form), []
    for own in standings(at, exercise, task).values():
        last = own[-1]
        after = mark_of(last.sheet, last.findings, other, last.scope, last.late)
        moved.append(
            MarkMoved(
                sheet=last.sheet.id,
                student=last.sheet.student.name,
                before=last.mark.points,
                after=after.points,
                grade_before=last.mark.grade,
                grade_after=after.grade,
            )
        )
    return moved


@router.put("/exercises/{exercise_id}/scheme")
def change(exercise_id: int, form: Scheme, instructor: Instructor, session: InTransaction) -> SchemeAnswer:
    """Mark an exercise otherwise from now on; all its marks follow, what was decided stays."""
    exercise = exercise_for(session, instructor, exercise_id)
    task = task_of(exercise)
    before, after = scheme_of(task), scheme_of(_with(task, form))
    if before != after:
        change_scheme(session, exercise, instructor, before.model_dump(mode="json"), after.model_dump(mode="json"))
        tell_wall(session, exercise.id)
    return scheme(exercise_id, instructor, session)


@router.get("/scheme-templates")
def templates(instructor: Instructor, session: InTransaction) -> list[TemplateAnswer]:
    """The ways of marking an instructor has kept."""
    return [
        TemplateAnswer(id=own.id, name=own.name, scheme=Scheme.model_validate(own.scheme))
        for own in templates_of(session, instructor)
    ]


@router.post("/scheme-templates", status_code=201)
def keep(form: TemplateRequest, instructor: Instructor, session: InTransaction) -> TemplateAnswer:
    """Keep a way of marking under a name, in place of one that had it."""
    kept = keep_template(session, instructor, form.name, form.scheme.model_dump(mode="json"))
    return TemplateAnswer(id=kept.id, name=kept.name, scheme=form.scheme)


@router.delete("/scheme-templates/{template_id}")
def drop(template_id: int, instructor: Instructor, session: InTransaction) -> Number:
    """Keep a way of marking no longer; exercises that are marked so stay as they are."""
    drop_template(session, instructor, template_id)
    return Number(number=1)
