"""Centre marks and axes drawn like any other line: told by where they run."""

import math

from maqueta.geometry.carrier import Line, Point, Similarity
from maqueta.geometry.line_set import Piece
from maqueta.projection.axes_seen import centre_seen, feature_axis
from maqueta.projection.look import Look
from maqueta.solid.part import Part

#: Centre marks and axes reach at most this far past what they belong to, mm on paper (common practice, no source).
_BEYOND = 12.0


def runs_through_centre(piece: Piece, part: Part, look: Look, move: Similarity, tolerance: float) -> bool:
    """Whether a straight stroke (sheet mm) is part of a centre mark, or of an axis seen from the side.

    `move` leads from the plane of the view to the sheet.
    """
    if not isinstance(piece.carrier, Line):
        return False
    for feature in part.features:
        if look.shows_point(feature.axis):
            centre = move(centre_seen(feature, look))
            reach = feature.diameter / 2 * move.scale + _BEYOND
            if _off(piece, centre) <= tolerance and all(math.dist(end, centre) <= reach for end in piece.ends):
                return True
        else:
            first, last = (move(point) for point in feature_axis(part, feature, look))
            near = all(min(math.dist(end, first), math.dist(end, last)) <= _BEYOND for end in piece.ends)
            between = _between(piece, first, last)
            if max(_off(piece, first), _off(piece, last)) <= tolerance and (near or between):
                return True
    return False


def _off(piece: Piece, point: Point) -> float:
    foot = piece.carrier.point(piece.carrier.parameter(point))
    return math.dist(foot, point)


def _between(piece: Piece, first: Point, last: Point) -> bool:
    low, high = sorted((piece.carrier.parameter(first), piece.carrier.parameter(last)))
    return piece.interval[0] >= low - _BEYOND and piece.interval[1] <= high + _BEYOND
