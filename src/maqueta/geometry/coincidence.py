"""Which lines and arcs of two drawings lie on one another, within a tolerance."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from maqueta.geometry.carrier import TURN, Circle, Interval, Line
from maqueta.geometry.line_set import Piece

Pair = tuple[int, int]


@dataclass(frozen=True, eq=False)
class Straight:
    """The straight ones of some pieces: their places among these; rows of normal x, y, offset, both ends, length."""

    places: list[int]
    rows: NDArray[np.float64]


def straight_of(pieces: Sequence[Piece]) -> Straight:
    """What `coinciding` measures of the straight pieces, for who compares the same pieces with many others."""
    places, rows = [], []
    for index, piece in enumerate(pieces):
        carrier = piece.carrier
        if not isinstance(carrier, Line):
            continue
        # Written out: all lines of a sheet come through here at every place that is tried for a view.
        (dx, dy), off, (start, end) = carrier.direction, carrier.offset, piece.interval
        x, y = -off * dy, off * dx
        places.append(index)
        rows.append((-dy, dx, off, start * dx + x, start * dy + y, end * dx + x, end * dy + y, end - start))
    return Straight(places, np.array(rows).reshape(-1, 8))


def coinciding(
    pieces: Sequence[Piece], others: Sequence[Piece], tolerance: float, straight: Straight | None = None
) -> list[Pair]:
    """Pairs (place in `pieces`, place in `others`) that lie on one carrier; `straight` are those of `pieces`, if known.

    Of two lines the shorter one must keep within the tolerance of the longer one's carrier; arcs must keep within it
    of each other's circles. Ellipses and free curves are never paired here.
    """
    return [*_lines(pieces, others, tolerance, straight), *_arcs(pieces, others, tolerance)]


def _off(lines: NDArray[np.float64], points: NDArray[np.float64]) -> NDArray[np.float64]:
    """Largest distance of both ends of `points` from the carriers of `lines`, one row per line."""
    normals, offsets = lines[:, :2], lines[:, 2:3]
    first = np.abs(normals @ points[:, 3:5].T - offsets)
    second = np.abs(normals @ points[:, 5:7].T - offsets)
    return np.asarray(np.maximum(first, second))


def _lines(pieces: Sequence[Piece], others: Sequence[Piece], tolerance: float, straight: Straight | None) -> list[Pair]:
    theirs = straight_of(others)
    if not theirs.places:
        return []
    own = straight or straight_of(pieces)
    if not own.places:
        return []
    a, b = own.rows, theirs.rows
    longer = a[:, 7][:, None] >= b[:, 7][None, :]
    distance = np.where(longer, _off(a, b), _off(b, a).T)
    return [(own.places[i], theirs.places[j]) for i, j in np.argwhere(distance <= tolerance).tolist()]


def _arcs(pieces: Sequence[Piece], others: Sequence[Piece], tolerance: float) -> list[Pair]:
    theirs = [(j, other) for j, other in enumerate(others) if isinstance(other.carrier, Circle)]
    found = []
    for i, piece in enumerate(pieces):
        if not isinstance(piece.carrier, Circle):
            continue
        for j, other in theirs:
            assert isinstance(other.carrier, Circle)
            if _one_circle(piece.carrier, other.carrier, tolerance) or (
                _keeps(piece, other, tolerance) and _keeps(other, piece, tolerance)
            ):
                found.append((i, j))
    return found


def _one_circle(a: Circle, b: Circle, tolerance: float) -> bool:
    return math.dist((a.x, a.y), (b.x, b.y)) + abs(a.radius - b.radius) <= tolerance


def _keeps(piece: Piece, other: Piece, tolerance: float) -> bool:
    """Whether a short arc keeps to the circle of another arc (its centre alone is badly determined)."""
    assert isinstance(other.carrier, Circle)
    start, end = piece.interval
    points = (piece.carrier.point(start + share * (end - start)) for share in (0.0, 0.25, 0.5, 0.75, 1.0))
    centre = (other.carrier.x, other.carrier.y)
    return all(abs(math.dist(point, centre) - other.carrier.radius) <= tolerance for point in points)


def along(piece: Piece, other: Piece) -> list[Interval]:
    """The stretch of `other` as intervals of the parameter of `piece`, on whose carrier it lies."""
    first, last = (piece.carrier.parameter(point) for point in other.ends)
    if isinstance(piece.carrier, Line):
        return [(min(first, last), max(first, last))]
    width = other.interval[1] - other.interval[0]
    if width >= TURN - 1e-9:
        return [(0.0, 2 * TURN)]
    width = (last - first) % TURN
    return [(first + turn, first + turn + width) for turn in (-TURN, 0.0, TURN)]
