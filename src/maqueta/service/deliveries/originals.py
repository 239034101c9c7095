"""Files that sheets were read from: kept beside them, and told of."""

import math
from dataclasses import dataclass

from sqlalchemy.orm import Session

from maqueta.reading.questions import is_of_picture, is_question, place_of
from maqueta.service.deliveries.file_work import SheetWork
from maqueta.service.deliveries.messages import NotReadAnswer, OriginalAnswer
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.drafted_line import DraftedLine
from maqueta.store.files import FileStore
from maqueta.store.models import Account, ExerciseRecord, OriginalRecord, SheetRecord
from maqueta.store.originals import Excuse, excuse_of, keep_original, original_at_work, original_of
from maqueta.store.sheets import own_sheet

#: So many lines of a sheet tell which it is; it is still the one that was read while this share of them is there.
_TRAITS, _STILL = 100, 0.5


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
    read = SheetDocument.model_validate_json(work.document)
    excuse = Excuse(read.unread_sizes, read.by_hand, traits(read))
    keep_original(session, student, exercise, attempt, upload.name, names, pages, work.not_read, excuse)


def traits(document: SheetDocument) -> tuple[str, ...]:
    """How long the longest lines of a sheet are on paper, whatever its views are taken for: by that it is known again.

    A line of a picture is as long as no other to a thousandth of a mm.
    """
    lengths = (
        view.scale * math.dist(line.points[0], line.points[-1])
        for view in document.views
        for line in view.lines or ()
        if isinstance(line, DraftedLine)
    )
    return tuple(f"{length:.3f}" for length in sorted(lengths, reverse=True)[:_TRAITS])


def believed(session: Session, student: Account, exercise: ExerciseRecord, document: SheetDocument) -> SheetDocument:
    """A student's own sheet, of which no more sizes count as not read than the service itself found unread in its file,
    and which is drawn by hand only if its file is.

    Both excuse what is not there, or not in its place: nobody may say so of their own sheet, nor of one that they draw
    anew in the place of what was read.
    """
    if not document.unread_sizes and not document.by_hand:
        return document
    sheet = own_sheet(session, student, exercise.id)
    found = original_at_work(session, student, exercise.id, 1 if sheet is None else sheet.attempt)
    excuse = Excuse() if found is None else excuse_of(found)
    there = len(set(excuse.drawn) & set(traits(document)))
    if there < _STILL * len(set(excuse.drawn)):
        excuse = Excuse()
    sizes, by_hand = min(document.unread_sizes, excuse.unread_sizes), document.by_hand and excuse.by_hand
    return document.model_copy(update={"unread_sizes": sizes, "by_hand": by_hand})


def original_answer(session: Session, sheet: SheetRecord) -> OriginalAnswer | None:
    """What is told of the file a sheet was read from."""
    found = original_of(session, sheet)
    return None if found is None else told_of(found)


def told_of(found: OriginalRecord) -> OriginalAnswer:
    """A file a sheet was read from, as it is told."""
    looked_at = frozenset(found.looked_at or ())
    not_read = [
        NotReadAnswer(words=told, at=place_of(told), asked=is_question(told), looked_at=place in looked_at)
        for place, told in enumerate(found.not_read)
    ]
    return OriginalAnswer(
        name=found.name,
        page=found.page,
        pages=found.pages,
        not_read=not_read,
        unread_sizes=found.unread_sizes,
        picture=any(is_of_picture(told) for told in found.not_read),
        brought_in_at=found.brought_in_at,
    )
