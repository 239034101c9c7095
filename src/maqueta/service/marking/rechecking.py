"""Sheets that an older version checked are checked again beside the server; decisions stay with their findings."""

import logging
from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Any, Final

from maqueta.judging.again import compared_again
from maqueta.projection.look import Look
from maqueta.service.deliveries.work import Judged, judged
from maqueta.service.desk_work import Desk
from maqueta.service.exercises.answers import task_of
from maqueta.service.marking.answers import FINDING, finding_of, scope_json
from maqueta.service.queue.work_queue import Hands, NotDoneError, Piece, Wanted
from maqueta.service.shelf.kernel_work import looks_drawn
from maqueta.service.shelf.looks import keep, kept_of
from maqueta.service.shelf.part_files import source_of
from maqueta.sheet.document import SheetDocument
from maqueta.store.database import Database
from maqueta.store.files import FileStore, StoredFile
from maqueta.store.jobs import add_job
from maqueta.store.marking import tell_wall
from maqueta.store.models import Account, FindingRecord
from maqueta.store.sheets import CHECKING_AGAIN, keep_findings, stale_exercises, stale_sheet, stale_sheets
from maqueta.store.shelf import own_variation

_LOG: Final = logging.getLogger("maqueta.jobs")
#: A sheet nobody waits for may take longer than one at the desk.
PATIENCE: Final = 60.0


def ask_to_check_again(database: Database) -> int:
    """Have all sheets that are still out and were checked by an older version checked again; for how many exercises."""
    with database.transaction() as session:
        stale = stale_exercises(session)
        for exercise in stale:
            owner = session.get_one(Account, exercise.instructor_id)
            add_job(session, owner, CHECKING_AGAIN, exercise.id)
        return len(stale)


@dataclass(frozen=True)
class _Sheet:
    """A sheet as it lies on the desk to be checked again; without one while its part is not ready."""

    revision: int
    document: SheetDocument
    desk: Desk | None


@dataclass(frozen=True)
class Rechecker:
    """Checks sheets again, one after another, each in a transaction of its own."""

    database: Database
    files: FileStore
    hands: Hands

    def stale(self, exercise_id: int) -> list[int]:
        """The sheets of an exercise that are to be checked again."""
        with self.database.transaction() as session:
            return stale_sheets(session, exercise_id)

    def again(self, sheet_id: int, wanted: Wanted) -> bool:
        """Check one sheet again; whether that could be done. Raises NotDoneError where it is to be tried later."""
        sheet = self._taken(sheet_id)
        if sheet is None:
            return True
        if sheet.desk is None:
            _LOG.warning("sheet %d keeps its findings; its part is not ready", sheet_id)
            return False
        try:
            desk = self.equipped(sheet.desk, sheet.document.looks_aslant)
            result = self.hands.run(Piece("readers", judged, (desk, sheet.document, True), PATIENCE), wanted)
        except NotDoneError:
            raise
        except Exception as error:  # the worker's own exceptions arrive here, whatever they are
            _LOG.warning("sheet %d keeps its findings; it could not be checked again: %s", sheet_id, error)
            return False
        self._keep(sheet_id, sheet.revision, result)
        return True

    def _taken(self, sheet_id: int) -> _Sheet | None:
        with self.database.transaction() as session:
            record = stale_sheet(session, sheet_id)
            if record is None:
                return None
            exercise = record.exercise
            version = own_variation(session, exercise, record.student_id) if exercise.varied else exercise.version
            desk = None
            if version is not None and version.dossier is not None:
                part, source = StoredFile(self.files, version.dossier), source_of(self.files, version)
                desk = Desk(part, source, task_of(exercise), False)
            return _Sheet(record.revision, SheetDocument.model_validate(record.document), desk)

    def equipped(self, desk: Desk, looks: Sequence[Look]) -> Desk:
        """A desk with what its part looks like from elsewhere than usual."""
        with self.database.transaction() as session:
            drawn, missing = kept_of(session, desk.part, looks)
        if missing:
            new = self.hands.run(Piece("previews", looks_drawn, (desk.source, missing), PATIENCE))
            with self.database.transaction() as session:
                keep(session, desk.part, new)
            drawn += new
        return replace(desk, looks=drawn)

    def _keep(self, sheet_id: int, revision: int, result: Judged) -> None:
        with self.database.transaction() as session:
            record = stale_sheet(session, sheet_id, lock=True)
            # Returned, or drawn anew meanwhile: what was found belongs to what is no more.
            if record is None or record.revision != revision:
                return
            before = list(record.findings)
            after = [FINDING.validate_python(measured) for _, measured in result.measured]
            again = compared_again([finding_of(finding) for finding in before], after)
            findings = []
            for number, (rule, measured) in enumerate(result.measured):
                old = before[again.kept[number]] if number in again.kept else None
                findings.append(_carried(rule, measured, old))
            changed = {"gone": [_told(before[number]) for number in again.gone], "new": list(again.new)}
            record.changed = changed if again.gone or again.new else None
            keep_findings(session, record, findings, scope_json(result.scope))
            tell_wall(session, record.exercise_id)


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
