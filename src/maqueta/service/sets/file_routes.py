"""A file that holds sheets of a set, brought in by its student: every page becomes the draft it is found to be."""

from collections.abc import Sequence

from fastapi import APIRouter, HTTPException, UploadFile

from maqueta.phrases.phrase import phrase
from maqueta.service.deliveries.originals import Upload, keep
from maqueta.service.deliveries.reading import document_of, read_page
from maqueta.service.desk import AtDesk, DeskPlace
from maqueta.service.desk_work import Desk
from maqueta.service.exercises.course import is_closed
from maqueta.service.sets.file_work import FoundPage
from maqueta.service.sets.messages import BroughtPage
from maqueta.service.sets.telling_apart import told_apart
from maqueta.service.uploaded import uploaded_sheet
from maqueta.service.world import InTransaction, Student
from maqueta.sheet.document import SheetDocument
from maqueta.store.exercises import extra_time
from maqueta.store.models import Account, ExerciseRecord
from maqueta.store.sets import exercises_of_set
from maqueta.store.sheets import own_sheet, save_draft

router = APIRouter(prefix="/api/sets")


@router.post("/{set_id}/files")
def bring_in(set_id: int, file: UploadFile, student: Student, session: InTransaction, at: AtDesk) -> list[BroughtPage]:
    """Read the pages of a file and lay each on the bench of the sheet it is found to be; the file is kept beside it.

    A sheet that something is drawn on already is never replaced.
    """
    exercises = exercises_of_set(session, student, set_id)
    if any(is_closed(exercise, extra_time(session, exercise, student.id)) for exercise in exercises):
        raise HTTPException(403, phrase("exercise-closed"))
    data, name = uploaded_sheet(at.world.settings, file)
    desks = [at.desk_of(exercise, student) for exercise in exercises]
    found = told_apart(at, exercises, desks, data, name)
    if found.refused is not None:
        raise HTTPException(422, phrase("draft-file-refused", file=name, reason=found.refused))
    taken: set[int] = set()
    brought = []
    for page in found.pages:
        brought.append(_brought(at, student, exercises, desks, Upload(data, name, page.page), page, taken))
        if page.place is not None:
            taken.add(page.place)
    return brought


def _brought(
    at: DeskPlace,
    student: Account,
    exercises: Sequence[ExerciseRecord],
    desks: Sequence[Desk],
    upload: Upload,
    page: FoundPage,
    taken: set[int],
) -> BroughtPage:
    """One page on the bench of its sheet, or why not."""
    if page.place is None:
        why = page.refused if page.refused is not None else phrase("page-is-none-of-the-set")
        return BroughtPage(page=page.page, exercise=None, title="", why=why)
    exercise, session = exercises[page.place], at.session
    told = BroughtPage(page=page.page, exercise=exercise.id, title=exercise.title, why=None)
    if page.place in taken:
        return told.model_copy(update={"why": phrase("page-came-before")})
    sheet = own_sheet(session, student, exercise.id)
    if sheet is not None and (sheet.state != "draft" or not SheetDocument.model_validate(sheet.document).is_blank):
        why = phrase("already-handed-in") if sheet.state != "draft" else phrase("page-would-replace")
        return told.model_copy(update={"why": why})
    base = sheet.revision if sheet is not None else 0
    work = read_page(at, desks[page.place], upload.data, upload.page)
    if work.refused is not None:
        return told.model_copy(update={"why": work.refused})
    document = document_of(work, upload.name)
    kept = save_draft(session, student, exercise, document.model_dump(mode="json"), base)
    keep(at.world.files, session, (student, exercise, kept.attempt), upload, work)
    return told.model_copy(update={"not_read": len(work.not_read)})
