"""What stands in the title block of one sheet of a set written into those of its others."""

from fastapi import APIRouter, HTTPException

from maqueta.making.starting_sheet import blank_sheet
from maqueta.making.title_filled import title_carried
from maqueta.phrases.phrase import phrase
from maqueta.service.exercises.answers import task_of
from maqueta.service.exercises.course import is_closed
from maqueta.service.messages import Number
from maqueta.service.sets.messages import TitleBlockRequest
from maqueta.service.world import InTransaction, Student
from maqueta.sheet.document import SheetDocument
from maqueta.store.exercises import extra_time
from maqueta.store.models import SheetRecord
from maqueta.store.sets import exercises_of_set
from maqueta.store.sheets import own_sheet, save_draft
from maqueta.task.exercise import Exercise

router = APIRouter(prefix="/api/sets")


@router.post("/{set_id}/title-block")
def carry(set_id: int, form: TitleBlockRequest, student: Student, session: InTransaction) -> Number:
    """Write who draws, where and when, tolerances and the symbol of projection into the other sheets that are drafts,
    or begin blank and are not begun, where nothing stands there yet; into how many. Doing so twice is doing so once.
    """
    exercises = exercises_of_set(session, student, set_id)
    if form.exercise not in {exercise.id for exercise in exercises}:
        raise HTTPException(404, phrase("no-such-sheet-in-set"))
    source = own_sheet(session, student, form.exercise)
    if source is None:
        raise HTTPException(422, phrase("title-block-blank"))
    given = SheetDocument.model_validate(source.document)
    written = 0
    for exercise in exercises:
        sheet = own_sheet(session, student, exercise.id)
        before = _blank(task_of(exercise)) if sheet is None else _draft(sheet)
        closed = is_closed(exercise, extra_time(session, exercise, student.id))
        if exercise.id == form.exercise or before is None or closed:
            continue
        after = title_carried(given, before)
        if after != before:
            base = sheet.revision if sheet is not None else 0
            save_draft(session, student, exercise, after.model_dump(mode="json"), base)
            written += 1
    return Number(number=written)


def _blank(task: Exercise) -> SheetDocument | None:
    """The blank sheet an exercise begins with; None where something is laid out on it: to write on that is to begin."""
    return blank_sheet(task) if not task.laid_out else None


def _draft(sheet: SheetRecord) -> SheetDocument | None:
    return SheetDocument.model_validate(sheet.document) if sheet.state == "draft" else None
