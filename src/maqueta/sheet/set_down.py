"""Special views as they follow from what is drawn in their parent: the section a cutting line stands for, the detail of
a circled region, the view folded out across a line."""

import math
from itertools import pairwise

from maqueta.geometry.carrier import Point
from maqueta.projection.arrangement import Angle
from maqueta.projection.look import Look
from maqueta.sheet.fields import Identifier
from maqueta.sheet.special import CircledRegion, CuttingLine, Hatch, SheetCut
from maqueta.sheet.view import Aslant, View
from maqueta.sheet.view_graph import folded
from maqueta.solid.cut import CutForm

#: Sines smaller than this are those of square or parallel legs.
_LEAN = 1e-3


def form_of(path: tuple[Point, ...], sight: Point) -> CutForm:
    """The form of section a cutting line stands for by its shape, looked at in a direction of its plane.

    >>> ahead = (0, 1)
    >>> form_of(((0, 0), (9, 0)), ahead), form_of(((0, 0), (5, 0), (5, -5)), ahead)
    ('full', 'half')
    >>> form_of(((0, 0), (5, 0), (9, 3)), ahead)
    'aligned'
    """
    if len(path) == 2:
        return "full"
    if len(path) > 3:
        return "offset"
    (ax, ay), (bx, by) = path[1:]
    length = math.dist(*path[1:]) or 1.0
    return "half" if abs((bx - ax) * sight[1] - (by - ay) * sight[0]) / length < _LEAN else "aligned"


def sight_of(line: CuttingLine) -> Point:
    """Which way one looks at the section of a cutting line, in the plane of its view: square to its longest leg.

    The last leg of an L runs towards the reader and is not looked at.
    """
    legs = list(pairwise(line.path))
    legs = legs[:1] if len(legs) == 2 else legs
    (ax, ay), (bx, by) = max(legs, key=lambda leg: math.dist(*leg))
    length = math.hypot(bx - ax, by - ay) or 1.0
    x, y = (ay - by) / length, (bx - ax) / length
    return (-x, -y) if line.arrows == "right" else (x, y)


def section_of(
    line: CuttingLine,
    parent: View,
    parent_look: Look,
    name: Identifier,
    hatch: Hatch | None,
    form: CutForm | None = None,
) -> View:
    """The section a cutting line stands for, drawn by the program, at the scale of its parent and on top of it.

    Without a `form` it is told by the shape of the line.
    """
    sight = sight_of(line)
    look = folded(parent_look, (-sight[0], -sight[1]))
    cut = SheetCut(
        form=form or form_of(line.path, sight),
        path=tuple(parent_look.way(point) for point in line.path),
        across=parent_look.towards,
    )
    return View(
        id=name,
        kind="section",
        look=Aslant(frame=look.frame),
        parent=parent.id,
        at=parent.at,
        scale=parent.scale,
        hidden=False,
        cut=cut,
        letter=line.letter,
        hatch=hatch,
    )


def detail_of(region: CircledRegion, parent: View, parent_look: Look, name: Identifier, scale: float) -> View:
    """The detail of a circled region, drawn by the program, on top of its parent."""
    return View(
        id=name,
        kind="detail",
        look=Aslant(frame=parent_look.frame),
        parent=parent.id,
        at=parent.at,
        scale=scale,
        hidden=False,
        cut=parent.cut,
        clip=region.region,
        letter=region.letter,
        hatch=parent.hatch,
    )


def auxiliary_of(towards: Point, parent: View, parent_look: Look, name: Identifier) -> View:
    """The view folded out from its parent, seen from a direction of the parent's plane, on top of it."""
    look = folded(parent_look, towards)
    return View(
        id=name,
        kind="auxiliary",
        look=Aslant(frame=look.frame),
        parent=parent.id,
        at=parent.at,
        scale=parent.scale,
        hidden=False,
    )


def moved_out(view: View, way: Point, distance: float, angle: Angle) -> View:
    """A view set down at a distance from its parent (mm), in line: on the side it is seen from in third angle.

    `way` is the direction of the parent's plane it is seen from.
    """
    sign = 1.0 if angle == "third" else -1.0
    x, y = view.at
    return view.model_copy(update={"at": (x + sign * distance * way[0], y + sign * distance * way[1])})
