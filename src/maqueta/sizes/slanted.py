"""Sizes along a slant though nothing of the view runs that way: the points were meant, the direction was not."""

import math
from typing import Final, Literal

from maqueta.geometry.carrier import Circle, Line, Point
from maqueta.geometry.line_set import Piece, extremes
from maqueta.sheet.dimension import LinearDimension
from maqueta.sheet.placed import PlacedView
from maqueta.sizes.text import read_text

#: A size runs level or upright when it rises by less than this share of its length (about half a degree).
_STRAIGHT: Final = 0.01
#: Points lie on a line of the view, or at the middle of a circle, within this, mm on paper.
_NEAR: Final = 0.3


def meant_along(placed: PlacedView, dimension: LinearDimension) -> Literal["across", "up"] | None:
    """The direction that was meant where a size runs along a slant of nothing; None where it runs as it should.

    A slant is meant where it is that of an edge, or square to one, as the thickness of a slanted wall is, or from a
    round shape, as the distance of two holes is. The direction meant is that of the size typed over, else the nearer.
    """
    dx, dy = dimension.end[0] - dimension.start[0], dimension.end[1] - dimension.start[1]
    length = math.hypot(dx, dy)
    if dimension.along != "aligned" or min(abs(dx), abs(dy)) <= _STRAIGHT * length or placed.view.kind != "principal":
        return None
    near = _NEAR / placed.factor
    ends = (dimension.start, dimension.end)
    if any(_from_edge(piece.carrier, ends, near) for piece in placed.lines.pieces if isinstance(piece.carrier, Line)):
        return None
    if any(_from_curve(piece, ends, near) for piece in placed.lines.pieces if not isinstance(piece.carrier, Line)):
        return None
    nearer: Literal["across", "up"] = "across" if abs(dx) >= abs(dy) else "up"
    written = read_text(dimension.text, length).value if dimension.text else None
    if written is None:
        return nearer
    return "across" if abs(written - abs(dx)) < abs(written - abs(dy)) else "up"


def _from_edge(edge: Line, ends: tuple[Point, Point], near: float) -> bool:
    """Whether a size runs along an edge, or squarely away from one that one of its ends lies on."""
    (ux, uy), offset = edge.direction, edge.offset
    offs = [abs(x * -uy + y * ux - offset) for x, y in ends]
    if max(offs) <= near:
        return True
    return min(offs) <= near and max(offs) >= math.dist(*ends) * (1 - _STRAIGHT**2)


def _from_curve(curve: Piece, ends: tuple[Point, Point], near: float) -> bool:
    """Whether one of the ends of a size is the middle of a circle, or lies on it; of other curves, at an end of it."""
    if not isinstance(curve.carrier, Circle):
        return any(math.dist(point, end) <= near for point in extremes(curve) for end in ends)
    away = [math.dist((curve.carrier.x, curve.carrier.y), end) for end in ends]
    return any(distance <= near or abs(distance - curve.carrier.radius) <= near for distance in away)
