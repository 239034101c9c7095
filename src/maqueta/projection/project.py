"""Project a solid from all sides, once."""

from maqueta.projection.attitude import CORNERS, SIDES, Side, corner_frame, usual
from maqueta.projection.hidden_lines import HiddenLines
from maqueta.projection.projected_part import ProjectedPart
from maqueta.solid.kernel import Shape
from maqueta.solid.part import Part


def upright(part: Part) -> Side:
    """The direction that points up in a pictorial view: the natural one, or +z."""
    return next((side for side in SIDES if side == part.natural_up), "+z")


def project(shape: Shape, part: Part) -> ProjectedPart:
    """Line sets of the six sides and the eight equal-axis views of a solid."""
    view = HiddenLines(shape, part)
    up = upright(part)
    return ProjectedPart(
        part=part,
        sides={side: view.line_set(usual(side).frame()) for side in SIDES},
        corners={corner: view.line_set(corner_frame(corner, up)) for corner in CORNERS},
    )
