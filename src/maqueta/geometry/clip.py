"""Clips: the region of a view that is kept when the rest is broken off, as in a detail."""

import math
from dataclasses import dataclass
from itertools import pairwise
from typing import Final

import shapely
from shapely.geometry import Polygon
from shapely.ops import substring

from maqueta.geometry.carrier import TURN, Circle, Ellipse, Free, Line, Point, Similarity, line_through
from maqueta.geometry.crossing import crossings
from maqueta.geometry.line_set import CutRegion, LineSet, Piece, piece_order

#: Stretches shorter than this, as a share of the clip's reach, are dust of the crossing.
_DUST: Final = 1e-9
#: Crossings of an ellipse are found by its chords first, each of so many radians at most.
_CHORD: Final = math.radians(5)
#: Chords of a round clip where areas are cut by it: within 1e-6 of its radius.
_CHORDS: Final = 512


@dataclass(frozen=True, slots=True)
class Clip:
    """What of a view's plane is kept: the inside of a circle, or of an outline where it has `corners`.

    In the unit of the plane it lies in. An outline has no use for centre and radius.
    """

    centre: Point = (0.0, 0.0)
    radius: float = 0.0
    corners: tuple[Point, ...] = ()

    @property
    def area(self) -> Polygon:
        """The region as a polygon; round ones by chords."""
        if self.corners:
            return Polygon(self.corners)
        return shapely.Point(self.centre).buffer(self.radius, quad_segs=_CHORDS // 4)

    @property
    def edge(self) -> tuple[Piece, ...]:
        """The line at which what is drawn is broken off."""
        if not self.corners:
            return (Piece("visible", Circle(*self.centre, self.radius), (0.0, TURN), (), ()),)
        sides = pairwise([*self.corners, self.corners[0]])
        return tuple(Piece("visible", *line_through(a, b), (), ()) for a, b in sides if a != b)

    def turned(self, angle: float) -> "Clip":
        """The region turned counter-clockwise about the origin of the plane by an angle (radians)."""
        move = Similarity(math.cos(angle), math.sin(angle), 0.0, 0.0)
        return Clip(move(self.centre), self.radius, tuple(move(corner) for corner in self.corners))

    def holds(self, point: Point) -> bool:
        """Whether a point lies inside.

        >>> Clip((0.0, 0.0), 5.0).holds((3.0, 4.1)), Clip(corners=((0, 0), (4, 0), (0, 4))).holds((1, 1))
        (False, True)
        """
        if self.corners:
            return bool(Polygon(self.corners).contains(shapely.Point(point)))
        return math.dist(point, self.centre) < self.radius


def clipped(lines: LineSet, clip: Clip) -> LineSet:
    """What a clip keeps of a line set: exact but for free curves, which are chords as they are."""
    pieces = [part for piece in lines.pieces for part in _kept(piece, clip)]
    regions = [part for region in lines.regions for part in _kept_area(region, clip.area)]
    return LineSet(tuple(sorted(pieces, key=piece_order)), tuple(regions))


def _kept(piece: Piece, clip: Clip) -> list[Piece]:
    start, end = piece.interval
    # A unit of the parameter is a length on lines and free curves, an angle on round ones.
    dust = _DUST * (1.0 if not isinstance(piece.carrier, Line | Free) else max(end - start, 1.0))
    found = [point for side in clip.edge for point in crossings(piece.carrier, side, 1e-9 * (1 + abs(end - start)))]
    crossed = (t for point in found for t in _parameters(piece, point) if start < t < end)
    if isinstance(piece.carrier, Ellipse):
        crossed = (_met(piece.carrier, clip, t) for t in crossed)
    at = sorted({start, end, *crossed})
    kept: list[tuple[float, float]] = []
    for low, high in pairwise(at):
        if high - low <= dust or not clip.holds(piece.carrier.point((low + high) / 2)):
            continue
        if kept and low - kept[-1][1] <= dust:
            kept[-1] = (kept[-1][0], high)
        else:
            kept.append((low, high))
    return [_stretch(piece, low, high) for low, high in kept]


def _met(curve: Ellipse, clip: Clip, near: float) -> float:
    """Where an ellipse crosses the edge of a clip, near a crossing of its chords: by halving."""
    low, high = near - _CHORD, near + _CHORD
    inside = clip.holds(curve.point(low))
    if clip.holds(curve.point(high)) == inside:
        return near
    for _ in range(40):
        middle = (low + high) / 2
        if clip.holds(curve.point(middle)) == inside:
            low = middle
        else:
            high = middle
    return (low + high) / 2


def _parameters(piece: Piece, point: Point) -> tuple[float, ...]:
    if isinstance(piece.carrier, Line):
        return (piece.carrier.parameter(point),)
    if isinstance(piece.carrier, Free):
        return (_along(piece.carrier, point),)
    t = piece.carrier.parameter(point)
    return (t, t + TURN, t - TURN)


def _along(curve: Free, point: Point) -> float:
    """The length along a free curve at which it passes a point."""
    return float(shapely.LineString(curve.points).project(shapely.Point(point)))


def _stretch(piece: Piece, start: float, end: float) -> Piece:
    if not isinstance(piece.carrier, Free):
        return Piece(piece.kind, piece.carrier, (start, end), piece.edges, piece.faces)
    run = substring(shapely.LineString(piece.carrier.points), start, end)
    points = tuple((float(x), float(y)) for x, y in run.coords)
    return Piece(piece.kind, Free(points), (0.0, float(run.length)), piece.edges, piece.faces)


def _kept_area(region: CutRegion, area: Polygon) -> list[CutRegion]:
    whole = Polygon(region.rings[0], region.rings[1:])
    if area.contains(whole):
        return [region]
    # Chords of rings that touch may cross each other by a hair.
    left = whole.buffer(0).intersection(area)
    parts = [part for part in shapely.get_parts(left) if isinstance(part, Polygon) and part.area]
    return [CutRegion(_rings(part), float(part.area), region.body) for part in parts]


def _rings(area: Polygon) -> tuple[tuple[Point, ...], ...]:
    rings = (area.exterior, *area.interiors)
    return tuple(tuple((float(x), float(y)) for x, y in ring.coords[:-1]) for ring in rings)
