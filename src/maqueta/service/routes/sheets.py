"""The table: one sheet, its slip, its drawing."""

from fastapi import APIRouter, HTTPException, Response

from maqueta.checking.scope import Scope
from maqueta.service.desk import AtDesk, scope_of_sheet
from maqueta.service.desk_work import drawn, inked
from maqueta.service.drawings import DrawingKind, drawing_response
from maqueta.service.forms import DecisionForm, Number, RemarkForm, SheetForm
from maqueta.service.present import exercise_form, finding_form, is_late, marks_of, task_of
from maqueta.service.variation import version_for
from maqueta.service.world import AnyAccount, Instructor, InTransaction
from maqueta.sheet.document import SheetDocument
from maqueta.store.errors import NotVisible
from maqueta.store.exercises import decide, decided_since, give_back, readable_sheet, reviewed_sheet, sheets_around

router = APIRouter(prefix="/api/sheets")


@router.get("/{sheet_id}")
def one(sheet_id: int, account: AnyAccount, session: InTransaction, at: AtDesk) -> SheetForm:
    """A sheet. Students see findings and remarks once it is returned, and nothing of them before."""
    sheet = readable_sheet(session, account, sheet_id)
    exercise, task = sheet.exercise, task_of(sheet.exercise)
    version = version_for(at.world, session, exercise, sheet.student_id)
    reviewed = account.role == "instructor" or sheet.state == "returned"
    judged = scope_of_sheet(at, sheet, version) if reviewed else Scope()
    marks = marks_of(sheet.findings, task, judged) if reviewed else []
    neighbours = sheets_around(session, exercise) if account.role == "instructor" else []
    ink = at.run(inked, at.desk_at_sheet(sheet, version, account), SheetDocument.model_validate(sheet.document))
    return SheetForm(
        id=sheet.id,
        student=sheet.student.name,
        state=sheet.state,  # type: ignore[arg-type]
        late=is_late(sheet, exercise),
        handed_in_at=sheet.handed_in_at,
        exercise=exercise_form(exercise, model=version.id, to_student=account.role == "student"),
        ink=ink,
        findings=[finding_form(finding, task) for finding in sheet.findings] if reviewed else [],
        marks=marks,
        unjudged=dict(judged.unjudged),
        lacking=dict(judged.lacking),
        points=sum(mark.points for mark in marks),
        of=sum(mark.of for mark in marks),
        remark=sheet.remark if reviewed else "",
        reviewed=reviewed,
        neighbours=neighbours,
    )


@router.get("/{sheet_id}/drawing.{kind}", response_class=Response)
def as_file(sheet_id: int, kind: DrawingKind, account: AnyAccount, session: InTransaction, at: AtDesk) -> Response:
    """The sheet as SVG or PDF, true to scale, or as DXF."""
    sheet = readable_sheet(session, account, sheet_id)
    desk = at.desk_at_sheet(sheet, version_for(at.world, session, sheet.exercise, sheet.student_id), account)
    title = f"{sheet.exercise.title} - {sheet.student.name}"
    data = at.run(drawn, desk, SheetDocument.model_validate(sheet.document), kind, title)
    return drawing_response(data, kind, f"sheet-{sheet.id}", at.request)


@router.put("/{sheet_id}/findings/{place}")
def decide_one(
    sheet_id: int, place: int, form: DecisionForm, instructor: Instructor, session: InTransaction, at: AtDesk
) -> SheetForm:
    """Uphold or waive one finding."""
    sheet = reviewed_sheet(session, instructor, sheet_id)
    finding = next((f for f in sheet.findings if f.place == place), None)
    if finding is None:
        raise NotVisible
    if sheet.state == "returned":
        raise HTTPException(409, "This sheet is returned; its marks are settled.")
    if decided_since(finding, form.seen):
        stands = finding.decision or "left open"
        raise HTTPException(409, f"Somebody has decided this meanwhile: it is {stands}. Look again, then decide.")
    decide([finding], instructor, form.decision, form.remark)
    session.flush()
    return one(sheet_id, instructor, session, at)


@router.put("/{sheet_id}/remark")
def remark(sheet_id: int, form: RemarkForm, instructor: Instructor, session: InTransaction, at: AtDesk) -> SheetForm:
    """A remark to the student about the whole sheet."""
    sheet = reviewed_sheet(session, instructor, sheet_id)
    if sheet.state == "returned":
        raise HTTPException(409, "This sheet is returned; its remark is settled.")
    sheet.remark = form.remark
    session.flush()
    return one(sheet_id, instructor, session, at)


@router.post("/{sheet_id}/return")
def return_one(sheet_id: int, instructor: Instructor, session: InTransaction) -> Number:
    """Return a sheet; findings left open count as upheld."""
    return Number(number=give_back([reviewed_sheet(session, instructor, sheet_id)]))
