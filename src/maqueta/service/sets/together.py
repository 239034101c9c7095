"""Sheets of a set that are handed in, and what that means for those that were handed in before."""

from collections.abc import Collection
from dataclasses import dataclass, replace

from sqlalchemy.orm import Session

from maqueta.service.desk import DeskPlace
from maqueta.service.desk_work import Beside, Desk
from maqueta.service.marking.rechecking import ask_to_check_again
from maqueta.service.sets.beside import HANDED_IN, in_its_set
from maqueta.store.files import FileStore
from maqueta.store.models import ExerciseRecord, SheetRecord
from maqueta.store.sets import all_of_set, others_anew


@dataclass(frozen=True, slots=True)
class Met:
    """What a sheet that is handed in meets there: whether others of its set have to be checked again because of it,
    and whether something has come beside it since it was judged.
    """

    anew: bool = False
    missed: bool = False

    def settle(self, sheet: SheetRecord) -> None:
        """Let a sheet that was judged without one of the others count as not checked."""
        if self.missed:
            sheet.checker = 0


def meet_others(
    session: Session,
    files: FileStore,
    exercise: ExerciseRecord,
    student_id: int,
    judged_at: Desk | None,
    just_in: Collection[int] = (),
    states: frozenset[str] = HANDED_IN,
) -> Met:
    """Have a student's other sheets of a set count as not checked, now that there is one more; those of the exercises
    that come `just_in` with it were judged with it, at the desk it was `judged_at`; none where it could not be judged.

    The set has to be held, so that nobody comes in between.
    """
    anew = others_anew(session, exercise, student_id, just_in)
    if judged_at is None or judged_at.in_set is None:
        return Met(anew > 0)
    now_there = in_its_set(session, files, replace(judged_at, in_set=None), exercise, student_id, states).in_set
    assert now_there is not None, "an exercise stays in its set"
    places = {place for place, own in enumerate(all_of_set(session, exercise)) if own.id in just_in}
    besides = _besides(judged_at.in_set.beside, places) != _besides(now_there.beside, places)
    # Its instructor may have put the set in another order meanwhile.
    return Met(anew > 0, besides or judged_at.in_set.asked != now_there.asked)


def _besides(beside: tuple[Beside, ...], but: Collection[int]) -> list[Beside]:
    return [own for own in beside if own.place not in but]


def check_anew(at: DeskPlace, met: Met) -> None:
    """Have what is to be checked again checked beside the server. Ends the transaction if there is anything."""
    if met.anew or met.missed:
        at.session.commit()
        ask_to_check_again(at.world.database)
        at.world.queue.wake()
