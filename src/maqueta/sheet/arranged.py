"""Views set out by rule: in line around the front view, with equal gaps in the drawing area."""

from collections.abc import Collection, Mapping, Sequence
from typing import Final

from maqueta.geometry.box import Box
from maqueta.geometry.carrier import Point
from maqueta.projection.arrangement import Angle, ViewName, where_belongs
from maqueta.projection.attitude import Attitude
from maqueta.projection.corners import best_corner
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.columns import STATIONS
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.placed import placed_views
from maqueta.sheet.scales import recommended
from maqueta.sheet.spacing import proposed_scale
from maqueta.sheet.view import FromCorner, View, square
from maqueta.sheet.view_graph import with_front
from maqueta.solid.unit import MILLIMETRES, Unit

#: Room between views that a proposed scale leaves for dimensions, mm (common practice, no source).
ROOM: Final = 24.0
#: A pictorial view keeps this far from other views, mm (common practice, no source).
_APART: Final = 4.0
#: A pictorial that finds no room is tried at so many smaller scales.
_STEPS_DOWN: Final = 3


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
    cells = {name: (0, 0) if name == "front" else STATIONS[where_belongs(name, angle)] for name in attitudes}
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
        box = projected.line_set(attitude.look).box
        at = (lefts[cells[name][0]] - factor * box[0], bottoms[cells[name][1]] - factor * box[1])
        views.append(View(id=f"v{index + 1}", look=square(attitude), at=at, scale=chosen))
    front = next((view.id for view, name in zip(views, attitudes, strict=True) if name == "front"), None)
    return with_front(views, front), chosen


def pictorial(
    projected: ProjectedPart,
    front: Attitude,
    names: Collection[ViewName],
    scale: float,
    others: Sequence[View],
    area: Box,
    units: Unit,
) -> tuple[View, ...]:
    """The equal-axis view "p1" from the corner that belongs to views of these names, where there is room for it.

    It has the scale of the other views, or the largest smaller one at which it finds room; none where it never does.
    """
    corner = best_corner(projected, front, names)
    unit = MILLIMETRES[projected.part.unit]
    left, bottom, right, top = projected.line_set(projected.corner(corner)).box
    taken = [item.box for item in placed_views(projected, SheetDocument(views=tuple(others)))]
    smaller = [float(each) for each in reversed(recommended(units)) if each < scale]
    for own in (scale, *smaller[:_STEPS_DOWN]):
        factor = own * unit
        spot = free_spot((factor * (right - left), factor * (top - bottom)), taken, area)
        if spot is not None:
            at = (spot[0] - factor * left, spot[1] - factor * bottom)
            return (View(id="p1", kind="pictorial", look=FromCorner(corner=corner), at=at, scale=own, hidden=False),)
    return ()


def free_spot(size: tuple[float, float], taken: Sequence[Box], area: Box) -> Point | None:
    """The lower left corner (mm) of room for a view of a size, clear of what is taken: in a corner of the area."""
    width, height = size
    for step in range(8):
        inset = ROOM + 6.0 * (7 - step)
        low = (area[0] + inset, area[1] + inset)
        high = (area[2] - inset - width, area[3] - inset - height)
        for x, y in (high, (high[0], (area[1] + area[3] - height) / 2), (high[0], low[1]), (low[0], high[1]), low):
            box = (x - _APART, y - _APART, x + width + _APART, y + height + _APART)
            clear = all(box[2] < t[0] or t[2] < box[0] or box[3] < t[1] or t[3] < box[1] for t in taken)
            if clear and x > area[0] and y > area[1] and box[2] < area[2] and box[3] < area[3]:
                return (x, y)
    return None


def _size(projected: ProjectedPart, attitude: Attitude) -> tuple[float, float]:
    """True width and height of a view, mm."""
    unit = MILLIMETRES[projected.part.unit]
    left, bottom, right, top = projected.line_set(attitude.look).box
    return (right - left) * unit, (top - bottom) * unit


def _stations(start: float, room: float, sizes: Sequence[tuple[int, float]]) -> dict[int, float]:
    gap = (room - sum(size for _, size in sizes)) / (len(sizes) + 1)
    stations, at = {}, start
    for key, size in sizes:
        at += gap
        stations[key] = at
        at += size
    return stations
