"""Project a solid from all sides, once."""

from collections.abc import Callable

from maqueta.projection.attitude import CORNERS, SIDES, Corner, Side, corner_frame, usual
from maqueta.projection.hidden_lines import HiddenLines
from maqueta.projection.line_set import LineSet
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
    view = HiddenLines(shape, part)
    up = upright(part)
    frames = {side: usual(side).frame() for side in SIDES}
    corners = {corner: corner_frame(corner, up) for corner in CORNERS}
    total = len(frames) + len(corners)
    sides: dict[Side, LineSet] = {}
    eight: dict[Corner, LineSet] = {}
    for side, frame in frames.items():
        progress(len(sides), total)
        sides[side] = view.line_set(frame)
    for corner, frame in corners.items():
        progress(len(sides) + len(eight), total)
        eight[corner] = view.line_set(frame)
    return ProjectedPart(part=part, sides=sides, corners=eight)
