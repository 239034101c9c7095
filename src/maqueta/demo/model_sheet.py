"""A faultless sheet of a part, drawn by rule: views in line with equal gaps, centre lines, sizes from datum sides."""

import math
from collections.abc import Callable, Collection, Iterable, Sequence
from dataclasses import dataclass
from typing import Literal

from maqueta.checking.exercise import Exercise
from maqueta.dimensioning.centre_marks import proposed_marks
from maqueta.dimensioning.count import axis_of_direction
from maqueta.dimensioning.measure import axis_and_sign, blind_holes, centre_in_view, feature_reach
from maqueta.dimensioning.proposal import ProposedSize, propose
from maqueta.dimensioning.size_model import SizeModel, size_model, unsupported
from maqueta.projection.arrangement import ViewName, neighbour, place_of
from maqueta.projection.attitude import Attitude, Corner, Side
from maqueta.projection.carrier import Circle, Line, Point
from maqueta.projection.line_set import Box
from maqueta.projection.projected_part import ProjectedPart
from maqueta.projection.ranking import rank
from maqueta.sheet.document import (
    Dimension,
    LinearDimension,
    Paper,
    RoundDimension,
    SheetDocument,
    TitleBlock,
    TitleField,
    View,
)
from maqueta.sheet.paper import layout
from maqueta.sheet.placed import PlacedView, placed_views
from maqueta.sheet.scales import parse_scale, write_scale
from maqueta.sheet.sizes import converted, write_size
from maqueta.sheet.spacing import proposed_scale
from maqueta.solid.part import Part
from maqueta.solid.unit import MILLIMETRES

#: First row of dimensions and distance of further rows, mm.
_FIRST_ROW, _NEXT_ROW = 12.0, 8.0
#: Upright rows whose texts lie across the dimension line need the width of a text.
_NEXT_ROW_ACROSS_TEXT = 15.0
_ROOM = 24.0


@dataclass(frozen=True, slots=True)
class Drafter:
    """What is written into the title block."""

    name: str
    group: str
    date: str


def model_sheet(projected: ProjectedPart, exercise: Exercise, drafter: Drafter) -> SheetDocument:
    """A sheet of the exercise on which the checks find nothing, for parts whose sizes can be counted.

    Other parts get their overall sizes only.
    """
    front = _front(projected, exercise)
    names = list(exercise.views or ("front", "top", "right"))
    attitudes = {name: neighbour(front, name) for name in names}
    views, scale = _arranged(projected, exercise, attitudes)
    part = projected.part
    titles: dict[TitleField, str] = {
        "title": part.name.upper(),
        "drafter": drafter.name.upper(),
        "class": drafter.group.upper(),
        "date": drafter.date,
        "scale": write_scale(scale),
        "sheet": "1 / 1",
        "material": part.material.upper(),
        "unit": exercise.units.upper(),
        "paper": exercise.paper,
    }
    sheet = SheetDocument(
        paper=Paper(size=exercise.paper, landscape=exercise.landscape),
        units=exercise.units,
        style=exercise.dimensioning.style or ("iso" if exercise.units == "mm" else "asme"),
        decimals=exercise.decimals,
        front="v1",
        views=tuple(views),
        title=TitleBlock(fields=titles, angle=exercise.angle),
    )

    def write(value: float) -> str:
        return write_size(converted(value, part.unit, exercise.units), exercise.units, exercise.decimals, sheet.style)

    placed = {item.view.id: item for item in placed_views(projected, sheet)}
    principal = {name: placed[f"v{index + 1}"] for index, name in enumerate(names)}
    marks = list(proposed_marks(projected, principal.values())) if exercise.centre_lines else []
    dimensions = (
        _dimensions(projected, front, principal, sheet.style == "asme", write) if exercise.dimensioning.required else []
    )
    return sheet.model_copy(update={"marks": tuple(marks), "dimensions": tuple(dimensions)})


def _front(projected: ProjectedPart, exercise: Exercise) -> Attitude:
    if exercise.front.accept:
        return exercise.front.accept[0].attitude
    return rank(projected, exercise.views or ("front", "top", "right"), exercise.front.natural_up)[0].attitude


def _size(projected: ProjectedPart, attitude: Attitude) -> tuple[float, float]:
    unit = MILLIMETRES[projected.part.unit]
    left, bottom, right, top = projected.line_set(attitude).box
    return (right - left) * unit, (top - bottom) * unit


def _arranged(
    projected: ProjectedPart, exercise: Exercise, attitudes: dict[ViewName, Attitude]
) -> tuple[list[View], float]:
    """Views in a grid around the front, with equal gaps in the drawing area; the pictorial in the free corner."""
    area = layout(exercise.paper, exercise.landscape).drawing_area
    columns, rows = ["left", "apart", "right"], ["below", "apart", "above"]
    cells: dict[ViewName, tuple[int, int]] = {}
    for name in attitudes:
        place = place_of(name, exercise.angle)
        cells[name] = (
            columns.index(place) if place in ("left", "right") else 1,
            rows.index(place) if place in ("above", "below") else 1,
        )
    sizes = {name: _size(projected, attitude) for name, attitude in attitudes.items()}
    widths = {c: max(sizes[n][0] for n, cell in cells.items() if cell[0] == c) for c in {c for c, _ in cells.values()}}
    heights = {r: max(sizes[n][1] for n, cell in cells.items() if cell[1] == r) for r in {r for _, r in cells.values()}}
    room = (area[2] - area[0], area[3] - area[1])
    asked = parse_scale(exercise.scale) if exercise.scale else None
    scale = asked or proposed_scale(room, list(widths.values()), list(heights.values()), _ROOM, exercise.units) or 1.0
    lefts = _stations(area[0], room[0], [(c, widths[c] * scale) for c in sorted(widths)])
    bottoms = _stations(area[1], room[1], [(r, heights[r] * scale) for r in sorted(heights)])
    factor = scale * MILLIMETRES[projected.part.unit]
    views = []
    for index, (name, attitude) in enumerate(attitudes.items()):
        box = projected.line_set(attitude).box
        at = (lefts[cells[name][0]] - factor * box[0], bottoms[cells[name][1]] - factor * box[1])
        views.append(View(id=f"v{index + 1}", side=attitude.side, up=attitude.up, at=at, scale=scale))
    if exercise.pictorial != "unwanted":
        views += _pictorial(projected, attitudes["front"], scale, factor, views, area)
    return views, scale


def _stations(start: float, room: float, sizes: Sequence[tuple[int, float]]) -> dict[int, float]:
    gap = (room - sum(size for _, size in sizes)) / (len(sizes) + 1)
    stations, at = {}, start
    for key, size in sizes:
        at += gap
        stations[key] = at
        at += size
    return stations


def _pictorial(
    projected: ProjectedPart,
    front: Attitude,
    scale: float,
    factor: float,
    views: Sequence[View],
    area: Box,
) -> list[View]:
    """The equal-axis view that shows front, top and right, at the nearest free place to a corner of the area."""
    corner = _corner((front.side, front.up, front.right))
    left, bottom, right, top = projected.corners[corner].box
    width, height = factor * (right - left), factor * (top - bottom)
    taken = [item.box for item in placed_views(projected, SheetDocument(views=tuple(views)))]
    for step in range(8):
        inset = _ROOM + 6.0 * (7 - step)
        for x, y in (
            (area[2] - inset - width, area[3] - inset - height),
            (area[2] - inset - width, (area[1] + area[3] - height) / 2),
            (area[2] - inset - width, area[1] + inset),
            (area[0] + inset, area[3] - inset - height),
        ):
            box = (x - 4, y - 4, x + width + 4, y + height + 4)
            clear = all(box[2] < t[0] or t[2] < box[0] or box[3] < t[1] or t[3] < box[1] for t in taken)
            if clear and x > area[0] and y > area[1] and box[2] < area[2] and box[3] < area[3]:
                at = (x - factor * left, y - factor * bottom)
                return [View(id="p1", corner=corner, at=at, scale=scale, hidden=False)]
    return []


def _corner(sides: Iterable[Side]) -> Corner:
    signs = {side[1]: side[0] for side in sides}
    corner: Corner = signs["x"] + signs["y"] + signs["z"]  # type: ignore[assignment]
    return corner


def _dimensions(
    projected: ProjectedPart,
    front: Attitude,
    views: dict[ViewName, PlacedView],
    unidirectional: bool,
    write: Callable[[float], str],
) -> list[Dimension]:
    part = projected.part
    rows: dict[tuple[str, str], list[tuple[float, LinearDimension]]] = {}
    result: list[Dimension] = []
    if unsupported(part) is None:
        model = size_model(part)
        sizes = propose(model, front)
        bottoms = _only_bottoms(projected, sizes, front, views)
        sizes = tuple(size for size in sizes if size not in bottoms)
        deep = {feature for size in bottoms for feature in bottoms[size]}
        result += _round_sizes(part, model, sizes, views, deep, write)
    else:
        sizes = tuple(
            ProposedSize("linear", d, part.low[k], part.high[k], part.extents[k], True)
            for d in ("width", "height", "depth")
            for k in ["xyz".index(axis_of_direction(front, d))]
        )
    for size in sizes:
        if size.direction is not None:
            axis = axis_of_direction(front, size.direction)
            placed, dimension = _linear_size(views, axis, size)
            rows.setdefault((placed.view.id, dimension.along), []).append((abs(size.value), dimension))
    by_id = {item.view.id: item for item in views.values()}
    for (view, along), row in rows.items():
        step = _NEXT_ROW_ACROSS_TEXT if unidirectional and along == "up" else _NEXT_ROW
        result += _stacked(by_id[view], along, row, step)
    return [d.model_copy(update={"id": f"d{index + 1}"}) for index, d in enumerate(result)]


def _anchors(item: PlacedView, axis_index: int, value: float) -> list[Point]:
    """Points of visible lines, and centres of visible circles, at a coordinate of a view."""
    points = []
    for piece in item.lines.of("visible"):
        points += list(piece.ends)
        if isinstance(piece.carrier, Circle):
            c = piece.carrier
            points.append((c.x, c.y))
            points += [p for k in range(4) if _within(piece.interval, k) for p in [c.point(k * math.pi / 2)]]
        if isinstance(piece.carrier, Line):
            (x0, y0), (x1, y1) = piece.ends
            points.append(((x0 + x1) / 2, (y0 + y1) / 2))
    return [p for p in points if abs(p[axis_index] - value) < 1e-6 * (1 + abs(value))]


def _within(interval: tuple[float, float], quarter: int) -> bool:
    return any(interval[0] - 1e-9 <= quarter * math.pi / 2 + turn <= interval[1] + 1e-9 for turn in (0.0, 2 * math.pi))


def _linear_size(
    views: dict[ViewName, PlacedView], axis: str, size: ProposedSize
) -> tuple[PlacedView, LinearDimension]:
    """The dimension in the first view where both its ends are visible, taken nearest to where its row will be."""
    for item in views.values():
        attitude = item.view.attitude
        assert attitude is not None
        for index, side in enumerate((attitude.right, attitude.up)):
            if side[1] != axis:
                continue
            _, sign = axis_and_sign(side)
            starts, ends = (_anchors(item, index, sign * value) for value in (size.start, size.end))
            if starts and ends:
                start, end = (min(points, key=lambda p: p[1 - index]) for points in (starts, ends))
                along: Literal["across", "up"] = "across" if index == 0 else "up"
                dimension = LinearDimension(
                    id="d",
                    view=item.view.id,
                    start=start,
                    end=end,
                    along=along,
                    place=(0.0, 0.0),
                )
                return item, dimension
    raise ValueError(f"no view shows the size {size.value:g} along {axis} by visible lines")


def _stacked(item: PlacedView, along: str, row: list[tuple[float, LinearDimension]], step: float) -> list[Dimension]:
    """Rows below or left of the view, longer outside shorter; sizes that do not overlap share a row."""
    left, bottom, _, _ = item.lines.box
    origin = item.factor * (bottom if along == "across" else left)
    index = 0 if along == "across" else 1
    rows: list[list[tuple[float, float]]] = []
    result: list[Dimension] = []
    for _, dimension in sorted(row, key=lambda entry: entry[0]):
        low, high = sorted(item.factor * p[index] for p in (dimension.start, dimension.end))
        low, high = low - 10, high + 10
        place = next((k for k, taken in enumerate(rows) if all(high <= a or low >= b for a, b in taken)), len(rows))
        if place == len(rows):
            rows.append([])
        rows[place].append((low, high))
        offset = origin - _FIRST_ROW - place * step
        spot = (0.0, offset) if along == "across" else (offset, 0.0)
        result.append(dimension.model_copy(update={"place": spot}))
    return result


def _only_bottoms(
    projected: ProjectedPart, sizes: Sequence[ProposedSize], front: Attitude, views: dict[ViewName, PlacedView]
) -> dict[ProposedSize, list[int]]:
    """Sizes that end at the bottom of a blind hole, which no view shows plainly, with the faces of those holes.

    They are written as a depth beside the diameter instead.
    """
    part = projected.part
    found: dict[ProposedSize, list[int]] = {}
    for size in sizes:
        if size.direction is None:
            continue
        axis = axis_of_direction(front, size.direction)
        holes = [
            f
            for f in blind_holes(part, range(len(part.faces)))
            if f.axis == axis
            and any(abs(end - size.end) < 1e-6 or abs(end - size.start) < 1e-6 for end in feature_reach(part, f))
        ]
        if holes and not _plainly_shown(views, axis, size):
            found[size] = [face for hole in holes for face in hole.faces]
    return found


def _plainly_shown(views: dict[ViewName, PlacedView], axis: str, size: ProposedSize) -> bool:
    try:
        _linear_size(views, axis, size)
    except ValueError:
        return False
    return True


def _round_sizes(
    part: Part,
    model: SizeModel,
    sizes: Sequence[ProposedSize],
    views: dict[ViewName, PlacedView],
    deep: Collection[int],
    write: Callable[[float], str],
) -> list[Dimension]:
    """Diameters and radii in the view where the feature is round, texts stepping down on the right of the view.

    Holes with a face among `deep` have their depth written beside the diameter.
    """
    wanted = [(size.kind, size.value) for size in sizes if size.direction is None]
    result: list[Dimension] = []
    used: dict[str, int] = {}
    for bore in model.bores:
        kind, value = ("diameter", 2 * bore.radius) if bore.full else ("radius", bore.radius)
        entry = next((w for w in wanted if w[0] == kind and abs(w[1] - value) < 1e-9), None)
        if entry is None:
            continue
        wanted.remove(entry)
        item = next(v for v in views.values() if v.view.attitude and v.view.attitude.side[1] == bore.axis)
        assert item.view.attitude is not None
        centre = centre_in_view(bore.centre, bore.axis, item.view.attitude)
        rank_in_view = used.get(item.view.id, 0)
        used[item.view.id] = rank_in_view + 1
        _, _, right, top = item.lines.box
        x = min(item.factor * (centre[0] + bore.radius) + 8.0, item.factor * right + 4.0)
        place = (x, item.factor * top + 5.0 + 6.0 * rank_in_view)
        holes = blind_holes(part, bore.faces) if set(bore.faces) & set(deep) else []
        text = f"⌀{write(2 * bore.radius)} ↧{write(holes[0].depth)}" if holes else None
        result.append(
            RoundDimension(
                kind=kind,  # type: ignore[arg-type]
                id="d",
                view=item.view.id,
                centre=centre,
                radius=bore.radius,
                place=place,
                text=text,
            )
        )
    return result
