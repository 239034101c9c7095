"""Broken-out sections of files: the region that a free line bounds, told by what is hatched in it."""

from collections.abc import Sequence
from typing import Any, Final

import shapely
from shapely.geometry import LineString, Polygon
from shapely.geometry.base import BaseGeometry

from maqueta.geometry.carrier import Line, Point, Similarity
from maqueta.geometry.line_set import Piece
from maqueta.phrases.told import ToldError
from maqueta.projection.look import Look
from maqueta.reading.candidates import Identity
from maqueta.reading.special.shown import Meant, levels_along
from maqueta.sheet.special import MOST_CORNERS, Hatching, SheetCut
from maqueta.sheet.view import Aslant
from maqueta.solid.part import Part

#: Lines meet within this, mm; borders shorter than that are no openings between two fields.
_GRID, _OPENING = 0.01, 0.3
#: A field is hatched when this share of it is; a region reaches so far beyond the outline, mm.
_HATCHED, _BEYOND = 0.5, 2.0
#: Straight lines longer than this, mm, are no part of a free line.
_SHORT: Final = 40.0
#: The region keeps to its free line within this, mm.
_FINE: Final = (0.02, 0.05, 0.1, 0.2)


def broken_out_of(
    part: Part, look: Look, move: Similarity, pieces: Sequence[Piece], free: Sequence[Piece], areas: Sequence[Hatching]
) -> list[Meant]:
    """The sections a view with a free line may be, broken out down to the axes in its region.

    `pieces` are the lines of the view, `free` those that bound the region, both in mm on the sheet; `move` leads from
    the plane of the look to the sheet.
    """
    region = _region(pieces, free, areas)
    if region is None:
        return []
    corners = [move.back(point) for point in region]
    found = []
    for level in levels_along(part, look.towards)[:6]:
        path = [_lifted(look, corner, level) for corner in corners]
        try:
            cut = SheetCut(form="broken-out", path=tuple(path), across=look.up)
        except (ToldError, ValueError):
            continue
        found.append(Meant(Identity(Aslant(frame=look.frame), cut=cut)))
    return found


def free_lines(pieces: Sequence[tuple[int, Piece]], drawn: Sequence[Piece]) -> list[int]:
    """The lines of a view that may bound what is broken out: none of the part's own (`drawn`, mm on the sheet).

    Free curves, and short lines, of which a free one may be made up.
    """
    own = shapely.unary_union([LineString(piece.outline()) for piece in drawn]).buffer(0.35)

    def may_bound(piece: Piece) -> bool:
        line = LineString(piece.outline())
        free = not isinstance(piece.carrier, Line) or piece.length < _SHORT
        return free and line.length > 0 and bool(line.intersection(own).length < 0.3 * line.length)

    return [place for place, piece in pieces if may_bound(piece)]


def _lifted(look: Look, corner: Point, level: float) -> tuple[float, float, float]:
    x, y, z = (a + level * t for a, t in zip(look.way(corner), look.towards, strict=True))
    return (x, y, z)


def _region(pieces: Sequence[Piece], free: Sequence[Piece], areas: Sequence[Hatching]) -> list[Point] | None:
    """The region on the sheet: the hatched fields, and those open to them across anything but the free line."""
    if not free or not areas:
        return None
    lines = [LineString(piece.outline()) for piece in (*pieces, *free)]
    whole = shapely.unary_union(lines, grid_size=_GRID)
    fields = [own for own in shapely.polygonize(list(shapely.get_parts(whole))).geoms if own.area > _OPENING]
    bound = shapely.unary_union([LineString(piece.outline()) for piece in free]).buffer(0.1)
    hatched = shapely.unary_union([area.region for area in areas])
    inside = {k for k, own in enumerate(fields) if own.intersection(hatched).area > _HATCHED * own.area}
    left = set(range(len(fields))) - inside
    grown = True
    while grown:
        near = {k for k in left if any(_open(fields[k], fields[m], bound) for m in inside)}
        inside, left, grown = inside | near, left - near, bool(near)
    if not inside or not left:
        return None
    kept = shapely.unary_union([fields[k] for k in inside]).buffer(_GRID, join_style="mitre")
    outline = shapely.unary_union(fields)
    # Out of the view the region goes on, so that the outline itself is cut clean.
    beyond = kept.buffer(_BEYOND, join_style="mitre").difference(outline.buffer(_GRID))
    return _corners(shapely.unary_union([kept, beyond.buffer(2 * _GRID, join_style="mitre")]))


def _open(field: BaseGeometry, other: BaseGeometry, bound: BaseGeometry) -> bool:
    shared = field.boundary.intersection(other.boundary)
    return bool(shared.difference(bound).length > _OPENING)


def _corners(region: Any) -> list[Point] | None:
    """The outline of a region with as many corners as a cut may have."""
    parts = [part for part in shapely.get_parts(region) if isinstance(part, Polygon)]
    if not parts:
        return None
    largest = max(parts, key=lambda part: part.area)
    for fine in _FINE:
        plain = Polygon(largest.exterior).simplify(fine)
        if isinstance(plain, Polygon) and len(plain.exterior.coords) - 1 <= MOST_CORNERS:
            return [(float(x), float(y)) for x, y in plain.exterior.coords[:-1]]
    return None
