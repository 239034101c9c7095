"""Curves against curves by distance, where carriers cannot be compared: ellipses, free curves, chains of chords."""

import math
from collections.abc import Sequence
from typing import Final

from shapely import STRtree, union_all
from shapely.geometry import LineString
from shapely.geometry.base import BaseGeometry

from maqueta.projection.carrier import Circle, Free, Line
from maqueta.projection.line_set import Piece

#: Curves become chords with at most this part of the tolerance between chord and curve.
_CHORD: Final = 0.1


class Chords:
    """Pieces as chains of chords, to measure others against."""

    def __init__(self, pieces: Sequence[Piece], tolerance: float) -> None:
        self._tolerance = tolerance
        self._chains = [chords(piece, tolerance) for piece in pieces]
        self._tree = STRtree(self._chains)

    def far_from(self, piece: Piece, least: float) -> list[Piece]:
        """Stretches of a piece farther than the tolerance from all pieces; those up to `least` long are dropped.

        An untouched piece comes back as it is; a partly covered curve comes back as free curves.
        """
        own = chords(piece, self._tolerance)
        near = self._tree.query(own.buffer(2 * self._tolerance).envelope)
        if len(near) == 0:
            return [piece]
        cover = union_all([self._chains[k] for k in near]).buffer(self._tolerance, quad_segs=4)
        rest: BaseGeometry = own.difference(cover)
        if rest.length >= own.length - 1e-9:
            return [piece]
        runs = [run for run in getattr(rest, "geoms", [rest]) if run.length > least]
        return [_stretch(piece, [(float(x), float(y)) for x, y in run.coords], run.length) for run in runs]


def _stretch(piece: Piece, points: list[tuple[float, float]], length: float) -> Piece:
    if isinstance(piece.carrier, Line):
        first, last = sorted(piece.carrier.parameter(point) for point in (points[0], points[-1]))
        return Piece(piece.kind, piece.carrier, (first, last), piece.edges, piece.faces)
    return Piece(piece.kind, Free(tuple(points)), (0.0, length), piece.edges, piece.faces)


def chords(piece: Piece, tolerance: float) -> LineString:
    """A piece as a chain of chords within a tenth of the tolerance."""
    if isinstance(piece.carrier, Line | Free):
        return LineString(LineString(piece.outline()).simplify(_CHORD * tolerance).coords)
    radius = piece.carrier.radius if isinstance(piece.carrier, Circle) else piece.carrier.major
    start, end = piece.interval
    step = 2 * math.acos(max(0.5, 1 - _CHORD * tolerance / max(radius, 1e-9)))
    count = max(4, math.ceil((end - start) / step)) + 1
    return LineString([piece.carrier.point(start + (end - start) * k / (count - 1)) for k in range(count)])
