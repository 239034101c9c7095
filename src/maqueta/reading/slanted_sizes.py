"""Angles and chamfers of a sheet from elsewhere, tied to the straight lines they stand at."""

import math
from collections.abc import Iterator, Sequence
from typing import Final

from maqueta.geometry.carrier import Line, Point
from maqueta.reading.content import Pointer, Size
from maqueta.reading.dxf.dimension import crossing
from maqueta.sheet.dimension import AngleDimension, ChamferDimension
from maqueta.sheet.placed import PlacedView
from maqueta.sizes.text import read_text

#: A drawn line is the leg of an angle when it is turned against it by no more than this (radians).
_ASTRAY: Final = 0.02
Ends = tuple[Point, Point]


def angle_at(
    size: Size, vertex: Point, views: Sequence[PlacedView], tolerance: float, name: str
) -> AngleDimension | None:
    """The angle between the two lines of a view its legs run along; None where no view has both."""
    best: tuple[float, PlacedView, Ends, Ends] | None = None
    for item in views:
        legs = [_leg(item, vertex, point, tolerance) for point in (size.first, size.second)]
        if legs[0] is None or legs[1] is None:
            continue
        off = legs[0][0] + legs[1][0]
        if best is None or off < best[0]:
            best = (off, item, legs[0][1], legs[1][1])
    if best is None:
        return None
    _, item, first, second = best
    meeting = crossing(first, second)
    if meeting is None:
        return None
    start, end = (_side(item, meeting, leg, towards) for leg, towards in ((first, size.first), (second, size.second)))
    place = (size.place[0] - item.view.at[0], size.place[1] - item.view.at[1])
    return AngleDimension(
        id=name, view=item.view.id, vertex=meeting, start=start, end=end, place=place, text=size.text[:120] or None
    )


def _side(item: PlacedView, meeting: Point, leg: Ends, towards: Point) -> Point:
    """A point of a line on the side of the meeting point that a leg was drawn to, on the line produced if need be."""
    best = max(leg, key=lambda p: _along(item, meeting, p, towards))
    if _along(item, meeting, best, towards) > 1e-6:
        return best
    other = min(leg, key=lambda p: _along(item, meeting, p, towards))
    return (2 * meeting[0] - other[0], 2 * meeting[1] - other[1])


def _along(item: PlacedView, meeting: Point, point: Point, towards: Point) -> float:
    """How far a point of a view lies from where the lines meet, on the side a leg was drawn to."""
    vertex, here = item.to_sheet(meeting), item.to_sheet(point)
    return (here[0] - vertex[0]) * (towards[0] - vertex[0]) + (here[1] - vertex[1]) * (towards[1] - vertex[1])


def _leg(item: PlacedView, vertex: Point, point: Point, tolerance: float) -> tuple[float, Ends] | None:
    """The straight line of a view that a leg runs along: how far it is off (mm on paper) and its ends."""
    best: tuple[float, Ends] | None = None
    turn = math.atan2(point[1] - vertex[1], point[0] - vertex[0])
    for first, last, ends in _straight(item):
        astray = abs(math.remainder(math.atan2(last[1] - first[1], last[0] - first[0]) - turn, math.pi))
        off = max(_off(first, last, vertex), _off(first, last, point))
        if astray <= _ASTRAY and off <= max(1.0, 3 * tolerance) and (best is None or off < best[0]):
            best = (off, ends)
    return best


def _straight(item: PlacedView) -> Iterator[tuple[Point, Point, Ends]]:
    """The straight lines of a view, on the sheet and in its own plane."""
    for piece in item.lines.of("visible", "hidden"):
        if isinstance(piece.carrier, Line):
            first, last = (item.to_sheet(end) for end in piece.ends)
            yield first, last, piece.ends


def _off(first: Point, last: Point, point: Point) -> float:
    """The distance of a point from the line through two others."""
    length = math.dist(first, last)
    area = (last[0] - first[0]) * (point[1] - first[1]) - (last[1] - first[1]) * (point[0] - first[0])
    return abs(area) / length if length > 0 else math.dist(first, point)


def chamfer_at(
    pointer: Pointer, note: str, views: Sequence[PlacedView], tolerance: float, name: str
) -> ChamferDimension | None:
    """The slanted line of a view that a leader with a chamfer note points at."""
    tip = pointer.points[0]
    best: tuple[float, PlacedView, Ends] | None = None
    for item in views:
        for first, last, ends in _straight(item):
            slanted = min(abs(last[0] - first[0]), abs(last[1] - first[1])) > 1e-6
            middle = ((first[0] + last[0]) / 2, (first[1] + last[1]) / 2)
            off = max(_off(first, last, tip), math.dist(tip, middle) - math.dist(first, last) / 2)
            if slanted and (best is None or off < best[0]):
                best = (off, item, ends)
    if best is None or best[0] > max(1.0, 3 * tolerance):
        return None
    _, item, (start, end) = best
    at = pointer.knee
    return ChamferDimension(
        id=name,
        view=item.view.id,
        start=start,
        end=end,
        place=(at[0] - item.view.at[0], at[1] - item.view.at[1]),
        count=min(999, max(1, read_text(note).count)),
        text=note[:120] or None,
    )
