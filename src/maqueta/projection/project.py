"""Project a solid from all sides, once, and in any other look when it is asked for."""

from collections.abc import Callable, Sequence

from maqueta.geometry.line_set import LineSet
from maqueta.projection.hidden_lines import HiddenLines
from maqueta.projection.look import Look
from maqueta.projection.one_component import OneComponent
from maqueta.projection.projected_part import ProjectedPart, from_all_sides, usual_looks
from maqueta.projection.section_lines import SectionLines
from maqueta.solid.errors import CutError
from maqueta.solid.kernel import Shape
from maqueta.solid.part import Part


def project(shape: Shape, part: Part, progress: Callable[[int, int], None] = lambda _, __: None) -> ProjectedPart:
    """Line sets of the six sides and the eight equal-axis views of a solid.

    `progress` is told before each view how many are done, of how many.
    """
    return from_all_sides(part, HiddenLines(shape, part).line_sets(usual_looks(part), progress))


def drawn(shape: Shape, part: Part, looks: Sequence[Look]) -> tuple[tuple[Look, LineSet], ...]:
    """Line sets of a solid in some looks, whole and cut open, or of one component of an assembly; empty where a cut
    leaves nothing to draw. Raises PartError for a component the assembly has not.
    """
    whole = [look for look in looks if look.cut is None and look.only is None]
    drawn: dict[Look, LineSet] = dict(zip(whole, HiddenLines(shape, part).line_sets(whole), strict=True))
    for cut in dict.fromkeys(look.cut for look in looks if look.cut is not None):
        try:
            opened = SectionLines(shape, part, cut)
        except CutError:
            drawn |= {look: LineSet(()) for look in looks if look.cut == cut}
        else:
            drawn |= {look: opened.line_set(look) for look in looks if look.cut == cut}
    for name in dict.fromkeys(look.only for look in looks if look.only is not None):
        own = [look for look in looks if look.only == name]
        seen = OneComponent(shape, part, name).line_sets([Look(look.frame) for look in own])
        drawn |= dict(zip(own, seen, strict=True))
    return tuple((look, drawn[look]) for look in looks)


def projected_alone(shape: Shape, part: Part) -> dict[str, ProjectedPart]:
    """The components of an assembly by their ids, each from all sides as if the others were not there."""
    looks = usual_looks(part)
    found = {}
    for own in part.components:
        component = OneComponent(shape, part, own.id)
        found[own.id] = from_all_sides(component.part, component.line_sets(looks))
    return found
