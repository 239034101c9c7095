"""Where dimensions stand: rows beside the view, the longer outside the shorter, leaders stepping beside it."""

import math
from collections.abc import Iterable, Sequence
from typing import Final

from maqueta.sheet.dimension import ChamferDimension, Dimension, LinearDimension, RoundDimension, true_size
from maqueta.sheet.fields import SheetPoint
from maqueta.sheet.placed import PlacedView
from maqueta.sizes.proposal import Proposed

#: First row of dimensions and distance of further rows, mm.
FIRST_ROW: Final = 12.0
_NEXT_ROW: Final = 8.0
#: Upright rows whose texts lie across the dimension line need the width of a text.
_NEXT_ROW_ACROSS_TEXT: Final = 15.0
#: Dimension lines closer than this stand on one level, mm (common practice, no source).
_LEVEL: Final = 2.0
#: Sizes share a row when they are this far apart, mm.
_APART: Final = 20.0


def row_step(upright: bool, unidirectional: bool) -> float:
    """How far rows beside a view stand apart, mm; `unidirectional` texts all read from below."""
    return _NEXT_ROW_ACROSS_TEXT if upright and unidirectional else _NEXT_ROW


def in_rows(proposed: Sequence[Proposed], views: Iterable[PlacedView], unidirectional: bool) -> tuple[Dimension, ...]:
    """Place dimensions: linear ones in rows below and left of their view, round ones on leaders to the right."""
    by_id = {item.view.id: item for item in views}
    placed: dict[str, SheetPoint] = {}
    for view in dict.fromkeys(p.dimension.view for p in proposed):
        item = by_id[view]
        own = [p.dimension for p in proposed if p.dimension.view == view]
        for along in ("across", "up"):
            step = row_step(along == "up", unidirectional)
            row = [d for d in own if isinstance(d, LinearDimension) and d.along == along]
            placed |= _stacked(item, along, row, step)
        placed |= {d.id: _beside(item, d) for d in own if isinstance(d, LinearDimension) and d.along == "aligned"}
        placed |= {d.id: _off(item, d) for d in own if isinstance(d, ChamferDimension)}
        placed |= _led(item, [d for d in own if isinstance(d, RoundDimension)])
    return tuple(p.dimension.model_copy(update={"place": placed[p.dimension.id]}) for p in proposed)


def rows_evened(
    dimensions: Sequence[Dimension], views: Iterable[PlacedView], unidirectional: bool
) -> tuple[Dimension, ...]:
    """The rows beside each view at even distances, in the order they stand in; what stands on one level stays so.

    Only sizes across and up that stand clear of their view are moved: what is laid over a view, along a slant or led to
    a circle is the drafter's own.
    """
    by_id = {item.view.id: item for item in views}
    beside: dict[tuple[str, int, int], list[tuple[float, LinearDimension]]] = {}
    for dimension in dimensions:
        item = by_id.get(dimension.view)
        if item is None or not isinstance(dimension, LinearDimension) or dimension.along == "aligned":
            continue
        index = 0 if dimension.along == "across" else 1
        level = item.view.at[1 - index] + dimension.place[1 - index]
        near, far = item.box[1 - index], item.box[3 - index]
        if level <= near or level >= far:
            side = -1 if level <= near else 1
            beside.setdefault((item.view.id, index, side), []).append((max(near - level, level - far), dimension))
    moved: dict[str, SheetPoint] = {}
    for (view, index, side), row in beside.items():
        item = by_id[view]
        edge = item.box[1 - index] if side < 0 else item.box[3 - index]
        step = row_step(index == 1, unidirectional)
        number, before = -1, -_LEVEL
        for off, dimension in sorted(row, key=lambda entry: (entry[0], entry[1].id)):
            if off - before >= _LEVEL or number < 0:
                number, before = number + 1, off
            level = edge + side * (FIRST_ROW + number * step) - item.view.at[1 - index]
            place = dimension.place
            moved[dimension.id] = (place[0], round(level, 6)) if index == 0 else (round(level, 6), place[1])
    return tuple(d.model_copy(update={"place": moved[d.id]}) if d.id in moved else d for d in dimensions)


def _stacked(item: PlacedView, along: str, row: Sequence[LinearDimension], step: float) -> dict[str, SheetPoint]:
    left, bottom, _, _ = item.lines.box
    origin = item.factor * (bottom if along == "across" else left)
    index = 0 if along == "across" else 1
    rows: list[list[tuple[float, float]]] = []
    spots: dict[str, SheetPoint] = {}
    for dimension in sorted(row, key=true_size):
        low, high = sorted(item.factor * p[index] for p in (dimension.start, dimension.end))
        low, high = low - _APART / 2, high + _APART / 2
        number = next((k for k, taken in enumerate(rows) if all(high <= a or low >= b for a, b in taken)), len(rows))
        if number == len(rows):
            rows.append([])
        rows[number].append((low, high))
        offset = origin - FIRST_ROW - number * step
        spots[dimension.id] = (0.0, offset) if along == "across" else (offset, 0.0)
    return spots


def _beside(item: PlacedView, dimension: LinearDimension) -> SheetPoint:
    """A size along a slant: parallel to it, on the side away from the middle of the view."""
    (x0, y0), (x1, y1) = (tuple(item.factor * c for c in p) for p in (dimension.start, dimension.end))
    length = math.dist((x0, y0), (x1, y1))
    out = (-(y1 - y0) / length, (x1 - x0) / length)
    left, bottom, right, top = (item.factor * edge for edge in item.lines.box)
    middle = ((x0 + x1) / 2, (y0 + y1) / 2)
    inwards = ((left + right) / 2 - middle[0]) * out[0] + ((bottom + top) / 2 - middle[1]) * out[1]
    reach = -FIRST_ROW if inwards > 0 else FIRST_ROW
    return (middle[0] + reach * out[0], middle[1] + reach * out[1])


def _off(item: PlacedView, dimension: ChamferDimension) -> SheetPoint:
    """The text of a bevel: slantwise off its middle, away from the middle of the view."""
    (x0, y0), (x1, y1) = (tuple(item.factor * c for c in p) for p in (dimension.start, dimension.end))
    left, bottom, right, top = (item.factor * edge for edge in item.lines.box)
    middle = ((x0 + x1) / 2, (y0 + y1) / 2)
    across = 1.0 if middle[0] >= (left + right) / 2 else -1.0
    up = 1.0 if middle[1] >= (bottom + top) / 2 else -1.0
    return (middle[0] + 8.0 * across, middle[1] + 8.0 * up)


def _led(item: PlacedView, sizes: Sequence[RoundDimension]) -> dict[str, SheetPoint]:
    _, _, right, top = (item.factor * edge for edge in item.lines.box)
    return {
        size.id: (min(item.factor * (size.centre[0] + size.radius) + 8.0, right + 4.0), top + 5.0 + 6.0 * rank)
        for rank, size in enumerate(sizes)
    }
