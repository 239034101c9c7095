"""Sheets that an older version checked are checked again beside the server; decisions stay with their findings."""

import logging
from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Final

from sqlalchemy.orm import Session

from maqueta.projection.look import Look
from maqueta.service.deliveries.work import Judged, judged
from maqueta.service.desk_work import Desk
from maqueta.service.exercises.answers import task_of
from maqueta.service.marking.carried import keep_judged_again
from maqueta.service.queue.work_queue import Hands, NotDoneError, Piece, Wanted
from maqueta.service.sets.beside import in_its_set
from maqueta.service.shelf.kernel_work import looks_drawn
from maqueta.service.shelf.looks import keep, kept_of
from maqueta.service.shelf.part_files import source_of
from maqueta.sheet.document import SheetDocument
from maqueta.store.database import Database
from maqueta.store.files import FileStore, StoredFile
from maqueta.store.jobs import add_job
from maqueta.store.models import Account, SheetRecord
from maqueta.store.sheets import CHECKING_AGAIN, stale_exercises, stale_sheet, stale_sheets
from maqueta.store.shelf import own_variation

_LOG: Final = logging.getLogger("maqueta.jobs")
#: A sheet nobody waits for may take longer than one at the desk.
PATIENCE: Final = 60.0
#: How often a sheet is checked where what is asked changes meanwhile.
_MOST_TIMES: Final = 5


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
        # Checked by what was asked, or among what lay beside it, before that changed, it is not checked yet.
        for _ in range(_MOST_TIMES):
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
            if self._keep(sheet_id, sheet, result):
                return True
        _LOG.warning("sheet %d keeps its findings; what is asked of it changes all the time", sheet_id)
        return False

    def _taken(self, sheet_id: int) -> _Sheet | None:
        with self.database.transaction() as session:
            record = stale_sheet(session, sheet_id)
            if record is None:
                return None
            document = SheetDocument.model_validate(record.document)
            return _Sheet(record.revision, document, self._desk(session, record))

    def _desk(self, session: Session, record: SheetRecord) -> Desk | None:
        exercise = record.exercise
        version = own_variation(session, exercise, record.student_id) if exercise.varied else exercise.version
        if version is None or version.dossier is None:
            return None
        part, source = StoredFile(self.files, version.dossier), source_of(self.files, version)
        desk = Desk(part, source, task_of(exercise), False)
        return in_its_set(session, self.files, desk, exercise, record.student_id)

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

    def _keep(self, sheet_id: int, sheet: _Sheet, result: Judged) -> bool:
        """Keep what was found; not where something else is asked by now, or lies beside the sheet."""
        with self.database.transaction() as session:
            record = stale_sheet(session, sheet_id, lock=True)
            # Returned, or drawn anew meanwhile: what was found belongs to what is no more.
            if record is None or record.revision != sheet.revision:
                return True
            if self._desk(session, record) != sheet.desk:
                return False
            keep_judged_again(session, record, result)
            return True
