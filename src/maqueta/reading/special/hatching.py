"""Hatching of files as areas with direction and spacing: pattern entities, filled areas, and loose parallel strokes."""

import itertools
import math
from collections import defaultdict
from collections.abc import Sequence
from typing import Final

import shapely
from shapely.geometry import MultiLineString, Polygon

from maqueta.geometry.carrier import Line
from maqueta.reading.content import Stroke, Style
from maqueta.reading.kinds import Kind
from maqueta.sheet.special import MOST_EDGE, Hatching, Rings

#: Strokes of one hatching: so many at least on one sheet, apart by so much at most (mm), directions as near as this.
_FEWEST, _FARTHEST, _ALIKE = 4, 12.0, math.radians(0.6)
#: So many where nothing else tells of a section: of thin lines, and of any.
_MANY_THIN, _MANY = 7, 12
#: Ends meet at a corner within this (mm); sides of something have more than this share of their ends at corners.
_CORNER, _SIDES = 0.05, 0.3
#: Spacings are even within this share of the usual one.
_EVEN: Final = 0.25
#: Corners of an area are left out where they stand out by less than this (mm).
_FINE: Final = 0.02
#: Areas smaller than this (mm²) are crumbs.
_CRUMB: Final = 0.5


def loose_hatching(
    strokes: Sequence[Stroke], kinds: Sequence[Kind], aside: frozenset[int], told: bool
) -> tuple[list[Hatching], frozenset[int]]:
    """Areas that loose strokes hatch, and these strokes.

    On layers for hatching every straight stroke is one; elsewhere slanted strokes are where many stand evenly side by
    side, fewer on a sheet that has `told` of a section.
    """
    families: dict[tuple[Style, int], list[int]] = defaultdict(list)
    named = {i for i, kind in enumerate(kinds) if kind == "hatch" and i not in aside}
    for i, stroke in enumerate(strokes):
        if i in aside or not isinstance(stroke.piece.carrier, Line):
            continue
        angle = stroke.piece.carrier.angle
        slanted = min(abs(math.remainder(angle, math.pi / 2)), math.pi) > math.radians(8)
        plain = kinds[i] in ("visible", "open", "dimension") and not stroke.style.pattern
        if i in named or (plain and slanted):
            families[(stroke.style, round(angle / _ALIKE))].append(i)
    areas: list[Hatching] = []
    used: set[int] = set(named)
    corners = _ends(strokes, aside)
    for (_, _), members in sorted(families.items(), key=lambda entry: entry[1][0]):
        thin = kinds[members[0]] == "dimension"
        fewest = _FEWEST if told else _MANY_THIN if thin else _MANY
        for run in _evenly_spaced(strokes, members, bool(named.intersection(members)), fewest):
            if not named.intersection(run) and _is_contour(strokes, run, corners):
                continue
            found = _areas(strokes, run)
            if found:
                areas += found
                used.update(run)
    return areas, frozenset(used)


def _evenly_spaced(strokes: Sequence[Stroke], members: Sequence[int], sure: bool, fewest: int) -> list[list[int]]:
    """Runs of parallel strokes that stand side by side at even steps."""
    if len(members) < (1 if sure else fewest):
        return []
    lines = {i: strokes[i].piece.carrier for i in members}
    order = sorted(members, key=lambda i: _offset(lines[i]))
    offsets = [_offset(lines[i]) for i in order]
    steps = [b - a for a, b in itertools.pairwise(offsets) if b - a > 0.2]
    if not steps:
        return [list(order)] if sure else []
    usual = sorted(steps)[len(steps) // 4]
    if sure:
        return [list(order)]
    if usual > _FARTHEST:
        return []
    even = sum(abs(step / usual - round(step / usual)) <= _EVEN for step in steps)
    return [list(order)] if even >= 0.8 * len(steps) and len(steps) >= fewest - 1 else []


def _ends(strokes: Sequence[Stroke], aside: frozenset[int]) -> tuple[shapely.STRtree, list[int]]:
    """The ends of all strokes, and the stroke each is of."""
    ends = [(point, i) for i, stroke in enumerate(strokes) if i not in aside for point in stroke.piece.ends]
    return shapely.STRtree([shapely.Point(point) for point, _ in ends]), [i for _, i in ends]


def _is_contour(strokes: Sequence[Stroke], run: Sequence[int], corners: tuple[shapely.STRtree, list[int]]) -> bool:
    """Whether parallel strokes are sides of something: they end where others of their style end, at corners.

    Hatching ends along the lines that bound it.
    """
    tree, owners = corners
    own = set(run)
    points = [point for i in run for point in strokes[i].piece.ends]
    style = strokes[run[0]].style
    near = tree.query([shapely.Point(point) for point in points], predicate="dwithin", distance=_CORNER)
    met = {end for end, k in near.T.tolist() if owners[k] not in own and strokes[owners[k]].style == style}
    return len(met) > _SIDES * len(points)


def _offset(line: object) -> float:
    assert isinstance(line, Line), "hatching is straight"
    return line.offset


def _areas(strokes: Sequence[Stroke], run: Sequence[int]) -> list[Hatching]:
    """The areas that strokes cover: what lies within half their spacing of them."""
    lines = [strokes[i].piece for i in run]
    offsets = sorted({round(_offset(piece.carrier), 3) for piece in lines})
    steps = [b - a for a, b in itertools.pairwise(offsets) if b - a > 0.2]
    spacing = sorted(steps)[len(steps) // 2] if steps else 2.0
    steps = [step for step in steps if step < 1.5 * spacing]
    spacing = sum(steps) / len(steps) if steps else spacing
    drawn = MultiLineString([piece.ends for piece in lines])
    # Flat ends: an area goes no further than its strokes do.
    closed = drawn.buffer(0.55 * spacing, cap_style="flat").buffer(0.02).buffer(-0.02)
    angle = math.degrees(getattr(lines[0].carrier, "angle", 0.0))
    angle = angle - 180 if angle > 90 else angle
    return [
        Hatching(rings, angle, spacing)
        for part in shapely.get_parts(closed)
        if isinstance(part, Polygon) and part.area >= _CRUMB and (rings := rings_of(part)) is not None
    ]


def rings_of(area: Polygon) -> Rings | None:
    """The rings of an area with as many corners as a document may have; None where even few are too many."""
    for fine in (_FINE, 0.1, 0.3, 1.0):
        plain = area.simplify(fine)
        if not isinstance(plain, Polygon) or plain.is_empty:
            return None
        rings = [ring for ring in (plain.exterior, *plain.interiors) if len(ring.coords) > 3]
        if rings and all(len(ring.coords) - 1 <= MOST_EDGE for ring in rings):
            return tuple(tuple((float(x), float(y)) for x, y in ring.coords[:-1]) for ring in rings)
    return None
