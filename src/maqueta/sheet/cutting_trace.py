"""Where a cut shows as a cutting line in the view it is drawn in, and how far a drawn one is from it."""

import math
from collections.abc import Sequence
from itertools import pairwise

from maqueta.geometry.carrier import Point
from maqueta.geometry.directions import Vector
from maqueta.geometry.frame import cross, dot
from maqueta.projection.look import Look
from maqueta.sheet.special import Arrows, SheetCut
from maqueta.solid.cut import Cut

#: Forms whose place a cutting line tells; a revolved section lies on its own axis, a broken-out one in its outline.
TOLD_BY_LINE = frozenset(("full", "half", "offset", "aligned", "removed"))
#: A view is cut along a line of its parent where the arrows lie in the parent's plane, but for this share.
_LEVEL = 0.5


def trace(cut: SheetCut | Cut, parent: Look) -> tuple[Point, ...]:
    """The cutting path in the plane of the parent; its ends stand for all that goes on beyond them."""
    return tuple(parent.seen(point) for point in cut.path)


def off_trace(drawn: Sequence[Point], meant: Sequence[Point]) -> float:
    """The most that a cutting line is off its place, in the unit of the plane.

    Ends count as drawn out. A whole line may stand for the first leg of a half section (ISO 128-3, from memory).

    >>> off_trace([(-5, 1), (40, 1)], [(0, 0), (10, 0)])
    1.0
    >>> off_trace([(-5, 0), (10, 0), (10, 8)], [(0, 0), (10, 0), (10, 5)])
    0.0
    """
    if len(drawn) == 2 and len(meant) == 3:
        meant = meant[:2]
    ahead = max(_from_path(point, meant) for point in drawn)
    corners = meant[1:-1]
    return max([ahead, *(_from_path(point, drawn) for point in corners)])


def _from_path(point: Point, path: Sequence[Point]) -> float:
    """The distance of a point from a path whose ends are drawn out."""
    legs = list(pairwise(path))
    return min(
        _from_leg(point, start, end, place == 0, place == len(legs) - 1) for place, (start, end) in enumerate(legs)
    )


def _from_leg(point: Point, start: Point, end: Point, first: bool, last: bool) -> float:
    dx, dy = end[0] - start[0], end[1] - start[1]
    squared = dx * dx + dy * dy
    if squared == 0:
        return math.dist(point, start)
    share = ((point[0] - start[0]) * dx + (point[1] - start[1]) * dy) / squared
    share = share if first else max(share, 0.0)
    share = share if last else min(share, 1.0)
    return math.dist(point, (start[0] + share * dx, start[1] + share * dy))


def from_cut(point: Vector, cut: Cut) -> float:
    """How far a point of the part is from where it is cut, in its own unit."""
    along = cross(cut.across, cut.towards)

    def level(p: Vector) -> Point:
        return (dot(p, along), dot(p, cut.towards))

    if cut.form == "broken-out":
        return abs(dot(point, cut.towards) - dot(cut.path[0], cut.towards))
    return _from_path(level(point), [level(p) for p in cut.path])


def arrows_meant(towards: Vector, parent: Look, path: Sequence[Point]) -> Arrows:
    """On which side of a cutting line its arrows stand, for a reader in a direction: they point the way one looks.

    "none" where the section is not looked at along the plane of the parent.
    """
    sight = (-dot(towards, parent.right), -dot(towards, parent.up))
    if math.hypot(*sight) < _LEVEL:
        return "none"

    def across(leg: tuple[Point, Point]) -> float:
        (ax, ay), (bx, by) = leg
        return (bx - ax) * sight[1] - (by - ay) * sight[0]

    # The leg most square to the line of sight counts.
    return "left" if across(max(pairwise(path), key=lambda leg: abs(across(leg)))) > 0 else "right"
