"""Hidden lines along curves of any kind whose dashes come one by one: put together by the curve they follow.

Dashes along lines and circles are put together by themselves (see `dashes`); along another curve they are short
straight strokes of which nothing tells that they belong together, but the part, which has a hidden line there.
"""

from collections.abc import Sequence
from dataclasses import replace
from typing import Final

from shapely import LineString, Point, STRtree
from shapely.ops import substring

from maqueta.geometry.carrier import Free, Similarity
from maqueta.geometry.line_set import Piece
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.content import Stroke
from maqueta.reading.identify import Fit
from maqueta.solid.unit import MILLIMETRES

#: Dashes of one line are no farther apart than this, mm (ISO 128-2 and usual dashes of files; common practice).
_GAP: Final = 3.0
#: So much of a line of dashes is drawn, at least and at most; what is drawn through is none (common practice, no
#: source).
_DRAWN: Final = (0.4, 0.92)
_FEWEST: Final = 2


def with_loose_curves(
    strokes: Sequence[Stroke],
    dropped: frozenset[int],
    fits: Sequence[Fit | None],
    projected: ProjectedPart,
    tolerance: float,
) -> list[Stroke]:
    """The strokes, the first dash of each such line as the whole of it; only strokes taken for no line are used."""
    result = list(strokes)
    left = [i for i in dropped if strokes[i].piece.length <= 2 * _GAP]
    if not left:
        return result
    drawn = [LineString(strokes[i].piece.carrier.outline(strokes[i].piece.interval)) for i in left]
    near = STRtree(drawn)
    for curve in _hidden_curves(fits, projected):
        line = LineString(curve)
        on = [k for k in near.query(line.buffer(tolerance)).tolist() if _lies_on(drawn[k], line, tolerance)]
        stretches = sorted((*sorted(line.project(Point(p)) for p in (drawn[k].coords[0], drawn[k].coords[-1])), k)
                           for k in on)  # fmt: skip
        for start, end, first in _rows(stretches):
            own = left[first]
            along = substring(line, start, end)
            if along.length > 2 * tolerance:
                points = tuple((x, y) for x, y in along.coords)
                piece = Piece("visible", Free(points), (0.0, along.length), (), ())
                result[own] = replace(strokes[own], piece=piece, short=_GAP)
    return result


def _hidden_curves(fits: Sequence[Fit | None], projected: ProjectedPart) -> list[list[tuple[float, float]]]:
    """The hidden lines of the part that are neither straight nor round, where the views stand on the sheet."""
    unit = MILLIMETRES[projected.part.unit]
    found = []
    for fit in fits:
        look = fit.identity.orthographic if fit is not None else None
        if fit is None or look is None or fit.identity.mirrored:
            continue
        move = Similarity(fit.scale * unit, 0.0, *fit.at)
        hidden = projected.line_set(look).moved(move).of("hidden")
        found += [own.carrier.outline(own.interval) for own in hidden if isinstance(own.carrier, Free)]
    return found


def _lies_on(dash: LineString, line: LineString, tolerance: float) -> bool:
    middle = dash.interpolate(0.5, normalized=True)
    return all(line.distance(point) <= tolerance for point in (Point(dash.coords[0]), middle, Point(dash.coords[-1])))


def _rows(stretches: Sequence[tuple[float, float, int]]) -> list[tuple[float, float, int]]:
    """Where rows of dashes begin and end along a line, and the first dash of each."""
    rows: list[list[tuple[float, float, int]]] = []
    for own in stretches:
        if rows and own[0] - max(end for _, end, _ in rows[-1]) <= _GAP:
            rows[-1].append(own)
        else:
            rows.append([own])
    found = []
    for row in rows:
        start, end = row[0][0], max(own[1] for own in row)
        share = sum(own[1] - own[0] for own in row) / (end - start) if end > start else 0.0
        # What is no longer than a dash is one, in pieces.
        if len(row) >= _FEWEST and (_DRAWN[0] <= share <= _DRAWN[1] or end - start <= _GAP):
            found.append((start, end, row[0][2]))
    return found
