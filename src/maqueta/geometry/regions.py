"""The closed regions between lines of a plane."""

from collections.abc import Sequence
from typing import Any, Final

import numpy as np
import shapely
from shapely import STRtree
from shapely.geometry import LineString, Polygon
from shapely.geometry.base import BaseGeometry

from maqueta.geometry.line_set import Piece

#: Ends of lines that lie closer than this, as a share of the size of all, meet.
_MEET: Final = 1e-5
#: An end that lies so near to another line, as a share of the size, meets it: a chord of 5° falls short of its circle.
_BESIDE: Final = 1e-3


def regions_between(lines: Sequence[Piece], beside: float = 0.0) -> list[Polygon]:
    """The regions that lines close, each without what lies inside of it; they do not overlap.

    Curves are chords here, so that a line that ends at one may end just beside its chord: ends are tied to the line
    they meet, if it is nearer than a thousandth of the size of all, or than `beside` (in the lines' own unit).
    """
    pieces = [LineString(piece.outline()) for piece in lines]
    if not pieces:
        return []
    left, bottom, right, top = shapely.total_bounds(pieces)
    size = float(max(right - left, top - bottom))
    meshed = shapely.union_all([*pieces, *_ties(pieces, max(_BESIDE * size, beside))], grid_size=_MEET * size)
    closed: Any = shapely.polygonize(shapely.get_parts(meshed))
    return polygons_of(closed)


def _ties(pieces: Sequence[LineString], reach: float) -> list[LineString]:
    """Short strokes from the ends of lines to the other lines they meet."""
    owners = np.repeat(np.arange(len(pieces)), 2)
    ends = shapely.points([piece.coords[k] for piece in pieces for k in (0, -1)])
    found, others = STRtree(pieces).query(ends, predicate="dwithin", distance=reach)
    apart = owners[found] != others
    ties = shapely.shortest_line(ends[found[apart]], np.array(pieces)[others[apart]])
    return [tie for tie in ties if tie.length > 0]


def polygons_of(area: BaseGeometry) -> list[Polygon]:
    """The polygons of an area; what has none is left out."""
    return [part for part in shapely.get_parts(area) if isinstance(part, Polygon) and part.area > 0]


def rings_of(polygon: Polygon) -> tuple[tuple[tuple[float, float], ...], ...]:
    """The rings of a polygon without their closing points, the outer one first."""
    return tuple(
        tuple((float(x), float(y)) for x, y in ring.coords[:-1]) for ring in (polygon.exterior, *polygon.interiors)
    )
