"""The model answer of an exercise: proposed by the program, changed by its instructor, compared with by students."""

from fastapi import APIRouter, HTTPException, Response

from maqueta.checking.model_sheet import Drafter, dimensioned, model_sheet
from maqueta.dimensioning.form_model import undimensioned
from maqueta.dimensioning.proposal import Datum
from maqueta.dimensioning.sides import end_at
from maqueta.service.drawings import DrawingKind, drawing
from maqueta.service.forms import DraftForm, SaveForm
from maqueta.service.present import task_of
from maqueta.service.reading_forms import ProposalRequest
from maqueta.service.world import AnyAccount, Instructor, InTransaction, InWorld, World
from maqueta.sheet.document import SheetDocument
from maqueta.store.exercises import exercise_for, model_answer, own_sheet, save_model_answer
from maqueta.store.models import ExerciseRecord, ModelAnswerRecord

router = APIRouter(prefix="/api/exercises")


def _form(document: SheetDocument, record: ModelAnswerRecord | None) -> DraftForm:
    return DraftForm(
        id=None,
        state="draft",
        revision=record.revision if record else 0,
        document=document,
        saved_at=record.saved_at if record else None,
    )


def _document(world: World, exercise: ExerciseRecord, record: ModelAnswerRecord | None) -> SheetDocument:
    if record is not None:
        return SheetDocument.model_validate(record.document)
    drafter = Drafter("Model answer", exercise.school_class.name, f"{exercise.due_at:%Y-%m-%d}")
    return model_sheet(world.dossiers.get(exercise.version), task_of(exercise), drafter)


@router.get("/{exercise_id}/answer")
def answer(exercise_id: int, instructor: Instructor, session: InTransaction, world: InWorld) -> DraftForm:
    """The model answer as its instructor left it, or as proposed."""
    exercise = exercise_for(session, instructor, exercise_id)
    record = model_answer(session, exercise)
    return _form(_document(world, exercise, record), record)


@router.put("/{exercise_id}/answer")
def save_answer(exercise_id: int, form: SaveForm, instructor: Instructor, session: InTransaction) -> DraftForm:
    """Keep a changed model answer. 409 when another tab saved in between: nothing is overwritten."""
    exercise = exercise_for(session, instructor, exercise_id)
    record = save_model_answer(session, exercise, form.document.model_dump(mode="json"), form.base)
    return _form(form.document, record)


@router.post("/{exercise_id}/answer/dimensions")
def propose_dimensions(
    exercise_id: int, form: ProposalRequest, instructor: Instructor, session: InTransaction, world: InWorld
) -> SheetDocument:
    """A sheet with a complete set of dimensions in place of its own, taken from the datum sides that are chosen."""
    exercise = exercise_for(session, instructor, exercise_id)
    projected = world.dossiers.get(exercise.version)
    if (reason := undimensioned(projected.part)) is not None:
        raise HTTPException(422, f"No dimensions can be proposed: {reason}.")
    front = next((v for v in form.document.views if v.id == form.document.front), None)
    if front is None or front.attitude is None:
        raise HTTPException(422, "There is no front view on the sheet yet.")
    attitude = front.attitude
    datum = Datum(
        width=end_at(attitude, "width", form.width),
        height=end_at(attitude, "height", form.height),
        depth=end_at(attitude, "depth", form.depth),
    )
    return dimensioned(projected, form.document, attitude, datum)


@router.get("/{exercise_id}/answer/drawing.{kind}", response_class=Response)
def answer_as_file(
    exercise_id: int, kind: DrawingKind, account: AnyAccount, session: InTransaction, world: InWorld
) -> Response:
    """The model answer as a file; for a student once the own sheet is returned."""
    exercise = exercise_for(session, account, exercise_id)
    if account.role == "student":
        own = own_sheet(session, account, exercise.id)
        if own is None or own.state != "returned" or exercise.varied:
            raise HTTPException(403, "The model answer can be seen once your sheet is returned.")
    projected = world.dossiers.get(exercise.version)
    document = _document(world, exercise, model_answer(session, exercise))
    title = f"{exercise.title} - model answer"
    return drawing(projected, document, kind, title, f"answer-{exercise.id}")
