"""Project a solid from all sides, once."""

from collections.abc import Callable

from maqueta.projection.attitude import CORNERS, SIDES, Side, corner_frame, usual
from maqueta.projection.hidden_lines import HiddenLines
from maqueta.projection.projected_part import ProjectedPart
from maqueta.solid.kernel import Shape
from maqueta.solid.part import Part


def upright(part: Part) -> Side:
    """The direction that points up in a pictorial view: the natural one, or +z."""
    return next((side for side in SIDES if side == part.natural_up), "+z")


def project(shape: Shape, part: Part, progress: Callable[[int, int], None] = lambda _, __: None) -> ProjectedPart:
    """Line sets of the six sides and the eight equal-axis views of a solid.

    `progress` is told before each view how many are done, of how many.
    """
    up = upright(part)
    sides = [usual(side).frame() for side in SIDES]
    corners = [corner_frame(corner, up) for corner in CORNERS]
    lines = HiddenLines(shape, part).line_sets([*sides, *corners], progress)
    return ProjectedPart(
        part=part,
        sides=dict(zip(SIDES, lines, strict=False)),
        corners=dict(zip(CORNERS, lines[len(SIDES) :], strict=True)),
    )
