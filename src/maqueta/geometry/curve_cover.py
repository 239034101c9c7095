"""Curves against curves by distance, where carriers cannot be compared: ellipses, free curves, chains of chords."""

import math
from collections.abc import Sequence
from typing import Final, cast

import numpy as np
from numpy.typing import NDArray
from shapely import STRtree, box, get_coordinates, linestrings, points
from shapely.geometry import LineString

from maqueta.geometry.carrier import Circle, Free, Line
from maqueta.geometry.line_set import Piece

#: Curves become chords with at most this part of the tolerance between chord and curve.
_CHORD: Final = 0.1
_MOST_PLACES: Final = 4000
#: Chains are looked up in runs of so many chords, so that a place is held against the chords near it alone.
_RUN: Final = 4


class Chords:
    """Pieces as chains of chords, to measure others against."""

    def __init__(self, pieces: Sequence[Piece], tolerance: float) -> None:
        self._tolerance = tolerance
        self._tree = STRtree(_cut([get_coordinates(chords(piece, tolerance)) for piece in pieces]))

    def far_from(self, piece: Piece, least: float) -> list[Piece]:
        """Stretches of a piece farther than the tolerance from all pieces; those up to `least` long are dropped.

        An untouched piece comes back as it is; a partly covered curve comes back as free curves. Distances are taken
        at places a tolerance apart.
        """
        corners = get_coordinates(chords(piece, self._tolerance))
        around = (*(corners.min(axis=0) - self._tolerance), *(corners.max(axis=0) + self._tolerance))
        if not len(self._tree.query(box(*around))):
            return [piece]
        passed = np.concatenate([[0.0], np.cumsum(np.hypot(*np.diff(corners, axis=0).T))])
        whole = float(passed[-1])
        count = int(min(_MOST_PLACES, max(8, math.ceil(whole / self._tolerance)))) + 1
        along = np.linspace(0.0, whole, count)
        places = np.column_stack([np.interp(along, passed, corners[:, axis]) for axis in (0, 1)])
        near = np.zeros(count, dtype=bool)
        near[self._tree.query(points(places), predicate="dwithin", distance=self._tolerance)[0]] = True
        if not near.any():
            return [piece]
        result = []
        for start, end in _runs(~near):
            first, last = max(0, start - 1), min(count - 1, end)
            if along[last] - along[first] > least:
                between = corners[(passed > along[first]) & (passed < along[last])]
                result.append(_stretch(piece, np.vstack([places[first], between, places[last]])))
        # Where only its ends touch others, the piece is as it was.
        untouched = whole - sum(part.length for part in result) <= 4 * self._tolerance and len(result) == 1
        return [piece] if untouched else result


def _cut(chains: Sequence[NDArray[np.float64]]) -> Sequence[LineString]:
    """Chains of corners as runs of a few chords."""
    runs = [chain[i : i + _RUN + 1] for chain in chains for i in range(0, max(1, len(chain) - 1), _RUN)]
    if not runs:
        return []
    places = np.repeat(np.arange(len(runs)), [len(run) for run in runs])
    return cast("Sequence[LineString]", linestrings(np.concatenate(runs), indices=places))


def _runs(mask: NDArray[np.bool_]) -> list[tuple[int, int]]:
    """Runs of true values: the place of the first, and the place after the last."""
    edges = np.flatnonzero(np.diff(np.concatenate([[0], mask.astype(np.int8), [0]])))
    return [(int(start), int(end)) for start, end in edges.reshape(-1, 2)]


def _stretch(piece: Piece, run: NDArray[np.float64]) -> Piece:
    """The part of a piece along some points of it, first to last."""
    chain = [(float(x), float(y)) for x, y in run]
    if isinstance(piece.carrier, Line):
        first, last = sorted(piece.carrier.parameter(point) for point in (chain[0], chain[-1]))
        return Piece(piece.kind, piece.carrier, (first, last), piece.edges, piece.faces)
    length = float(np.hypot(*np.diff(run, axis=0).T).sum())
    return Piece(piece.kind, Free(tuple(chain)), (0.0, length), piece.edges, piece.faces)


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
