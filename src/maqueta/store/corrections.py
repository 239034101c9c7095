"""Corrections of how a sheet's file was read: under way, judged, taken back."""

from collections.abc import Mapping
from datetime import datetime
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from maqueta.store.clock import now
from maqueta.store.database import locked
from maqueta.store.models import Account, CorrectionRecord, SheetRecord
from maqueta.store.revisions import keep_revision


def correction_of(session: Session, sheet: SheetRecord, lock: bool = False) -> CorrectionRecord | None:
    """What is corrected of a sheet, if anything is. Whoever asks has shown that the sheet may be looked at."""
    query = select(CorrectionRecord).where(CorrectionRecord.sheet_id == sheet.id)
    return session.scalar(locked(query) if lock else query)


def corrected_at(session: Session, sheet: SheetRecord) -> datetime | None:
    """When a sheet became what it was corrected to, if it was."""
    return session.scalar(select(CorrectionRecord.judged_at).where(CorrectionRecord.sheet_id == sheet.id))


def save_correction(session: Session, sheet: SheetRecord, document: Mapping[str, Any], base: int) -> CorrectionRecord:
    """Keep a correction under way, made from revision `base` (0: none yet). Raises OutOfDate."""
    record = correction_of(session, sheet, lock=True)
    return keep_revision(session, record, CorrectionRecord(sheet_id=sheet.id), document, base)


def settle_correction(
    session: Session, instructor: Account, sheet: SheetRecord, document: Mapping[str, Any], base: int
) -> None:
    """Let a sheet be what it was corrected to; what was handed in stays known. Raises OutOfDate."""
    record = save_correction(session, sheet, document, base)
    if record.handed_in is None:
        record.handed_in = sheet.document
    record.document, record.judged_at, record.judged_by = None, now(), instructor.id
    _becomes(sheet, document)


def take_back_correction(session: Session, sheet: SheetRecord) -> None:
    """Let a sheet be what was handed in, and forget what was corrected."""
    record = correction_of(session, sheet, lock=True)
    if record is None:
        return
    if record.handed_in is not None:
        _becomes(sheet, record.handed_in)
    session.delete(record)
    session.flush()


def _becomes(sheet: SheetRecord, document: Mapping[str, Any]) -> None:
    sheet.document = dict(document)
    # Whoever checks the sheet as it was finds that it has changed.
    sheet.revision += 1
