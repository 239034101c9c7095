"""Sheets: a student's own, attempt by attempt, and those an instructor reviews."""

from collections.abc import Collection, Iterable, Mapping
from datetime import datetime
from typing import Any, Final, Literal

from sqlalchemy import Select, and_, delete, func, or_, select, text, update
from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session, contains_eager, defer, joinedload, selectinload

from maqueta.judging.again import CHECKER
from maqueta.store.classes import taught
from maqueta.store.clock import now
from maqueta.store.database import locked
from maqueta.store.errors import NotVisible, OutOfDate
from maqueta.store.marking import tell_wall
from maqueta.store.models import Account, ExerciseRecord, FindingRecord, JobRecord, MoreTime, SheetRecord, VersionRecord

#: The kind of a job that checks the sheets of an exercise again.
CHECKING_AGAIN: Final = "sheets"
SheetState = Literal["draft", "handed-in", "returned"]
#: What was found and decided on sheets, read for all of them at once.
_DECIDED: Final = (
    selectinload(SheetRecord.findings),
    selectinload(SheetRecord.added),
    selectinload(SheetRecord.given),
)


def sheets_of(session: Session, exercise: ExerciseRecord) -> list[SheetRecord]:
    """All sheets handed in for an exercise that the caller may review, all attempts, with what was found and decided,
    by student name and attempt.

    What is drawn on them is read when it is asked for: lists do without.
    """
    query = (
        select(SheetRecord)
        .join(SheetRecord.student)
        .options(contains_eager(SheetRecord.student), *_DECIDED, defer(SheetRecord.document))
        .where(SheetRecord.exercise_id == exercise.id, SheetRecord.state != "draft")
        .order_by(Account.name, SheetRecord.student_id, SheetRecord.attempt)
    )
    return list(session.scalars(query))


def documents_of(session: Session, sheets: Collection[SheetRecord]) -> list[dict[str, Any]]:
    """What is drawn on some sheets, in their order, read for all of them at once."""
    query = select(SheetRecord.id, SheetRecord.document).where(SheetRecord.id.in_([sheet.id for sheet in sheets]))
    found: dict[int, dict[str, Any]] = dict(row for row in session.execute(query).tuples())
    return [found[sheet.id] for sheet in sheets]


def attempts_at(session: Session, exercises: Collection[int]) -> list[SheetRecord]:
    """All sheets of some exercises, drafts too, whoever draws them; for whoever has shown that these are theirs."""
    return list(session.scalars(select(SheetRecord).where(SheetRecord.exercise_id.in_(exercises))))


def last_attempts(sheets: Iterable[SheetRecord]) -> list[SheetRecord]:
    """Of each student the last of some sheets, in their order."""
    last = {sheet.student_id: sheet for sheet in sheets}
    return list(last.values())


def attempts_of(session: Session, sheet: SheetRecord) -> list[SheetRecord]:
    """All attempts of the student of a sheet that were handed in, the first one first."""
    query = select(SheetRecord).where(
        SheetRecord.exercise_id == sheet.exercise_id,
        SheetRecord.student_id == sheet.student_id,
        SheetRecord.state != "draft",
    )
    return list(session.scalars(query.options(defer(SheetRecord.document)).order_by(SheetRecord.attempt)))


def sheets_around(session: Session, exercise: ExerciseRecord) -> list[int]:
    """Numbers of the sheets of an exercise that can be reviewed, of each student the last one, by student name."""
    query = (
        select(SheetRecord.id, SheetRecord.student_id)
        .join(SheetRecord.student)
        .where(SheetRecord.exercise_id == exercise.id, SheetRecord.state != "draft")
        .order_by(Account.name, SheetRecord.student_id, SheetRecord.attempt)
    )
    last = {student: number for number, student in session.execute(query).tuples()}
    return list(last.values())


def own_sheet(session: Session, student: Account, exercise_id: int, lock: bool = False) -> SheetRecord | None:
    """A student's own sheet for an exercise, the last attempt, or None when it was not begun."""
    query = _own_sheet(student, exercise_id)
    return session.scalar(locked(query) if lock else query)


def _own_sheet(student: Account, exercise_id: int) -> Select[SheetRecord]:
    own = select(SheetRecord).where(SheetRecord.exercise_id == exercise_id, SheetRecord.student_id == student.id)
    return own.order_by(SheetRecord.attempt.desc()).limit(1)


def own_sheets(
    session: Session, student: Account, exercises: Collection[int], decided: bool = False
) -> list[SheetRecord]:
    """All sheets of a student for some exercises, by exercise and attempt; `decided` with what was found and decided.

    What is drawn on them is read when it is asked for: lists do without.
    """
    query = (
        select(SheetRecord)
        .where(SheetRecord.student_id == student.id, SheetRecord.exercise_id.in_(exercises))
        .options(defer(SheetRecord.document), *(_DECIDED if decided else ()))
    )
    return list(session.scalars(query.order_by(SheetRecord.exercise_id, SheetRecord.attempt)))


def begin_again(session: Session, before: SheetRecord) -> SheetRecord:
    """A new attempt that begins where the last one stands. Raises OutOfDate where another tab has begun it."""
    record = SheetRecord(
        exercise_id=before.exercise_id,
        student_id=before.student_id,
        attempt=before.attempt + 1,
        state="draft",
        revision=1,
        document=before.document,
        saved_at=now(),
    )
    try:
        with session.begin_nested():
            session.add(record)
    except IntegrityError as error:
        raise OutOfDate(1) from error
    return record


def readable_sheet(session: Session, account: Account, sheet_id: int) -> SheetRecord:
    """A sheet the account may look at: a student's own, or one handed in to the instructor. Raises NotVisible."""
    exercise = contains_eager(SheetRecord.exercise)
    query = select(SheetRecord).join(SheetRecord.exercise).where(SheetRecord.id == sheet_id)
    query = query.options(
        exercise.joinedload(ExerciseRecord.version).joinedload(VersionRecord.part),
        exercise.joinedload(ExerciseRecord.school_class),
        joinedload(SheetRecord.student),
    )
    if account.role == "instructor":
        query = query.where(ExerciseRecord.class_id.in_(taught(account)), SheetRecord.state != "draft")
    else:
        query = query.where(SheetRecord.student_id == account.id)
    found = session.scalar(query)
    if found is None:
        raise NotVisible
    return found


def broken_rules(
    session: Session, class_id: int | None = None, student_id: int | None = None
) -> list[tuple[SheetRecord, frozenset[str]]]:
    """Sheets that were handed in, of each student and exercise the last, with the rules they break after all decisions.

    Of a class, or of a student; without what is drawn on them.
    """
    query = select(SheetRecord).join(SheetRecord.exercise).where(SheetRecord.state != "draft")
    if class_id is not None:
        query = query.where(ExerciseRecord.class_id == class_id)
    if student_id is not None:
        query = query.where(SheetRecord.student_id == student_id)
    query = query.options(contains_eager(SheetRecord.exercise), defer(SheetRecord.document))
    sheets = session.scalars(query.order_by(SheetRecord.exercise_id, SheetRecord.attempt))
    last = list({(sheet.exercise_id, sheet.student_id): sheet for sheet in sheets}.values())
    rules: dict[int, set[str]] = {sheet.id: set() for sheet in last}
    broken = select(FindingRecord.sheet_id, FindingRecord.rule).where(
        FindingRecord.sheet_id.in_(rules), func.coalesce(FindingRecord.decision, "open") != "waived"
    )
    for sheet_id, rule in session.execute(broken.distinct()).tuples():
        rules[sheet_id].add(rule)
    return [(sheet, frozenset(rules[sheet.id])) for sheet in last]


def sheets_of_receipt(session: Session, account: Account, receipt: str) -> list[SheetRecord]:
    """The sheets a receipt was given for, among a student's own or those of an instructor's classes."""
    query = select(SheetRecord).join(SheetRecord.exercise).where(SheetRecord.receipt == receipt)
    query = query.options(contains_eager(SheetRecord.exercise), joinedload(SheetRecord.student))
    if account.role == "instructor":
        query = query.where(ExerciseRecord.class_id.in_(taught(account)))
    else:
        query = query.where(SheetRecord.student_id == account.id)
    return list(session.scalars(query.order_by(SheetRecord.id)))


def drafts_to_collect(session: Session, closed_before: datetime) -> list[int]:
    """Numbers of drafts with something on them whose exercise closed before a time, for all the time somebody had."""
    minutes = func.coalesce(MoreTime.minutes, 0)
    query = (
        select(SheetRecord.id)
        .join(SheetRecord.exercise)
        .outerjoin(
            MoreTime,
            and_(MoreTime.exercise_id == SheetRecord.exercise_id, MoreTime.student_id == SheetRecord.student_id),
        )
        .where(
            SheetRecord.state == "draft",
            or_(
                func.json_length(SheetRecord.document, "$.views") > 0,
                func.json_length(SheetRecord.document, "$.parts_list.rows") > 0,
            ),
            ExerciseRecord.closes_at.is_not(None),
            func.timestampadd(text("MINUTE"), minutes, ExerciseRecord.closes_at) < closed_before,
        )
    )
    return list(session.scalars(query.order_by(SheetRecord.id)))


def draft_to_collect(session: Session, sheet_id: int) -> SheetRecord | None:
    """A sheet that is still a draft, locked."""
    query = select(SheetRecord).where(SheetRecord.id == sheet_id, SheetRecord.state == "draft")
    return session.scalar(locked(query, of=SheetRecord))


def reviewed_sheet(session: Session, instructor: Account, sheet_id: int) -> SheetRecord:
    """A sheet handed in to an instructor, locked for a change. Raises NotVisible."""
    query = (
        select(SheetRecord)
        .join(SheetRecord.exercise)
        .where(
            SheetRecord.id == sheet_id,
            ExerciseRecord.class_id.in_(taught(instructor)),
            SheetRecord.state != "draft",
        )
    )
    found = session.scalar(locked(query, of=SheetRecord))
    if found is None:
        raise NotVisible
    return found


def save_draft(
    session: Session, student: Account, exercise: ExerciseRecord, document: Mapping[str, Any], base: int
) -> SheetRecord:
    """Keep a student's draft. `base` is the revision it was made from (0: none yet).

    Raises OutOfDate when another tab saved in between or the sheet is no longer a draft.
    """
    # What was drawn before is written over without being read.
    query = _own_sheet(student, exercise.id).options(defer(SheetRecord.document))
    record = session.scalar(locked(query))
    if record is None:
        if base != 0:
            raise OutOfDate(0)
        record = SheetRecord(
            exercise_id=exercise.id,
            student_id=student.id,
            state="draft",
            revision=0,
            remark="",
            document={},
            saved_at=now(),
        )
        try:
            with session.begin_nested():
                session.add(record)
        except IntegrityError as error:
            # Another tab began the sheet at the same moment and was first. Read without a lock: all who came too late
            # share one on that row already, and would wait for each other.
            first = own_sheet(session, student, exercise.id)
            raise OutOfDate(first.revision if first is not None else 0) from error
    if record.revision != base or record.state != "draft":
        raise OutOfDate(record.revision)
    record.document = dict(document)
    record.revision += 1
    record.saved_at = now()
    session.flush()
    return record


def hand_in(
    session: Session,
    sheet: SheetRecord,
    findings: Iterable[tuple[str, Mapping[str, Any]]],
    scope: Mapping[str, Any] | None = None,
    receipt: str | None = None,
) -> None:
    """Close a draft and keep what the program found, what of it could be judged, and the hash its student is told."""
    sheet.state = "handed-in"
    sheet.handed_in_at = now()
    sheet.changed = None
    sheet.receipt = receipt
    keep_findings(
        session, sheet, [FindingRecord(rule=rule, measured=dict(m), remark="") for rule, m in findings], scope
    )


def keep_findings(
    session: Session, sheet: SheetRecord, findings: Iterable[FindingRecord], scope: Mapping[str, Any] | None
) -> None:
    """Keep what a check of a sheet found, in its order and in place of what was found before."""
    session.execute(delete(FindingRecord).where(FindingRecord.sheet_id == sheet.id))
    sheet.scope = dict(scope) if scope is not None else None
    sheet.checker = CHECKER
    for number, finding in enumerate(findings):
        finding.sheet_id, finding.number = sheet.id, number
        session.add(finding)
    session.flush()
    session.expire(sheet, ["findings"])


def stale_sheets(session: Session, exercise_id: int) -> list[int]:
    """Numbers of the sheets of an exercise that are still out and were checked by an older version."""
    query = select(SheetRecord.id).where(
        SheetRecord.exercise_id == exercise_id, SheetRecord.state == "handed-in", SheetRecord.checker < CHECKER
    )
    return list(session.scalars(query.order_by(SheetRecord.id)))


def stale_exercises(session: Session) -> list[ExerciseRecord]:
    """Exercises with sheets that were checked by an older version, and that nobody is about to check again.

    Whoever is at work on one has settled already which of its sheets are looked at.
    """
    asked = select(JobRecord.subject_id).where(JobRecord.kind == CHECKING_AGAIN, JobRecord.state == "waiting")
    stale = select(SheetRecord.exercise_id).where(SheetRecord.state == "handed-in", SheetRecord.checker < CHECKER)
    query = select(ExerciseRecord).where(ExerciseRecord.id.in_(stale), ExerciseRecord.id.not_in(asked))
    return list(session.scalars(query.order_by(ExerciseRecord.id)))


def stale_sheet(session: Session, sheet_id: int, lock: bool = False) -> SheetRecord | None:
    """A sheet if it is still to be checked again."""
    query = select(SheetRecord).where(
        SheetRecord.id == sheet_id, SheetRecord.state == "handed-in", SheetRecord.checker < CHECKER
    )
    return session.scalar(locked(query, of=SheetRecord) if lock else query)


def sheets_with_drawings(session: Session, exercise: ExerciseRecord) -> list[SheetRecord]:
    """The sheets of an exercise that are handed in and not returned, with what is drawn on them."""
    query = select(SheetRecord).where(SheetRecord.exercise_id == exercise.id, SheetRecord.state == "handed-in")
    return list(session.scalars(query.order_by(SheetRecord.id)))


def check_all_again(session: Session, exercise: ExerciseRecord) -> None:
    """Let every sheet of an exercise that is handed in and not returned count as checked by an older version."""
    out = update(SheetRecord).where(SheetRecord.exercise_id == exercise.id, SheetRecord.state == "handed-in")
    session.execute(out.values(checker=0))


def deliver(
    session: Session,
    student: Account,
    exercise: ExerciseRecord,
    document: Mapping[str, Any],
    findings: Iterable[tuple[str, Mapping[str, Any]]],
    scope: Mapping[str, Any] | None = None,
    receipt: str | None = None,
) -> SheetRecord:
    """Hand in a sheet that came as a file, in place of the student's draft. Raises OutOfDate for a sheet handed in."""
    before = own_sheet(session, student, exercise.id, lock=True)
    base = before.revision if before is not None else 0
    return take_in(session, student, exercise, document, base, findings, scope, receipt)


def take_in(
    session: Session,
    student: Account,
    exercise: ExerciseRecord,
    document: Mapping[str, Any],
    base: int,
    findings: Iterable[tuple[str, Mapping[str, Any]]],
    scope: Mapping[str, Any] | None = None,
    receipt: str | None = None,
) -> SheetRecord:
    """Keep a student's sheet, made from revision `base`, hand it in and tell the wall. Raises OutOfDate."""
    # The wall first: it takes the row of the exercise for this sheet alone. A new sheet shares that row, and two who
    # share it and then want it for themselves would wait for each other.
    tell_wall(session, exercise.id)
    sheet = save_draft(session, student, exercise, document, base)
    hand_in(session, sheet, findings, scope, receipt)
    return sheet


def give_back(sheets: Iterable[SheetRecord]) -> int:
    """Return sheets to their students; returns how many were still out."""
    number = 0
    for sheet in sheets:
        if sheet.state == "handed-in":
            sheet.state = "returned"
            sheet.returned_at = now()
            number += 1
    return number
