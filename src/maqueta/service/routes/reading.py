"""The reader's eye: what the dimensions of a sheet determine."""

from fastapi import APIRouter, HTTPException
from sqlalchemy.orm import Session

from maqueta.checking.dimension_survey import DimensionSurvey
from maqueta.checking.exercise import Exercise, Insight
from maqueta.checking.readers_eye import readers_eye
from maqueta.checking.survey import Survey
from maqueta.service.forms import InkRequest
from maqueta.service.kernel_work import unpacked_mesh
from maqueta.service.left_to_hand import refuse_projected
from maqueta.service.present import task_of
from maqueta.service.present_reading import motion_form, reading_form
from maqueta.service.reading_forms import MotionForm, MotionRequest, ReadingForm
from maqueta.service.variation import version_for, version_of
from maqueta.service.world import AnyAccount, InTransaction, InWorld, World
from maqueta.sheet.document import SheetDocument
from maqueta.store.exercises import exercise_for, readable_sheet
from maqueta.store.models import Account, ExerciseRecord, VersionRecord

router = APIRouter(prefix="/api")


@router.post("/exercises/{exercise_id}/reading")
def reading(
    exercise_id: int, form: InkRequest, account: AnyAccount, session: InTransaction, world: InWorld
) -> ReadingForm:
    """A sheet on the bench as it is being dimensioned, as far as the exercise lets a student see it."""
    exercise = exercise_for(session, account, exercise_id)
    insight = _insight(task_of(exercise), account)
    if insight == "nothing":
        return ReadingForm(insight=insight)
    return reading_form(_on_the_bench(session, world, exercise, account, form.document)[1], insight)


@router.post("/exercises/{exercise_id}/reading/motion")
def motion(
    exercise_id: int, form: MotionRequest, account: AnyAccount, session: InTransaction, world: InWorld
) -> MotionForm:
    """One open size of a sheet on the bench, on the model."""
    exercise = exercise_for(session, account, exercise_id)
    task = task_of(exercise)
    hidden = account.role == "student" and not task.drafting.shown
    if hidden or _insight(task, account) not in ("places", "everything"):
        raise HTTPException(403, "This exercise leaves that to you.")
    return _motion(world, *_on_the_bench(session, world, exercise, account, form.document), form.place)


@router.get("/sheets/{sheet_id}/reading")
def sheet_reading(sheet_id: int, account: AnyAccount, session: InTransaction, world: InWorld) -> ReadingForm:
    """A sheet under review, or returned: everything."""
    _, dimensions, insight = _reviewed(session, world, account, sheet_id)
    return reading_form(dimensions, insight, reviewed=True)


@router.get("/sheets/{sheet_id}/reading/{place}")
def sheet_motion(sheet_id: int, place: int, account: AnyAccount, session: InTransaction, world: InWorld) -> MotionForm:
    """One open size of a sheet under review, on the model."""
    version, dimensions, insight = _reviewed(session, world, account, sheet_id)
    if insight == "nothing":
        raise HTTPException(403, "The sheet is not returned yet.")
    return _motion(world, version, dimensions, place)


def _insight(task: Exercise, account: Account) -> Insight:
    if not task.dimensioning.required:
        return "nothing"
    return task.dimensioning.insight if account.role == "student" else "everything"


def _read(world: World, version: VersionRecord, task: Exercise, document: SheetDocument) -> DimensionSurvey:
    return DimensionSurvey(Survey(world.dossiers.get(version), task, document))


def _on_the_bench(
    session: Session, world: World, exercise: ExerciseRecord, account: Account, document: SheetDocument
) -> tuple[VersionRecord, DimensionSurvey]:
    """A sheet as it stands; refused where a student has it show what is left to the hand."""
    version, task = version_of(world, session, exercise, account), task_of(exercise)
    dimensions = _read(world, version, task, document)
    if account.role == "student":
        refuse_projected(dimensions.survey.projected, task, document)
    return version, dimensions


def _reviewed(
    session: Session, world: World, account: Account, sheet_id: int
) -> tuple[VersionRecord, DimensionSurvey, Insight]:
    """A sheet with what its reader may see: all for who reviews it, for its student once it is returned."""
    sheet = readable_sheet(session, account, sheet_id)
    task = task_of(sheet.exercise)
    version = version_for(world, session, sheet.exercise, sheet.student_id)
    shown = task.dimensioning.required and (account.role == "instructor" or sheet.state == "returned")
    document = SheetDocument.model_validate(sheet.document)
    return version, _read(world, version, task, document), "everything" if shown else "nothing"


def _motion(world: World, version: VersionRecord, dimensions: DimensionSurvey, place: int) -> MotionForm:
    if dimensions.reason is not None or version.mesh is None:
        raise HTTPException(409, "There is no model to show this on.")
    sizes = readers_eye(dimensions).open
    if place >= len(sizes):
        raise HTTPException(404, "That is determined by now.")
    return motion_form(dimensions, sizes[place], unpacked_mesh(world.files.get(version.mesh)))
