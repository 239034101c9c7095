"""Whether axes are drawn in a view: centre marks and centre lines where an axis is seen, end on or from the side."""

import math
from collections.abc import Iterable

from maqueta.geometry.carrier import Point
from maqueta.sheet.document import CentreLine, CentreMark


def is_marked(marks: Iterable[CentreMark | CentreLine], centre: Point, tolerance: float) -> bool:
    """Whether there is a centre mark at a place of a view, or two centre lines cross there."""
    through = 0
    for mark in marks:
        if isinstance(mark, CentreMark):
            if math.dist(mark.centre, centre) <= tolerance:
                return True
        elif _distance(centre, mark.start, mark.end) <= tolerance:
            through += 1
    return through >= 2


def is_lined(marks: Iterable[CentreMark | CentreLine], start: Point, end: Point, tolerance: float) -> bool:
    """Whether a centre line runs along a whole axis."""
    return any(
        isinstance(mark, CentreLine)
        and _distance(start, mark.start, mark.end) <= tolerance
        and _distance(end, mark.start, mark.end) <= tolerance
        for mark in marks
    )


def _distance(point: Point, start: Point, end: Point) -> float:
    """Distance of a point from a segment."""
    dx, dy = end[0] - start[0], end[1] - start[1]
    squared = dx * dx + dy * dy
    t = 0.0 if squared == 0 else max(0.0, min(1.0, ((point[0] - start[0]) * dx + (point[1] - start[1]) * dy) / squared))
    return math.dist(point, (start[0] + t * dx, start[1] + t * dy))
