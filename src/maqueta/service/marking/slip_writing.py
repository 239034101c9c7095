"""All slips of an exercise, or of a set, as one file, written beside the server."""

from dataclasses import dataclass

from sqlalchemy.orm import Session

from maqueta.drawing.slip_pdf import MarkedSheet
from maqueta.judging.scope import Scope
from maqueta.phrases.phrase import phrase
from maqueta.phrases.said import LANGUAGES, USUAL_LANGUAGE, Language
from maqueta.service.desk_work import Desk
from maqueta.service.exercises.answers import task_of
from maqueta.service.marking.answers import SCOPE, findings_of, late_by, mark_of
from maqueta.service.marking.rechecking import PATIENCE, Rechecker
from maqueta.service.marking.slips import inked_groups, marked_sheet, written_slips
from maqueta.service.queue.work_queue import Piece, Progress, Wanted
from maqueta.service.shelf.part_files import source_of
from maqueta.sheet.document import SheetDocument
from maqueta.store.exercises import extra_time
from maqueta.store.files import StoredFile
from maqueta.store.models import Account, ExerciseRecord, SheetRecord
from maqueta.store.sets import all_of_set
from maqueta.store.sheets import last_attempts, sheets_of
from maqueta.store.shelf import own_variation


@dataclass(frozen=True)
class SlipWriter:
    """Writes slips, sheet by sheet."""

    rechecker: Rechecker

    def written(
        self, exercise_id: int, owner_id: int, progress: Progress, wanted: Wanted, of_set: bool = False
    ) -> str | None:
        """The name of the file with all slips of an exercise, or of all of its set, student by student; None where
        there is nothing to write. Raises AbandonedError.
        """
        database = self.rechecker.database
        with database.transaction() as session:
            exercise = session.get_one(ExerciseRecord, exercise_id)
            exercises = all_of_set(session, exercise) if of_set else [exercise]
            title = exercise.sheet_set.title if of_set and exercise.sheet_set is not None else exercise.title
            last = [sheet for own in exercises for sheet in last_attempts(sheets_of(session, own))]
            # Sorting keeps the order of the set for each student.
            sheets = [sheet.id for sheet in sorted(last, key=lambda own: (own.student.name, own.student_id))]
            language = _language(session, owner_id)
        marked = []
        for number, sheet_id in enumerate(sheets, 1):
            progress((number - 1) / len(sheets), phrase("slips-written", number=number, of=len(sheets)))
            own = self._marked(sheet_id, language, wanted)
            if own is not None:
                marked.append(own)
        if not marked:
            return None
        data = self.rechecker.hands.run(Piece("readers", written_slips, (marked, title), PATIENCE), wanted)
        return self.rechecker.files.put(data)

    def _marked(self, sheet_id: int, language: Language, wanted: Wanted) -> MarkedSheet | None:
        with self.rechecker.database.transaction() as session:
            desk, document = self._desk(session, session.get_one(SheetRecord, sheet_id))
        if desk is None:
            return None
        ready = self.rechecker.equipped(desk, document.looks_aslant)
        groups = self.rechecker.hands.run(Piece("readers", inked_groups, (ready, document), PATIENCE), wanted)
        with self.rechecker.database.transaction() as session:
            sheet = session.get_one(SheetRecord, sheet_id)
            task, findings = task_of(sheet.exercise), findings_of(sheet.findings)
            late = late_by(sheet, sheet.exercise, extra_time(session, sheet.exercise, sheet.student_id))
            scope = SCOPE.validate_python(sheet.scope) if sheet.scope is not None else Scope()
            mark = mark_of(sheet, findings, task, scope, late)
            return marked_sheet(sheet, groups, findings, mark, task, late, language)

    def _desk(self, session: Session, sheet: SheetRecord) -> tuple[Desk | None, SheetDocument]:
        exercise, files = sheet.exercise, self.rechecker.files
        document = SheetDocument.model_validate(sheet.document)
        version = own_variation(session, exercise, sheet.student_id) if exercise.varied else exercise.version
        if version is None or version.dossier is None:
            return None, document
        triangles = StoredFile(files, version.mesh) if version.mesh is not None else None
        part, source = StoredFile(files, version.dossier), source_of(files, version)
        return Desk(part, source, task_of(exercise), False, triangles=triangles), document


def _language(session: Session, account_id: int) -> Language:
    chosen = session.get_one(Account, account_id).language
    return next((own for own in LANGUAGES if own == chosen), USUAL_LANGUAGE)
