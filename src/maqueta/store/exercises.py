"""Exercises and the sheets delivered for them."""

from collections import Counter
from collections.abc import Iterable, Mapping, Sequence
from datetime import datetime
from typing import Any, Final, Literal

from sqlalchemy import Select, delete, func, select
from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session, contains_eager, defer, joinedload, selectinload

from maqueta.judging.again import CHECKER
from maqueta.store.clock import now
from maqueta.store.database import locked
from maqueta.store.errors import NotVisible, OutOfDate
from maqueta.store.models import (
    Account,
    Enrolment,
    ExerciseRecord,
    FindingRecord,
    JobRecord,
    ModelAnswerRecord,
    PartRecord,
    SchoolClass,
    SheetRecord,
    VersionRecord,
)

#: The kind of a job that checks the sheets of an exercise again.
CHECKING_AGAIN: Final = "sheets"
SheetState = Literal["draft", "handed-in", "returned"]
Decision = Literal["upheld", "waived"]
#: How a finding stood for whoever decides about it.
Seen = Literal["open", "upheld", "waived"]


def add_exercise(
    session: Session,
    instructor: Account,
    version: VersionRecord,
    school_class: SchoolClass,
    title: str,
    task: Mapping[str, Any],
    due_at: datetime,
    varied: bool = False,
) -> ExerciseRecord:
    """A new exercise for a class, on one version of a part."""
    record = ExerciseRecord(
        version_id=version.id,
        varied=varied,
        class_id=school_class.id,
        instructor_id=instructor.id,
        title=title,
        task=dict(task),
        due_at=due_at,
        created_at=now(),
    )
    session.add(record)
    session.flush()
    return record


def _exercises_for(account: Account) -> Select[ExerciseRecord]:
    query = select(ExerciseRecord)
    if account.role == "instructor":
        query = query.where(ExerciseRecord.instructor_id == account.id)
    else:
        query = query.join(Enrolment, Enrolment.class_id == ExerciseRecord.class_id).where(
            Enrolment.student_id == account.id
        )
    return query


def exercises_for(session: Session, account: Account) -> list[ExerciseRecord]:
    """The exercises an instructor has set, or those set to a student's classes; the next due first."""
    part = joinedload(ExerciseRecord.version).joinedload(VersionRecord.part)
    shown = (part.lazyload(PartRecord.current), part.lazyload(PartRecord.labels))
    query = _exercises_for(account).options(*shown, joinedload(ExerciseRecord.school_class))
    return list(session.scalars(query.order_by(ExerciseRecord.due_at)))


def exercise_for(session: Session, account: Account, exercise_id: int) -> ExerciseRecord:
    """One exercise, if the account has set it or is to do it. Raises NotVisible."""
    # Drafts are kept every few seconds: what a request does not look at is not read.
    query = _exercises_for(account).options(joinedload(ExerciseRecord.version))
    found = session.scalar(query.where(ExerciseRecord.id == exercise_id))
    if found is None:
        raise NotVisible
    return found


def sheet_counts(session: Session, exercises: Sequence[ExerciseRecord]) -> dict[int, Counter[str]]:
    """How many sheets of each exercise are in each state, by the exercise's number."""
    counts: dict[int, Counter[str]] = {exercise.id: Counter() for exercise in exercises}
    query = select(SheetRecord.exercise_id, SheetRecord.state, func.count())
    query = query.where(SheetRecord.exercise_id.in_(counts)).group_by(SheetRecord.exercise_id, SheetRecord.state)
    for exercise_id, state, number in session.execute(query).tuples():
        counts[exercise_id][state] = number
    return counts


def sheets_of(session: Session, exercise: ExerciseRecord) -> list[SheetRecord]:
    """All sheets handed in for an exercise that the caller may review, with findings, by student name.

    What is drawn on them is read when it is asked for: lists do without.
    """
    query = (
        select(SheetRecord)
        .join(SheetRecord.student)
        .options(contains_eager(SheetRecord.student), selectinload(SheetRecord.findings), defer(SheetRecord.document))
        .where(SheetRecord.exercise_id == exercise.id, SheetRecord.state != "draft")
        .order_by(Account.name)
    )
    return list(session.scalars(query))


def sheets_around(session: Session, exercise: ExerciseRecord) -> list[int]:
    """Numbers of all sheets of an exercise that can be reviewed, by student name."""
    query = (
        select(SheetRecord.id)
        .join(SheetRecord.student)
        .where(SheetRecord.exercise_id == exercise.id, SheetRecord.state != "draft")
        .order_by(Account.name)
    )
    return list(session.scalars(query))


def own_sheet(session: Session, student: Account, exercise_id: int, lock: bool = False) -> SheetRecord | None:
    """A student's own sheet for an exercise, or None when it was not begun."""
    query = _own_sheet(student, exercise_id)
    return session.scalar(locked(query) if lock else query)


def _own_sheet(student: Account, exercise_id: int) -> Select[SheetRecord]:
    return select(SheetRecord).where(SheetRecord.exercise_id == exercise_id, SheetRecord.student_id == student.id)


def own_sheets(session: Session, student: Account) -> list[SheetRecord]:
    """All sheets of a student."""
    return list(session.scalars(select(SheetRecord).where(SheetRecord.student_id == student.id)))


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
        query = query.where(ExerciseRecord.instructor_id == account.id, SheetRecord.state != "draft")
    else:
        query = query.where(SheetRecord.student_id == account.id)
    found = session.scalar(query)
    if found is None:
        raise NotVisible
    return found


def reviewed_sheet(session: Session, instructor: Account, sheet_id: int) -> SheetRecord:
    """A sheet handed in to an instructor, locked for a change. Raises NotVisible."""
    query = (
        select(SheetRecord)
        .join(SheetRecord.exercise)
        .where(
            SheetRecord.id == sheet_id,
            ExerciseRecord.instructor_id == instructor.id,
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


def model_answer(session: Session, exercise: ExerciseRecord, lock: bool = False) -> ModelAnswerRecord | None:
    """The model answer of an exercise the caller may see, or None where it is as proposed."""
    query = select(ModelAnswerRecord).where(ModelAnswerRecord.exercise_id == exercise.id)
    return session.scalar(locked(query) if lock else query)


def save_model_answer(
    session: Session, exercise: ExerciseRecord, document: Mapping[str, Any], base: int
) -> ModelAnswerRecord:
    """Keep a model answer. Raises OutOfDate when another tab saved in between."""
    record = model_answer(session, exercise, lock=True)
    if (record.revision if record is not None else 0) != base:
        raise OutOfDate(record.revision if record is not None else 0)
    if record is None:
        record = ModelAnswerRecord(exercise_id=exercise.id, revision=0)
        session.add(record)
    record.document = dict(document)
    record.revision += 1
    record.saved_at = now()
    try:
        session.flush()
    except IntegrityError as error:
        # Another tab kept the first one at the same moment.
        raise OutOfDate(1) from error
    return record


def hand_in(
    session: Session,
    sheet: SheetRecord,
    findings: Iterable[tuple[str, Mapping[str, Any]]],
    scope: Mapping[str, Any] | None = None,
) -> None:
    """Close a draft and keep what the program found, and what of it could be judged."""
    sheet.state = "handed-in"
    sheet.handed_in_at = now()
    sheet.changed = None
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
    """Exercises with sheets that were checked by an older version and that nobody checks again yet."""
    asked = select(JobRecord.subject_id).where(
        JobRecord.kind == CHECKING_AGAIN, JobRecord.state.in_(("waiting", "running"))
    )
    stale = select(SheetRecord.exercise_id).where(SheetRecord.state == "handed-in", SheetRecord.checker < CHECKER)
    query = select(ExerciseRecord).where(ExerciseRecord.id.in_(stale), ExerciseRecord.id.not_in(asked))
    return list(session.scalars(query.order_by(ExerciseRecord.id)))


def stale_sheet(session: Session, sheet_id: int, lock: bool = False) -> SheetRecord | None:
    """A sheet if it is still to be checked again."""
    query = select(SheetRecord).where(
        SheetRecord.id == sheet_id, SheetRecord.state == "handed-in", SheetRecord.checker < CHECKER
    )
    return session.scalar(locked(query, of=SheetRecord) if lock else query)


def deliver(
    session: Session,
    student: Account,
    exercise: ExerciseRecord,
    document: Mapping[str, Any],
    findings: Iterable[tuple[str, Mapping[str, Any]]],
    scope: Mapping[str, Any] | None = None,
) -> SheetRecord:
    """Hand in a sheet that came as a file, in place of the student's draft. Raises OutOfDate for a sheet handed in."""
    before = own_sheet(session, student, exercise.id, lock=True)
    sheet = save_draft(session, student, exercise, document, before.revision if before is not None else 0)
    hand_in(session, sheet, findings, scope)
    return sheet


def decided_since(finding: FindingRecord, seen: Seen | None) -> bool:
    """Whether a finding stands otherwise than whoever decides has seen it; None where that does not matter."""
    return seen is not None and (finding.decision or "open") != seen


def decide(
    findings: Sequence[FindingRecord], instructor: Account, decision: Decision | None, remark: str | None
) -> None:
    """Uphold, waive or leave open; a remark of None keeps the one there is."""
    for finding in findings:
        finding.decision = decision
        finding.decided_by = instructor.id if decision else None
        finding.decided_at = now() if decision else None
        if remark is not None:
            finding.remark = remark


def give_back(sheets: Iterable[SheetRecord]) -> int:
    """Return sheets to their students; returns how many were still out."""
    number = 0
    for sheet in sheets:
        if sheet.state == "handed-in":
            sheet.state = "returned"
            sheet.returned_at = now()
            number += 1
    return number
