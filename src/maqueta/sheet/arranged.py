"""Views set out by rule: in line around the front view, with equal gaps in the drawing area."""

from collections.abc import Iterable, Mapping, Sequence
from typing import Final

from maqueta.projection.arrangement import Angle, ViewName, place_of
from maqueta.projection.attitude import Attitude, Corner, Side
from maqueta.projection.line_set import Box
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import SheetDocument, View
from maqueta.sheet.placed import placed_views
from maqueta.sheet.spacing import proposed_scale
from maqueta.solid.unit import MILLIMETRES, Unit

#: Room between views that a proposed scale leaves for dimensions, mm (common practice, no source).
ROOM: Final = 24.0
#: A pictorial view keeps this far from other views, mm (common practice, no source).
_APART: Final = 4.0


def arranged(
    projected: ProjectedPart,
    attitudes: Mapping[ViewName, Attitude],
    angle: Angle,
    area: Box,
    scale: float | None,
    units: Unit,
) -> tuple[tuple[View, ...], float]:
    """Views "v1", "v2" … in the order of `attitudes`, in the drawing area `area` (mm), and their scale.

    Without a scale the largest recommended one that leaves room for dimensions is taken, or 1 where none does.
    gap = (area − Σ sizes) ÷ (views + 1).
    """
    columns, rows = ["left", "apart", "right"], ["below", "apart", "above"]
    cells: dict[ViewName, tuple[int, int]] = {}
    for name in attitudes:
        place = place_of(name, angle)
        cells[name] = (
            columns.index(place) if place in ("left", "right") else 1,
            rows.index(place) if place in ("above", "below") else 1,
        )
    sizes = {name: _size(projected, attitude) for name, attitude in attitudes.items()}
    widths = {c: max(sizes[n][0] for n, cell in cells.items() if cell[0] == c) for c in {c for c, _ in cells.values()}}
    heights = {r: max(sizes[n][1] for n, cell in cells.items() if cell[1] == r) for r in {r for _, r in cells.values()}}
    room = (area[2] - area[0], area[3] - area[1])
    chosen = scale or proposed_scale(room, list(widths.values()), list(heights.values()), ROOM, units) or 1.0
    lefts = _stations(area[0], room[0], [(c, widths[c] * chosen) for c in sorted(widths)])
    bottoms = _stations(area[1], room[1], [(r, heights[r] * chosen) for r in sorted(heights)])
    factor = chosen * MILLIMETRES[projected.part.unit]
    views = []
    for index, (name, attitude) in enumerate(attitudes.items()):
        box = projected.line_set(attitude).box
        at = (lefts[cells[name][0]] - factor * box[0], bottoms[cells[name][1]] - factor * box[1])
        views.append(View(id=f"v{index + 1}", side=attitude.side, up=attitude.up, at=at, scale=chosen))
    return tuple(views), chosen


def pictorial(
    projected: ProjectedPart, front: Attitude, scale: float, others: Sequence[View], area: Box
) -> tuple[View, ...]:
    """The equal-axis view "p1" that shows front, top and right, in a free place near a corner; none without room."""
    corner = _corner((front.side, front.up, front.right))
    factor = scale * MILLIMETRES[projected.part.unit]
    left, bottom, right, top = projected.corners[corner].box
    width, height = factor * (right - left), factor * (top - bottom)
    taken = [item.box for item in placed_views(projected, SheetDocument(views=tuple(others)))]
    for step in range(8):
        inset = ROOM + 6.0 * (7 - step)
        for x, y in (
            (area[2] - inset - width, area[3] - inset - height),
            (area[2] - inset - width, (area[1] + area[3] - height) / 2),
            (area[2] - inset - width, area[1] + inset),
            (area[0] + inset, area[3] - inset - height),
        ):
            box = (x - _APART, y - _APART, x + width + _APART, y + height + _APART)
            clear = all(box[2] < t[0] or t[2] < box[0] or box[3] < t[1] or t[3] < box[1] for t in taken)
            if clear and x > area[0] and y > area[1] and box[2] < area[2] and box[3] < area[3]:
                at = (x - factor * left, y - factor * bottom)
                return (View(id="p1", corner=corner, at=at, scale=scale, hidden=False),)
    return ()


def _size(projected: ProjectedPart, attitude: Attitude) -> tuple[float, float]:
    """True width and height of a view, mm."""
    unit = MILLIMETRES[projected.part.unit]
    left, bottom, right, top = projected.line_set(attitude).box
    return (right - left) * unit, (top - bottom) * unit


def _stations(start: float, room: float, sizes: Sequence[tuple[int, float]]) -> dict[int, float]:
    gap = (room - sum(size for _, size in sizes)) / (len(sizes) + 1)
    stations, at = {}, start
    for key, size in sizes:
        at += gap
        stations[key] = at
        at += size
    return stations


def _corner(sides: Iterable[Side]) -> Corner:
    signs = {side[1]: side[0] for side in sides}
    corner: Corner = signs["x"] + signs["y"] + signs["z"]  # type: ignore[assignment]
    return corner
