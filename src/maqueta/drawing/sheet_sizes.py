"""The dimensions of a sheet with the points they are taken from, in sheet mm."""

import math
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

from maqueta.geometry.carrier import Point
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.dimension import AngleDimension, ChamferDimension, Dimension, LinearDimension
from maqueta.sheet.dimension_words import dimension_text
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.placed import PlacedView, placed_views


@dataclass(frozen=True, slots=True)
class SheetSize:
    """A dimension on paper.

    Linear: measured from `first` to `second` along `turn` (radians). Round: `first` is the centre, `second` the point
    of the circle the leader meets. Angle: `first` and `second` are points of its lines, `vertex` is where they meet.
    Chamfer: both are the bevel's ends. `place` is a point of the dimension line, or where the text of a leader stands.
    """

    kind: Literal["linear", "diameter", "radius", "angle", "chamfer"]
    first: Point
    second: Point
    turn: float
    place: Point
    text: str
    vertex: Point | None = None


def sheet_sizes(projected: ProjectedPart, sheet: SheetDocument) -> Mapping[str, SheetSize]:
    """All dimensions of a sheet by their ids."""
    placed = {item.view.id: item for item in placed_views(projected, sheet)}
    return {d.id: _size(d, placed[d.view], dimension_text(d, sheet, projected.part.unit)) for d in sheet.dimensions}


def _size(dimension: Dimension, item: PlacedView, text: str) -> SheetSize:
    place = (item.view.at[0] + dimension.place[0], item.view.at[1] + dimension.place[1])
    if isinstance(dimension, LinearDimension):
        first, second = item.to_sheet(dimension.start), item.to_sheet(dimension.end)
        turn = {"across": 0.0, "up": math.pi / 2}.get(dimension.along)
        if turn is None:
            turn = math.atan2(second[1] - first[1], second[0] - first[0])
        return SheetSize("linear", first, second, turn, place, text)
    if isinstance(dimension, AngleDimension | ChamferDimension):
        vertex = item.to_sheet(dimension.vertex) if isinstance(dimension, AngleDimension) else None
        ends = item.to_sheet(dimension.start), item.to_sheet(dimension.end)
        return SheetSize(dimension.kind, *ends, 0.0, place, text, vertex)
    centre, radius = item.to_sheet(dimension.centre), dimension.radius * item.factor
    distance = math.dist(centre, place)
    dx, dy = ((place[0] - centre[0]) / distance, (place[1] - centre[1]) / distance) if distance > 1e-9 else (1.0, 0.0)
    tip = (centre[0] + dx * radius, centre[1] + dy * radius)
    return SheetSize(dimension.kind, centre, tip, 0.0, place, text)
