"""Sheets delivered as files: a student's own, or a whole class's."""

from pathlib import PurePath
from typing import Annotated, Final

from fastapi import APIRouter, Form, HTTPException, UploadFile

from maqueta.phrases.phrase import Phrase, phrase
from maqueta.reading.pdf.file import MOST_PAGES
from maqueta.service.bench.receipts import receipt_of
from maqueta.service.deliveries.file_work import SheetWork
from maqueta.service.deliveries.messages import CorrectionRequest, DeliveryAnswer, ReadSheetAnswer, StudentName
from maqueta.service.deliveries.originals import Upload, keep
from maqueta.service.deliveries.work import Wanted, judged, mended, recognised
from maqueta.service.desk import AtDesk, DeskPlace
from maqueta.service.desk_work import Desk
from maqueta.service.exercises.answers import task_of
from maqueta.service.exercises.variation import version_for
from maqueta.service.marking.answers import scope_json
from maqueta.service.shelf.looks import Drawn, in_looks
from maqueta.service.uploaded import uploaded_sheet
from maqueta.service.world import Instructor, InTransaction, Student, aside
from maqueta.sheet.document import SheetDocument
from maqueta.store.classes import students_of
from maqueta.store.exercises import exercise_for
from maqueta.store.models import Account
from maqueta.store.sheets import deliver, own_sheet

router = APIRouter(prefix="/api/exercises")


#: The page of a file that is read, from 1.
Page = Annotated[int, Form(ge=1, le=MOST_PAGES)]
FirstPage = Annotated[int | None, Form(ge=1, le=MOST_PAGES)]
#: So many pages are looked through for the first one that is a sheet.
_LOOKED_THROUGH: Final = 4


def _read(at: DeskPlace, desk: Desk, data: bytes, page: int) -> SheetWork:
    """A page of a file as read, while the place inside is somebody else's.

    Its part is drawn in all looks its views may have.
    """
    looks: Drawn = ()
    while True:
        with aside(at.world, at.session):
            work = at.world.kernel.read_sheet(data, page, desk.part, desk.task, looks, at.wanted)
        if not work.wanted:
            return work
        looks += in_looks(at.world, at.session, desk.part, desk.source, work.wanted)


def _document(work: SheetWork, file_name: str) -> SheetDocument:
    """What was read, named as its file is."""
    return SheetDocument.model_validate_json(work.document).model_copy(update={"name": PurePath(file_name).stem[:120]})


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
    work = _read(at, desk, data, found)
    while page is None and not work.views and found < min(work.pages, _LOOKED_THROUGH):
        found += 1
        work = _read(at, desk, data, found)
    if work.refused is not None:
        raise HTTPException(422, phrase("draft-file-refused", file=name, reason=work.refused))
    answer = at.run(recognised, desk, _document(work, name), list(work.not_read))
    sheet = own_sheet(session, student, exercise.id)
    if sheet is None or sheet.state == "draft":
        whose = (student, exercise, 1 if sheet is None else sheet.attempt)
        keep(at.world.files, session, whose, Upload(data, name, found), work)
    return answer.model_copy(update={"page": found, "pages": work.pages})


@router.post("/{exercise_id}/sheet/correction")
def correct(
    exercise_id: int, form: CorrectionRequest, student: Student, session: InTransaction, at: AtDesk
) -> ReadSheetAnswer:
    """Take one view of a delivered sheet for what the student says it is, and tell what all views are taken for."""
    desk = at.desk_of(exercise_for(session, student, exercise_id), student)
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

    The student is told by the title block or the file's name.

    A sheet that is already handed in is never replaced.
    """
    exercise = exercise_for(session, instructor, exercise_id)
    data, name = uploaded_sheet(at.world.settings, file)
    people = students_of(session, exercise.class_id)
    asked = next((person for person in people if person.id == student), None)
    if student is not None and asked is None:
        raise HTTPException(404, phrase("no-such-student"))
    known = asked or _named(people, PurePath(name).stem)
    if exercise.varied and known is None:
        return _unknown(people, phrase("whose-sheet-varied"))
    version = version_for(at.world, session, exercise, known.id) if known is not None else exercise.version
    desk = at.desk(version, task_of(exercise))
    work = _read(at, desk, data, page)
    if work.refused is not None and work.pages == 1:
        raise HTTPException(422, phrase("file-refused", file=name, reason=work.refused))
    if work.refused is not None:
        # Another page may be a sheet.
        nobody = _unknown([], work.refused)
        return nobody.model_copy(update={"pages": work.pages})
    document = _document(work, name)
    whose = known or _named(people, document.title.fields.get("drafter", ""))
    if whose is None:
        unknown = _unknown(people, phrase("whose-sheet-unknown"))
        return unknown.model_copy(update={"pages": work.pages})
    result = at.run(judged, desk, document, True)
    before = own_sheet(session, whose, exercise.id, lock=True)
    if before is not None and (before.state != "draft" or before.document.get("views")):
        handed_in = before.state != "draft"
        return DeliveryAnswer(
            sheet=before.id if handed_in else None,
            student=StudentName(id=whose.id, name=whose.name),
            why=phrase("already-handed-in") if handed_in else phrase("sheet-begun-here"),
            candidates=[],
            not_read=[],
            findings=0,
            pages=work.pages,
        )
    kept = result.document.model_dump(mode="json")
    record = deliver(session, whose, exercise, kept, result.measured, scope_json(result.scope), receipt_of(kept))
    keep(at.world.files, session, (whose, exercise, record.attempt), Upload(data, name, page), work)
    return DeliveryAnswer(
        sheet=record.id,
        student=StudentName(id=whose.id, name=whose.name),
        why=None,
        candidates=[],
        not_read=list(work.not_read),
        findings=len(result.measured),
        pages=work.pages,
    )


def _unknown(people: list[Account], why: Phrase) -> DeliveryAnswer:
    names = [StudentName(id=person.id, name=person.name) for person in people]
    return DeliveryAnswer(sheet=None, student=None, why=why, candidates=names, not_read=[], findings=0)


def _named(people: list[Account], text: str) -> Account | None:
    """The one student all of whose names, or whose log-in, a text holds; None when there is none or several."""
    words = set(text.lower().replace("_", " ").replace("-", " ").replace(".", " ").split())
    found = [
        person
        for person in people
        if set(person.name.lower().replace("-", " ").split()) <= words or set(person.login.split(".")) <= words
    ]
    return found[0] if len(found) == 1 else None
