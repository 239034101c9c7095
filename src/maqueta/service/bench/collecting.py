"""When an exercise closes, what is on the sheets is handed in by itself."""

import logging
from dataclasses import dataclass, replace
from typing import Final

from sqlalchemy.orm import Session

from maqueta.judging.scope import Scope
from maqueta.phrases.phrase import phrase
from maqueta.service.bench.receipts import receipt_of
from maqueta.service.deliveries.work import Judged, judged
from maqueta.service.desk_work import Desk
from maqueta.service.exercises.answers import drafter_of, task_of
from maqueta.service.exercises.course import GRACE
from maqueta.service.marking.answers import scope_json
from maqueta.service.marking.rechecking import PATIENCE, Rechecker, ask_to_check_again
from maqueta.service.queue.work_queue import NotDoneError, Piece
from maqueta.service.sets.beside import ANY, in_its_set
from maqueta.service.sets.together import meet_others
from maqueta.service.shelf.part_files import source_of
from maqueta.sheet.document import SheetDocument
from maqueta.store.clock import now
from maqueta.store.files import StoredFile
from maqueta.store.marking import tell_wall
from maqueta.store.models import SheetRecord
from maqueta.store.sets import hold_set
from maqueta.store.sheets import draft_to_collect, drafts_to_collect, hand_in
from maqueta.store.shelf import own_variation
from maqueta.task.criteria import CRITERIA

_LOG: Final = logging.getLogger("maqueta.jobs")
#: Of a sheet that could not be checked nothing is judged.
_UNCHECKED: Final = Scope(unjudged={criterion: phrase("scope-not-checked") for criterion in CRITERIA})


@dataclass(frozen=True)
class Collector:
    """Hands in the drafts of exercises that have closed, each in a transaction of its own."""

    rechecker: Rechecker

    def collect(self) -> int:
        """Hand in what is to be; how many sheets. One that cannot be checked is handed in without findings."""
        with self.rechecker.database.transaction() as session:
            waiting = drafts_to_collect(session, now() - GRACE)
        collected = sum(self._collected(sheet) for sheet in waiting)
        if collected:
            ask_to_check_again(self.rechecker.database)
        return collected

    def _collected(self, sheet_id: int) -> bool:
        with self.rechecker.database.transaction() as session:
            record = draft_to_collect(session, sheet_id)
            if record is None:
                return False
            desk, document = self._desk(session, record), SheetDocument.model_validate(record.document)
            revision, exercise = record.revision, record.exercise
        result = self._judged(desk, document, sheet_id) if desk is not None else None
        with self.rechecker.database.transaction() as session:
            hold_set(session, exercise)
            record = draft_to_collect(session, sheet_id)
            if record is None or record.revision != revision:
                return False
            # All sheets of a set close alike: a draft beside this one is as good as handed in.
            files, student = self.rechecker.files, record.student_id
            met = meet_others(session, files, exercise, student, desk, states=ANY)
            if result is None:
                # Nothing is found because nothing was looked for: it is checked again as soon as it can be.
                hand_in(session, record, [], scope_json(_UNCHECKED), receipt_of(record.document))
                record.checker = 0
            else:
                record.document = result.document.model_dump(mode="json")
                hand_in(session, record, result.measured, scope_json(result.scope), receipt_of(record.document))
            # It counts as handed in when it was last saved, not when it was fetched.
            record.handed_in_at = record.saved_at
            met.settle(record)
            tell_wall(session, record.exercise_id)
        return True

    def _desk(self, session: Session, record: SheetRecord) -> Desk | None:
        exercise = record.exercise
        version = own_variation(session, exercise, record.student_id) if exercise.varied else exercise.version
        if version is None or version.dossier is None:
            return None
        files = self.rechecker.files
        part, source = StoredFile(files, version.dossier), source_of(files, version)
        drafter = drafter_of(record.student.name, exercise, record.saved_at)
        desk = replace(Desk(part, source, task_of(exercise), False), drafter=drafter)
        # All sheets of a set close alike: those that are still drafts are handed in as they are.
        return in_its_set(session, files, desk, exercise, record.student_id, ANY)

    def _judged(self, desk: Desk, document: SheetDocument, sheet_id: int) -> Judged | None:
        try:
            ready = self.rechecker.equipped(desk, document.looks_aslant)
            return self.rechecker.hands.run(Piece("readers", judged, (ready, document, False), PATIENCE))
        except NotDoneError:
            raise
        except Exception as error:  # the worker's own exceptions arrive here, whatever they are
            _LOG.warning("sheet %d is handed in unchecked: %s", sheet_id, error)
            return None
