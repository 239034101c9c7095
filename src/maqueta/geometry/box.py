"""Boxes: upright rectangles of the plane, as (left, bottom, right, top)."""

import math
from collections.abc import Iterable

from maqueta.geometry.carrier import Point

Box = tuple[float, float, float, float]


def box_of(points: Iterable[Point]) -> Box:
    """Bounding box of points. Raises ValueError without any.

    >>> box_of([(3.0, 1.0), (0.0, 2.0)])
    (0.0, 1.0, 3.0, 2.0)
    """
    xs, ys = zip(*points, strict=True)
    return (min(xs), min(ys), max(xs), max(ys))


def union(boxes: Iterable[Box]) -> Box:
    """The box around boxes. Raises ValueError without any.

    >>> union([(0.0, 0.0, 1.0, 1.0), (2.0, -1.0, 3.0, 0.0)])
    (0.0, -1.0, 3.0, 1.0)
    """
    lefts, bottoms, rights, tops = zip(*boxes, strict=True)
    return (min(lefts), min(bottoms), max(rights), max(tops))


def size_of(box: Box) -> Point:
    """Width and height."""
    return (box[2] - box[0], box[3] - box[1])


def middle_of(box: Box) -> Point:
    """Its middle."""
    return ((box[0] + box[2]) / 2, (box[1] + box[3]) / 2)


def outline_of(box: Box) -> tuple[Point, ...]:
    """Its outline as a closed line of five points, counter-clockwise from the lower left corner."""
    left, bottom, right, top = box
    return ((left, bottom), (right, bottom), (right, top), (left, top), (left, bottom))


def grown(box: Box, by: float) -> Box:
    """A box larger by a length on every side."""
    return (box[0] - by, box[1] - by, box[2] + by, box[3] + by)


def meet(box: Box, other: Box, slack: float = 0.0) -> bool:
    """Whether two boxes touch or overlap; with `slack` they may be so far apart, or must overlap by as much as −slack.

    >>> meet((0, 0, 1, 1), (1, 0, 2, 1)), meet((0, 0, 1, 1), (1, 0, 2, 1), -0.1)
    (True, False)
    """
    return (
        box[0] <= other[2] + slack
        and other[0] <= box[2] + slack
        and box[1] <= other[3] + slack
        and other[1] <= box[3] + slack
    )


def within(box: Box, outer: Box, slack: float = 0.0) -> bool:
    """Whether a box lies in another, which it may leave by `slack`."""
    return (
        box[0] >= outer[0] - slack
        and box[1] >= outer[1] - slack
        and box[2] <= outer[2] + slack
        and box[3] <= outer[3] + slack
    )


def apart(box: Box, other: Box) -> float:
    """Distance between two boxes, 0 where they meet.

    >>> apart((0, 0, 1, 1), (4, 5, 6, 6))
    5.0
    """
    across = max(0.0, box[0] - other[2], other[0] - box[2])
    up = max(0.0, box[1] - other[3], other[1] - box[3])
    return math.hypot(across, up)
