"""The table: one sheet, its slip, its drawing."""

from fastapi import APIRouter, HTTPException, Response

from maqueta.judging.scope import Scope
from maqueta.phrases.phrase import phrase
from maqueta.service.bench.drawings import DrawingKind, drawing_response
from maqueta.service.bench.work import drawn, inked
from maqueta.service.desk import AtDesk, scope_of_sheet
from maqueta.service.exercises.answers import exercise_answer, task_of
from maqueta.service.exercises.variation import version_for
from maqueta.service.marking.answers import changed_answer, finding_answers, findings_of, is_late, points_of_criteria
from maqueta.service.marking.messages import DecisionRequest, RemarkRequest, SheetAnswer
from maqueta.service.messages import Number
from maqueta.service.world import AnyAccount, Instructor, InTransaction
from maqueta.sheet.document import SheetDocument
from maqueta.store.errors import NotVisible
from maqueta.store.exercises import decide, decided_since, give_back, readable_sheet, reviewed_sheet, sheets_around

router = APIRouter(prefix="/api/sheets")


@router.get("/{sheet_id}")
def one(sheet_id: int, account: AnyAccount, session: InTransaction, at: AtDesk) -> SheetAnswer:
    """A sheet. Students see findings and remarks once it is returned, and nothing of them before."""
    sheet = readable_sheet(session, account, sheet_id)
    exercise, task = sheet.exercise, task_of(sheet.exercise)
    version = version_for(at.world, session, exercise, sheet.student_id)
    reviewed = account.role == "instructor" or sheet.state == "returned"
    judged = scope_of_sheet(at, sheet, version) if reviewed else Scope()
    findings = findings_of(sheet.findings) if reviewed else []
    marks = points_of_criteria(sheet.findings, findings, task, judged) if reviewed else []
    neighbours = sheets_around(session, exercise) if account.role == "instructor" else []
    ink = at.run(inked, at.desk_at_sheet(sheet, version, account), SheetDocument.model_validate(sheet.document))
    return SheetAnswer(
        id=sheet.id,
        student=sheet.student.name,
        state=sheet.state,  # type: ignore[arg-type]
        late=is_late(sheet, exercise),
        handed_in_at=sheet.handed_in_at,
        exercise=exercise_answer(exercise, model=version.id, to_student=account.role == "student"),
        ink=ink,
        findings=finding_answers(sheet.findings, findings, task) if reviewed else [],
        marks=marks,
        unjudged=dict(judged.unjudged),
        lacking=dict(judged.lacking),
        points=sum(mark.points for mark in marks),
        of=sum(mark.of for mark in marks),
        remark=sheet.remark if reviewed else "",
        reviewed=reviewed,
        checker=sheet.checker,
        changed=changed_answer(sheet) if account.role == "instructor" else None,
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


@router.put("/{sheet_id}/findings/{number}")
def decide_one(
    sheet_id: int, number: int, form: DecisionRequest, instructor: Instructor, session: InTransaction, at: AtDesk
) -> SheetAnswer:
    """Uphold or waive one finding."""
    sheet = reviewed_sheet(session, instructor, sheet_id)
    if form.checker is not None and form.checker != sheet.checker:
        raise HTTPException(409, phrase("checked-again"))
    finding = next((f for f in sheet.findings if f.number == number), None)
    if finding is None:
        raise NotVisible
    if sheet.state == "returned":
        raise HTTPException(409, phrase("marks-settled"))
    if decided_since(finding, form.seen):
        stands = finding.decision or "open"
        raise HTTPException(409, phrase("decided-meanwhile", stands=stands))
    decide([finding], instructor, form.decision, form.remark)
    session.flush()
    return one(sheet_id, instructor, session, at)


@router.put("/{sheet_id}/remark")
def remark(
    sheet_id: int, form: RemarkRequest, instructor: Instructor, session: InTransaction, at: AtDesk
) -> SheetAnswer:
    """A remark to the student about the whole sheet."""
    sheet = reviewed_sheet(session, instructor, sheet_id)
    if sheet.state == "returned":
        raise HTTPException(409, phrase("remark-settled"))
    sheet.remark = form.remark
    session.flush()
    return one(sheet_id, instructor, session, at)


@router.post("/{sheet_id}/return")
def return_one(sheet_id: int, instructor: Instructor, session: InTransaction) -> Number:
    """Return a sheet; findings left open count as upheld."""
    return Number(number=give_back([reviewed_sheet(session, instructor, sheet_id)]))
