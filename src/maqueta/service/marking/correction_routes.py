"""Correcting how the file of a sheet was read: what was not read is looked at, and what was misread put right."""

from typing import Annotated

from fastapi import APIRouter, HTTPException, Path
from sqlalchemy.orm import Session

from maqueta.phrases.phrase import phrase
from maqueta.service.bench.messages import DraftAnswer, SaveRequest
from maqueta.service.deliveries.work import Judged, judged
from maqueta.service.desk import AtDesk, DeskPlace
from maqueta.service.desk_work import Desk
from maqueta.service.exercises.variation import version_for
from maqueta.service.marking.carried import keep_judged_again
from maqueta.service.marking.messages import LookedAtRequest, SheetAnswer
from maqueta.service.marking.routes import shown, still_out
from maqueta.service.sets.together import check_anew, meet_others
from maqueta.service.world import Instructor, InTransaction
from maqueta.sheet.document import SheetDocument
from maqueta.store.corrections import correction_of, save_correction, settle_correction, take_back_correction
from maqueta.store.errors import NotVisible
from maqueta.store.models import Account, OriginalRecord, SheetRecord
from maqueta.store.originals import look_at, original_of
from maqueta.store.sets import hold_set

router = APIRouter(prefix="/api/sheets")


def _read(session: Session, instructor: Account, sheet_id: int) -> tuple[SheetRecord, OriginalRecord]:
    """A sheet that was read from a file and is still out, locked, and that file."""
    sheet = still_out(session, instructor, sheet_id)
    original = original_of(session, sheet)
    if original is None:
        raise HTTPException(404, phrase("no-original"))
    return sheet, original


def _judged(at: DeskPlace, sheet: SheetRecord, instructor: Account, document: SheetDocument) -> tuple[Desk, Judged]:
    """What is found on a sheet, as it is to be read, and the desk where it was judged."""
    version = version_for(at.world, at.session, sheet.exercise, sheet.student_id)
    desk = at.in_its_set(at.desk_at_sheet(sheet, version, instructor), sheet.exercise, sheet.student_id)
    return desk, at.run(judged, desk, document, True)


def _again(at: DeskPlace, instructor: Account, seen: SheetRecord, revision: int) -> SheetRecord:
    """A sheet looked at again under a lock: somebody may have returned or corrected it meanwhile."""
    hold_set(at.session, seen.exercise)
    sheet, _ = _read(at.session, instructor, seen.id)
    if sheet.revision != revision:
        raise HTTPException(409, phrase("checked-again"))
    return sheet


def _keep(at: DeskPlace, sheet: SheetRecord, desk: Desk, result: Judged) -> None:
    """Keep what was found on a corrected sheet; the others of its set are checked again beside the server."""
    met = meet_others(at.session, at.world.files, sheet.exercise, sheet.student_id, desk)
    keep_judged_again(at.session, sheet, result, corrected=True)
    met.settle(sheet)
    check_anew(at, met)


def _form(session: Session, sheet: SheetRecord) -> DraftAnswer:
    correction = correction_of(session, sheet)
    under_way = correction is not None and correction.document is not None
    return DraftAnswer(
        id=sheet.id,
        state="draft",
        revision=correction.revision if correction else 0,
        document=SheetDocument.model_validate(correction.document if correction and under_way else sheet.document),
        saved_at=correction.saved_at if correction and under_way else None,
        attempt=sheet.attempt,
    )


@router.get("/{sheet_id}/correction")
def correction(sheet_id: int, instructor: Instructor, session: InTransaction) -> DraftAnswer:
    """What a sheet is corrected to: as it was left on the bench, or the sheet as it is."""
    sheet, _ = _read(session, instructor, sheet_id)
    return _form(session, sheet)


@router.put("/{sheet_id}/correction")
def save(sheet_id: int, form: SaveRequest, instructor: Instructor, session: InTransaction) -> DraftAnswer:
    """Keep a correction under way. 409 when another tab saved in between: nothing is overwritten."""
    sheet, _ = _read(session, instructor, sheet_id)
    save_correction(session, sheet, form.document.model_dump(mode="json"), form.base)
    return _form(session, sheet)


@router.post("/{sheet_id}/correction/judge")
def judge(sheet_id: int, form: SaveRequest, instructor: Instructor, session: InTransaction, at: AtDesk) -> SheetAnswer:
    """Let the sheet be what it was corrected to, and judge it again: decisions stay with their findings."""
    sheet, _ = _read(session, instructor, sheet_id)
    seen = sheet.revision
    if form.document.is_blank:
        raise HTTPException(422, phrase("no-view-to-hand-in"))
    desk, result = _judged(at, sheet, instructor, form.document)
    sheet = _again(at, instructor, sheet, seen)
    settle_correction(session, instructor, sheet, result.document.model_dump(mode="json"), form.base)
    _keep(at, sheet, desk, result)
    return shown(sheet, instructor, session, at)


@router.delete("/{sheet_id}/correction")
def take_back(sheet_id: int, instructor: Instructor, session: InTransaction, at: AtDesk) -> SheetAnswer:
    """Let the sheet be what was handed in, judged again. Taking back twice is taking back once."""
    sheet, _ = _read(session, instructor, sheet_id)
    record = correction_of(session, sheet)
    if record is not None and record.handed_in is not None:
        seen = sheet.revision
        desk, result = _judged(at, sheet, instructor, SheetDocument.model_validate(record.handed_in))
        sheet = _again(at, instructor, sheet, seen)
        take_back_correction(session, sheet)
        _keep(at, sheet, desk, result)
    else:
        take_back_correction(session, sheet)
    return shown(sheet, instructor, session, at)


@router.put("/{sheet_id}/original/not-read/{place}")
def look(
    sheet_id: int,
    place: Annotated[int, Path(ge=0, le=10_000)],
    form: LookedAtRequest,
    instructor: Instructor,
    session: InTransaction,
    at: AtDesk,
) -> SheetAnswer:
    """Note that somebody has looked at what was not read of a sheet, or that it is to be looked at again."""
    sheet, original = _read(session, instructor, sheet_id)
    if place >= len(original.not_read):
        raise NotVisible
    look_at(original, place, form.looked_at)
    return shown(sheet, instructor, session, at)
