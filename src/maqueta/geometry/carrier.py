"""Carriers: the infinite lines, full circles and ellipses that drawn lines lie on.

A stretch of a line is an interval of a carrier's parameter: length along a line, angle in radians around a
circle, eccentric angle around an ellipse, length along a free curve.
"""

import itertools
import math
from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

Point = tuple[float, float]
Interval = tuple[float, float]
TURN = 2 * math.pi


@dataclass(frozen=True, slots=True)
class Similarity:
    """A move of the drawing plane: turn and scale by the complex number (`a`, `b`), then shift by (`x`, `y`)."""

    a: float
    b: float
    x: float
    y: float

    @staticmethod
    def quarter(turns: int) -> "Similarity":
        """A turn about the origin by exact quarter turns, counter-clockwise."""
        a, b = ((1.0, 0.0), (0.0, 1.0), (-1.0, 0.0), (0.0, -1.0))[turns % 4]
        return Similarity(a, b, 0.0, 0.0)

    @property
    def scale(self) -> float:
        """Lengths are multiplied by this."""
        return math.hypot(self.a, self.b)

    @property
    def turn(self) -> float:
        """Angle of the turn, radians."""
        return math.atan2(self.b, self.a)

    def __call__(self, point: Point) -> Point:
        """The moved point."""
        x, y = point
        return (self.a * x - self.b * y + self.x, self.b * x + self.a * y + self.y)

    def back(self, point: Point) -> Point:
        """The point that is moved to this one."""
        x, y = point[0] - self.x, point[1] - self.y
        squared = self.a * self.a + self.b * self.b
        return ((self.a * x + self.b * y) / squared, (self.a * y - self.b * x) / squared)


@dataclass(frozen=True, slots=True)
class Line:
    """An infinite line: `angle` in [0, π) of its direction, `offset` of the line along its left normal."""

    angle: float
    offset: float

    @property
    def direction(self) -> Point:
        """Unit vector of growing parameter."""
        if self.angle == 0.0:
            return (1.0, 0.0)
        if self.angle == math.pi / 2:
            return (0.0, 1.0)
        return (math.cos(self.angle), math.sin(self.angle))

    def point(self, t: float) -> Point:
        """Point at parameter t."""
        dx, dy = self.direction
        return (t * dx - self.offset * dy, t * dy + self.offset * dx)

    def parameter(self, point: Point) -> float:
        """Parameter of the foot of a point."""
        dx, dy = self.direction
        return dx * point[0] + dy * point[1]

    def length(self, interval: Interval) -> float:
        """Length of a stretch."""
        return interval[1] - interval[0]

    def moved(self, move: Similarity, interval: Interval) -> "tuple[Line, Interval]":
        """The carrier and the stretch after a move."""
        if move.b == 0.0 and move.a > 0.0:
            # Shifted and scaled alone, as at every place that is tried where a view is sought: nothing turns.
            dx, dy = self.direction
            along, off = dx * move.x + dy * move.y, dx * move.y - dy * move.x
            moved = Line(self.angle, move.a * self.offset + off)
            return moved, (move.a * interval[0] + along, move.a * interval[1] + along)
        return line_through(move(self.point(interval[0])), move(self.point(interval[1])))

    def outline(self, interval: Interval) -> list[Point]:
        """Points that draw the stretch."""
        return [self.point(interval[0]), self.point(interval[1])]


@dataclass(frozen=True, slots=True)
class Circle:
    """A full circle."""

    x: float
    y: float
    radius: float

    def point(self, t: float) -> Point:
        """Point at angle t."""
        return (self.x + self.radius * math.cos(t), self.y + self.radius * math.sin(t))

    def parameter(self, point: Point) -> float:
        """Angle of a point seen from the centre, in [0, 2π)."""
        return math.atan2(point[1] - self.y, point[0] - self.x) % TURN

    def length(self, interval: Interval) -> float:
        """Arc length of a stretch."""
        return self.radius * (interval[1] - interval[0])

    def moved(self, move: Similarity, interval: Interval) -> "tuple[Circle, Interval]":
        """The carrier and the stretch after a move."""
        x, y = move((self.x, self.y))
        return Circle(x, y, self.radius * move.scale), turned(interval, move.turn)

    def outline(self, interval: Interval) -> list[Point]:
        """Points that draw the stretch, at most 5° apart."""
        return [self.point(t) for t in _steps(interval)]


@dataclass(frozen=True, slots=True)
class Ellipse:
    """A full ellipse: half axes `major` ≥ `minor`, the major one at `angle` in [0, π)."""

    x: float
    y: float
    major: float
    minor: float
    angle: float

    def point(self, t: float) -> Point:
        """Point at eccentric angle t."""
        c, s = math.cos(self.angle), math.sin(self.angle)
        p, q = self.major * math.cos(t), self.minor * math.sin(t)
        return (self.x + p * c - q * s, self.y + p * s + q * c)

    def parameter(self, point: Point) -> float:
        """Eccentric angle of a point, in [0, 2π)."""
        c, s = math.cos(self.angle), math.sin(self.angle)
        dx, dy = point[0] - self.x, point[1] - self.y
        return math.atan2((dy * c - dx * s) / self.minor, (dx * c + dy * s) / self.major) % TURN

    def length(self, interval: Interval) -> float:
        """Arc length of a stretch, by chords of at most 5°."""
        return _arc_length(self.major, self.minor, interval)

    def moved(self, move: Similarity, interval: Interval) -> "tuple[Ellipse, Interval]":
        """The carrier and the stretch after a move."""
        x, y = move((self.x, self.y))
        angle = self.angle + move.turn
        flip = math.pi * (math.floor(angle / math.pi) % 2)
        moved = Ellipse(x, y, self.major * move.scale, self.minor * move.scale, angle % math.pi)
        return moved, turned(interval, flip)

    def outline(self, interval: Interval) -> list[Point]:
        """Points that draw the stretch, at most 5° apart."""
        c, s = math.cos(self.angle), math.sin(self.angle)
        across, up = (self.major * c, self.major * s), (-self.minor * s, self.minor * c)
        turns = [(math.cos(t), math.sin(t)) for t in _steps(interval)]
        return [(self.x + x * across[0] + y * up[0], self.y + x * across[1] + y * up[1]) for x, y in turns]


@lru_cache(maxsize=8192)
def _arc_length(major: float, minor: float, interval: Interval) -> float:
    """Length of an ellipse's stretch wherever it lies; the same few ellipses are met again at every place tried."""
    return sum(math.dist(p, q) for p, q in itertools.pairwise(Ellipse(0.0, 0.0, major, minor, 0.0).outline(interval)))


@dataclass(frozen=True, slots=True)
class Free:
    """Any other curve, as points along it; its parameter is the length from its first point."""

    points: tuple[Point, ...]

    def point(self, t: float) -> Point:
        """Point at length t."""
        for p, q in zip(self.points, self.points[1:], strict=False):
            step = math.dist(p, q)
            if t <= step and step > 0:
                return (p[0] + (q[0] - p[0]) * t / step, p[1] + (q[1] - p[1]) * t / step)
            t -= step
        return self.points[-1]

    def parameter(self, point: Point) -> float:
        """Length at the nearest of the curve's own points."""
        best, at, along = math.inf, 0.0, 0.0
        for index, own in enumerate(self.points):
            along += math.dist(self.points[index - 1], own) if index else 0.0
            if (distance := math.dist(own, point)) < best:
                best, at = distance, along
        return at

    def length(self, interval: Interval) -> float:
        """Length of a stretch."""
        return interval[1] - interval[0]

    def moved(self, move: Similarity, interval: Interval) -> "tuple[Free, Interval]":
        """The carrier and the stretch after a move."""
        scale = move.scale
        # Written out: these are most points of a sheet, and moved most often.
        a, b, x, y = move.a, move.b, move.x, move.y
        points = tuple([(a * px - b * py + x, b * px + a * py + y) for px, py in self.points])
        return Free(points), (interval[0] * scale, interval[1] * scale)

    def outline(self, interval: Interval) -> list[Point]:
        """Points that draw the curve (free curves are always drawn whole)."""
        return list(self.points)


Carrier = Line | Circle | Ellipse | Free


def turned(interval: Interval, angle: float) -> Interval:
    """An angular interval turned by an angle, its start brought back to [0, 2π)."""
    if interval[1] - interval[0] >= TURN - 1e-9:
        return (0.0, TURN)
    start = (interval[0] + angle) % TURN
    if TURN - start < 1e-12:
        start = 0.0
    return (start, start + interval[1] - interval[0])


def _steps(interval: Interval) -> list[float]:
    count = max(2, math.ceil((interval[1] - interval[0]) / (TURN / 72)) + 1)
    return [interval[0] + (interval[1] - interval[0]) * k / (count - 1) for k in range(count)]


def line_through(p: Point, q: Point) -> tuple[Line, Interval]:
    """The line through two different points, and the stretch between them."""
    dx, dy = q[0] - p[0], q[1] - p[1]
    length = math.hypot(dx, dy)
    dx, dy = dx / length, dy / length
    if abs(dy) < 1e-9:
        line, dx, dy = Line(0.0, (p[1] + q[1]) / 2), 1.0, 0.0
    elif abs(dx) < 1e-9:
        line, dx, dy = Line(math.pi / 2, -(p[0] + q[0]) / 2), 0.0, 1.0
    else:
        if dy < 0:
            dx, dy = -dx, -dy
        line = Line(math.atan2(dy, dx), dx * p[1] - dy * p[0])
    s, t = dx * p[0] + dy * p[1], dx * q[0] + dy * q[1]
    return line, (s, t) if s < t else (t, s)


def arc_interval(start: float, middle: float, end: float, closed: bool) -> Interval:
    """The counter-clockwise interval that runs from one end angle to the other through the middle one."""
    if closed:
        return (0.0, TURN)
    if (middle - start) % TURN > (end - start) % TURN:
        start, end = end, start
    start %= TURN
    return (start, start + (end - start) % TURN)


def circle_through(points: NDArray[np.float64]) -> tuple[float, float, float]:
    """Centre x, y and radius of the circle that fits points, one a row, best: algebraic least squares (Kåsa 1976, from
    memory)."""
    middle = points.mean(axis=0)
    own = points - middle
    solution, *_ = np.linalg.lstsq(np.column_stack([2 * own, np.ones(len(own))]), (own**2).sum(axis=1), rcond=None)
    radius = math.sqrt(max(solution[2] + solution[0] ** 2 + solution[1] ** 2, 0.0))
    return float(solution[0] + middle[0]), float(solution[1] + middle[1]), radius


def recognised(points: Sequence[Point], tolerance: float) -> tuple[Carrier, Interval]:
    """The simplest carrier that passes within `tolerance` of all points: a line, a circle or a free curve.

    The kernel returns circles seen edge-on as degenerate curves and some lines as splines.
    """
    if len(points) == 2 and points[0] != points[1]:
        return line_through(points[0], points[1])
    array = np.asarray(points)
    middle = array.mean(axis=0)
    if np.ptp(array, axis=0).max() <= tolerance and math.dist(points[0], points[-1]) > 0:
        return line_through(points[0], points[-1])
    _, _, axes = np.linalg.svd(array - middle, full_matrices=False)
    along, off = (array - middle) @ axes[0], (array - middle) @ axes[1]
    if np.abs(off).max() <= tolerance and np.ptp(along) > tolerance:
        first, last = middle + along.min() * axes[0], middle + along.max() * axes[0]
        return line_through((float(first[0]), float(first[1])), (float(last[0]), float(last[1])))
    x, y, radius = circle_through(array)
    distances = np.hypot(array[:, 0] - x, array[:, 1] - y)
    if len(points) >= 5 and np.abs(distances - radius).max() <= tolerance:
        circle = Circle(float(x), float(y), radius)
        start, half, end = (circle.parameter(points[k]) for k in (0, len(points) // 2, -1))
        closed = math.dist(points[0], points[-1]) < tolerance < math.dist(points[0], points[len(points) // 2])
        return circle, arc_interval(start, half, end, closed)
    free = Free(tuple((float(p[0]), float(p[1])) for p in points))
    length = sum(math.dist(p, q) for p, q in zip(free.points, free.points[1:], strict=False))
    return free, (0.0, length)
