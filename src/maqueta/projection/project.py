"""Project a solid from all sides, once, and in any other look when it is asked for."""

from collections.abc import Callable, Sequence

from maqueta.geometry.directions import SIDES
from maqueta.geometry.line_set import LineSet
from maqueta.projection.attitude import CORNERS, from_corner, usual
from maqueta.projection.hidden_lines import HiddenLines
from maqueta.projection.look import Look
from maqueta.projection.projected_part import ProjectedPart, upright
from maqueta.projection.section_lines import SectionLines
from maqueta.solid.errors import CutError
from maqueta.solid.kernel import Shape
from maqueta.solid.part import Part


def project(shape: Shape, part: Part, progress: Callable[[int, int], None] = lambda _, __: None) -> ProjectedPart:
    """Line sets of the six sides and the eight equal-axis views of a solid.

    `progress` is told before each view how many are done, of how many.
    """
    looks = [usual(side).look for side in SIDES] + [from_corner(corner, upright(part)) for corner in CORNERS]
    lines = HiddenLines(shape, part).line_sets(looks, progress)
    return ProjectedPart(
        part=part,
        sides=dict(zip(SIDES, lines, strict=False)),
        corners=dict(zip(CORNERS, lines[len(SIDES) :], strict=True)),
    )


def drawn(shape: Shape, part: Part, looks: Sequence[Look]) -> tuple[tuple[Look, LineSet], ...]:
    """Line sets of a solid in some looks, whole and cut open; empty where a cut leaves nothing to draw."""
    whole = [look for look in looks if look.cut is None]
    drawn: dict[Look, LineSet] = dict(zip(whole, HiddenLines(shape, part).line_sets(whole), strict=True))
    for cut in dict.fromkeys(look.cut for look in looks if look.cut is not None):
        try:
            opened = SectionLines(shape, part, cut)
        except CutError:
            drawn |= {look: LineSet(()) for look in looks if look.cut == cut}
        else:
            drawn |= {look: opened.line_set(look) for look in looks if look.cut == cut}
    return tuple((look, drawn[look]) for look in looks)
