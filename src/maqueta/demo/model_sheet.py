"""A faultless sheet of a part, drawn by rule: views in line with equal gaps, centre lines, sizes from datum sides."""

import math
from collections.abc import Callable, Collection, Sequence
from dataclasses import dataclass
from typing import Literal

from maqueta.checking.exercise import Exercise
from maqueta.checking.model_views import model_front, model_views
from maqueta.dimensioning.centre_marks import proposed_marks
from maqueta.dimensioning.count import axis_of_direction
from maqueta.dimensioning.measure import axis_and_sign, blind_holes, centre_in_view, feature_reach
from maqueta.dimensioning.proposal import ProposedSize, propose
from maqueta.dimensioning.size_model import SizeModel, size_model, unsupported
from maqueta.projection.arrangement import ViewName
from maqueta.projection.attitude import Attitude
from maqueta.projection.carrier import Circle, Line, Point
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import (
    Dimension,
    LinearDimension,
    Paper,
    RoundDimension,
    SheetDocument,
    TitleBlock,
    TitleField,
)
from maqueta.sheet.placed import PlacedView, placed_views
from maqueta.sheet.scales import write_scale
from maqueta.sheet.sizes import converted, write_size
from maqueta.solid.part import Part

#: First row of dimensions and distance of further rows, mm.
_FIRST_ROW, _NEXT_ROW = 12.0, 8.0
#: Upright rows whose texts lie across the dimension line need the width of a text.
_NEXT_ROW_ACROSS_TEXT = 15.0


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
    front = model_front(projected, exercise)
    names = list(exercise.view_names)
    views, scale = model_views(projected, exercise)
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
