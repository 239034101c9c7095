"""From stored sheets and findings to what is told of them."""

from collections.abc import Sequence
from typing import Any, Final

from pydantic import TypeAdapter

from maqueta.judging.catalogue import CATALOGUE, wording
from maqueta.judging.finding import Finding
from maqueta.judging.points import cost, earned
from maqueta.judging.scope import Scope
from maqueta.phrases.phrase import key_of
from maqueta.service.marking.messages import ChangedAnswer, CriterionPoints, FindingAnswer, GoneFinding
from maqueta.store.models import ExerciseRecord, FindingRecord, SheetRecord
from maqueta.task.criteria import CRITERIA
from maqueta.task.exercise import Exercise

FINDING: Final = TypeAdapter(Finding)
SCOPE: Final = TypeAdapter(Scope)


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
    )


def points_of_criteria(
    records: Sequence[FindingRecord], findings: Sequence[Finding], task: Exercise, scope: Scope
) -> list[CriterionPoints]:
    """Points of all criteria that carry any, after the decisions made so far."""
    waived = frozenset(number for number, record in enumerate(records) if record.decision == "waived")
    forms = []
    for criterion in CRITERIA:
        result = earned(criterion, findings, task, scope, waived)
        if result.of:
            forms.append(
                CriterionPoints(criterion=criterion, outcome=result.outcome, points=result.points, of=result.of)
            )
    return forms


def is_late(sheet: SheetRecord, exercise: ExerciseRecord) -> bool:
    """Whether a sheet came after its due time."""
    return sheet.handed_in_at is not None and sheet.handed_in_at > exercise.due_at


def scope_json(scope: Scope) -> dict[str, Any]:
    """What of a sheet could be judged, as it is kept."""
    kept: dict[str, Any] = SCOPE.dump_python(scope, mode="json")
    return kept


def changed_answer(sheet: SheetRecord) -> ChangedAnswer | None:
    """What came and went when a later version checked a sheet again."""
    if sheet.changed is None:
        return None
    gone = []
    for entry in sheet.changed["gone"]:
        finding = FINDING.validate_python(entry["measured"])
        heading, message = CATALOGUE[finding.rule].heading, wording(finding).message
        gone.append(GoneFinding(heading=heading, message=message, decision=entry["decision"], remark=entry["remark"]))
    return ChangedAnswer(gone=gone, new=sheet.changed["new"])
