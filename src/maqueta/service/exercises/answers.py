"""From stored exercises to what is told of them."""

from datetime import datetime, timedelta

from maqueta.making.title_filled import Drafter
from maqueta.service.exercises.messages import ExerciseAnswer, PlaceInSet
from maqueta.store.models import ExerciseRecord
from maqueta.task.criteria import CRITERIA
from maqueta.task.exercise import Exercise


def task_of(exercise: ExerciseRecord) -> Exercise:
    """What an exercise asks."""
    return Exercise.model_validate(exercise.task)


def sheet_number(exercise: ExerciseRecord) -> str:
    """Which sheet of how many it is that an exercise asks for."""
    return f"{exercise.place} / {exercise.sheet_set.sheets if exercise.sheet_set is not None else 1}"


def drafter_of(name: str, exercise: ExerciseRecord, day: datetime) -> Drafter:
    """Who draws a sheet, as it is written into the title block; one of a set is called as it is asked for there."""
    title = exercise.title if exercise.sheet_set is not None else ""
    return Drafter(name, exercise.school_class.name, f"{day:%Y-%m-%d}", sheet_number(exercise), title)


def of_points(task: Exercise) -> float:
    """Full marks of an exercise."""
    return sum(task.points_of(criterion) for criterion in CRITERIA)


def told_to_students(task: Exercise) -> Exercise:
    """What an exercise asks, without what would answer it: the accepted front views, the lines that were changed."""
    front = task.front.model_copy(update={"accept": ()})
    return task.model_copy(update={"front": front, "drafting": task.drafting.model_copy(update={"changes": ()})})


def _place(exercise: ExerciseRecord) -> PlaceInSet | None:
    own = exercise.sheet_set
    return PlaceInSet(id=own.id, title=own.title, place=exercise.place, of=own.sheets) if own is not None else None


def exercise_answer(
    exercise: ExerciseRecord,
    model: int | None = None,
    to_student: bool = False,
    extra: timedelta = timedelta(),
    **more: object,
) -> ExerciseAnswer:
    """An exercise as listed; `model` is the version of the part to work from, which a student may not have yet; for
    instructors that of the exercise, unless another is named. `extra` is how much more time than the others somebody
    has.
    """
    task = task_of(exercise)
    return ExerciseAnswer(
        id=exercise.id,
        title=exercise.title,
        part=exercise.version.part_id,
        part_name=exercise.version.part.name,
        varied=exercise.varied,
        model=model if model is not None else exercise.version_id,
        made=model is not None or not to_student,
        school_class=exercise.school_class.name,
        due_at=exercise.due_at + extra,
        opens_at=exercise.opens_at,
        closes_at=exercise.closes_at + extra if exercise.closes_at is not None else None,
        more_minutes=int(extra.total_seconds() // 60),
        draft=exercise.set_at is None,
        archived=exercise.archived_at is not None,
        part_changed=not to_student and exercise.version.part.current_id != exercise.version_id,
        task=told_to_students(task) if to_student else task,
        of_points=of_points(task),
        in_set=_place(exercise),
        **more,  # type: ignore[arg-type]
    )
