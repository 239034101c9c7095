"""The files sheets were read from: of each attempt of a student the one that was brought in last."""

from collections.abc import Sequence
from dataclasses import dataclass

from sqlalchemy import Select, delete, select
from sqlalchemy.orm import Session

from maqueta.phrases.phrase import Phrase
from maqueta.store.clock import now
from maqueta.store.database import locked
from maqueta.store.models import Account, ExerciseRecord, OriginalRecord, SheetRecord


@dataclass(frozen=True, slots=True)
class Excuse:
    """What excuses a sheet that was read: how many sizes were not, and whether it is drawn by hand; `drawn` are traits
    of its lines, by which it is known again."""

    unread_sizes: int = 0
    by_hand: bool = False
    drawn: tuple[str, ...] = ()


def keep_original(
    session: Session,
    student: Account,
    exercise: ExerciseRecord,
    attempt: int,
    name: str,
    files: tuple[str, str],
    pages: tuple[int, int],
    not_read: Sequence[Phrase],
    excuse: Excuse = Excuse(),
) -> OriginalRecord:
    """Keep which file an attempt was read from, in place of what was brought in before.

    `files` are the file and its drawing that lies under the sheet, by content hash; `pages` the page that was read, and
    of how many.
    """
    record = session.scalar(locked(_of_attempt(exercise.id, student.id, attempt)))
    if record is None:
        record = OriginalRecord(exercise_id=exercise.id, student_id=student.id, attempt=attempt)
        session.add(record)
    record.name, (record.file, record.laid) = name[:255], files
    record.page, record.pages = pages
    record.looked_at = []
    record.not_read, record.brought_in_at = tuple(not_read), now()
    record.unread_sizes, record.by_hand, record.drawn = excuse.unread_sizes, excuse.by_hand, list(excuse.drawn)
    session.flush()
    return record


def original_of(session: Session, sheet: SheetRecord) -> OriginalRecord | None:
    """The file a sheet was read from, if it was. Whoever asks has shown that the sheet may be looked at."""
    return session.scalar(_of_attempt(sheet.exercise_id, sheet.student_id, sheet.attempt))


def look_at(original: OriginalRecord, place: int, looked_at: bool) -> None:
    """Note whether somebody has looked at something that was not read, told by its place among all of that."""
    others = set(original.looked_at or ()) - {place}
    original.looked_at = sorted(others | {place}) if looked_at else sorted(others)


def carry_original(session: Session, before: SheetRecord, after: SheetRecord) -> None:
    """An attempt that begins where another one stands was read from the same file, if that was."""
    found = original_of(session, before)
    if found is not None:
        files, pages = (found.file, found.laid), (found.page, found.pages)
        keep_original(
            session, after.student, after.exercise, after.attempt, found.name, files, pages, found.not_read,
            excuse_of(found),
        )  # fmt: skip


def excuse_of(found: OriginalRecord) -> Excuse:
    """What excuses a sheet that was read from a file."""
    return Excuse(found.unread_sizes, found.by_hand, tuple(found.drawn or ()))


def original_at_work(session: Session, student: Account, exercise_id: int, attempt: int) -> OriginalRecord | None:
    """The file a student's own attempt was read from, if it was, whether the attempt was saved by now or not."""
    return session.scalar(_of_attempt(exercise_id, student.id, attempt))


def _of_attempt(exercise_id: int, student_id: int, attempt: int) -> Select[OriginalRecord]:
    return select(OriginalRecord).where(
        OriginalRecord.exercise_id == exercise_id,
        OriginalRecord.student_id == student_id,
        OriginalRecord.attempt == attempt,
    )


def forget_originals(session: Session, student: Account) -> frozenset[str]:
    """Let go of all files of a student; the names of those that nobody else brought in, too, and that may go."""
    mine = select(OriginalRecord).where(OriginalRecord.student_id == student.id)
    names = {name for record in session.scalars(mine) for name in (record.file, record.laid)}
    session.execute(delete(OriginalRecord).where(OriginalRecord.student_id == student.id))
    others = select(OriginalRecord.file, OriginalRecord.laid)
    held = others.where(OriginalRecord.file.in_(names) | OriginalRecord.laid.in_(names))
    return frozenset(names) - {name for pair in session.execute(held).tuples() for name in pair}
