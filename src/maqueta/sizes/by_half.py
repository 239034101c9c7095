"""Sizes across an axis of which the view shows one end: a diameter in a half section, given from its visible side.

The dimension line starts at the outline, ends on the axis or a little past it, and bears the whole size (ISO 129-1,
partly drawn dimension lines of symmetrical parts; from memory).
"""

import math
from collections.abc import Iterator
from typing import Final

from maqueta.geometry.carrier import Point
from maqueta.projection.axes_seen import feature_axis
from maqueta.projection.look import Look
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.dimension import Dimension, LinearDimension, span_of, taken_across
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.view import View
from maqueta.sheet.written_sizes import converted
from maqueta.sizes.text import Written, read_text
from maqueta.solid.part import Part

#: An end lies on an axis within this share of the size of the part.
_ON: Final = 1e-3
#: A line that runs on past the axis bears the whole size when what is written is that within this share.
_SAME: Final = 0.02


def given_whole(projected: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """The sheet with every size that is given by half taken to its other side, as far beyond the axis as before it."""
    views = {view.id: view for view in sheet.views}

    def whole(dimension: Dimension) -> Dimension:
        if not isinstance(dimension, LinearDimension):
            return dimension
        if dimension.by_half:
            return taken_across(dimension)
        if dimension.text is None:
            return dimension
        view = views[dimension.view]
        look = None if view.kind == "pictorial" else view.sees(projected)
        written = read_text(dimension.text)
        if look is None or written.value is None or not _may_be_half(view, written):
            return dimension
        value = converted(written.value, sheet.units, projected.part.unit)
        return _whole(projected.part, look, dimension, value, sure=written.symbol == "diameter")

    return sheet.model_copy(update={"dimensions": tuple(map(whole, sheet.dimensions))})


def across_middle(part: Part, view: View, look: Look, dimension: LinearDimension) -> bool:
    """Whether a size of a half section reaches as far on one side of the middle as on the other."""
    span, length = span_of(dimension), math.hypot(*span_of(dimension))
    if not _is_half(view) or length == 0:
        return False
    way = (span[0] / length, span[1] / length)
    middle = (_on(dimension.start, way) + _on(dimension.end, way)) / 2
    return abs(middle - _on(_middle(part, look), way)) <= _ON * part.size


def _is_half(view: View) -> bool:
    return view.kind == "section" and view.cut is not None and view.cut.form == "half"


def _may_be_half(view: View, written: Written) -> bool:
    """A diameter may be given by half wherever its axis is seen; any size across, in a half section."""
    return written.symbol == "diameter" or (written.symbol is None and _is_half(view))


def _whole(part: Part, look: Look, dimension: LinearDimension, value: float, sure: bool) -> LinearDimension:
    """The size to its other side. A `sure` diameter from outline to axis is meant whole though its value be wrong."""
    span, length = span_of(dimension), math.hypot(*span_of(dimension))
    if length == 0 or abs(value - length) <= _SAME * length:
        return dimension
    way, ends = (span[0] / length, span[1] / length), (dimension.start, dimension.end)
    for axis in _axes(part, look, way):
        for edge, other in (ends, ends[::-1]):
            reach = axis - _on(edge, way)
            past = (_on(other, way) - axis) * math.copysign(1.0, reach)
            right = abs(value - 2 * abs(reach)) <= _SAME * value
            on_axis = abs(past) <= _ON * part.size and ((sure and value > 1.5 * abs(reach)) or right)
            if abs(reach) > _ON * part.size and (on_axis or (right and 0 < past < abs(reach))):
                far = (edge[0] + 2 * reach * way[0], edge[1] + 2 * reach * way[1])
                start, end = (edge, far) if edge is dimension.start else (far, edge)
                return dimension.model_copy(update={"start": start, "end": end})
    return dimension


def _axes(part: Part, look: Look, way: Point) -> Iterator[float]:
    """Where axes square to a direction of the view stand along it: those of round features, and the middle."""
    yield _on(_middle(part, look), way)
    for feature in part.features:
        first, last = (_on(point, way) for point in feature_axis(part, feature, look))
        if abs(first - last) <= _ON * part.size:
            yield first


def _middle(part: Part, look: Look) -> Point:
    x, y, z = ((low + high) / 2 for low, high in zip(part.low, part.high, strict=True))
    return look.seen((x, y, z))


def _on(point: Point, way: Point) -> float:
    return point[0] * way[0] + point[1] * way[1]
