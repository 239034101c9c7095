"""Columns and rows of views as they are meant: by what each view shows, and not by where it happens to lie."""

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from maqueta.geometry.carrier import Interval
from maqueta.projection.arrangement import Angle, ViewName, Where, name_of, where_belongs, where_stands
from maqueta.projection.attitude import Attitude
from maqueta.sheet.placed import PlacedView
from maqueta.sheet.spacing import bands

#: Where a view of each place stands, across and up, counted from the front view; one from behind stands beyond all.
STATIONS: Final[dict[Where, tuple[int, int]]] = {
    "left": (-1, 0),
    "right": (1, 0),
    "below": (0, -1),
    "above": (0, 1),
    "apart": (2, 0),
}


@dataclass(frozen=True, slots=True)
class Column:
    """Views that are meant to stand one above the other, or side by side: a column, or a row.

    `span` is from where to where they reach just now, `size` how far they would reach in line (mm on the sheet).
    """

    views: tuple[str, ...]
    span: Interval
    size: float


@dataclass(frozen=True, slots=True)
class Columns:
    """The columns of a sheet from left to right, and its rows from below."""

    across: tuple[Column, ...]
    up: tuple[Column, ...]


def columns_meant(
    principal: Sequence[PlacedView], front: PlacedView | None, reference: Attitude | None, angle: Angle
) -> Columns:
    """The columns and rows principal views are meant to stand in.

    A view that stands clear of the front view on a side it may stand on is meant there; any other, as in a heap, where
    `angle` puts it. `reference` is what views are named from. Without a front view, or with two views of one side,
    columns and rows are read from where the views lie.
    """
    named: dict[str, ViewName] = {}
    if front is not None and reference is not None:
        named = {i.view.id: name_of(reference, i.attitude.side) for i in principal if i.attitude is not None}
    if front is None or not named or max(Counter(named.values()).values()) > 1:
        return Columns(_as_they_lie(principal, 0, 2), _as_they_lie(principal, 1, 3))
    stations = {item.view.id: _station(item, front, named[item.view.id], angle) for item in principal}
    return Columns(
        _gathered(principal, {name: station[0] for name, station in stations.items()}, 0, 2),
        _gathered(principal, {name: station[1] for name, station in stations.items()}, 1, 3),
    )


def _station(item: PlacedView, front: PlacedView, name: ViewName, angle: Angle) -> tuple[int, int]:
    if item is front or name == "front":
        return (0, 0)
    stands = where_stands(front.box, item.box, name)
    across, up = STATIONS[where_belongs(name, angle) if stands == "apart" else stands]
    return (2 * across, 2 * up) if name == "rear" and stands != "apart" else (across, up)


def _gathered(principal: Sequence[PlacedView], stations: dict[str, int], low: int, high: int) -> tuple[Column, ...]:
    columns = []
    for station in sorted(set(stations.values())):
        items = [item for item in principal if stations[item.view.id] == station]
        span = (min(item.box[low] for item in items), max(item.box[high] for item in items))
        size = max(item.box[high] - item.box[low] for item in items)
        columns.append(Column(tuple(item.view.id for item in items), span, size))
    return tuple(columns)


def _as_they_lie(principal: Sequence[PlacedView], low: int, high: int) -> tuple[Column, ...]:
    """Views that overlap along a direction are one column or row."""
    columns = []
    for start, end in bands([(item.box[low], item.box[high]) for item in principal]):
        items = tuple(item.view.id for item in principal if start <= item.box[low] and item.box[high] <= end)
        columns.append(Column(items, (start, end), end - start))
    return tuple(columns)
