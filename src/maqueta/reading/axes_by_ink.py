"""Axes that a picture shows although they were not read: their dashes are short, and their dots are lost first."""

from collections.abc import Sequence
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
#: An axis leads out of what it is the axis of by so much at least, mm, and there it is inked (common practice, no
#: source).
_OUT: Final = 1.2
_PLACES: Final = 5.0


def axes_by_ink(
    document: SheetDocument, projected: ProjectedPart, ink: InkMap, tolerance: float
) -> tuple[CentreLine, ...]:
    """Axes of a sheet that were not read, where its picture shows ink along them and at both of their ends.

    The sheet stands as its picture does; `tolerance` in mm.
    """
    found: list[tuple[PlacedView, Point, Point]] = []
    for item in placed_views(projected, document):
        look, out = item.orthographic, _OUT / item.factor
        if look is None or item.view.mirrored:
            continue
        marks = [mark for mark in document.marks if mark.view == item.view.id]
        near = tolerance / item.factor
        for feature in projected.part.features:
            if look.shows_point(feature.axis):
                centre, reach = centre_seen(feature, look), feature.diameter / 2 + out
                arms = [
                    ((centre[0] - reach * x, centre[1] - reach * y), (centre[0] + reach * x, centre[1] + reach * y))
                    for x, y in ((1.0, 0.0), (0.0, 1.0))
                ]
                if not is_marked(marks, centre, near) and all(_shown(item, ink, arm) for arm in arms):
                    found += [(item, *arm) for arm in arms if not is_lined(marks, *arm, near)]
            else:
                start, end = feature_axis(projected.part, feature, look)
                if not is_lined(marks, start, end, near) and _shown(item, ink, _longer(start, end, out)):
                    found.append((item, start, end))
    return tuple(
        CentreLine(id=f"k{number + 1}", view=item.view.id, start=start, end=end, beyond=0.0)
        for number, (item, start, end) in enumerate(dict.fromkeys(found))
    )


def _longer(start: Point, end: Point, out: float) -> tuple[Point, Point]:
    """A stretch with so much more at both ends."""
    dx, dy = end[0] - start[0], end[1] - start[1]
    length = max((dx * dx + dy * dy) ** 0.5, 1e-9)
    x, y = dx / length * out, dy / length * out
    return (start[0] - x, start[1] - y), (end[0] + x, end[1] + y)


def _shown(item: PlacedView, ink: InkMap, line: tuple[Point, Point]) -> bool:
    (x0, y0), (x1, y1) = (item.to_sheet(point) for point in line)
    length = ((x1 - x0) ** 2 + (y1 - y0) ** 2) ** 0.5
    count = max(9, round(_PLACES * length))
    places: Sequence[Point] = [(x0 + (x1 - x0) * k / count, y0 + (y1 - y0) * k / count) for k in range(count + 1)]
    ends = max(2, round(count * min(0.25, _OUT / max(length, 1e-9))))
    return ink.share(places) >= _CHAIN and min(ink.share(places[:ends]), ink.share(places[-ends:])) >= _CHAIN
