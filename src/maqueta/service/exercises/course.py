"""The course of an exercise for one student: when it is open, what may still be handed in."""

from collections.abc import Sequence
from datetime import datetime, timedelta
from typing import Final

from maqueta.service.exercises.answers import task_of
from maqueta.store.clock import now
from maqueta.store.models import ExerciseRecord, SheetRecord

#: How long after its closing an exercise still takes what a dropped connection kept from coming in time; it is late.
GRACE: Final = timedelta(minutes=15)


def closing(exercise: ExerciseRecord, extra: timedelta) -> datetime | None:
    """When an exercise closes for a student who has so much more time than the others; None for never."""
    return exercise.closes_at + extra if exercise.closes_at is not None else None


def is_closed(exercise: ExerciseRecord, extra: timedelta) -> bool:
    """Whether nothing is taken any more from a student who has so much more time than the others."""
    end = closing(exercise, extra)
    return end is not None and now() > end + GRACE


def attempts_left(exercise: ExerciseRecord, last: SheetRecord | None, extra: timedelta) -> int:
    """How many attempts a student may still begin, after the last one."""
    if is_closed(exercise, extra):
        return 0
    return task_of(exercise).attempts - (last.attempt if last is not None else 0)


def is_over(exercise: ExerciseRecord, sheets: Sequence[SheetRecord], extra: timedelta) -> bool:
    """Whether a student has nothing more to hand in, and has all of it back: now the answers may be seen."""
    if not sheets or sheets[-1].state != "returned":
        return False
    return attempts_left(exercise, sheets[-1], extra) <= 0
