"""The model answer of an exercise: proposed by the program, changed by its instructor, compared with by students."""

from fastapi import APIRouter, HTTPException, Response

from maqueta.phrases.phrase import phrase
from maqueta.service.bench.drawings import DrawingKind, drawing_response
from maqueta.service.bench.messages import DraftAnswer, SaveRequest
from maqueta.service.bench.readers_eye_messages import ProposalRequest
from maqueta.service.bench.work import answer_looks, answered, dimensions_proposed, drawn
from maqueta.service.desk import AtDesk, DeskPlace
from maqueta.service.exercises.answers import drafter_of, task_of
from maqueta.service.exercises.course import is_over
from maqueta.service.world import AnyAccount, Instructor, InTransaction
from maqueta.sheet.document import SheetDocument
from maqueta.store.exercises import exercise_for, extra_time, model_answer, save_model_answer
from maqueta.store.models import ExerciseRecord, ModelAnswerRecord
from maqueta.store.sheets import own_sheets

router = APIRouter(prefix="/api/exercises")


def _form(document: SheetDocument, record: ModelAnswerRecord | None) -> DraftAnswer:
    return DraftAnswer(
        id=None,
        state="draft",
        revision=record.revision if record else 0,
        document=document,
        saved_at=record.saved_at if record else None,
    )


def _document(at: DeskPlace, exercise: ExerciseRecord, record: ModelAnswerRecord | None) -> SheetDocument:
    if record is not None:
        return SheetDocument.model_validate(record.document)
    drafter = drafter_of("Model answer", exercise, exercise.due_at)
    desk = at.desk(exercise.version, task_of(exercise))
    if desk.task.asked_specially or desk.task.shows == "pulled apart":
        desk = at.seen_so(desk, at.run(answer_looks, desk))
    return at.run(answered, desk, drafter)


@router.get("/{exercise_id}/answer")
def answer(exercise_id: int, instructor: Instructor, session: InTransaction, at: AtDesk) -> DraftAnswer:
    """The model answer as its instructor left it, or as proposed."""
    exercise = exercise_for(session, instructor, exercise_id)
    record = model_answer(session, exercise)
    return _form(_document(at, exercise, record), record)


@router.put("/{exercise_id}/answer")
def save_answer(exercise_id: int, form: SaveRequest, instructor: Instructor, session: InTransaction) -> DraftAnswer:
    """Keep a changed model answer. 409 when another tab saved in between: nothing is overwritten."""
    exercise = exercise_for(session, instructor, exercise_id)
    record = save_model_answer(session, exercise, form.document.model_dump(mode="json"), form.base)
    return _form(form.document, record)


@router.post("/{exercise_id}/answer/dimensions")
def propose_dimensions(
    exercise_id: int, form: ProposalRequest, instructor: Instructor, session: InTransaction, at: AtDesk
) -> SheetDocument:
    """A sheet with a complete set of dimensions in place of its own, taken from the datum sides that are chosen."""
    exercise = exercise_for(session, instructor, exercise_id)
    return at.run(
        dimensions_proposed,
        at.desk(exercise.version, task_of(exercise)),
        form.document,
        form.width,
        form.height,
        form.depth,
    )


@router.get("/{exercise_id}/answer/drawing.{kind}", response_class=Response)
def answer_as_file(
    exercise_id: int, kind: DrawingKind, account: AnyAccount, session: InTransaction, at: AtDesk
) -> Response:
    """The model answer as a file; for a student once the own sheet is returned and no other can follow."""
    exercise = exercise_for(session, account, exercise_id)
    if account.role == "student":
        own = own_sheets(session, account, [exercise.id])
        if exercise.varied or not is_over(exercise, own, extra_time(session, exercise, account.id)):
            raise HTTPException(403, phrase("answer-after-return"))
    document = _document(at, exercise, model_answer(session, exercise))
    desk = at.desk(exercise.version, task_of(exercise))
    data = at.run(drawn, desk, document, kind, f"{exercise.title} - model answer")
    return drawing_response(data, kind, f"answer-{exercise.id}", at.request)
