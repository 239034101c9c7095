"""Axes that a picture shows although they were not read: their dashes are short, and their dots are lost first."""

import math
from typing import Final

from maqueta.geometry.carrier import Point
from maqueta.projection.axes_seen import centre_seen, feature_axis
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.ink_map import InkMap
from maqueta.sheet.axes_drawn import is_lined, is_marked
from maqueta.sheet.document import CentreLine, SheetDocument
from maqueta.sheet.placed import PlacedView, placed_views

#: Of a chain line three quarters and more are ink (ISO 128-2, from memory: dash 24, gap 3, dot 0.5, gap 3 widths); of
#: one whose dots are lost, and of one whose gaps are wide, less (common practice, no source).
_CHAIN: Final = 0.55
#: An axis leads out of what it is the axis of: within so much beyond, mm, so much of it is inked; of a line that
#: crosses it there, less is (common practice, no source).
_OUT, _ENDS = 3.0, 0.25
_PLACES, _RIM = 5.0, 0.4


def axes_by_ink(
    document: SheetDocument, projected: ProjectedPart, ink: InkMap, tolerance: float
) -> tuple[CentreLine, ...]:
    """Axes of a sheet that were not read, where its picture shows ink along them and at both of their ends.

    The sheet stands as its picture does; `tolerance` in mm.
    """
    found: list[tuple[PlacedView, Point, Point]] = []
    for item in placed_views(projected, document):
        look = item.orthographic
        if look is None or item.view.mirrored:
            continue
        marks = [mark for mark in document.marks if mark.view == item.view.id]
        near = tolerance / item.factor
        for feature in projected.part.features:
            if look.shows_point(feature.axis):
                centre, reach = centre_seen(feature, look), feature.diameter / 2
                arms = [
                    ((centre[0] - reach * x, centre[1] - reach * y), (centre[0] + reach * x, centre[1] + reach * y))
                    for x, y in ((1.0, 0.0), (0.0, 1.0))
                ]
                if not is_marked(marks, centre, near) and all(_shown(item, ink, arm) for arm in arms):
                    found += [(item, *arm) for arm in arms if not is_lined(marks, *arm, near)]
            else:
                start, end = feature_axis(projected.part, feature, look)
                if not is_lined(marks, start, end, near) and _shown(item, ink, (start, end)):
                    found.append((item, start, end))
    return tuple(
        CentreLine(id=f"k{number + 1}", view=item.view.id, start=start, end=end, beyond=0.0)
        for number, (item, start, end) in enumerate(dict.fromkeys(found))
    )


def _shown(item: PlacedView, ink: InkMap, line: tuple[Point, Point]) -> bool:
    """Whether there is ink along a stretch of an axis and beyond both of its ends."""
    (x0, y0), (x1, y1) = (item.to_sheet(point) for point in line)
    length = math.dist((x0, y0), (x1, y1))
    if length < 1e-9:
        return False
    dx, dy = (x1 - x0) / length, (y1 - y0) / length

    def share(first: float, last: float) -> float:
        count = max(9, round(_PLACES * (last - first)))
        steps = [first + (last - first) * k / count for k in range(count + 1)]
        return ink.share([(x0 + dx * step, y0 + dy * step) for step in steps])

    # Right at its ends an axis crosses the outline it is the axis of.
    beyond = (share(-_OUT, -_RIM), share(length + _RIM, length + _OUT))
    return share(0.0, length) >= _CHAIN and min(beyond) >= _ENDS
