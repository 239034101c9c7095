"""What people decide about sheets: findings upheld or waived, mistakes added, marks given, pins, schemes."""

from collections import defaultdict
from collections.abc import Iterable, Mapping, Sequence
from typing import Any, Literal

from sqlalchemy import func, literal, select, union_all, update
from sqlalchemy.orm import Session

from maqueta.store.classes import taught
from maqueta.store.clock import now
from maqueta.store.errors import NotVisible
from maqueta.store.models import (
    Account,
    AddedFinding,
    ExerciseRecord,
    FindingRecord,
    GivenMark,
    PinRecord,
    SchemeChange,
    SchemeTemplate,
    SheetRecord,
)

Decision = Literal["upheld", "waived"]
#: How a finding stood for whoever decides about it.
Seen = Literal["open", "upheld", "waived"]


def tell_wall(session: Session, exercise_id: int) -> None:
    """Let whoever looks at the wall of an exercise know that something on it has changed."""
    query = update(ExerciseRecord).where(ExerciseRecord.id == exercise_id)
    session.execute(query.values(news=ExerciseRecord.news + 1).execution_options(synchronize_session=False))


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


def add_finding(
    sheet: SheetRecord,
    instructor: Account,
    key: str,
    criterion: str,
    words: str,
    cost: float,
    at: Sequence[float] | None,
) -> None:
    """Add a mistake the program did not find; `at` in sheet mm, or nowhere. What has a key that is there is there."""
    if any(entry.key == key for entry in sheet.added):
        return
    added = AddedFinding(
        key=key,
        criterion=criterion,
        words=words,
        cost=cost,
        at=list(at) if at is not None else None,
        added_by=instructor.id,
        added_at=now(),
    )
    sheet.added.append(added)


def take_back_finding(sheet: SheetRecord, number: int) -> None:
    """Take back a mistake that was added. Raises NotVisible."""
    found = next((entry for entry in sheet.added if entry.id == number), None)
    if found is None:
        raise NotVisible
    sheet.added.remove(found)


def give_mark(sheet: SheetRecord, instructor: Account, criterion: str, points: float | None) -> None:
    """Give points for a criterion in place of the computed ones, or a bonus; None takes them back."""
    found = next((entry for entry in sheet.given if entry.criterion == criterion), None)
    if points is None:
        if found is not None:
            sheet.given.remove(found)
        return
    if found is None:
        found = GivenMark(criterion=criterion)
        sheet.given.append(found)
    found.points, found.given_by, found.given_at = points, instructor.id, now()


def add_pin(sheet: SheetRecord, instructor: Account, key: str, points: Iterable[Sequence[float]], words: str) -> None:
    """Put a pin or a stroke on a sheet; points in sheet mm. What has a key that is there is there."""
    if any(pin.key == key for pin in sheet.pins):
        return
    placed = [list(point) for point in points]
    sheet.pins.append(PinRecord(key=key, points=placed, words=words, made_by=instructor.id, made_at=now()))


def take_pin_off(sheet: SheetRecord, number: int) -> None:
    """Take a pin off a sheet. Raises NotVisible."""
    found = next((pin for pin in sheet.pins if pin.id == number), None)
    if found is None:
        raise NotVisible
    sheet.pins.remove(found)


def remarks_written(session: Session, instructor: Account, rule: str | None, most: int) -> list[tuple[str, int]]:
    """What an instructor wrote on sheets before, each once with how often; remarks on the rule first, then by use."""
    finding = FindingRecord
    on_findings = select(finding.remark.label("words"), finding.rule.label("rule")).where(
        finding.decided_by == instructor.id, finding.remark != ""
    )
    added = select(AddedFinding.words, AddedFinding.criterion).where(AddedFinding.added_by == instructor.id)
    pins = select(PinRecord.words, literal("")).where(PinRecord.made_by == instructor.id, PinRecord.words != "")
    on_sheets = (
        select(SheetRecord.remark, literal(""))
        .join(ExerciseRecord, ExerciseRecord.id == SheetRecord.exercise_id)
        .where(ExerciseRecord.instructor_id == instructor.id, SheetRecord.remark != "")
    )
    all_of = union_all(on_findings, added, pins, on_sheets).subquery()
    query = select(all_of.c.words, func.count()).group_by(all_of.c.words)
    if rule is not None:
        query = query.order_by(func.sum(all_of.c.rule == rule).desc())
    query = query.order_by(func.count().desc(), all_of.c.words).limit(most)
    return list(session.execute(query).tuples())


def agreement(session: Session, instructor: Account) -> dict[str, dict[str, int]]:
    """By rule, how often its findings were upheld, waived or are open, on all sheets of an instructor's classes."""
    stands = func.coalesce(FindingRecord.decision, "open")
    query = (
        select(FindingRecord.rule, stands, func.count())
        .join(SheetRecord, SheetRecord.id == FindingRecord.sheet_id)
        .join(ExerciseRecord, ExerciseRecord.id == SheetRecord.exercise_id)
        .where(ExerciseRecord.class_id.in_(taught(instructor)))
        .group_by(FindingRecord.rule, stands)
    )
    found: dict[str, dict[str, int]] = defaultdict(dict)
    for rule, decision, number in session.execute(query).tuples():
        found[rule][decision] = number
    return found


def change_scheme(
    session: Session, exercise: ExerciseRecord, instructor: Account, before: Mapping[str, Any], after: Mapping[str, Any]
) -> None:
    """Mark an exercise otherwise from now on, and keep who changed it and what it was; `after` goes into its task."""
    exercise.task = {**exercise.task, **after}
    change = SchemeChange(
        exercise_id=exercise.id, account_id=instructor.id, at=now(), before=dict(before), after=dict(after)
    )
    session.add(change)
    session.flush()


def scheme_changes(session: Session, exercise: ExerciseRecord) -> list[SchemeChange]:
    """How the marking of an exercise was changed, the last change first."""
    query = select(SchemeChange).where(SchemeChange.exercise_id == exercise.id).order_by(SchemeChange.id.desc())
    return list(session.scalars(query))


def templates_of(session: Session, instructor: Account) -> list[SchemeTemplate]:
    """The ways of marking an instructor has kept, by name."""
    query = select(SchemeTemplate).where(SchemeTemplate.owner_id == instructor.id)
    return list(session.scalars(query.order_by(SchemeTemplate.name, SchemeTemplate.id)))


def keep_template(session: Session, instructor: Account, name: str, scheme: Mapping[str, Any]) -> SchemeTemplate:
    """Keep a way of marking under a name; one of that name is replaced."""
    found = next((own for own in templates_of(session, instructor) if own.name == name), None)
    if found is None:
        found = SchemeTemplate(owner_id=instructor.id, name=name)
        session.add(found)
    found.scheme, found.kept_at = dict(scheme), now()
    session.flush()
    return found


def drop_template(session: Session, instructor: Account, template_id: int) -> None:
    """Keep a way of marking no longer. Raises NotVisible."""
    found = session.get(SchemeTemplate, template_id)
    if found is None or found.owner_id != instructor.id:
        raise NotVisible
    session.delete(found)
    session.flush()
