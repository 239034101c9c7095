"""Short arcs laid on the circle they are dashes of: alone, each tells its own centre and radius badly."""

import math
from collections import defaultdict
from collections.abc import Sequence
from dataclasses import replace
from typing import Final

import numpy as np

from maqueta.geometry.carrier import TURN, Circle, Point, circle_through
from maqueta.geometry.line_set import Piece
from maqueta.reading.content import Stroke, Style

#: The longest dash there may be (mm), and how many arcs of one look are sought among (common practice, no source, as
#: all below).
_LONGEST, _MOST_ARCS = 30.0, 2000
#: Arcs of one circle tell its centre and radius alike within this (mm), and this part of the radius.
_ALIKE, _ALIKE_SHARE = 0.1, 0.01
#: All of them lie on one circle within this (mm).
_ON_CIRCLE: Final = 0.025
_FEWEST: Final = 3
_PLACES: Final = (0.0, 0.25, 0.5, 0.75, 1.0)


def on_their_rings(strokes: Sequence[Stroke]) -> list[Stroke]:
    """Strokes, of which short arcs that lie on one circle with others of their look are laid on it."""
    result = list(strokes)
    looks: defaultdict[Style, list[int]] = defaultdict(list)
    for index, stroke in enumerate(strokes):
        if isinstance(stroke.piece.carrier, Circle) and not stroke.style.pattern and stroke.piece.length <= _LONGEST:
            looks[stroke.style].append(index)
    for members in looks.values():
        if len(members) > _MOST_ARCS:
            continue
        for ring in by_circle(strokes, members, _ALIKE, _ALIKE_SHARE):
            if len(ring) < _FEWEST:
                continue
            circle = _circle_of([strokes[index].piece for index in ring])
            if circle is not None:
                for index in ring:
                    result[index] = strokes[index].with_piece(_laid(strokes[index].piece, circle))
    return result


def by_circle(strokes: Sequence[Stroke], members: Sequence[int], alike: float, share: float = 0.0) -> list[list[int]]:
    """Arcs by their circles: centres and radii agree with those of the first within `alike` mm and a share of its
    radius.
    """
    rings: list[list[int]] = []
    for index in members:
        own = strokes[index].piece.carrier
        assert isinstance(own, Circle)
        for ring in rings:
            other = strokes[ring[0]].piece.carrier
            assert isinstance(other, Circle)
            off = max(math.dist((own.x, own.y), (other.x, other.y)), abs(own.radius - other.radius))
            if off <= alike + share * other.radius:
                ring.append(index)
                break
        else:
            rings.append([index])
    return rings


def _circle_of(arcs: Sequence[Piece]) -> Circle | None:
    """The circle all arcs lie on; None where there is none, or where all of them say the same already."""
    if len({arc.carrier for arc in arcs}) == 1:
        return None
    points = np.array([point for arc in arcs for point in _points(arc)])
    x, y, radius = circle_through(points)
    off = np.abs(np.hypot(points[:, 0] - x, points[:, 1] - y) - radius)
    return Circle(x, y, radius) if off.max() <= _ON_CIRCLE else None


def _points(arc: Piece) -> list[Point]:
    start, end = arc.interval
    return [arc.carrier.point(start + share * (end - start)) for share in _PLACES]


def _laid(arc: Piece, circle: Circle) -> Piece:
    first, last = (circle.parameter(point) for point in arc.ends)
    sweep = arc.interval[1] - arc.interval[0]
    # A whole turn keeps its sweep; of an arc it is what lies between its ends.
    width = sweep if sweep >= TURN - 1e-9 else (last - first) % TURN
    return replace(arc, carrier=circle, interval=(first, first + width))
