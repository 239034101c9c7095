"""Documents that are kept again and again, each time from the revision somebody has seen."""

from collections.abc import Mapping
from typing import Any, TypeVar

from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session

from maqueta.store.clock import now
from maqueta.store.errors import OutOfDate
from maqueta.store.models import CorrectionRecord, ModelAnswerRecord

Record = TypeVar("Record", CorrectionRecord, ModelAnswerRecord)


def keep_revision(
    session: Session, record: Record | None, first: Record, document: Mapping[str, Any], base: int
) -> Record:
    """Keep a document made from revision `base` (0: none yet) in a locked record, or in a `first` one where there is
    none. Raises OutOfDate when another tab saved in between."""
    if (record.revision if record is not None else 0) != base:
        raise OutOfDate(record.revision if record is not None else 0)
    if record is None:
        record = first
        session.add(record)
    record.document = dict(document)
    record.revision = base + 1
    record.saved_at = now()
    try:
        session.flush()
    except IntegrityError as error:
        # Another tab kept the first one at the same moment.
        raise OutOfDate(1) from error
    return record
