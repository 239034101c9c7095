"""The reader's eye: what the dimensions of a sheet determine."""

from typing import Annotated

from fastapi import APIRouter, HTTPException, Path

from maqueta.phrases.phrase import phrase
from maqueta.service.bench.messages import InkRequest
from maqueta.service.bench.readers_eye_messages import MotionAnswer, MotionRequest, ReadingAnswer
from maqueta.service.bench.work import moved, sizes_read
from maqueta.service.desk import AtDesk, DeskPlace, SheetOnBench
from maqueta.service.desk_work import Desk
from maqueta.service.exercises.answers import task_of
from maqueta.service.exercises.variation import version_for
from maqueta.service.world import AnyAccount, InTransaction
from maqueta.sheet.document import SheetDocument
from maqueta.store.files import StoredFile
from maqueta.store.models import Account, VersionRecord
from maqueta.store.sheets import readable_sheet
from maqueta.task.dimensioning import Insight
from maqueta.task.exercise import Exercise

router = APIRouter(prefix="/api")
#: Open sizes by number; there are never more of them than this.
OpenSize = Annotated[int, Path(ge=0, le=100_000)]


@router.post("/exercises/{exercise_id}/reading")
def reading(
    exercise_id: int, form: InkRequest, account: AnyAccount, at: AtDesk, sheet: SheetOnBench = None
) -> ReadingAnswer:
    """A sheet on the bench as it is being dimensioned, as far as the exercise lets a student see it."""
    work = at.at_work(account, exercise_id, sheet)
    insight = _insight(task_of(work.exercise), account)
    if insight == "nothing":
        return ReadingAnswer(insight=insight)
    return at.run(sizes_read, work.desk, form.document, insight, False)


@router.post("/exercises/{exercise_id}/reading/motion")
def motion(
    exercise_id: int, form: MotionRequest, account: AnyAccount, at: AtDesk, sheet: SheetOnBench = None
) -> MotionAnswer:
    """One open size of a sheet on the bench, on the model."""
    work = at.at_work(account, exercise_id, sheet)
    task = task_of(work.exercise)
    hidden = account.role == "student" and not task.drafting.shown
    if hidden or _insight(task, account) not in ("places", "everything"):
        raise HTTPException(403, phrase("left-to-you"))
    return _motion(at, work.version, work.desk, form.document, form.number)


@router.get("/sheets/{sheet_id}/reading")
def sheet_reading(sheet_id: int, account: AnyAccount, session: InTransaction, at: AtDesk) -> ReadingAnswer:
    """A sheet under review, or returned: everything."""
    _, desk, document, insight = _reviewed(at, account, sheet_id)
    if insight == "nothing":
        return ReadingAnswer(insight=insight)
    return at.run(sizes_read, desk, document, insight, True)


@router.get("/sheets/{sheet_id}/reading/{number}")
def sheet_motion(
    sheet_id: int, number: OpenSize, account: AnyAccount, session: InTransaction, at: AtDesk
) -> MotionAnswer:
    """One open size of a sheet under review, on the model."""
    version, desk, document, insight = _reviewed(at, account, sheet_id)
    if insight == "nothing":
        raise HTTPException(403, phrase("not-returned-yet"))
    return _motion(at, version, desk, document, number)


def _insight(task: Exercise, account: Account) -> Insight:
    if not task.dimensioning.required:
        return "nothing"
    return task.dimensioning.insight if account.role == "student" else "everything"


def _reviewed(at: DeskPlace, account: Account, sheet_id: int) -> tuple[VersionRecord, Desk, SheetDocument, Insight]:
    """A sheet with what its reader may see: all for who reviews it, for its student once it is returned."""
    sheet = readable_sheet(at.session, account, sheet_id)
    task = task_of(sheet.exercise)
    version = version_for(at.world, at.session, sheet.exercise, sheet.student_id)
    shown = task.dimensioning.required and (account.role == "instructor" or sheet.state == "returned")
    document = SheetDocument.model_validate(sheet.document)
    return version, at.desk_at_sheet(sheet, version, account), document, "everything" if shown else "nothing"


def _motion(at: DeskPlace, version: VersionRecord, desk: Desk, document: SheetDocument, number: int) -> MotionAnswer:
    if version.mesh is None:
        raise HTTPException(409, phrase("no-model-to-show"))
    return at.run(moved, desk, document, StoredFile(at.world.files, version.mesh), number)
