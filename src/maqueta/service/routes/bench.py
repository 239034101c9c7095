"""The bench: a student's own sheet."""

from fastapi import APIRouter, HTTPException

from maqueta.checking.report import check
from maqueta.checking.survey import Survey
from maqueta.dimensioning.centre_marks import lacking_marks
from maqueta.service.forms import AidRequest, DraftForm, InkForm, InkRequest, SaveForm
from maqueta.service.present import FINDING, ink_form, task_of
from maqueta.service.variation import version_for
from maqueta.service.world import AnyAccount, InTransaction, InWorld, Student
from maqueta.sheet.document import MOST_MARKS, Paper, SheetDocument, TitleBlock
from maqueta.sheet.evened import evened
from maqueta.sheet.placed import placed_views
from maqueta.store.exercises import exercise_for, hand_in, own_sheet, save_draft
from maqueta.store.models import ExerciseRecord, SheetRecord

router = APIRouter(prefix="/api/exercises")


def _empty(exercise: ExerciseRecord) -> SheetDocument:
    """A blank sheet: the paper of the exercise is only proposed, everything else is the student's choice."""
    task = task_of(exercise)
    return SheetDocument(
        paper=Paper(size=task.paper, landscape=task.landscape),
        units=task.units,
        style=task.dimensioning.style or ("iso" if task.units == "mm" else "asme"),
        decimals=task.decimals,
        title=TitleBlock(),
    )


def _draft(sheet: SheetRecord) -> DraftForm:
    return DraftForm(
        id=sheet.id,
        state=sheet.state,  # type: ignore[arg-type]
        revision=sheet.revision,
        document=SheetDocument.model_validate(sheet.document),
        saved_at=sheet.saved_at,
    )


@router.get("/{exercise_id}/sheet")
def own(exercise_id: int, student: Student, session: InTransaction) -> DraftForm:
    """The student's sheet, or a blank one."""
    exercise = exercise_for(session, student, exercise_id)
    sheet = own_sheet(session, student, exercise.id)
    if sheet is None:
        return DraftForm(id=None, state="draft", revision=0, document=_empty(exercise), saved_at=None)
    return _draft(sheet)


@router.put("/{exercise_id}/sheet")
def save(exercise_id: int, form: SaveForm, student: Student, session: InTransaction) -> DraftForm:
    """Keep a draft. 409 when another tab saved in between: nothing is overwritten."""
    exercise = exercise_for(session, student, exercise_id)
    return _draft(save_draft(session, student, exercise, form.document.model_dump(mode="json"), form.base))


@router.post("/{exercise_id}/sheet/hand-in")
def finish(exercise_id: int, form: SaveForm, student: Student, session: InTransaction, world: InWorld) -> DraftForm:
    """Save, check and hand in, all or nothing. Handing in twice is handing in once."""
    exercise = exercise_for(session, student, exercise_id)
    before = own_sheet(session, student, exercise.id, lock=True)
    if before is not None and before.state != "draft":
        return _draft(before)
    if not form.document.views:
        raise HTTPException(422, "There is no view on the sheet yet. Nothing was handed in; your draft is kept.")
    sheet = save_draft(session, student, exercise, form.document.model_dump(mode="json"), form.base)
    result = check(
        world.dossiers.get(version_for(world, session, exercise, student.id)), task_of(exercise), form.document
    )
    measured = [(finding.rule, FINDING.dump_python(finding, mode="json")) for finding in result.findings]
    hand_in(session, sheet, measured)
    return _draft(sheet)


@router.post("/{exercise_id}/ink")
def ink(exercise_id: int, form: InkRequest, account: AnyAccount, session: InTransaction, world: InWorld) -> InkForm:
    """A document as ink."""
    exercise = exercise_for(session, account, exercise_id)
    version = version_for(world, session, exercise, account.id) if account.role == "student" else exercise.version
    return ink_form(Survey(world.dossiers.get(version), task_of(exercise), form.document))


@router.post("/{exercise_id}/sheet/aid")
def aid(exercise_id: int, form: AidRequest, student: Student, session: InTransaction, world: InWorld) -> SheetDocument:
    """A sheet after a help that the exercise allows: gaps evened out, or lacking centre marks and lines added."""
    exercise = exercise_for(session, student, exercise_id)
    if form.aid not in task_of(exercise).aids:
        raise HTTPException(403, "This exercise leaves that to you.")
    projected = world.dossiers.get(version_for(world, session, exercise, student.id))
    if form.aid == "even gaps":
        return evened(projected, form.document)
    lacking = lacking_marks(projected, placed_views(projected, form.document), form.document.marks)
    return form.document.model_copy(update={"marks": (*form.document.marks, *lacking)[:MOST_MARKS]})
