"""Folding lines between views, as they are drawn to carry distances over: thin, with the number of the view on each
side. They are no part of the drawing.

How they are numbered and where they lie is common practice, no source: where one lies between two views does not
matter, as long as distances are taken from the same ones.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from itertools import product
from typing import Final

from shapely.geometry import MultiPoint

from maqueta.geometry.carrier import Interval, Point
from maqueta.sheet.placed import PlacedView
from maqueta.sheet.view_graph import fold, shared
from maqueta.solid.part import Part

#: A folding line reaches so far past the views it parts, and its numbers stand so far off it, mm.
_PAST: Final = 5.0
_OFF: Final = 3.0
#: A view farther out of line, mm, is set down apart, not folded out.
_IN_LINE: Final = 5.0


@dataclass(frozen=True, slots=True)
class FoldingLine:
    """The folding line between two views, mm on the sheet; `view` is the one that was folded out.

    `numbers` are the places in the order of the sheet, from 1, of both views, each with where it stands.
    """

    view: str
    start: Point
    end: Point
    numbers: tuple[tuple[int, Point], tuple[int, Point]]


def folding_lines(placed: Sequence[PlacedView], part: Part) -> tuple[FoldingLine, ...]:
    """The lines that auxiliary views are folded out across, and those their distances are taken from."""
    number = {item.view.id: place for place, item in enumerate(placed, 1)}
    lines = (_between(parent, child, number, part) for parent, child in _folds(placed))
    return tuple(line for line in lines if line is not None)


def room_of(item: PlacedView, part: Part) -> MultiPoint:
    """The points a view spreads over on the sheet: of its lines, or of the part's box where it is still empty."""
    look = item.look
    if item.drawn or look is None:
        points = [item.to_sheet(point) for piece in item.drawn for point in piece.outline()]
        return MultiPoint(points or [item.view.at])
    xs, ys, zs = zip(part.low, part.high, strict=True)
    return MultiPoint([item.to_sheet(look.seen(corner)) for corner in product(xs, ys, zs)])


def _reach(item: PlacedView, part: Part, way: Point) -> Interval:
    """From where to where a view reaches along a direction of the sheet, mm."""
    along = [point.x * way[0] + point.y * way[1] for point in room_of(item, part).geoms]
    return min(along), max(along)


def _folds(placed: Sequence[PlacedView]) -> Iterator[tuple[PlacedView, PlacedView]]:
    """Pairs of a view and one folded out from it: every auxiliary view, and what its parent hangs on or bears."""
    known = {item.view.id: item for item in placed}
    hangs = [(known[item.view.parent], item) for item in placed if item.view.parent in known]
    parents = {parent.view.id for parent, item in hangs if item.view.kind == "auxiliary"}
    for parent, item in hangs:
        before = item.view.kind == "principal" and parents & {parent.view.id, item.view.id}
        if item.view.kind == "auxiliary" or before:
            yield parent, item


def _between(parent: PlacedView, child: PlacedView, number: dict[str, int], part: Part) -> FoldingLine | None:
    if parent.look is None or child.look is None or shared(parent.look, child.look) is None:
        return None
    across = fold(parent.look, child.look)
    if across is None:
        return None
    along = (-across[1], across[0])
    aside = sum((c - p) * a for c, p, a in zip(child.view.at, parent.view.at, along, strict=True))
    if abs(aside) > _IN_LINE or abs(child.factor / parent.factor - 1) > 1e-9:
        return None
    (near, far), (low, high) = _reach(parent, part, across), _reach(child, part, across)
    if low >= far:
        level, sign = (far + low) / 2, 1.0
    elif high <= near:
        level, sign = (near + high) / 2, -1.0
    else:
        return None
    ends = (*_reach(parent, part, along), *_reach(child, part, along))

    def at(beside: float, off: float) -> Point:
        return (beside * along[0] + (level + off) * across[0], beside * along[1] + (level + off) * across[1])

    first, last = min(ends) - _PAST, max(ends) + _PAST
    numbers = (
        (number[parent.view.id], at(first, -sign * _OFF)),
        (number[child.view.id], at(first, sign * _OFF)),
    )
    return FoldingLine(child.view.id, at(first, 0.0), at(last, 0.0), numbers)
