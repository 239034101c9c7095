"""The views an exercise asks for, set out by rule."""

from maqueta.projection.arrangement import neighbour
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.arranged import arranged, pictorial
from maqueta.sheet.scales import parse_scale
from maqueta.sheet.view import View
from maqueta.task.exercise import Exercise
from maqueta.task.fronts import model_front


def model_views(projected: ProjectedPart, exercise: Exercise) -> tuple[tuple[View, ...], float]:
    """The views of an exercise in their places with equal gaps, pictorial last, and their scale."""
    front = model_front(projected, exercise)
    attitudes = {name: neighbour(front, name) for name in exercise.view_names}
    area = exercise.paper_given.layout.drawing_area
    asked = parse_scale(exercise.scale) if exercise.scale else None
    views, scale = arranged(projected, attitudes, exercise.angle, area, asked, exercise.units)
    if exercise.pictorial != "unwanted":
        drawn = pictorial(projected, front, exercise.view_names, scale, views, area, exercise.units)
        views += tuple(view.model_copy(update={"shading": "card" if exercise.shaded else None}) for view in drawn)
    return views, scale
