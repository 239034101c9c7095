"""Sheets delivered as files: a student's own, or a whole class's."""

from typing import Annotated, Final

from fastapi import APIRouter, Form, HTTPException, UploadFile

from maqueta.phrases.phrase import phrase
from maqueta.reading.limits import MOST_PAGES
from maqueta.service.deliveries.messages import CorrectionRequest, DeliveryAnswer, ReadSheetAnswer
from maqueta.service.deliveries.originals import Upload, keep
from maqueta.service.deliveries.pinning import by_file, pin_up, unknown
from maqueta.service.deliveries.reading import document_of, read_page
from maqueta.service.deliveries.work import Wanted, mended, recognised
from maqueta.service.desk import AtDesk, SheetOnBench
from maqueta.service.exercises.answers import task_of
from maqueta.service.exercises.variation import version_for
from maqueta.service.uploaded import uploaded_sheet
from maqueta.service.world import AnyAccount, Instructor, InTransaction, Student
from maqueta.store.classes import students_of
from maqueta.store.exercises import exercise_for
from maqueta.store.sheets import own_sheet

router = APIRouter(prefix="/api/exercises")


#: The page of a file that is read, from 1.
Page = Annotated[int, Form(ge=1, le=MOST_PAGES)]
FirstPage = Annotated[int | None, Form(ge=1, le=MOST_PAGES)]
#: So many pages are looked through for the first one that is a sheet.
_LOOKED_THROUGH: Final = 4


@router.post("/{exercise_id}/sheet/file")
def read_file(
    exercise_id: int, file: UploadFile, student: Student, session: InTransaction, at: AtDesk, page: FirstPage = None
) -> ReadSheetAnswer:
    """Read a page of a student's own file, or the first one that is a sheet.

    What was read the bench keeps as a draft; the file is kept beside it.
    """
    exercise = exercise_for(session, student, exercise_id)
    data, name = uploaded_sheet(at.world.settings, file)
    desk = at.desk_of(exercise, student)
    found = page or 1
    work = read_page(at, desk, data, found)
    while page is None and not work.views and found < min(work.pages, _LOOKED_THROUGH):
        found += 1
        work = read_page(at, desk, data, found)
    if work.refused is not None:
        raise HTTPException(422, phrase("draft-file-refused", file=name, reason=work.refused))
    answer = at.run(recognised, desk, document_of(work, name), list(work.not_read))
    sheet = own_sheet(session, student, exercise.id)
    if sheet is None or sheet.state == "draft":
        whose = (student, exercise, 1 if sheet is None else sheet.attempt)
        keep(at.world.files, session, whose, Upload(data, name, found), work)
    return answer.model_copy(update={"page": found, "pages": work.pages})


@router.post("/{exercise_id}/sheet/correction")
def correct(
    exercise_id: int, form: CorrectionRequest, account: AnyAccount, at: AtDesk, sheet: SheetOnBench = None
) -> ReadSheetAnswer:
    """Take one view of a delivered sheet for what is said that it is, and tell what all views are taken for."""
    desk = at.at_work(account, exercise_id, sheet).desk
    if form.view is None or form.said is None:
        return at.run(recognised, desk, form.document, [])
    while isinstance(answer := at.run(mended, desk, form.document, form.view, form.said, form.of), Wanted):
        desk = at.seen_so(desk, answer.looks)
    return answer


@router.post("/{exercise_id}/deliveries")
def take_delivery(
    exercise_id: int,
    file: UploadFile,
    instructor: Instructor,
    session: InTransaction,
    at: AtDesk,
    student: Annotated[int | None, Form()] = None,
    page: Page = 1,
) -> DeliveryAnswer:
    """Read one page of a file of a class, check it and pin it up for its student.

    The student is told by the file's name or the title block.

    A sheet that is already handed in is never replaced.
    """
    exercise = exercise_for(session, instructor, exercise_id)
    data, name = uploaded_sheet(at.world.settings, file)
    people = students_of(session, exercise.class_id)
    asked = next((person for person in people if person.id == student), None)
    if student is not None and asked is None:
        raise HTTPException(404, phrase("no-such-student"))
    known = asked or by_file(people, name)
    if exercise.varied and known is None:
        return unknown(people, phrase("whose-sheet-varied"))
    version = version_for(at.world, session, exercise, known.id) if known is not None else exercise.version
    desk = at.desk(version, task_of(exercise))
    work = read_page(at, desk, data, page)
    if work.refused is not None and work.pages == 1:
        raise HTTPException(422, phrase("file-refused", file=name, reason=work.refused))
    if work.refused is not None:
        # Another page may be a sheet.
        return unknown([], work.refused, work.pages)
    return pin_up(at, exercise, people, asked, desk, Upload(data, name, page), work)
