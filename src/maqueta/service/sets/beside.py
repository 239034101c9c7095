"""What lies beside a sheet that is one of a set: what all of them ask, and the others of its student."""

from collections.abc import Mapping, Sequence
from dataclasses import replace
from types import MappingProxyType
from typing import Final

from sqlalchemy.orm import Session

from maqueta.service.desk_work import Beside, Desk, InSet
from maqueta.service.exercises.answers import drafter_of, task_of
from maqueta.service.shelf.looks import kept_of
from maqueta.service.shelf.part_files import source_of
from maqueta.sheet.document import SheetDocument
from maqueta.solid.assembly import WHOLE
from maqueta.store.clock import now
from maqueta.store.files import FileStore, StoredFile
from maqueta.store.models import ExerciseRecord, SheetRecord, VersionRecord
from maqueta.store.sets import all_of_set, sheets_beside
from maqueta.store.shelf import own_variation
from maqueta.task.exercise import Exercise
from maqueta.task.sheet_set import AskedSheet, SheetSet

#: Sheets somebody else may look at already, and those that are still drawn on.
HANDED_IN: Final = frozenset({"handed-in", "returned"})
ANY: Final = frozenset({"draft", *HANDED_IN})
_LONGEST_NAME: Final = 80


def in_its_set(
    session: Session,
    files: FileStore,
    desk: Desk,
    exercise: ExerciseRecord,
    student_id: int,
    states: frozenset[str] = HANDED_IN,
) -> Desk:
    """The desk of a student's sheet with the others of its set on it, of those in certain states that are not blank."""
    if exercise.set_id is None:
        return desk
    exercises = all_of_set(session, exercise)
    places = {own.id: place for place, own in enumerate(exercises)}
    beside = [
        _beside(session, files, places[sheet.exercise_id], sheet)
        for sheet in sheets_beside(session, exercise, student_id, states)
    ]
    there = tuple(own for own in beside if own is not None and not own.document.is_blank)
    return replace(desk, in_set=InSet(asked_of(exercises, {exercise.id: desk.task}), places[exercise.id], there))


def asked_of(exercises: Sequence[ExerciseRecord], tasks: Mapping[int, Exercise] = MappingProxyType({})) -> SheetSet:
    """What a set asks, from its exercises in their order; `tasks` are what some of them are to ask, by their numbers.

    How sheets are named is judged of each by itself.
    """
    sheets = tuple(
        AskedSheet.model_validate(
            {**(tasks.get(own.id) or task_of(own)).model_dump(exclude={"sheet_name"}), "of": _name_of(own.version)}
        )
        for own in exercises
    )
    title = exercises[0].sheet_set.title if exercises[0].sheet_set is not None else ""
    return SheetSet(title=title, sheets=sheets)


def _name_of(version: VersionRecord) -> str:
    return WHOLE if version.is_assembly else version.part.name[:_LONGEST_NAME]


def _beside(session: Session, files: FileStore, place: int, sheet: SheetRecord) -> Beside | None:
    exercise = sheet.exercise
    version = own_variation(session, exercise, sheet.student_id) if exercise.varied else exercise.version
    if version is None or version.dossier is None:
        return None
    document, part = SheetDocument.model_validate(sheet.document), StoredFile(files, version.dossier)
    drawn, missing = kept_of(session, part, document.looks_aslant)
    if missing:
        # What was on the bench has been drawn as it is seen there; nothing is drawn anew for a sheet beside.
        return None
    drafter = drafter_of(sheet.student.name, exercise, now()) if sheet.state == "draft" else None
    desk = Desk(part, source_of(files, version), task_of(exercise), False, drawn, drafter)
    return Beside(place, desk, document)
