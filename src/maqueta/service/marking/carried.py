"""Findings of a sheet that was judged once more: what a person decided stays with them; what came and went is told."""

from typing import Any

from sqlalchemy.orm import Session

from maqueta.judging.again import compared_again
from maqueta.service.deliveries.work import Judged
from maqueta.service.marking.answers import FINDING, finding_of, scope_json
from maqueta.store.marking import tell_wall
from maqueta.store.models import FindingRecord, SheetRecord
from maqueta.store.sheets import keep_findings


def keep_judged_again(session: Session, sheet: SheetRecord, result: Judged, corrected: bool = False) -> None:
    """Keep what was found on a sheet in place of what was found before, and tell the wall.

    `corrected` says that the sheet is another one now, and not the program that judged it.
    """
    before = list(sheet.findings)
    after = [FINDING.validate_python(measured) for _, measured in result.measured]
    again = compared_again([finding_of(finding) for finding in before], after)
    findings = []
    for number, (rule, measured) in enumerate(result.measured):
        old = before[again.kept[number]] if number in again.kept else None
        findings.append(_carried(rule, measured, old))
    gone = [_told(before[number]) for number in again.gone]
    changed = {"gone": gone, "new": list(again.new), "corrected": corrected}
    sheet.changed = changed if again.gone or again.new else None
    keep_findings(session, sheet, findings, scope_json(result.scope))
    tell_wall(session, sheet.exercise_id)


def _carried(rule: str, measured: dict[str, Any], old: FindingRecord | None) -> FindingRecord:
    """A finding with what a person decided about it before."""
    if old is None:
        return FindingRecord(rule=rule, measured=measured, remark="")
    return FindingRecord(
        rule=rule,
        measured=measured,
        remark=old.remark,
        decision=old.decision,
        decided_by=old.decided_by,
        decided_at=old.decided_at,
    )


def _told(finding: FindingRecord) -> dict[str, Any]:
    """A finding that is no more, with what was decided about it."""
    return {"measured": finding.measured, "decision": finding.decision, "remark": finding.remark}
