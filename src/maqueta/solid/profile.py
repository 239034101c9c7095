"""Closed plane profiles: the curves they consist of, and whether they can bound a face."""

import math
from collections.abc import Sequence

from shapely.geometry import LinearRing

from maqueta.solid.recipe import ProfileStep

Point = tuple[float, float]
Curve = tuple[Point, ...]

_ARC_STEPS = 24


class ProfileError(ValueError):
    """A profile cannot bound a face; the message says why."""


def profile_curves(profile: Sequence[ProfileStep]) -> list[Curve]:
    """Curves of a closed profile in order: (start, end) for a line, (start, through, end) for an arc.

    The profile closes itself from its last point to its first.
    """
    ends: list[Point] = [step if isinstance(step, tuple) else step.to for step in profile]
    curves: list[Curve] = []
    for index, step in enumerate(profile):
        start, end = ends[index - 1], ends[index]
        if isinstance(step, tuple):
            if start != end:
                curves.append((start, end))
        else:
            curves.append((start, step.through, end))
    return curves


def arc_circle(start: Point, through: Point, end: Point) -> tuple[Point, float]:
    """Centre and radius of the circle through three points. Raises ProfileError when they lie in line."""
    (ax, ay), (bx, by), (cx, cy) = start, through, end
    twice_area = 2 * (ax * (by - cy) + bx * (cy - ay) + cx * (ay - by))
    if abs(twice_area) < 1e-12 * (1 + max(map(abs, (ax, ay, bx, by, cx, cy)))) ** 2:
        raise ProfileError("the three points of an arc lie in one line")
    a2, b2, c2 = ax * ax + ay * ay, bx * bx + by * by, cx * cx + cy * cy
    x = (a2 * (by - cy) + b2 * (cy - ay) + c2 * (ay - by)) / twice_area
    y = (a2 * (cx - bx) + b2 * (ax - cx) + c2 * (bx - ax)) / twice_area
    return (x, y), math.hypot(ax - x, ay - y)


def check_profile(profile: Sequence[ProfileStep]) -> None:
    """Raise ProfileError when the profile has no area, repeats a point or crosses itself."""
    points: list[Point] = []
    for curve in profile_curves(profile):
        points.extend(_flattened(curve)[:-1])
    if len(points) < 3 or len(set(points)) < len(points):
        raise ProfileError("the profile repeats a point")
    ring = LinearRing(points)
    if ring.convex_hull.area < 1e-12 * (1 + ring.length) ** 2:
        raise ProfileError("the profile encloses no area")
    if not ring.is_simple:
        raise ProfileError("the profile crosses itself")


def _flattened(curve: Curve) -> list[Point]:
    if len(curve) == 2:
        return list(curve)
    start, through, end = curve
    (x, y), radius = arc_circle(start, through, end)
    first = math.atan2(start[1] - y, start[0] - x)
    middle = (math.atan2(through[1] - y, through[0] - x) - first) % (2 * math.pi)
    last = (math.atan2(end[1] - y, end[0] - x) - first) % (2 * math.pi)
    sweep = last if middle < last else last - 2 * math.pi
    inner = [first + sweep * step / _ARC_STEPS for step in range(1, _ARC_STEPS)]
    return [start, *((x + radius * math.cos(t), y + radius * math.sin(t)) for t in inner), end]
