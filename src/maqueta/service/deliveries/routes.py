"""Sheets delivered as files: a student's own, or a whole class's."""

from pathlib import PurePath
from typing import Annotated

from fastapi import APIRouter, Form, HTTPException, UploadFile

from maqueta.phrases.phrase import phrase
from maqueta.service.bench.receipts import receipt_of
from maqueta.service.deliveries.file_work import SheetWork
from maqueta.service.deliveries.messages import CorrectionRequest, DeliveryAnswer, ReadSheetAnswer, StudentName
from maqueta.service.deliveries.work import Wanted, judged, mended, recognised
from maqueta.service.desk import AtDesk, DeskPlace
from maqueta.service.desk_work import Desk
from maqueta.service.exercises.answers import task_of
from maqueta.service.exercises.variation import version_for
from maqueta.service.marking.answers import scope_json
from maqueta.service.shelf.looks import Drawn, in_looks
from maqueta.service.uploaded import uploaded_dxf
from maqueta.service.world import Instructor, InTransaction, Student, aside
from maqueta.sheet.document import SheetDocument
from maqueta.store.classes import students_of
from maqueta.store.exercises import exercise_for
from maqueta.store.models import Account
from maqueta.store.sheets import deliver, own_sheet

router = APIRouter(prefix="/api/exercises")


def _read(at: DeskPlace, desk: Desk, data: bytes) -> SheetWork:
    """A file as read, while the place inside is somebody else's; its part is drawn in all looks its views may have."""
    looks: Drawn = ()
    while True:
        with aside(at.world, at.session):
            work = at.world.kernel.read_sheet(data, desk.part, desk.task, looks, at.wanted)
        if not work.wanted:
            return work
        looks += in_looks(at.world, at.session, desk.part, desk.source, work.wanted)


def _document(work: SheetWork, file_name: str) -> SheetDocument:
    """What was read, named as its file is."""
    return SheetDocument.model_validate_json(work.document).model_copy(update={"name": PurePath(file_name).stem[:120]})


@router.post("/{exercise_id}/sheet/file")
def read_file(
    exercise_id: int, file: UploadFile, student: Student, session: InTransaction, at: AtDesk
) -> ReadSheetAnswer:
    """Read a student's own file. Nothing is stored: the bench keeps what was read as a draft."""
    exercise = exercise_for(session, student, exercise_id)
    data, name = uploaded_dxf(at.world.settings, file)
    desk = at.desk_of(exercise, student)
    work = _read(at, desk, data)
    if work.refused is not None:
        raise HTTPException(422, phrase("draft-file-refused", file=name, reason=work.refused))
    return at.run(recognised, desk, _document(work, name), list(work.not_read))


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
) -> DeliveryAnswer:
    """Read one file of a class, check it and pin it up for its student, told by the title block or the file's name.

    A sheet that is already handed in is never replaced.
    """
    exercise = exercise_for(session, instructor, exercise_id)
    data, name = uploaded_dxf(at.world.settings, file)
    people = students_of(session, exercise.class_id)
    asked = next((person for person in people if person.id == student), None)
    if student is not None and asked is None:
        raise HTTPException(404, phrase("no-such-student"))
    known = asked or _named(people, PurePath(name).stem)
    if exercise.varied and known is None:
        return _unknown(people, "the part has sizes of its own for every student: say whose sheet this is")
    version = version_for(at.world, session, exercise, known.id) if known is not None else exercise.version
    desk = at.desk(version, task_of(exercise))
    work = _read(at, desk, data)
    if work.refused is not None:
        raise HTTPException(422, phrase("file-refused", file=name, reason=work.refused))
    document = _document(work, name)
    whose = known or _named(people, document.title.fields.get("drafter", ""))
    if whose is None:
        return _unknown(people, "neither the file's name nor its title block tells whose sheet it is")
    result = at.run(judged, desk, document, True)
    before = own_sheet(session, whose, exercise.id, lock=True)
    if before is not None and (before.state != "draft" or before.document.get("views")):
        handed_in = before.state != "draft"
        return DeliveryAnswer(
            sheet=before.id if handed_in else None,
            student=StudentName(id=whose.id, name=whose.name),
            why="already handed in; that sheet is as it was"
            if handed_in
            else "has begun a sheet here; it is as it was",
            candidates=[],
            not_read=[],
            findings=0,
        )
    kept = result.document.model_dump(mode="json")
    record = deliver(session, whose, exercise, kept, result.measured, scope_json(result.scope), receipt_of(kept))
    return DeliveryAnswer(
        sheet=record.id,
        student=StudentName(id=whose.id, name=whose.name),
        why="",
        candidates=[],
        not_read=list(work.not_read),
        findings=len(result.measured),
    )


def _unknown(people: list[Account], why: str) -> DeliveryAnswer:
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
