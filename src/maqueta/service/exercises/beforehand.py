"""Parts in sizes of students' own are made beside the server as soon as they are set, so that nobody waits for them
when a class begins.
"""

from collections.abc import Iterator, Sequence
from contextlib import closing, contextmanager, suppress
from dataclasses import dataclass, replace

from fastapi import HTTPException
from sqlalchemy.orm import Session

from maqueta.service.exercises.variation import Making, made_for
from maqueta.service.queue.work_queue import Hands, Piece, Result, Wanted, always
from maqueta.service.settings import Settings
from maqueta.service.workers import KernelWorkers
from maqueta.service.world import World
from maqueta.store.database import Database
from maqueta.store.files import FileStore
from maqueta.store.jobs import MAKING_PARTS, add_job
from maqueta.store.models import Account, ExerciseRecord
from maqueta.store.shelf import exercise_to_make_for, students_without_part


def ask_for_own_parts(world: World, session: Session, instructor: Account, exercises: Sequence[ExerciseRecord]) -> None:
    """Have the parts of everyone in a class made, of an exercise or of all of a set, where they are given out in sizes
    of everyone's own.
    """
    given_out = [own for own in exercises if own.varied and own.set_at is not None]
    if given_out and world.settings.parts_beforehand:
        # Of a set all are made with the first.
        add_job(session, instructor, MAKING_PARTS, given_out[0].id)


@dataclass(frozen=True)
class OwnParts:
    """Makes parts of students nobody waits for yet."""

    settings: Settings
    database: Database
    files: FileStore
    hands: Hands

    def lacking(self, exercise_id: int) -> list[int]:
        """The students of an exercise whose parts are yet to be made."""
        with self.database.transaction() as session:
            return students_without_part(session, exercise_id)

    def make(self, exercise_id: int, student_id: int, wanted: Wanted) -> None:
        """Make the parts of one student; where no sizes give any, that is told when they are asked for.

        Raises NotDoneError where it is to be tried later, AbandonedError as soon as it is not wanted any more.
        """
        kernel = KernelWorkers(self.settings, _Patient(self.hands, wanted))
        making = Making(self.files, kernel, _kept_so_far)
        # What is made is kept piece by piece, as for somebody who waits.
        with closing(self.database.session()) as session:
            exercise = exercise_to_make_for(session, exercise_id)
            if exercise is not None:
                with suppress(HTTPException):
                    made_for(making, session, exercise, student_id)
            session.commit()


@contextmanager
def _kept_so_far(session: Session) -> Iterator[None]:
    session.commit()
    yield


@dataclass(frozen=True)
class _Patient:
    """Hands that leave those alone for whom somebody waits."""

    hands: Hands
    wanted: Wanted

    def run(self, piece: Piece[Result], wanted: Wanted = always) -> Result:
        """The result of some work. Raises as `Hands.run` does."""
        return self.hands.run(replace(piece, crew="uploads"), lambda: wanted() and self.wanted())
