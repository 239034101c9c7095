"""The views an exercise asks for, set out by rule."""

from maqueta.checking.exercise import Exercise
from maqueta.projection.arrangement import neighbour
from maqueta.projection.attitude import Attitude
from maqueta.projection.projected_part import ProjectedPart
from maqueta.projection.ranking import rank
from maqueta.sheet.arranged import arranged, pictorial
from maqueta.sheet.document import View
from maqueta.sheet.paper import layout
from maqueta.sheet.scales import parse_scale


def model_front(projected: ProjectedPart, exercise: Exercise) -> Attitude:
    """The first accepted front view, else the best-ranked one."""
    if exercise.front.accept:
        return exercise.front.accept[0].attitude
    return rank(projected, exercise.view_names, exercise.front.natural_up)[0].attitude


def model_views(projected: ProjectedPart, exercise: Exercise) -> tuple[tuple[View, ...], float]:
    """The views of an exercise in their places with equal gaps, pictorial last, and their scale."""
    front = model_front(projected, exercise)
    attitudes = {name: neighbour(front, name) for name in exercise.view_names}
    area = layout(exercise.paper, exercise.landscape).drawing_area
    asked = parse_scale(exercise.scale) if exercise.scale else None
    views, scale = arranged(projected, attitudes, exercise.angle, area, asked, exercise.units)
    if exercise.pictorial != "unwanted":
        views += pictorial(projected, front, scale, views, area)
    return views, scale
