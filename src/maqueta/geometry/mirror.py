"""Mirror images of views."""

import math
from dataclasses import replace

from maqueta.geometry.carrier import TURN, Circle, Ellipse, Free, Line, line_through
from maqueta.geometry.line_set import CutRegion, LineSet, Piece, piece_order


def mirror_image(lines: LineSet) -> LineSet:
    """A line set mirrored about the upright axis of its plane."""
    pieces = tuple(sorted((mirrored(piece) for piece in lines.pieces), key=piece_order))
    return LineSet(pieces, tuple(_mirrored_region(region) for region in lines.regions))


def _mirrored_region(region: CutRegion) -> CutRegion:
    return replace(region, rings=tuple(tuple((-x, y) for x, y in ring) for ring in region.rings))


def mirrored(piece: Piece) -> Piece:
    """A piece mirrored about the upright axis of its plane."""
    start, end = piece.interval
    match piece.carrier:
        case Line():
            (x0, y0), (x1, y1) = piece.ends
            carrier, interval = line_through((-x0, y0), (-x1, y1))
            return Piece(piece.kind, carrier, interval, piece.edges, piece.faces)
        case Circle(x, y, radius):
            reach = _arc(math.pi - end, end - start)
            return Piece(piece.kind, Circle(-x, y, radius), reach, piece.edges, piece.faces)
        case Ellipse(x, y, major, minor, angle):
            reach = _arc(-end if angle else math.pi - end, end - start)
            image = Ellipse(-x, y, major, minor, (math.pi - angle) % math.pi)
            return Piece(piece.kind, image, reach, piece.edges, piece.faces)
        case Free(points):
            image_points = tuple((-px, py) for px, py in points)
            return Piece(piece.kind, Free(image_points), piece.interval, piece.edges, piece.faces)


def _arc(start: float, width: float) -> tuple[float, float]:
    return (0.0, TURN) if width >= TURN - 1e-9 else (start % TURN, start % TURN + width)
