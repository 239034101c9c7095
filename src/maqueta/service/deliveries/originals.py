"""Files that sheets were read from: kept beside them, and told of."""

from dataclasses import dataclass

from sqlalchemy.orm import Session

from maqueta.service.deliveries.file_work import SheetWork
from maqueta.service.deliveries.messages import OriginalAnswer
from maqueta.store.files import FileStore
from maqueta.store.models import Account, ExerciseRecord, OriginalRecord, SheetRecord
from maqueta.store.originals import keep_original, original_of


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
    keep_original(session, student, exercise, attempt, upload.name, names, pages, work.not_read)


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
