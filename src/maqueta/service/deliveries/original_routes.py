"""The file a sheet was read from: itself, and as it lies under the sheet."""

from typing import Final
from urllib.parse import quote

from fastapi import APIRouter, HTTPException, Response
from sqlalchemy.orm import Session

from maqueta.phrases.phrase import phrase
from maqueta.service.bench.drawings import SANDBOX
from maqueta.service.deliveries.messages import OriginalAnswer
from maqueta.service.deliveries.originals import told_of
from maqueta.service.world import AnyAccount, InTransaction, InWorld, Student, World
from maqueta.store.exercises import exercise_for
from maqueta.store.files import StoredFile
from maqueta.store.models import Account, OriginalRecord
from maqueta.store.originals import original_at_work, original_of
from maqueta.store.sheets import own_sheet, readable_sheet

router = APIRouter()
_KEPT: Final = {"cache-control": "private, no-cache"}
_LAID: Final = {"content-security-policy": f"{SANDBOX}; img-src data:"} | _KEPT


def _there(original: OriginalRecord | None) -> OriginalRecord:
    if original is None:
        raise HTTPException(404, phrase("no-original"))
    return original


def _laid(original: OriginalRecord, world: World) -> Response:
    return Response(StoredFile(world.files, original.laid).path.read_bytes(), media_type="image/svg+xml", headers=_LAID)


@router.get("/api/sheets/{sheet_id}/original", response_class=Response)
def original_file(sheet_id: int, account: AnyAccount, session: InTransaction, world: InWorld) -> Response:
    """The file a sheet was read from, as it came: to be kept, never to be shown by a browser."""
    original = _there(original_of(session, readable_sheet(session, account, sheet_id)))
    data = StoredFile(world.files, original.file).path.read_bytes()
    named = f"attachment; filename*=UTF-8''{quote(original.name, safe='')}"
    headers = {"content-disposition": named, "content-security-policy": SANDBOX} | _KEPT
    return Response(data, media_type="application/octet-stream", headers=headers)


@router.get("/api/sheets/{sheet_id}/original.svg", response_class=Response)
def original_under_sheet(sheet_id: int, account: AnyAccount, session: InTransaction, world: InWorld) -> Response:
    """The file a sheet was read from, in millimetres of its paper."""
    return _laid(_there(original_of(session, readable_sheet(session, account, sheet_id))), world)


def _at_work(session: Session, student: Account, exercise_id: int) -> OriginalRecord | None:
    exercise = exercise_for(session, student, exercise_id)
    sheet = own_sheet(session, student, exercise.id)
    return original_at_work(session, student, exercise.id, 1 if sheet is None else sheet.attempt)


@router.get("/api/exercises/{exercise_id}/sheet/original")
def original_of_draft(exercise_id: int, student: Student, session: InTransaction) -> OriginalAnswer | None:
    """What is told of the file a student's own draft was read from, if it was."""
    found = _at_work(session, student, exercise_id)
    return None if found is None else told_of(found)


@router.get("/api/exercises/{exercise_id}/sheet/original.svg", response_class=Response)
def original_under_draft(exercise_id: int, student: Student, session: InTransaction, world: InWorld) -> Response:
    """The file a student's own draft was read from, in millimetres of its paper."""
    return _laid(_there(_at_work(session, student, exercise_id)), world)
