"""The table: one sheet, its slip, its drawing."""

from fastapi import APIRouter, HTTPException, Response

from maqueta.service.drawings import DrawingKind, drawing
from maqueta.service.forms import DecisionForm, Number, RemarkForm, SheetForm
from maqueta.service.present import (
    checked,
    exercise_form,
    finding_form,
    is_late,
    marks_of,
    task_of,
)
from maqueta.service.present_ink import ink_form
from maqueta.service.variation import version_for
from maqueta.service.world import AnyAccount, Instructor, InTransaction, InWorld
from maqueta.sheet.document import SheetDocument
from maqueta.store.errors import NotVisible
from maqueta.store.exercises import decide, give_back, readable_sheet, reviewed_sheet, sheets_of

router = APIRouter(prefix="/api/sheets")


@router.get("/{sheet_id}")
def one(sheet_id: int, account: AnyAccount, session: InTransaction, world: InWorld) -> SheetForm:
    """A sheet. Students see findings and remarks once it is returned, and nothing of them before."""
    sheet = readable_sheet(session, account, sheet_id)
    exercise, task = sheet.exercise, task_of(sheet.exercise)
    version = version_for(world, session, exercise, sheet.student_id)
    projected = world.dossiers.get(version)
    result = checked(projected, sheet, task)
    reviewed = account.role == "instructor" or sheet.state == "returned"
    marks = marks_of(sheet.findings, task, result.scope) if reviewed else []
    neighbours = []
    if account.role == "instructor":
        neighbours = [other.id for other in sheets_of(session, exercise) if other.state != "draft"]
    return SheetForm(
        id=sheet.id,
        student=sheet.student.name,
        state=sheet.state,  # type: ignore[arg-type]
        late=is_late(sheet, exercise),
        handed_in_at=sheet.handed_in_at,
        exercise=exercise_form(exercise, model=version.id, to_student=account.role == "student"),
        ink=ink_form(result.survey),
        findings=[finding_form(finding, task) for finding in sheet.findings] if reviewed else [],
        marks=marks,
        unjudged=dict(result.scope.unjudged) if reviewed else {},
        lacking=dict(result.scope.lacking) if reviewed else {},
        points=sum(mark.points for mark in marks),
        of=sum(mark.of for mark in marks),
        remark=sheet.remark if reviewed else "",
        reviewed=reviewed,
        neighbours=neighbours,
    )


@router.get("/{sheet_id}/drawing.{kind}", response_class=Response)
def as_file(sheet_id: int, kind: DrawingKind, account: AnyAccount, session: InTransaction, world: InWorld) -> Response:
    """The sheet as SVG or PDF, true to scale, or as DXF."""
    sheet = readable_sheet(session, account, sheet_id)
    projected = world.dossiers.get(version_for(world, session, sheet.exercise, sheet.student_id))
    title = f"{sheet.exercise.title} - {sheet.student.name}"
    return drawing(projected, SheetDocument.model_validate(sheet.document), kind, title, f"sheet-{sheet.id}")


@router.put("/{sheet_id}/findings/{place}")
def decide_one(
    sheet_id: int, place: int, form: DecisionForm, instructor: Instructor, session: InTransaction, world: InWorld
) -> SheetForm:
    """Uphold or waive one finding."""
    sheet = reviewed_sheet(session, instructor, sheet_id)
    finding = next((f for f in sheet.findings if f.place == place), None)
    if finding is None:
        raise NotVisible
    if sheet.state == "returned":
        raise HTTPException(409, "This sheet is returned; its marks are settled.")
    decide([finding], instructor, form.decision, form.remark)
    session.flush()
    return one(sheet_id, instructor, session, world)


@router.put("/{sheet_id}/remark")
def remark(
    sheet_id: int, form: RemarkForm, instructor: Instructor, session: InTransaction, world: InWorld
) -> SheetForm:
    """A remark to the student about the whole sheet."""
    sheet = reviewed_sheet(session, instructor, sheet_id)
    if sheet.state == "returned":
        raise HTTPException(409, "This sheet is returned; its remark is settled.")
    sheet.remark = form.remark
    session.flush()
    return one(sheet_id, instructor, session, world)


@router.post("/{sheet_id}/return")
def return_one(sheet_id: int, instructor: Instructor, session: InTransaction) -> Number:
    """Return a sheet; findings left open count as upheld."""
    return Number(number=give_back([reviewed_sheet(session, instructor, sheet_id)]))
