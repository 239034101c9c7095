"""Views on paper: their line sets moved to the place and scale the sheet gives them."""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property

from maqueta.projection.carrier import Point, Similarity
from maqueta.projection.line_set import Box, LineSet, Piece, box_of, extremes
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import SheetDocument, View
from maqueta.solid.unit import MILLIMETRES


@dataclass(frozen=True)
class PlacedView:
    """A view of the sheet with the line set behind it. `factor` is mm on paper per unit of the part."""

    view: View
    lines: LineSet
    factor: float

    def to_sheet(self, point: Point) -> Point:
        """A point of the view's plane on the sheet."""
        return (self.view.at[0] + self.factor * point[0], self.view.at[1] + self.factor * point[1])

    @property
    def move(self) -> Similarity:
        """From the view's plane to the sheet."""
        return Similarity(self.factor, 0.0, *self.view.at)

    @cached_property
    def drawn(self) -> tuple[Piece, ...]:
        """The pieces the sheet shows, in the view's own plane."""
        return tuple(
            piece
            for piece in self.lines.pieces
            if piece.kind == "visible"
            or (piece.kind == "hidden" and self.view.hidden)
            or (piece.kind == "smooth" and self.view.smooth)
        )

    @cached_property
    def box(self) -> Box:
        """Bounding box of the drawn lines on the sheet, mm."""
        left, bottom, right, top = box_of(p for piece in self.drawn for p in extremes(piece))
        return (*self.to_sheet((left, bottom)), *self.to_sheet((right, top)))


def placed_views(projected: ProjectedPart, sheet: SheetDocument) -> tuple[PlacedView, ...]:
    """All views of a sheet with their line sets, in the sheet's order."""
    unit = MILLIMETRES[projected.part.unit]
    placed = []
    for view in sheet.views:
        if view.corner is not None:
            lines = projected.corners[view.corner]
        else:
            assert view.attitude is not None
            lines = projected.line_set(view.attitude)
        placed.append(PlacedView(view, lines, view.scale * unit))
    return tuple(placed)


def union(boxes: Sequence[Box]) -> Box:
    """The box around boxes."""
    return (
        min(b[0] for b in boxes),
        min(b[1] for b in boxes),
        max(b[2] for b in boxes),
        max(b[3] for b in boxes),
    )
