"""The bench: a student's own sheet."""

from fastapi import APIRouter, HTTPException

from maqueta.checking.report import check
from maqueta.checking.scale import proposed
from maqueta.checking.starting_sheet import blank_sheet, starting_sheet
from maqueta.checking.survey import Survey
from maqueta.dimensioning.centre_marks import lacking_marks
from maqueta.reading.laid import laid
from maqueta.service.forms import AidRequest, ChangeRequest, DraftForm, InkForm, InkRequest, SaveForm
from maqueta.service.left_to_hand import refuse_projected
from maqueta.service.present import FINDING, task_of
from maqueta.service.present_ink import ink_form
from maqueta.service.variation import version_for, version_of
from maqueta.service.world import AnyAccount, InTransaction, InWorld, Student
from maqueta.sheet.document import MOST_MARKS, SheetDocument
from maqueta.sheet.drafting import DraftingError, changed
from maqueta.sheet.evened import evened, rescaled
from maqueta.sheet.placed import placed_views
from maqueta.solid.unit import MILLIMETRES
from maqueta.store.exercises import exercise_for, hand_in, own_sheet, save_draft
from maqueta.store.models import SheetRecord

router = APIRouter(prefix="/api/exercises")


def _draft(sheet: SheetRecord) -> DraftForm:
    return DraftForm(
        id=sheet.id,
        state=sheet.state,  # type: ignore[arg-type]
        revision=sheet.revision,
        document=SheetDocument.model_validate(sheet.document),
        saved_at=sheet.saved_at,
    )


@router.get("/{exercise_id}/sheet")
def own(exercise_id: int, student: Student, session: InTransaction, world: InWorld) -> DraftForm:
    """The student's sheet, or the one the exercise starts from."""
    exercise = exercise_for(session, student, exercise_id)
    sheet = own_sheet(session, student, exercise.id)
    if sheet is None:
        task = task_of(exercise)
        # A blank sheet needs no part: it opens even where the part cannot be made.
        document = blank_sheet(task)
        if task.drafting.given:
            document = starting_sheet(world.dossiers.get(version_for(world, session, exercise, student.id)), task)
        return DraftForm(id=None, state="draft", revision=0, document=document, saved_at=None)
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
    projected = world.dossiers.get(version_for(world, session, exercise, student.id))
    task = task_of(exercise)
    refuse_projected(projected, task, form.document)
    document = laid(projected, form.document, task.tolerance_mm)
    sheet = save_draft(session, student, exercise, document.model_dump(mode="json"), form.base)
    result = check(projected, task, document)
    measured = [(finding.rule, FINDING.dump_python(finding, mode="json")) for finding in result.findings]
    hand_in(session, sheet, measured)
    return _draft(sheet)


@router.post("/{exercise_id}/ink")
def ink(exercise_id: int, form: InkRequest, account: AnyAccount, session: InTransaction, world: InWorld) -> InkForm:
    """A document as ink."""
    exercise = exercise_for(session, account, exercise_id)
    projected, task = world.dossiers.get(version_of(world, session, exercise, account)), task_of(exercise)
    if account.role == "student":
        refuse_projected(projected, task, form.document)
    return ink_form(Survey(projected, task, form.document))


@router.post("/{exercise_id}/sheet/aid")
def aid(
    exercise_id: int, form: AidRequest, account: AnyAccount, session: InTransaction, world: InWorld
) -> SheetDocument:
    """A sheet after a help: gaps evened out, lacking centre lines added, scale proposed.

    Students have those the exercise allows.
    """
    exercise = exercise_for(session, account, exercise_id)
    if account.role == "student" and form.aid not in task_of(exercise).aids:
        raise HTTPException(403, "This exercise leaves that to you.")
    projected = world.dossiers.get(version_of(world, session, exercise, account))
    if form.aid == "even gaps":
        return evened(projected, form.document)
    if form.aid == "scale":
        best = proposed(Survey(projected, task_of(exercise), form.document))
        if best is None:
            raise HTTPException(422, "No recommended scale leaves room for dimensions on this paper.")
        return rescaled(projected, form.document, best)
    # Where a drafted view stands is settled when it is handed in; marks put there now would give its lines away.
    shown = [item for item in placed_views(projected, form.document) if item.view.lines is None]
    lacking = lacking_marks(projected, shown, form.document.marks)
    return form.document.model_copy(update={"marks": (*form.document.marks, *lacking)[:MOST_MARKS]})


@router.post("/{exercise_id}/sheet/change")
def change_lines(
    exercise_id: int, form: ChangeRequest, account: AnyAccount, session: InTransaction, world: InWorld
) -> SheetDocument:
    """A sheet after one change to a line drafted by hand. 422 says why a change cannot be made."""
    exercise = exercise_for(session, account, exercise_id)
    unit = world.dossiers.get(version_of(world, session, exercise, account)).part.unit
    view = next((view for view in form.document.views if view.id == form.view), None)
    if view is None or view.lines is None:
        raise HTTPException(404, "There is no drafted view of this name on the sheet.")
    reach = form.reach / (view.scale * MILLIMETRES[unit])
    try:
        lines = changed(view.lines, form.change, reach)
    except DraftingError as error:
        raise HTTPException(422, str(error)) from error
    again = view.model_copy(update={"lines": lines})
    views = tuple(again if own.id == view.id else own for own in form.document.views)
    return form.document.model_copy(update={"views": views})
