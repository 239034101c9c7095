"""Curves against curves by distance, where carriers cannot be compared: ellipses, free curves, chains of chords."""

import math
from collections.abc import Sequence
from typing import Final, cast

import numpy as np
from numpy.typing import NDArray
from shapely import STRtree, line_interpolate_point
from shapely.geometry import LineString
from shapely.ops import substring

from maqueta.geometry.carrier import Circle, Free, Line
from maqueta.geometry.line_set import Piece

#: Curves become chords with at most this part of the tolerance between chord and curve.
_CHORD: Final = 0.1
_MOST_PLACES: Final = 4000


class Chords:
    """Pieces as chains of chords, to measure others against."""

    def __init__(self, pieces: Sequence[Piece], tolerance: float) -> None:
        self._tolerance = tolerance
        self._chains = [chords(piece, tolerance) for piece in pieces]
        self._tree = STRtree(self._chains)

    def far_from(self, piece: Piece, least: float) -> list[Piece]:
        """Stretches of a piece farther than the tolerance from all pieces; those up to `least` long are dropped.

        An untouched piece comes back as it is; a partly covered curve comes back as free curves. Distances are taken
        at places a tolerance apart.
        """
        own = chords(piece, self._tolerance)
        count = int(min(_MOST_PLACES, max(8, math.ceil(own.length / self._tolerance)))) + 1
        along = np.linspace(0.0, own.length, count)
        places = line_interpolate_point(own, along)
        near = np.zeros(count, dtype=bool)
        near[self._tree.query(places, predicate="dwithin", distance=self._tolerance)[0]] = True
        if not near.any():
            return [piece]
        result = []
        for start, end in _runs(~near):
            first, last = along[max(0, start - 1)], along[min(count - 1, end)]
            if last - first > least:
                result.append(_stretch(piece, LineString(substring(own, first, last).coords)))
        # Where only its ends touch others, the piece is as it was.
        untouched = own.length - sum(part.length for part in result) <= 4 * self._tolerance and len(result) == 1
        return [piece] if untouched else result


def _runs(mask: NDArray[np.bool_]) -> list[tuple[int, int]]:
    """Runs of true values: the place of the first, and the place after the last."""
    edges = np.flatnonzero(np.diff(np.concatenate([[0], mask.astype(np.int8), [0]])))
    return [(int(start), int(end)) for start, end in edges.reshape(-1, 2)]


def _stretch(piece: Piece, run: LineString) -> Piece:
    points = [(float(x), float(y)) for x, y in run.coords]
    if isinstance(piece.carrier, Line):
        first, last = sorted(piece.carrier.parameter(point) for point in (points[0], points[-1]))
        return Piece(piece.kind, piece.carrier, (first, last), piece.edges, piece.faces)
    return Piece(piece.kind, Free(tuple(points)), (0.0, run.length), piece.edges, piece.faces)


def chords(piece: Piece, tolerance: float) -> LineString:
    """A piece as a chain of chords within a tenth of the tolerance."""
    carrier = piece.carrier
    if isinstance(carrier, Line | Free):
        whole = LineString(np.array(piece.outline()))
        return whole if isinstance(carrier, Line) else cast("LineString", whole.simplify(_CHORD * tolerance))
    major = carrier.radius if isinstance(carrier, Circle) else carrier.major
    start, end = piece.interval
    step = 2 * math.acos(max(0.5, 1 - _CHORD * tolerance / max(major, 1e-9)))
    count = max(4, math.ceil((end - start) / step)) + 1
    t = np.linspace(start, end, count)
    minor, turn = (major, 0.0) if isinstance(carrier, Circle) else (carrier.minor, carrier.angle)
    x, y = major * np.cos(t), minor * np.sin(t)
    c, s = math.cos(turn), math.sin(turn)
    return LineString(np.column_stack((carrier.x + c * x - s * y, carrier.y + s * x + c * y)))
