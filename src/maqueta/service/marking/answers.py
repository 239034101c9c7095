"""From stored sheets and findings to what is told of them."""

from collections.abc import Sequence
from datetime import datetime, timedelta
from typing import Any, Final

from pydantic import TypeAdapter

from maqueta.judging.catalogue import CATALOGUE, wording
from maqueta.judging.finding import Finding
from maqueta.judging.points import Added, Decided, Mark, cost, mark
from maqueta.judging.scope import Scope
from maqueta.phrases.phrase import key_of
from maqueta.service.marking.messages import (
    AddedAnswer,
    ChangedAnswer,
    CriterionPoints,
    FindingAnswer,
    GoneFinding,
    PinAnswer,
)
from maqueta.store.models import ExerciseRecord, FindingRecord, SheetRecord
from maqueta.task.criteria import CRITERIA
from maqueta.task.exercise import Exercise

FINDING: Final = TypeAdapter(Finding)
SCOPE: Final = TypeAdapter(Scope)
#: Beside the criteria, points a person may add.
BONUS: Final = "bonus"


def share_key(finding: Finding) -> str:
    """What findings of different sheets have in common when they are the same mistake."""
    return "|".join([finding.rule, finding.variant, *map(key_of, finding.about)])[:200]


def finding_of(record: FindingRecord) -> Finding:
    """The finding as the program measured it."""
    return FINDING.validate_python(record.measured)


def findings_of(records: Sequence[FindingRecord]) -> list[Finding]:
    """The findings of a sheet as the program measured them, in their order."""
    return [finding_of(record) for record in records]


def finding_answers(
    records: Sequence[FindingRecord], findings: Sequence[Finding], task: Exercise
) -> list[FindingAnswer]:
    """The findings of a sheet with wording, cost and decision."""
    return [finding_answer(record, finding, task) for record, finding in zip(records, findings, strict=True)]


def finding_answer(record: FindingRecord, finding: Finding, task: Exercise) -> FindingAnswer:
    """A finding with its wording, cost and decision."""
    rule, words = CATALOGUE[finding.rule], wording(finding)
    return FindingAnswer(
        number=record.number,
        rule=finding.rule,
        criterion=rule.criterion,
        severity=finding.severity,
        sign=rule.sign,
        heading=rule.heading,
        kind=rule.way(finding.variant),
        kind_heading=rule.heading_of(finding.variant),
        message=words.message,
        expected=words.expected,
        found=words.found,
        basis=rule.basis,
        views=list(finding.views),
        at=[list(line) for line in finding.at],
        edges=list(finding.edges),
        faces=list(finding.faces),
        items=list(finding.items),
        cost=cost(finding, task),
        share=share_key(finding),
        decision=record.decision,  # type: ignore[arg-type]
        remark=record.remark,
        answer=record.answer,
    )


def decided_of(sheet: SheetRecord) -> Decided:
    """What people have decided about a sheet so far."""
    given = {entry.criterion: entry.points for entry in sheet.given}
    return Decided(
        waived=frozenset(number for number, record in enumerate(sheet.findings) if record.decision == "waived"),
        added=tuple(Added(entry.criterion, entry.cost) for entry in sheet.added),  # type: ignore[arg-type]
        given={criterion: given[criterion] for criterion in CRITERIA if criterion in given},
        bonus=given.get(BONUS, 0.0),
    )


def mark_of(sheet: SheetRecord, findings: Sequence[Finding], task: Exercise, scope: Scope, late_by: timedelta) -> Mark:
    """The mark of a sheet after the decisions made so far."""
    return mark(findings, task, scope, decided_of(sheet), late_by)


def mark_fields(result: Mark) -> dict[str, Any]:
    """A mark as it travels, for those answers that hold one."""
    marks = [
        CriterionPoints(criterion=c, outcome=own.outcome, points=own.points, of=own.of, given=own.given)
        for c, own in result.criteria.items()
    ]
    return {
        "points": result.points,
        "of": result.of,
        "grade": result.grade,
        "late_loss": result.late,
        "bonus": result.bonus,
        "marks": marks,
    }


#: What nothing is told of yet.
NO_MARK: Final = Mark({}, 0.0, 0.0, 0.0, 0.0, None)


def added_answers(sheet: SheetRecord) -> list[AddedAnswer]:
    """The mistakes people added to a sheet."""
    return [
        AddedAnswer(
            id=entry.id,
            criterion=entry.criterion,  # type: ignore[arg-type]
            words=entry.words,
            cost=entry.cost,
            at=(entry.at[0], entry.at[1]) if entry.at is not None else None,
        )
        for entry in sheet.added
    ]


def pin_answers(sheet: SheetRecord) -> list[PinAnswer]:
    """The pins and strokes on a sheet."""
    return [PinAnswer(id=p.id, points=[(x, y) for x, y in p.points], words=p.words) for p in sheet.pins]


def late_by(sheet: SheetRecord, exercise: ExerciseRecord, extra: timedelta) -> timedelta:
    """How long after it was due a sheet came, for a student who has so much more time than the others."""
    return late_after(sheet, exercise.due_at, extra)


def late_after(sheet: SheetRecord, due: datetime, extra: timedelta) -> timedelta:
    """How long after a time a sheet came, for a student who has so much more time than the others."""
    return max(timedelta(), sheet.handed_in_at - due - extra) if sheet.handed_in_at is not None else timedelta()


def scope_json(scope: Scope) -> dict[str, Any]:
    """What of a sheet could be judged, as it is kept."""
    kept: dict[str, Any] = SCOPE.dump_python(scope, mode="json")
    return kept


def changed_answer(sheet: SheetRecord) -> ChangedAnswer | None:
    """What came and went when a sheet was judged again."""
    if sheet.changed is None:
        return None
    gone = []
    for entry in sheet.changed["gone"]:
        finding = FINDING.validate_python(entry["measured"])
        heading, message = CATALOGUE[finding.rule].heading, wording(finding).message
        gone.append(GoneFinding(heading=heading, message=message, decision=entry["decision"], remark=entry["remark"]))
    return ChangedAnswer(gone=gone, new=sheet.changed["new"], corrected=sheet.changed.get("corrected", False))
