"""Sheets delivered as files: a student's own, or a whole class's."""

from pathlib import PurePath
from typing import Annotated

from fastapi import APIRouter, Form, HTTPException, UploadFile

from maqueta.checking.delivered import expectation
from maqueta.checking.report import check
from maqueta.checking.survey import Survey
from maqueta.projection.projected_part import ProjectedPart, to_json
from maqueta.reading.correct import corrected
from maqueta.service.delivery_forms import CorrectionForm, DeliveryForm, ReadSheetForm, ReadView, StudentName
from maqueta.service.present import FINDING, task_of
from maqueta.service.sheet_work import SheetWork
from maqueta.service.variation import version_for
from maqueta.service.world import Instructor, InTransaction, InWorld, Student, World
from maqueta.sheet.document import SheetDocument
from maqueta.store.accounts import students_of
from maqueta.store.exercises import deliver, exercise_for, own_sheet
from maqueta.store.models import Account, ExerciseRecord

router = APIRouter(prefix="/api/exercises")


def _upload(world: World, file: UploadFile) -> tuple[bytes, str]:
    name = PurePath(file.filename or "sheet").name
    if PurePath(name).suffix.lower() != ".dxf":
        raise HTTPException(415, "A delivered sheet is a .dxf file.")
    data = file.file.read(world.settings.largest_upload + 1)
    if len(data) > world.settings.largest_upload:
        raise HTTPException(413, "The file is too large for a sheet.")
    return data, name


def _read(world: World, projected: ProjectedPart, exercise: ExerciseRecord, data: bytes) -> SheetWork:
    return world.kernel.read_sheet(data, to_json(projected), task_of(exercise).model_dump_json())


def _document(work: SheetWork, file_name: str) -> SheetDocument:
    """What was read, named as its file is."""
    return SheetDocument.model_validate_json(work.document).model_copy(update={"name": PurePath(file_name).stem[:120]})


def _form(
    projected: ProjectedPart, exercise: ExerciseRecord, document: SheetDocument, unread: list[str]
) -> ReadSheetForm:
    survey = Survey(projected, task_of(exercise), document)
    views = [
        ReadView(id=item.view.id, name=survey.name(item), scale=item.view.scale, match=survey.match(item))
        for item in survey.placed
    ]
    return ReadSheetForm(document=document, views=views, not_read=unread)


@router.post("/{exercise_id}/sheet/file")
def read_file(
    exercise_id: int, file: UploadFile, student: Student, session: InTransaction, world: InWorld
) -> ReadSheetForm:
    """Read a student's own file. Nothing is stored: the bench keeps what was read as a draft."""
    exercise = exercise_for(session, student, exercise_id)
    data, name = _upload(world, file)
    projected = world.dossiers.get(version_for(world, session, exercise, student.id))
    work = _read(world, projected, exercise, data)
    if work.refused is not None:
        raise HTTPException(422, f"{name}: {work.refused}. Your draft is as it was.")
    return _form(projected, exercise, _document(work, name), list(work.not_read))


@router.post("/{exercise_id}/sheet/correction")
def correct(
    exercise_id: int, form: CorrectionForm, student: Student, session: InTransaction, world: InWorld
) -> ReadSheetForm:
    """Take one view of a delivered sheet for what the student says it is, and tell what all views are taken for."""
    exercise = exercise_for(session, student, exercise_id)
    projected = world.dossiers.get(version_for(world, session, exercise, student.id))
    if form.view is None or form.said is None:
        return _form(projected, exercise, form.document, [])
    try:
        document = corrected(projected, form.document, form.view, form.said, expectation(projected, task_of(exercise)))
    except KeyError as error:
        raise HTTPException(404, "There is no such view on the sheet.") from error
    except ValueError as error:
        raise HTTPException(422, f"Nothing was changed: {error}.") from error
    return _form(projected, exercise, document, [])


@router.post("/{exercise_id}/deliveries")
def take_delivery(
    exercise_id: int,
    file: UploadFile,
    instructor: Instructor,
    session: InTransaction,
    world: InWorld,
    student: Annotated[int | None, Form()] = None,
) -> DeliveryForm:
    """Read one file of a class, check it and pin it up for its student, told by the title block or the file's name.

    A sheet that is already handed in is never replaced.
    """
    exercise = exercise_for(session, instructor, exercise_id)
    data, name = _upload(world, file)
    people = students_of(session, exercise.class_id)
    asked = next((person for person in people if person.id == student), None)
    if student is not None and asked is None:
        raise HTTPException(404, "There is no such student in the class.")
    known = asked or _named(people, PurePath(name).stem)
    if exercise.varied and known is None:
        return _unknown(people, "the part has sizes of its own for every student: say whose sheet this is")
    projected = world.dossiers.get(
        version_for(world, session, exercise, known.id) if known is not None else exercise.version
    )
    work = _read(world, projected, exercise, data)
    if work.refused is not None:
        raise HTTPException(422, f"{name}: {work.refused}.")
    document = _document(work, name)
    whose = known or _named(people, document.title.fields.get("drafter", ""))
    if whose is None:
        return _unknown(people, "neither the file's name nor its title block tells whose sheet it is")
    before = own_sheet(session, whose, exercise.id, lock=True)
    if before is not None and (before.state != "draft" or before.document.get("views")):
        handed_in = before.state != "draft"
        return DeliveryForm(
            sheet=before.id if handed_in else None,
            student=StudentName(id=whose.id, name=whose.name),
            why="already handed in; that sheet is as it was"
            if handed_in
            else "has begun a sheet here; it is as it was",
            candidates=[],
            not_read=[],
            findings=0,
        )
    findings = check(projected, task_of(exercise), document).findings
    measured = [(finding.rule, FINDING.dump_python(finding, mode="json")) for finding in findings]
    record = deliver(session, whose, exercise, document.model_dump(mode="json"), measured)
    return DeliveryForm(
        sheet=record.id,
        student=StudentName(id=whose.id, name=whose.name),
        why="",
        candidates=[],
        not_read=list(work.not_read),
        findings=len(measured),
    )


def _unknown(people: list[Account], why: str) -> DeliveryForm:
    names = [StudentName(id=person.id, name=person.name) for person in people]
    return DeliveryForm(sheet=None, student=None, why=why, candidates=names, not_read=[], findings=0)


def _named(people: list[Account], text: str) -> Account | None:
    """The one student all of whose names, or whose log-in, a text holds; None when there is none or several."""
    words = set(text.lower().replace("_", " ").replace("-", " ").replace(".", " ").split())
    found = [
        person
        for person in people
        if set(person.name.lower().replace("-", " ").split()) <= words or set(person.login.split(".")) <= words
    ]
    return found[0] if len(found) == 1 else None
