"""The table: one sheet, its slip, its drawing."""

from datetime import timedelta
from typing import Annotated, Literal

from fastapi import APIRouter, HTTPException, Query, Response
from sqlalchemy.orm import Session

from maqueta.judging.catalogue import CATALOGUE
from maqueta.judging.scope import Scope
from maqueta.phrases.phrase import phrase
from maqueta.service.bench.drawings import DrawingKind, drawing_response, tag_before, unchanged
from maqueta.service.bench.work import drawn, inked
from maqueta.service.deliveries.originals import original_answer
from maqueta.service.desk import AtDesk
from maqueta.service.exercises.answers import exercise_answer, task_of
from maqueta.service.exercises.variation import version_for
from maqueta.service.marking.answers import (
    NO_MARK,
    added_answers,
    changed_answer,
    finding_answers,
    late_by,
    mark_fields,
    pin_answers,
)
from maqueta.service.marking.messages import (
    AddingRequest,
    AnswerRequest,
    BankedRemark,
    DecisionRequest,
    DifferenceAnswer,
    MarkRequest,
    PinRequest,
    RemarkRequest,
    SheetAnswer,
)
from maqueta.service.marking.standing import attempts, standing
from maqueta.service.marking.work import difference
from maqueta.service.messages import Number
from maqueta.service.world import AnyAccount, Instructor, InTransaction, Student
from maqueta.sheet.document import SheetDocument
from maqueta.store.corrections import corrected_at
from maqueta.store.errors import NotVisible
from maqueta.store.exercises import extra_time
from maqueta.store.marking import (
    add_finding,
    add_pin,
    decide,
    decided_since,
    give_mark,
    remarks_written,
    take_back_finding,
    take_pin_off,
    tell_wall,
)
from maqueta.store.models import Account, FindingRecord, SheetRecord
from maqueta.store.sheets import attempts_of, give_back, readable_sheet, reviewed_sheet, sheets_around
from maqueta.task.criteria import Criterion

router = APIRouter(prefix="/api/sheets")
remark_router = APIRouter(prefix="/api/remarks")
_MOST_REMARKS = 60


@router.get("/{sheet_id}")
def one(sheet_id: int, account: AnyAccount, session: InTransaction, at: AtDesk) -> SheetAnswer:
    """A sheet. Students see findings and remarks once it is returned, and nothing of them before."""
    sheet = readable_sheet(session, account, sheet_id)
    exercise, task = sheet.exercise, task_of(sheet.exercise)
    version = version_for(at.world, session, exercise, sheet.student_id)
    teaching = account.role == "instructor"
    reviewed = teaching or sheet.state == "returned"
    extra = extra_time(session, exercise, sheet.student_id)
    own = standing(at, sheet, exercise, task, extra) if reviewed else None
    scope = own.scope if own else Scope()
    others = [other for other in attempts_of(session, sheet) if teaching or other.state == "returned"]
    ink = at.run(inked, at.desk_at_sheet(sheet, version, account), SheetDocument.model_validate(sheet.document))
    return SheetAnswer(
        id=sheet.id,
        student=sheet.student.name,
        state=sheet.state,  # type: ignore[arg-type]
        late=late_by(sheet, exercise, extra) > timedelta(),
        handed_in_at=sheet.handed_in_at,
        exercise=exercise_answer(exercise, model=version.id, to_student=not teaching),
        ink=ink,
        findings=finding_answers(sheet.findings, own.findings, task) if own else [],
        added=added_answers(sheet) if own else [],
        pins=pin_answers(sheet) if own else [],
        attempts=attempts([standing(at, other, exercise, task, extra) for other in others]),
        receipt=sheet.receipt,
        original=original_answer(session, sheet),
        corrected_at=corrected_at(session, sheet),
        unjudged=dict(scope.unjudged),
        lacking=dict(scope.lacking),
        remark=sheet.remark if reviewed else "",
        reviewed=reviewed,
        checker=sheet.checker,
        changed=changed_answer(sheet) if teaching else None,
        neighbours=sheets_around(session, exercise) if teaching else [],
        **mark_fields(own.mark if own else NO_MARK),
    )


@router.get("/{sheet_id}/difference")
def difference_of(sheet_id: int, instructor: Instructor, session: InTransaction, at: AtDesk) -> DifferenceAnswer:
    """What a sheet should show and what it shows, to be laid over each other."""
    sheet = readable_sheet(session, instructor, sheet_id)
    desk = at.desk_at_sheet(sheet, version_for(at.world, session, sheet.exercise, sheet.student_id), instructor)
    return at.run(difference, desk, SheetDocument.model_validate(sheet.document))


@router.get("/{sheet_id}/drawing.{kind}", response_class=Response)
def as_file(sheet_id: int, kind: DrawingKind, account: AnyAccount, session: InTransaction, at: AtDesk) -> Response:
    """The sheet as SVG or PDF, true to scale, or as DXF."""
    sheet = readable_sheet(session, account, sheet_id)
    desk = at.desk_at_sheet(sheet, version_for(at.world, session, sheet.exercise, sheet.student_id), account)
    title = f"{sheet.exercise.title} - {sheet.student.name}"
    document = SheetDocument.model_validate(sheet.document)
    # A wall shows a whole class, again and again: what its browser has is not drawn once more.
    tag = tag_before(desk, document, kind, title)
    if (same := unchanged(tag, at.request)) is not None:
        return same
    return drawing_response(at.run(drawn, desk, document, kind, title), kind, f"sheet-{sheet.id}", at.request, tag)


def still_out(session: Session, instructor: Account, sheet_id: int) -> SheetRecord:
    """A sheet whose marking is under way, locked. Raises NotVisible, HTTPException 409 where it is returned."""
    sheet = reviewed_sheet(session, instructor, sheet_id)
    if sheet.state == "returned":
        raise HTTPException(409, phrase("marks-settled"))
    return sheet


def shown(sheet: SheetRecord, instructor: Account, session: Session, at: AtDesk) -> SheetAnswer:
    """A sheet after a change, of which whoever looks at the wall is told."""
    session.flush()
    tell_wall(session, sheet.exercise_id)
    return one(sheet.id, instructor, session, at)


def _finding(sheet: SheetRecord, number: int) -> FindingRecord:
    finding = next((f for f in sheet.findings if f.number == number), None)
    if finding is None:
        raise NotVisible
    return finding


@router.put("/{sheet_id}/findings/{number}")
def decide_one(
    sheet_id: int, number: int, form: DecisionRequest, instructor: Instructor, session: InTransaction, at: AtDesk
) -> SheetAnswer:
    """Uphold or waive one finding."""
    sheet = reviewed_sheet(session, instructor, sheet_id)
    if form.checker is not None and form.checker != sheet.checker:
        raise HTTPException(409, phrase("checked-again"))
    finding = _finding(sheet, number)
    if sheet.state == "returned":
        raise HTTPException(409, phrase("marks-settled"))
    if decided_since(finding, form.seen):
        stands = finding.decision or "open"
        raise HTTPException(409, phrase("decided-meanwhile", stands=stands))
    decide([finding], instructor, form.decision, form.remark)
    return shown(sheet, instructor, session, at)


@router.put("/{sheet_id}/remark")
def remark(
    sheet_id: int, form: RemarkRequest, instructor: Instructor, session: InTransaction, at: AtDesk
) -> SheetAnswer:
    """A remark to the student about the whole sheet."""
    sheet = reviewed_sheet(session, instructor, sheet_id)
    if sheet.state == "returned":
        raise HTTPException(409, phrase("remark-settled"))
    sheet.remark = form.remark
    return shown(sheet, instructor, session, at)


@router.post("/{sheet_id}/added")
def add(sheet_id: int, form: AddingRequest, instructor: Instructor, session: InTransaction, at: AtDesk) -> SheetAnswer:
    """Add a mistake the program did not find."""
    sheet = still_out(session, instructor, sheet_id)
    add_finding(sheet, instructor, form.key, form.criterion, form.words, form.cost, form.at)
    return shown(sheet, instructor, session, at)


@router.delete("/{sheet_id}/added/{added}")
def take_back(sheet_id: int, added: int, instructor: Instructor, session: InTransaction, at: AtDesk) -> SheetAnswer:
    """Take back a mistake that was added."""
    sheet = still_out(session, instructor, sheet_id)
    take_back_finding(sheet, added)
    return shown(sheet, instructor, session, at)


@router.put("/{sheet_id}/marks/{criterion}")
def mark(
    sheet_id: int,
    criterion: Criterion | Literal["bonus"],
    form: MarkRequest,
    instructor: Instructor,
    session: InTransaction,
    at: AtDesk,
) -> SheetAnswer:
    """Give points for a criterion in place of the computed ones, or a bonus; the computed ones stay beside them."""
    sheet = still_out(session, instructor, sheet_id)
    task = task_of(sheet.exercise)
    most = task.marking.bonus if criterion == "bonus" else task.points_of(criterion)
    if form.points is not None and form.points > most:
        raise HTTPException(422, phrase("more-than-there-are", most=most))
    give_mark(sheet, instructor, criterion, form.points)
    return shown(sheet, instructor, session, at)


@router.post("/{sheet_id}/pins")
def pin(sheet_id: int, form: PinRequest, instructor: Instructor, session: InTransaction, at: AtDesk) -> SheetAnswer:
    """Put a pin with a remark, or a freehand stroke, on a sheet."""
    sheet = still_out(session, instructor, sheet_id)
    add_pin(sheet, instructor, form.key, form.points, form.words)
    return shown(sheet, instructor, session, at)


@router.delete("/{sheet_id}/pins/{pin}")
def unpin(sheet_id: int, pin: int, instructor: Instructor, session: InTransaction, at: AtDesk) -> SheetAnswer:
    """Take a pin off a sheet."""
    sheet = still_out(session, instructor, sheet_id)
    take_pin_off(sheet, pin)
    return shown(sheet, instructor, session, at)


@router.post("/{sheet_id}/return")
def return_one(sheet_id: int, instructor: Instructor, session: InTransaction) -> Number:
    """Return a sheet, and the attempts before it; findings left open count as upheld."""
    sheet = reviewed_sheet(session, instructor, sheet_id)
    before = [other for other in attempts_of(session, sheet) if other.attempt < sheet.attempt]
    number = give_back([*before, sheet])
    # Sheets before the exercise, in the order in which whoever marks takes their locks.
    session.flush()
    tell_wall(session, sheet.exercise_id)
    return Number(number=number)


@router.put("/{sheet_id}/findings/{number}/answer")
def answer(
    sheet_id: int, number: int, form: AnswerRequest, student: Student, session: InTransaction, at: AtDesk
) -> SheetAnswer:
    """What a student says to a finding of a returned sheet."""
    sheet = readable_sheet(session, student, sheet_id)
    if sheet.state != "returned":
        raise NotVisible
    _finding(sheet, number).answer = form.answer
    session.flush()
    tell_wall(session, sheet.exercise_id)
    return one(sheet.id, student, session, at)


@remark_router.get("")
def written_before(
    instructor: Instructor, session: InTransaction, rule: Annotated[str | None, Query(max_length=60)] = None
) -> list[BankedRemark]:
    """What an instructor wrote on sheets before, the most fitting first: what was said of a rule, then by use."""
    known = rule if rule in CATALOGUE else None
    return [
        BankedRemark(words=words, times=times)
        for words, times in remarks_written(session, instructor, known, _MOST_REMARKS)
    ]
