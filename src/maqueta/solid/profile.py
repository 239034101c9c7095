"""Closed plane profiles: the curves they consist of, and whether they can bound a face."""

import math
from collections.abc import Sequence

from shapely.geometry import LinearRing

from maqueta.phrases.phrase import phrase
from maqueta.phrases.told import ToldError
from maqueta.solid.recipe import Arc, Corner, Number, ProfileStep, plain

Point = tuple[float, float]
Curve = tuple[Point, ...]

_ARC_STEPS = 24
#: Two points of a profile nearer than this part of their coordinates are one.
_TOUCHING = 1e-9


class ProfileError(ToldError):
    """A profile cannot bound a face, and why."""


def profile_curves(profile: Sequence[ProfileStep]) -> list[Curve]:
    """Curves of a closed profile in order: (start, end) for a line, (start, through, end) for an arc.

    The profile closes itself from its last point to its first. Raises ProfileError for a rounded corner that does
    not lie between two straight lines long enough for it.
    """
    ends = [_end(step) for step in profile]
    count = len(profile)
    rounds = {index: _rounding(profile, ends, index) for index in range(count) if isinstance(profile[index], Corner)}
    curves: list[Curve] = []
    for index, step in enumerate(profile):
        before = (index - 1) % count
        start = rounds[before][2] if before in rounds else ends[before]
        if isinstance(step, Arc):
            curves.append((start, _flat(step.through), ends[index]))
            continue
        end = rounds[index][0] if index in rounds else ends[index]
        if math.dist(start, end) > _TOUCHING * (1 + math.dist(start, (0.0, 0.0))):
            curves.append((start, end))
        if index in rounds:
            curves.append(rounds[index])
    return curves


def _flat(point: tuple[Number, Number]) -> Point:
    return (plain(point[0]), plain(point[1]))


def _end(step: ProfileStep) -> Point:
    return _flat(step if isinstance(step, tuple) else step.to)


def _rounding(profile: Sequence[ProfileStep], ends: Sequence[Point], index: int) -> tuple[Point, Point, Point]:
    """The arc that rounds a corner: where it begins, its middle, and where it ends."""
    step, count = profile[index], len(profile)
    assert isinstance(step, Corner)
    at, before, after = ends[index], ends[index - 1], ends[(index + 1) % count]
    if isinstance(profile[(index + 1) % count], Arc):
        raise ProfileError(phrase("corner-before-arc", corner=index + 1))
    lengths = (math.dist(at, before), math.dist(at, after))
    if min(lengths) == 0:
        raise ProfileError(phrase("profile-repeats-point"))
    back = ((before[0] - at[0]) / lengths[0], (before[1] - at[1]) / lengths[0])
    on = ((after[0] - at[0]) / lengths[1], (after[1] - at[1]) / lengths[1])
    cosine = max(-1.0, min(1.0, back[0] * on[0] + back[1] * on[1]))
    half = math.acos(cosine) / 2
    if half < 1e-6 or half > math.pi / 2 - 1e-6:
        raise ProfileError(phrase("corner-on-straight-line", corner=index + 1))
    radius = plain(step.radius)
    reach = radius / math.tan(half)
    for length, other in ((lengths[0], index - 1), (lengths[1], (index + 1) % count)):
        neighbour = profile[other]
        taken = _reach(profile, ends, other) if isinstance(neighbour, Corner) else 0.0
        if reach + taken > length * (1 + 1e-9):
            raise ProfileError(phrase("corner-radius-too-large", radius=radius, corner=index + 1))
    # The middle of the arc lies on the bisector, a radius short of the centre.
    bisector = (back[0] + on[0], back[1] + on[1])
    norm = math.hypot(*bisector)
    inward = radius / math.sin(half) - radius
    return (
        (at[0] + reach * back[0], at[1] + reach * back[1]),
        (at[0] + inward * bisector[0] / norm, at[1] + inward * bisector[1] / norm),
        (at[0] + reach * on[0], at[1] + reach * on[1]),
    )


def _reach(profile: Sequence[ProfileStep], ends: Sequence[Point], index: int) -> float:
    """How far a rounded corner reaches along its two lines."""
    step = profile[index]
    assert isinstance(step, Corner)
    at, before, after = ends[index], ends[index - 1], ends[(index + 1) % len(profile)]
    turn = math.atan2(before[1] - at[1], before[0] - at[0]) - math.atan2(after[1] - at[1], after[0] - at[0])
    half = abs(math.remainder(turn, 2 * math.pi)) / 2
    return plain(step.radius) / math.tan(half) if half > 1e-9 else 0.0


def arc_circle(start: Point, through: Point, end: Point) -> tuple[Point, float]:
    """Centre and radius of the circle through three points. Raises ProfileError when they lie in line."""
    (ax, ay), (bx, by), (cx, cy) = start, through, end
    twice_area = 2 * (ax * (by - cy) + bx * (cy - ay) + cx * (ay - by))
    if abs(twice_area) < 1e-12 * (1 + max(map(abs, (ax, ay, bx, by, cx, cy)))) ** 2:
        raise ProfileError(phrase("arc-in-one-line"))
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
        raise ProfileError(phrase("profile-repeats-point"))
    ring = LinearRing(points)
    if ring.convex_hull.area < 1e-12 * (1 + ring.length) ** 2:
        raise ProfileError(phrase("profile-without-area"))
    if not ring.is_simple:
        raise ProfileError(phrase("profile-crosses-itself"))


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
