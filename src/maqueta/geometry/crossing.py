"""Where drawn lines cross: exact for lines and circles, by chords of at most 5° for other curves."""

import math
from typing import Final

import shapely
from shapely.geometry import LineString

from maqueta.geometry.carrier import TURN, Carrier, Circle, Ellipse, Free, Line, Point
from maqueta.geometry.line_set import Piece

#: An infinite line is drawn this long where it meets a curve by chords.
_FAR: Final = 1e5


def crossings(carrier: Carrier, other: Piece, tolerance: float) -> list[Point]:
    """Points where a whole carrier meets a stretch of another; none where the two lie on one another."""
    match carrier, other.carrier:
        case Line(), Line():
            points = _lines(carrier, other.carrier)
        case Line(), Circle():
            points = _line_circle(carrier, other.carrier)
        case Circle(), Line():
            points = _line_circle(other.carrier, carrier)
        case Circle(), Circle():
            points = _circles(carrier, other.carrier)
        case _:
            return _by_chords(carrier, other)
    return [point for point in points if covers(other, point, tolerance)]


def covers(piece: Piece, point: Point, tolerance: float) -> bool:
    """Whether a point of a piece's carrier lies within its stretch, its ends included within the tolerance."""
    start, end = piece.interval
    carrier = piece.carrier
    match carrier:
        case Line():
            return start - tolerance <= carrier.parameter(point) <= end + tolerance
        case Circle() | Ellipse():
            radius = carrier.radius if isinstance(carrier, Circle) else carrier.minor
            slack = tolerance / radius
            t = carrier.parameter(point)
            return any(start - slack <= t + turn <= end + slack for turn in (-TURN, 0.0, TURN))
        case Free():
            return bool(LineString(carrier.points).distance(shapely.Point(point)) <= tolerance)


def distance(piece: Piece, point: Point) -> float:
    """Distance of a point from a drawn stretch; along curves by chords of at most 5°."""
    return float(LineString(piece.outline()).distance(shapely.Point(point)))


def _lines(a: Line, b: Line) -> list[Point]:
    (ax, ay), (bx, by) = a.direction, b.direction
    turn = ax * by - ay * bx
    if abs(turn) < 1e-9:
        return []
    # Foot of the origin on each line is offset · left normal; solve a.point(t) on b.
    px, py = a.point(0.0)
    qx, qy = b.point(0.0)
    return [a.point(((qx - px) * by - (qy - py) * bx) / turn)]


def _line_circle(line: Line, circle: Circle) -> list[Point]:
    foot = line.parameter((circle.x, circle.y))
    off = math.dist(line.point(foot), (circle.x, circle.y))
    if off > circle.radius * (1 + 1e-9):
        return []
    half = math.sqrt(max(circle.radius**2 - off**2, 0.0))
    if half < 1e-6 * circle.radius:
        return [line.point(foot)]
    return [line.point(foot - half), line.point(foot + half)]


def _circles(a: Circle, b: Circle) -> list[Point]:
    apart = math.dist((a.x, a.y), (b.x, b.y))
    slack = 1e-9 * (a.radius + b.radius)
    if apart < slack or apart > a.radius + b.radius + slack or apart < abs(a.radius - b.radius) - slack:
        return []
    along = (apart**2 + a.radius**2 - b.radius**2) / (2 * apart)
    half = math.sqrt(max(a.radius**2 - along**2, 0.0))
    dx, dy = (b.x - a.x) / apart, (b.y - a.y) / apart
    middle = (a.x + along * dx, a.y + along * dy)
    if half < 1e-6 * a.radius:
        return [middle]
    return [(middle[0] - half * dy, middle[1] + half * dx), (middle[0] + half * dy, middle[1] - half * dx)]


def _by_chords(carrier: Carrier, other: Piece) -> list[Point]:
    match carrier:
        case Line():
            whole = [carrier.point(-_FAR), carrier.point(_FAR)]
        case Free(points):
            whole = list(points)
        case Circle() | Ellipse():
            whole = carrier.outline((0.0, TURN))
    met = LineString(whole).intersection(LineString(other.outline()))
    return [
        (float(geometry.x), float(geometry.y)) for geometry in shapely.get_parts(met) if geometry.geom_type == "Point"
    ]
