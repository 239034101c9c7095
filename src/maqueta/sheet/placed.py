"""Views on paper: their line sets moved to the place and scale the sheet gives them."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property

from maqueta.projection.carrier import Point, Similarity
from maqueta.projection.compare import DrawnPiece
from maqueta.projection.line_set import Box, LineSet, Piece, box_of, extremes
from maqueta.projection.mirror import mirror_image
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import SheetDocument, View
from maqueta.sheet.drafted import construction_of, pieces_of
from maqueta.solid.unit import MILLIMETRES


@dataclass(frozen=True)
class PlacedView:
    """A view of the sheet with the line set it should have. `factor` is mm on paper per unit of the part.

    A drafted view that fits no view of the part has an empty line set.
    """

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
        """The pieces the sheet shows, in the view's own plane; those drawn by hand have no model behind them."""
        if self.view.lines is not None:
            return tuple(item.piece for item in self.by_hand)
        return tuple(
            piece
            for piece in self.lines.pieces
            if piece.kind == "visible"
            or (piece.kind == "hidden" and self.view.hidden)
            or (piece.kind == "smooth" and self.view.smooth)
        )

    @cached_property
    def by_hand(self) -> tuple[DrawnPiece, ...]:
        """The lines of a drafted view; none of a projected one."""
        return pieces_of(self.view.lines or (), self.factor)

    @cached_property
    def construction(self) -> tuple[Piece, ...]:
        """The thin lines drawn to find the others; no part of the drawing."""
        return construction_of(self.view.lines or ())

    @cached_property
    def box(self) -> Box:
        """Bounding box of the drawn lines on the sheet, mm."""
        points = [p for piece in self.drawn for p in extremes(piece)]
        left, bottom, right, top = box_of(points or [(0.0, 0.0)])
        return (*self.to_sheet((left, bottom)), *self.to_sheet((right, top)))


def placed_views(projected: ProjectedPart, sheet: SheetDocument) -> tuple[PlacedView, ...]:
    """All views of a sheet with their line sets, in the sheet's order."""
    unit = MILLIMETRES[projected.part.unit]
    placed = []
    for view in sheet.views:
        if view.corner is not None:
            lines = projected.corners[view.corner]
            if view.turn:
                angle = math.radians(view.turn)
                lines = lines.moved(Similarity(math.cos(angle), math.sin(angle), 0.0, 0.0))
        elif view.attitude is not None:
            lines = projected.line_set(view.attitude)
            lines = mirror_image(lines) if view.mirrored else lines
        else:
            lines = LineSet(())
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
