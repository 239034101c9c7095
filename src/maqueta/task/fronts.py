"""Which front views an exercise takes."""

from maqueta.projection.attitude import Attitude
from maqueta.projection.projected_part import ProjectedPart
from maqueta.projection.ranking import Ranked, rank
from maqueta.task.exercise import Exercise


def ranking_of(projected: ProjectedPart, exercise: Exercise) -> tuple[Ranked, ...]:
    """All 24 attitudes, best first, for the views an exercise asks for, and the hidden lines its section spares."""
    cut_open = "section" in exercise.asked_specially
    return rank(projected, exercise.view_names, exercise.front.natural_up, cut_open=cut_open)


def model_front(projected: ProjectedPart, exercise: Exercise) -> Attitude:
    """The front view of the model answer: the first accepted one, else the best-ranked one."""
    if exercise.front.accept:
        return exercise.front.accept[0].attitude
    return ranking_of(projected, exercise)[0].attitude


def accepted_fronts(projected: ProjectedPart, exercise: Exercise) -> tuple[Attitude, ...]:
    """All front views an exercise takes: its own list, else those within the margin of the best-ranked one."""
    accepted = tuple(choice.attitude for choice in exercise.front.accept)
    if accepted:
        return accepted
    ranking = ranking_of(projected, exercise)
    least = ranking[0].score - exercise.thresholds.front_margin
    return tuple(entry.attitude for entry in ranking if entry.score >= least)
