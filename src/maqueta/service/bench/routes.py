"""The bench: a student's own sheet."""

from datetime import timedelta

from fastapi import APIRouter, HTTPException
from sqlalchemy.orm import Session

from maqueta.making.starting_sheet import blank_sheet
from maqueta.phrases.phrase import phrase
from maqueta.service.bench.answers import checked_answers, criteria_found
from maqueta.service.bench.messages import (
    AidRequest,
    ChangeRequest,
    CheckAnswer,
    DraftAnswer,
    InkAnswer,
    InkRequest,
    SaveRequest,
)
from maqueta.service.bench.receipts import receipt_of
from maqueta.service.bench.work import aided, allowed, inked, redrafted
from maqueta.service.deliveries.originals import believed
from maqueta.service.deliveries.work import judged
from maqueta.service.desk import AtDesk, SheetOnBench
from maqueta.service.exercises.answers import task_of
from maqueta.service.exercises.course import attempts_left, is_closed
from maqueta.service.exercises.set_out import set_out
from maqueta.service.exercises.work import begun
from maqueta.service.marking.answers import scope_json
from maqueta.service.sets.beside import ANY
from maqueta.service.sets.together import check_anew, meet_others
from maqueta.service.world import AnyAccount, InTransaction, Student
from maqueta.sheet.document import SheetDocument
from maqueta.store.exercises import exercise_for, extra_time
from maqueta.store.models import Account, ExerciseRecord, SheetRecord
from maqueta.store.originals import carry_original
from maqueta.store.sets import hold_set
from maqueta.store.sheets import begin_again, own_sheet, save_draft, take_in

router = APIRouter(prefix="/api/exercises")


def _checks_left(sheet: SheetRecord) -> int | None:
    """How many checks a draft has left; None for as many as wanted."""
    return task_of(sheet.exercise).checks_left(sheet.checks) if sheet.state == "draft" else 0


def _extra(session: Session, exercise: ExerciseRecord, student_id: int) -> timedelta:
    """How much longer than for the others it is open for a student: asked only of an exercise that closes at all.

    Drafts are kept every few seconds.
    """
    return extra_time(session, exercise, student_id) if exercise.closes_at is not None else timedelta()


def _draft(session: Session, sheet: SheetRecord, document: SheetDocument | None = None) -> DraftAnswer:
    """A sheet as kept; `document` where it is at hand already."""
    return DraftAnswer(
        id=sheet.id,
        state=sheet.state,  # type: ignore[arg-type]
        revision=sheet.revision,
        document=document or SheetDocument.model_validate(sheet.document),
        saved_at=sheet.saved_at,
        checks_left=_checks_left(sheet),
        attempt=sheet.attempt,
        attempts_left=attempts_left(sheet.exercise, sheet, _extra(session, sheet.exercise, sheet.student_id)),
        handed_in_at=sheet.handed_in_at,
        receipt=sheet.receipt,
    )


def _still_open(session: Session, exercise: ExerciseRecord, student: Account) -> None:
    """Raises HTTPException 403 where nothing is taken any more."""
    if is_closed(exercise, _extra(session, exercise, student.id)):
        raise HTTPException(403, phrase("exercise-closed"))


@router.get("/{exercise_id}/sheet")
def own(exercise_id: int, student: Student, session: InTransaction, at: AtDesk) -> DraftAnswer:
    """The student's sheet, or the one the exercise starts from."""
    exercise = exercise_for(session, student, exercise_id)
    sheet = own_sheet(session, student, exercise.id)
    if sheet is not None:
        return _draft(session, sheet)
    task = task_of(exercise)
    # A blank sheet needs no part: it opens even where the part cannot be made.
    document = at.run(begun, set_out(at, at.desk_of(exercise, student))) if task.laid_out else blank_sheet(task)
    left = attempts_left(exercise, None, _extra(session, exercise, student.id))
    return DraftAnswer(
        id=None,
        state="draft",
        revision=0,
        document=document,
        saved_at=None,
        checks_left=task.checks_left(0),
        attempts_left=left - 1,
    )


@router.put("/{exercise_id}/sheet")
def save(exercise_id: int, form: SaveRequest, student: Student, session: InTransaction, at: AtDesk) -> DraftAnswer:
    """Keep a draft. 409 when another tab saved in between: nothing is overwritten."""
    exercise = exercise_for(session, student, exercise_id)
    _still_open(session, exercise, student)
    if task_of(exercise).drafting.kind != "projected" and any(view.lines is None for view in form.document.views):
        at.run(allowed, at.desk_of(exercise, student), form.document)
    document = believed(session, student, exercise, form.document)
    kept = save_draft(session, student, exercise, document.model_dump(mode="json"), form.base)
    return _draft(session, kept, document)


@router.post("/{exercise_id}/sheet/check")
def check_draft(exercise_id: int, student: Student, session: InTransaction, at: AtDesk) -> CheckAnswer:
    """What a check of the draft finds, as often as the exercise allows one; nothing of it is kept but that it was made.

    A check that comes to no result is none.
    """
    exercise = exercise_for(session, student, exercise_id)
    task, sheet = task_of(exercise), own_sheet(session, student, exercise.id)
    if sheet is None or _checks_left(sheet) == 0:
        raise HTTPException(403, phrase("no-check-left"))
    desk = at.in_its_set(at.desk_of(exercise, student), exercise, student.id, ANY)
    result = at.run(judged, desk, SheetDocument.model_validate(sheet.document))
    # Looked at again under a lock: another tab may have asked meanwhile.
    sheet = own_sheet(session, student, exercise.id, lock=True)
    if sheet is None or _checks_left(sheet) == 0:
        raise HTTPException(403, phrase("no-check-left"))
    sheet.checks += 1
    full = task.course == "practice" or task.checks_tell == "reasons"
    return CheckAnswer(
        findings=checked_answers(result.measured) if full else [],
        criteria=criteria_found(result.measured),
        checks_left=_checks_left(sheet),
    )


@router.post("/{exercise_id}/sheet/hand-in")
def finish(exercise_id: int, form: SaveRequest, student: Student, session: InTransaction, at: AtDesk) -> DraftAnswer:
    """Save, check and hand in, all or nothing. Handing in twice is handing in once."""
    exercise = exercise_for(session, student, exercise_id)
    before = own_sheet(session, student, exercise.id)
    if before is not None and before.state != "draft":
        return _draft(session, before)
    _still_open(session, exercise, student)
    if form.document.is_blank:
        raise HTTPException(422, phrase("no-view-to-hand-in"))
    desk = at.in_its_set(at.desk_of(exercise, student), exercise, student.id)
    result = at.run(judged, desk, believed(session, student, exercise, form.document))
    # Looked at again under a lock: another tab may have been quicker meanwhile.
    hold_set(session, exercise)
    before = own_sheet(session, student, exercise.id, lock=True)
    if before is not None and before.state != "draft":
        return _draft(session, before)
    met = meet_others(session, at.world.files, exercise, student.id, desk)
    document = result.document.model_dump(mode="json")
    scope, receipt = scope_json(result.scope), receipt_of(document)
    sheet = take_in(session, student, exercise, document, form.base, result.measured, scope, receipt)
    met.settle(sheet)
    check_anew(at, met)
    return _draft(session, sheet)


@router.post("/{exercise_id}/sheet/attempt")
def again(exercise_id: int, student: Student, session: InTransaction) -> DraftAnswer:
    """Begin another attempt where the last one stands. Beginning twice is beginning once."""
    exercise = exercise_for(session, student, exercise_id)
    last = own_sheet(session, student, exercise.id)
    if last is None or last.state == "draft":
        raise HTTPException(409, phrase("attempt-under-way"))
    if attempts_left(exercise, last, _extra(session, exercise, student.id)) <= 0:
        raise HTTPException(409, phrase("no-attempt-left"))
    begun_again = begin_again(session, last)
    carry_original(session, last, begun_again)
    return _draft(session, begun_again)


@router.post("/{exercise_id}/ink")
def ink(exercise_id: int, form: InkRequest, account: AnyAccount, at: AtDesk, sheet: SheetOnBench = None) -> InkAnswer:
    """A document as ink."""
    return at.run(inked, at.at_work(account, exercise_id, sheet).desk, form.document)


@router.post("/{exercise_id}/sheet/aid")
def aid(
    exercise_id: int, form: AidRequest, account: AnyAccount, at: AtDesk, sheet: SheetOnBench = None
) -> SheetDocument:
    """A sheet after a help: gaps evened out, lacking centre lines added, scale proposed.

    Students have those the exercise allows.
    """
    work = at.at_work(account, exercise_id, sheet)
    if account.role == "student" and form.aid not in task_of(work.exercise).aids:
        raise HTTPException(403, phrase("left-to-you"))
    return at.run(aided, work.desk, form.document, form.aid)


@router.post("/{exercise_id}/sheet/change")
def change_lines(
    exercise_id: int, form: ChangeRequest, account: AnyAccount, at: AtDesk, sheet: SheetOnBench = None
) -> SheetDocument:
    """A sheet after one change to a line drafted by hand. 422 says why a change cannot be made."""
    desk = at.at_work(account, exercise_id, sheet).desk
    return at.run(redrafted, desk, form.document, form.view, form.change, form.reach)
