"""The desk of a request: work on sheets is given to the crew there, and stops when who asked has left."""

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, replace
from typing import Annotated, Final, TypeVar

from anyio import from_thread
from fastapi import Depends, HTTPException, Query, Request
from pebble import ProcessExpired
from sqlalchemy.orm import Session

from maqueta.confined import reason_of
from maqueta.judging.scope import Scope
from maqueta.phrases.phrase import phrase
from maqueta.projection.look import Look
from maqueta.service.desk_work import Desk
from maqueta.service.exercises.answers import drafter_of, task_of
from maqueta.service.exercises.variation import version_for, version_of
from maqueta.service.marking.answers import SCOPE, scope_json
from maqueta.service.marking.work import scope
from maqueta.service.sets.beside import HANDED_IN, in_its_set
from maqueta.service.shelf.looks import in_looks
from maqueta.service.shelf.part_files import source_of
from maqueta.service.world import InTransaction, InWorld, World, aside
from maqueta.sheet.document import SheetDocument
from maqueta.store.clock import now
from maqueta.store.errors import NotVisible
from maqueta.store.exercises import exercise_for
from maqueta.store.files import StoredFile
from maqueta.store.models import Account, ExerciseRecord, SheetRecord, VersionRecord
from maqueta.store.sheets import readable_sheet
from maqueta.task.exercise import Exercise

Result = TypeVar("Result")
Thing = TypeVar("Thing")
#: Sheets that are worked on together: so many take no longer than one request may.
AT_ONCE: Final = 25


def batched(things: Sequence[Thing], most: int) -> Iterator[Sequence[Thing]]:
    """Things in their order, so many at a time (itertools has it from Python 3.12 on)."""
    return (things[start : start + most] for start in range(0, len(things), most))


@dataclass(frozen=True)
class DeskPlace:
    """Where a request has its sheets worked on."""

    world: World
    session: Session
    request: Request

    def desk(self, version: VersionRecord, task: Exercise, student: bool = False) -> Desk:
        """A part and what is asked. Raises HTTPException 409 while the part is not examined."""
        return Desk(
            self.world.dossier(version),
            source_of(self.world.files, version),
            task,
            student,
            triangles=StoredFile(self.world.files, version.mesh) if version.mesh is not None else None,
        )

    def desk_of(self, exercise: ExerciseRecord, account: Account) -> Desk:
        """The desk of somebody who draws or has set an exercise."""
        return self._desk_with(version_of(self.world, self.session, exercise, account), exercise, account)

    def _desk_with(self, version: VersionRecord, exercise: ExerciseRecord, account: Account) -> Desk:
        student = account.role == "student"
        return replace(
            self.desk(version, task_of(exercise), student),
            drafter=drafter_of(account.name, exercise, now()) if student else None,
        )

    def at_work(self, account: Account, exercise_id: int, sheet_id: int | None = None) -> "AtWork":
        """The desk of somebody at the bench of an exercise, or of its instructor at a student's sheet.

        Raises NotVisible.
        """
        exercise = exercise_for(self.session, account, exercise_id)
        if sheet_id is None:
            version = version_of(self.world, self.session, exercise, account)
            return AtWork(exercise, version, self._desk_with(version, exercise, account))
        sheet = readable_sheet(self.session, account, sheet_id)
        if account.role == "student" or sheet.exercise_id != exercise.id:
            raise NotVisible
        version = version_for(self.world, self.session, exercise, sheet.student_id)
        return AtWork(exercise, version, self.desk_at_sheet(sheet, version, account))

    def desk_at_sheet(self, sheet: SheetRecord, version: VersionRecord, account: Account) -> Desk:
        """The desk of somebody who looks at a sheet: once it is returned, nothing of it is kept from its student."""
        at_work = account.role == "student" and sheet.state != "returned"
        desk = replace(self.desk(version, task_of(sheet.exercise), at_work), checked=self._checked(sheet))
        drawn = sheet.state == "draft" and at_work
        return replace(desk, drafter=drafter_of(account.name, sheet.exercise, now())) if drawn else desk

    def _checked(self, sheet: SheetRecord) -> str:
        """Who has checked a sheet and when, in capitals, as it stands in the title block once it is returned."""
        if sheet.state != "returned" or sheet.returned_at is None:
            return ""
        teacher = self.session.get_one(Account, sheet.exercise.instructor_id)
        return f"{teacher.name.upper()} {sheet.returned_at:%Y-%m-%d}"

    def in_its_set(
        self, desk: Desk, exercise: ExerciseRecord, student_id: int, states: frozenset[str] = HANDED_IN
    ) -> Desk:
        """The desk with the student's other sheets of the set on it, if the exercise is of one."""
        return in_its_set(self.session, self.world.files, desk, exercise, student_id, states)

    def run(self, work: Callable[..., Result], *arguments: object) -> Result:
        """The result of some work on a sheet; what the request has changed so far is kept, its locks are let go.

        Raises RefusedError as the work does, HTTPException 422 where the sheet takes longer than a sheet may.
        """
        sheets = [sheet for sheet in arguments if isinstance(sheet, SheetDocument)]
        looks = [look for sheet in sheets for look in sheet.looks_aslant]
        shaded = any(sheet.shaded for sheet in sheets)
        arguments = tuple(self._equipped(a, looks, shaded) if isinstance(a, Desk) else a for a in arguments)
        return self._run("sheet", self.world.settings.desk_seconds, work, arguments)

    def _equipped(self, desk: Desk, looks: list[Look], shaded: bool) -> Desk:
        """A desk with what a sheet needs: what views show that are neither square to the part nor pictorial, and the
        triangles where it is shaded."""
        seen = in_looks(self.world, self.session, desk.part, desk.source, looks) if looks else ()
        return replace(desk, looks=(*desk.looks, *seen), triangles=desk.triangles if shaded else None)

    def seen_so(self, desk: Desk, looks: Sequence[Look]) -> Desk:
        """A desk with its part drawn in more looks. Raises HTTPException 422 where it cannot be drawn."""
        return replace(desk, looks=(*desk.looks, *in_looks(self.world, self.session, desk.part, desk.source, looks)))

    def tell(self, work: Callable[..., Result], *arguments: object) -> Result:
        """What is told of a part alone; a large one takes longer than any sheet.

        Raises RefusedError as the work does, HTTPException 422 where it takes longer than somebody may wait.
        """
        return self._run("part", self.world.settings.preview_seconds, work, arguments)

    def _run(self, what: str, seconds: float, work: Callable[..., Result], arguments: tuple[object, ...]) -> Result:
        with aside(self.world, self.session):
            try:
                return self.world.kernel.at_desk(work, *arguments, seconds=seconds, wanted=self.wanted)
            except (TimeoutError, ProcessExpired, MemoryError) as error:
                raise HTTPException(
                    422, phrase("cannot-be-worked-on", what=what, reason=reason_of(error, seconds))
                ) from error

    def wanted(self) -> bool:
        """Whether who asked is still there."""
        return not from_thread.run(self.request.is_disconnected)


@dataclass(frozen=True)
class AtWork:
    """Somebody at the bench: the exercise, the part that is drawn, and the desk the sheet is worked on at."""

    exercise: ExerciseRecord
    version: VersionRecord
    desk: Desk


async def desk_place(request: Request, world: InWorld, session: InTransaction) -> DeskPlace:
    """Where a request has its sheets worked on."""
    return DeskPlace(world, session, request)


AtDesk = Annotated[DeskPlace, Depends(desk_place)]
#: A student's sheet that its instructor has on the bench, to correct how it was read.
SheetOnBench = Annotated[int | None, Query(alias="sheet", ge=1)]


def scope_of_sheet(at: DeskPlace, sheet: SheetRecord, version: VersionRecord) -> Scope:
    """What of a stored sheet could be judged: as kept when it was handed in; found out, once, for older ones."""
    if sheet.scope is None:
        document = SheetDocument.model_validate(sheet.document)
        sheet.scope = scope_json(at.run(scope, at.desk(version, task_of(sheet.exercise)), document))
    return SCOPE.validate_python(sheet.scope)
