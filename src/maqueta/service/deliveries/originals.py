"""Files that sheets were read from: kept beside them, and told of."""

from dataclasses import dataclass

from sqlalchemy.orm import Session

from maqueta.service.deliveries.file_work import SheetWork
from maqueta.service.deliveries.messages import OriginalAnswer
from maqueta.sheet.document import SheetDocument
from maqueta.store.files import FileStore
from maqueta.store.models import Account, ExerciseRecord, OriginalRecord, SheetRecord
from maqueta.store.originals import keep_original, original_at_work, original_of
from maqueta.store.sheets import own_sheet


@dataclass(frozen=True, slots=True)
class Upload:
    """A file as it came, and the page of it that was read."""

    data: bytes
    name: str
    page: int


def keep(
    files: FileStore,
    session: Session,
    whose: tuple[Account, ExerciseRecord, int],
    upload: Upload,
    work: SheetWork,
) -> None:
    """Keep a file beside the attempt (student, exercise, number) that was read from it."""
    student, exercise, attempt = whose
    names = (files.put(upload.data), files.put(work.original.encode()))
    pages = (upload.page, work.pages)
    keep_original(session, student, exercise, attempt, upload.name, names, pages, work.not_read, work.unread_sizes)


def believed(session: Session, student: Account, exercise: ExerciseRecord, document: SheetDocument) -> SheetDocument:
    """A student's own sheet, of which no more sizes count as not read than the service itself found unread in its file.

    What could not be read excuses what is not there: nobody may say so of their own sheet.
    """
    if not document.unread_sizes:
        return document
    sheet = own_sheet(session, student, exercise.id)
    found = original_at_work(session, student, exercise.id, 1 if sheet is None else sheet.attempt)
    known = 0 if found is None else found.unread_sizes
    return document.model_copy(update={"unread_sizes": min(document.unread_sizes, known)})


def original_answer(session: Session, sheet: SheetRecord) -> OriginalAnswer | None:
    """What is told of the file a sheet was read from."""
    found = original_of(session, sheet)
    return None if found is None else told_of(found)


def told_of(found: OriginalRecord) -> OriginalAnswer:
    """A file a sheet was read from, as it is told."""
    return OriginalAnswer(
        name=found.name,
        page=found.page,
        pages=found.pages,
        not_read=list(found.not_read),
        brought_in_at=found.brought_in_at,
    )
