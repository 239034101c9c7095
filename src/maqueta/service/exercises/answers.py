"""From stored exercises to what is told of them."""

from datetime import timedelta

from maqueta.service.exercises.messages import ExerciseAnswer
from maqueta.store.models import ExerciseRecord
from maqueta.task.criteria import CRITERIA
from maqueta.task.exercise import Exercise


def task_of(exercise: ExerciseRecord) -> Exercise:
    """What an exercise asks."""
    return Exercise.model_validate(exercise.task)


def of_points(task: Exercise) -> float:
    """Full marks of an exercise."""
    return sum(task.points_of(criterion) for criterion in CRITERIA)


def told_to_students(task: Exercise) -> Exercise:
    """What an exercise asks, without what would answer it: the accepted front views, the lines that were changed."""
    front = task.front.model_copy(update={"accept": ()})
    return task.model_copy(update={"front": front, "drafting": task.drafting.model_copy(update={"changes": ()})})


def exercise_answer(
    exercise: ExerciseRecord,
    model: int | None = None,
    to_student: bool = False,
    extra: timedelta = timedelta(),
    **more: object,
) -> ExerciseAnswer:
    """An exercise as listed; `model` is the version of the part to work from, if not the exercise's own, `extra` how
    much more time than the others somebody has.
    """
    task = task_of(exercise)
    return ExerciseAnswer(
        id=exercise.id,
        title=exercise.title,
        part=exercise.version.part_id,
        part_name=exercise.version.part.name,
        varied=exercise.varied,
        model=model if model is not None else exercise.version_id,
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
        **more,  # type: ignore[arg-type]
    )
