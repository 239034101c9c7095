"""Views on paper: their line sets moved to the place and scale the sheet gives them."""

from dataclasses import dataclass
from functools import cached_property

from shapely.geometry import MultiPoint
from shapely.geometry.base import BaseGeometry

from maqueta.geometry.box import Box, box_of
from maqueta.geometry.carrier import Interval, Point, Similarity
from maqueta.geometry.compare import DrawnPiece
from maqueta.geometry.line_set import LineSet, Piece, extremes
from maqueta.geometry.mirror import mirror_image
from maqueta.projection.attitude import Attitude, attitude_of
from maqueta.projection.look import Look
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.drafted import construction_of, pieces_of
from maqueta.sheet.special import Hatching
from maqueta.sheet.view import View
from maqueta.solid.cut import FACE_ALONE
from maqueta.solid.unit import MILLIMETRES


@dataclass(frozen=True)
class PlacedView:
    """A view of the sheet with the line set it should have. `factor` is mm on paper per unit of the part.

    A drafted view that fits no view of the part has no look and an empty line set.
    """

    view: View
    lines: LineSet
    factor: float
    look: Look | None

    def to_sheet(self, point: Point) -> Point:
        """A point of the view's plane on the sheet."""
        return (self.view.at[0] + self.factor * point[0], self.view.at[1] + self.factor * point[1])

    @property
    def orthographic(self) -> Look | None:
        """The look of a view whose sizes and axes are judged; None for a pictorial one, or one that fits no view."""
        return None if self.view.kind == "pictorial" else self.look

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
    def hatched(self) -> tuple[Hatching, ...]:
        """What is hatched, in the view's own plane: by hand, or by the program all that is cut."""
        if self.view.lines is not None:
            return tuple(area.hatching for area in self.view.hatched or ())
        if self.view.hatch is None:
            return ()
        return tuple(
            Hatching(region.rings, own.angle, own.spacing)
            for region in self.lines.regions
            for own in (self.view.hatch.of_body(region.body),)
        )

    @property
    def attitude(self) -> Attitude | None:
        """The side of the part a view shows, whole or cut open, and which way up; None of any other view."""
        if self.view.kind == "section" and self.look is not None and self.view.cut is not None:
            face_alone = self.view.cut.form in FACE_ALONE
            return None if face_alone else attitude_of(Look(self.look.frame))
        return self.view.attitude

    @cached_property
    def construction(self) -> tuple[Piece, ...]:
        """The thin lines drawn to find the others; no part of the drawing."""
        return construction_of(self.view.lines or ())

    @cached_property
    def hull(self) -> BaseGeometry:
        """The convex outline of the drawn lines on the sheet, mm."""
        points = [self.to_sheet(point) for piece in self.drawn for point in piece.outline()]
        return MultiPoint(points or [self.view.at]).convex_hull

    def reach(self, way: Point) -> Interval:
        """From where to where the drawn lines reach along a direction of the sheet (unit vector), mm."""
        points = [self.to_sheet(point) for piece in self.drawn for point in piece.outline()] or [self.view.at]
        along = [x * way[0] + y * way[1] for x, y in points]
        return min(along), max(along)

    @cached_property
    def box(self) -> Box:
        """Bounding box of the drawn lines on the sheet, mm."""
        points = [p for piece in self.drawn for p in extremes(piece)]
        left, bottom, right, top = box_of(points or [(0.0, 0.0)])
        return (*self.to_sheet((left, bottom)), *self.to_sheet((right, top)))


def placed_views(projected: ProjectedPart, sheet: SheetDocument) -> tuple[PlacedView, ...]:
    """All views of a sheet with their line sets, in the sheet's order. Raises UnseenLookError."""
    unit = MILLIMETRES[projected.part.unit]
    placed = []
    for view in sheet.views:
        look = view.sees(projected)
        lines = projected.line_set(look) if look is not None else LineSet(())
        placed.append(PlacedView(view, mirror_image(lines) if view.mirrored else lines, view.scale * unit, look))
    return tuple(placed)
