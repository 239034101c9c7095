"""Whether a view shows by visible lines what a dimension is taken from."""

import math
from collections.abc import Iterator
from typing import Final

from maqueta.geometry.carrier import TURN, Circle, Ellipse, Free, Line, Point
from maqueta.geometry.line_set import LineKind, Piece
from maqueta.sheet.dimension import Dimension, LinearDimension, span_of, taken_from
from maqueta.sheet.placed import PlacedView
from maqueta.sizes.sighted import PICK_TOLERANCE

#: Directions in a view agree within this (sine of the angle between them).
_PARALLEL: Final = 1e-6


def hidden_ends(placed: PlacedView, dimension: Dimension) -> list[Point]:
    """Points of a view that a dimension is taken from and that show by hidden lines alone.

    For a linear size the level at the point counts, not the point: a hidden line that ends on the outline stays one,
    while any visible line at that level, along the extension line, shows it (common practice, no source).
    """
    points = [p for p in taken_from(dimension) if _touched(placed, p, "hidden")]
    if not isinstance(dimension, LinearDimension):
        return [p for p in points if not _touched(placed, p, "visible")]
    span = span_of(dimension)
    length = math.hypot(*span)
    if length == 0:
        return []
    along = (span[0] / length, span[1] / length)
    return [point for point in points if not _level_shown(placed, point, along)]


def _level_shown(placed: PlacedView, point: Point, along: Point) -> bool:
    """Whether visible lines show the coordinate of a point along a direction: a line, a circle, or a corner there."""
    near = _near(placed)
    level = point[0] * along[0] + point[1] * along[1]
    through: list[Piece] = []
    for piece in placed.lines.of("visible"):
        if any(abs(value - level) <= near for value in _levels(piece, along)):
            return True
        if _off(piece, point) <= near:
            through.append(piece)
    return len({piece.carrier for piece in through}) > 1


def _levels(piece: Piece, along: Point) -> Iterator[float]:
    """Coordinates along a direction that a visible line shows by itself: its own, its centre, where it turns."""
    carrier = piece.carrier
    if isinstance(carrier, Line):
        dx, dy = carrier.direction
        if abs(dx * along[0] + dy * along[1]) <= _PARALLEL:
            x, y = carrier.point(piece.interval[0])
            yield x * along[0] + y * along[1]
        return
    if isinstance(carrier, Free):
        values = [x * along[0] + y * along[1] for x, y in carrier.points]
        yield from (v for v in (min(values), max(values)) if v not in (values[0], values[-1]))
        return
    yield carrier.x * along[0] + carrier.y * along[1]
    turn = math.atan2(along[1], along[0])
    if isinstance(carrier, Circle):
        for angle in (turn, turn + math.pi):
            if _within(piece, angle):
                x, y = carrier.point(angle)
                yield x * along[0] + y * along[1]


def _within(piece: Piece, angle: float) -> bool:
    start, end = piece.interval
    return any(start - 1e-9 <= angle % TURN + turn <= end + 1e-9 for turn in (0.0, TURN))


def _touched(placed: PlacedView, point: Point, kind: LineKind) -> bool:
    """Whether a line of a kind touches a point of the view, or is centred there."""
    near = _near(placed)
    for piece in placed.lines.of(kind):
        centre = isinstance(piece.carrier, Circle) and math.dist((piece.carrier.x, piece.carrier.y), point) <= near
        if centre or _off(piece, point) <= near:
            return True
    return False


def _off(piece: Piece, point: Point) -> float:
    """How far a point is from a stretch of a carrier, measured from the foot of the point on the carrier."""
    t = piece.carrier.parameter(point)
    low, high = piece.interval
    turns = (0.0, TURN) if isinstance(piece.carrier, Circle | Ellipse) else (0.0,)
    return min(math.dist(piece.carrier.point(min(max(t + turn, low), high)), point) for turn in turns)


def _near(placed: PlacedView) -> float:
    left, bottom, right, top = placed.lines.box
    return PICK_TOLERANCE * max(1e-9, right - left, top - bottom)
