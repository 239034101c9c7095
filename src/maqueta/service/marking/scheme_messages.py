"""What travels about how an exercise is marked."""

from typing import Annotated

from pydantic import StringConstraints

from maqueta.service.messages import Time
from maqueta.strict import Strict
from maqueta.task.criteria import CRITERIA, Criterion, Points
from maqueta.task.exercise import Counting, Exercise
from maqueta.task.mark_scheme import GradeStep, MarkScheme


class Scheme(Strict):
    """How an exercise is marked: points of the criteria, what an error costs, the rest, and which attempt counts."""

    points: dict[Criterion, Points]
    error_cost: Points
    marking: MarkScheme
    counts: Counting


def scheme_of(task: Exercise) -> Scheme:
    """How an exercise is marked, with the points of every criterion written out."""
    return Scheme(
        points={criterion: task.points_of(criterion) for criterion in CRITERIA},
        error_cost=task.error_cost,
        marking=task.marking,
        counts=task.counts,
    )


class SchemeChangeAnswer(Strict):
    """Who changed how an exercise is marked, when, from what to what."""

    at: Time
    who: str | None
    before: Scheme
    after: Scheme


class SchemeAnswer(Strict):
    """How an exercise is marked, what can be chosen, and how it was changed before."""

    scheme: Scheme
    letters: list[GradeStep]
    numbers: list[GradeStep]
    changes: list[SchemeChangeAnswer]


class MarkMoved(Strict):
    """What another scheme makes of the mark of a sheet."""

    sheet: int
    student: str
    before: float
    after: float
    grade_before: str | None
    grade_after: str | None


class TemplateAnswer(Strict):
    """A way of marking that was kept."""

    id: int
    name: str
    scheme: Scheme


class TemplateRequest(Strict):
    """A way of marking to keep under a name."""

    name: Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=80)]
    scheme: Scheme
