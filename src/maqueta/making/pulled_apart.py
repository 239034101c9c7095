"""Model answers of assemblies: parts pulled apart along the ways they come out, balloons, and the parts list."""

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Final

import shapely
from shapely.affinity import translate
from shapely.geometry import LineString
from shapely.geometry.base import BaseGeometry

from maqueta.geometry.box import Box, middle_of
from maqueta.geometry.carrier import Point
from maqueta.geometry.frame import Frame
from maqueta.geometry.line_set import LineSet
from maqueta.phrases.phrase import phrase
from maqueta.phrases.told import ToldError
from maqueta.projection.attitude import Corner
from maqueta.projection.look import Look
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.assembly_items import BALLOON_RADIUS, LIST_COLUMNS, Balloon, ListRow, PartsList, Trail
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.scales import parse_scale, recommended
from maqueta.sheet.silhouette import silhouette
from maqueta.sheet.view import Aslant, View
from maqueta.solid.assembly import parts_list, row_of
from maqueta.solid.part import Component, Part
from maqueta.solid.unit import MILLIMETRES
from maqueta.task.exercise import Exercise

#: Parts are seen from the front, the right and above (common practice, no source).
_CORNER: Final[Corner] = "+-+"
#: Parts pulled apart keep so far from each other, as a share of the assembly's size (common practice, no source).
_CLEAR: Final = 0.03
#: A part is pulled farther out by this share of its way at a time, so often at most.
_STEP, _STEPS = 0.25, 60
#: Balloons stand so far outside of all parts, and so far from each other at least, mm (common practice, no source).
_OUTSIDE, _BETWEEN = 12.0, 3.0 * BALLOON_RADIUS
#: Leaders end on outlines at least so long, as a share of the longest one.
_LONG: Final = 0.3
#: The parts list keeps so far from what is beside it, mm.
_ASIDE: Final = 6.0


@dataclass(frozen=True)
class Pulled:
    """A component pulled apart: its lines, what they cover, and by how much it is moved, in the plane of the look."""

    component: Component
    lines: LineSet
    covers: BaseGeometry
    shift: Point

    @property
    def moved(self) -> BaseGeometry:
        """What it covers where it has been pulled to."""
        return translate(self.covers, *self.shift)


def apart_looks(projected: ProjectedPart) -> tuple[Look, ...]:
    """The looks in which an assembly's components have to be drawn for its model answer."""
    frame = projected.corner(_CORNER).frame
    return tuple(Look(frame, only=own.id) for own in projected.part.components)


def list_of(part: Part, sheet: SheetDocument) -> PartsList:
    """The list of an assembly's parts, in the upper right corner of where a sheet is drawn on."""
    rows = tuple(
        ListRow(number=str(row.number), quantity=str(row.quantity), name=row.name, material=row.material)
        for row in parts_list(part.components)
    )
    _, _, right, top = sheet.paper.layout.drawing_area
    at = (right - sum(LIST_COLUMNS) - _ASIDE, top - _ASIDE)
    return PartsList(at=at, rows=rows)


def with_parts_apart(projected: ProjectedPart, exercise: Exercise, sheet: SheetDocument) -> tuple[SheetDocument, float]:
    """A sheet with the parts pulled apart, their trails and balloons, and the scale they are drawn at.

    Raises UnseenLookError where a component has not been drawn in `apart_looks`.
    """
    pulled = _pulled(projected, projected.corner(_CORNER).frame)
    views, scale, origin = _set_down(projected, exercise, sheet, pulled)
    factor = scale * MILLIMETRES[projected.part.unit]
    left, bottom, right, top = _covered(pulled)

    def on_sheet(point: Point) -> Point:
        return (origin[0] + factor * point[0], origin[1] + factor * point[1])

    box = (*on_sheet((left, bottom)), *on_sheet((right, top)))
    trails = [Trail(id=f"t{k}", start=on_sheet(a), end=on_sheet(b)) for k, (a, b) in enumerate(_trails(pulled), 1)]
    tips = _tips(projected.part, pulled, (bottom + top) / 2)
    balloons = _balloons({number: on_sheet(tip) for number, tip in tips.items()}, box)
    return sheet.model_copy(update={"views": views, "trails": tuple(trails), "balloons": balloons}), scale


def with_parts_together(projected: ProjectedPart, exercise: Exercise, sheet: SheetDocument) -> SheetDocument:
    """A sheet to begin from: the parts as they are put together, at a scale at which they can be pulled apart, and the
    parts list, its rows left to the drafter unless the exercise fills them in.

    Raises ToldError for a part that is no assembly, UnseenLookError where a component has not been drawn in
    `apart_looks`.
    """
    if not projected.part.components:
        raise ToldError(phrase("no-assembly-to-show"))
    if exercise.parts_list or exercise.shows == "parts list":
        listed = list_of(projected.part, sheet)
        if "parts list" not in exercise.aids:
            listed = listed.model_copy(update={"rows": ()})
        sheet = sheet.model_copy(update={"parts_list": listed})
    if exercise.shows != "pulled apart":
        return sheet
    pulled = _pulled(projected, projected.corner(_CORNER).frame)
    views, _, origin = _set_down(projected, exercise, sheet, pulled)
    return sheet.model_copy(update={"views": tuple(view.model_copy(update={"at": origin}) for view in views)})


def _covered(pulled: Sequence[Pulled]) -> Box:
    """The box of all parts where they have been pulled to, in the plane of the look."""
    left, bottom, right, top = shapely.total_bounds([own.moved for own in pulled]).tolist()
    return (left, bottom, right, top)


def _set_down(
    projected: ProjectedPart, exercise: Exercise, sheet: SheetDocument, pulled: Sequence[Pulled]
) -> tuple[tuple[View, ...], float, Point]:
    """The parts pulled apart in the middle of their room, their scale, and where all would lie put together."""
    left, bottom, right, top = _covered(pulled)
    room = _room(sheet, exercise)
    margin = 2 * (_OUTSIDE + 2 * BALLOON_RADIUS)
    unit = MILLIMETRES[projected.part.unit]
    asked = parse_scale(exercise.scale) if exercise.scale else None
    largest = min((room[2] - room[0] - margin) / (right - left), (room[3] - room[1] - margin) / (top - bottom)) / unit
    fitting = [float(own) for own in recommended(exercise.units) if float(own) <= largest]
    scale = asked or max(fitting, default=largest)
    factor = scale * unit
    x, y = middle_of(room)
    origin = (x - factor * (left + right) / 2, y - factor * (bottom + top) / 2)
    look = Aslant(frame=projected.corner(_CORNER).frame)
    views = tuple(
        View(
            id=f"v{number}",
            kind="pictorial",
            look=look,
            only=own.component.id,
            at=(origin[0] + factor * own.shift[0], origin[1] + factor * own.shift[1]),
            scale=scale,
            hidden=False,
        )
        for number, own in enumerate(pulled, 1)
    )
    return views, scale, origin


def _room(sheet: SheetDocument, exercise: Exercise) -> Box:
    """Where parts pulled apart have room: beside the parts list, if there is one."""
    left, bottom, right, top = sheet.paper.layout.drawing_area
    listed = exercise.parts_list and sheet.parts_list is not None
    return (left, bottom, right - sum(LIST_COLUMNS) - 2 * _ASIDE if listed else right, top)


def _pulled(projected: ProjectedPart, frame: Frame) -> list[Pulled]:
    """The components in their order, each moved along its way until it is clear of those that come out after it."""
    part = projected.part
    found: dict[str, Pulled] = {}
    taken: list[BaseGeometry] = []
    clear = _CLEAR * part.size
    for own in sorted(part.components, key=lambda own: math.hypot(*(own.apart or (0.0, 0.0, 0.0)))):
        look = Look(frame, only=own.id)
        lines = projected.line_set(look)
        way = look.seen(own.apart) if own.apart is not None else (0.0, 0.0)
        covers = silhouette(lines)
        share = 1.0
        for _ in range(_STEPS):
            pulled = Pulled(own, lines, covers, (share * way[0], share * way[1]))
            if way == (0.0, 0.0) or all(pulled.moved.distance(other) > clear for other in taken):
                break
            share += _STEP
        taken.append(pulled.moved)
        found[own.id] = pulled
    return [found[own.id] for own in part.components]


def _trails(pulled: Sequence[Pulled]) -> list[tuple[Point, Point]]:
    """From where each part was to where it is, as far as no part covers the way."""
    covered = shapely.union_all([own.moved for own in pulled])
    found = []
    for own in pulled:
        start = own.covers.centroid
        end = own.moved.centroid
        if start.distance(end) == 0:
            continue
        free = LineString([start, end]).difference(covered)
        for run in shapely.get_parts(free):
            (ax, ay), (bx, by) = run.coords[0], run.coords[-1]
            found.append(((float(ax), float(ay)), (float(bx), float(by))))
    return found


def _tips(part: Part, pulled: Sequence[Pulled], middle: float) -> dict[str, Point]:
    """Where the leader of each number ends: in the middle of an outline of the first part it names, one of the longer
    ones, on the side on which its balloon will stand.
    """
    rows = row_of(part.components)
    tips: dict[str, Point] = {}
    for own in pulled:
        number = str(rows[own.component.id].number)
        if number not in tips:
            outlines = own.lines.of("visible")
            longest = max(piece.length for piece in outlines)
            middles = [
                piece.carrier.point(sum(piece.interval) / 2) for piece in outlines if piece.length >= longest * _LONG
            ]
            above = own.moved.centroid.y >= middle
            x, y = max(middles, key=lambda point: point[1] if above else -point[1])
            tips[number] = (x + own.shift[0], y + own.shift[1])
    return tips


def _balloons(tips: Mapping[str, Point], box: Box) -> tuple[Balloon, ...]:
    """Balloons in line above and below all parts, each on the side its part is nearer to, none nearer than allowed."""
    middle = (box[1] + box[3]) / 2
    balloons: dict[str, Balloon] = {}
    for above in (True, False):
        own = sorted((number for number, tip in tips.items() if (tip[1] >= middle) == above), key=lambda n: tips[n])
        y = box[3] + _OUTSIDE if above else box[1] - _OUTSIDE
        xs = _spread([tips[number][0] for number in own])
        for number, x in zip(own, xs, strict=True):
            balloons[number] = Balloon(id=f"b{number}", number=number, at=(x, y), tip=tips[number])
    return tuple(balloons[number] for number in tips)


def _spread(wanted: Sequence[float]) -> list[float]:
    """Stations in their order, as near to where they are wanted as their distance from each other lets them."""
    placed: list[float] = []
    for x in wanted:
        placed.append(max(x, placed[-1] + _BETWEEN) if placed else x)
    if not placed:
        return placed
    off = sum(placed) / len(placed) - sum(wanted) / len(wanted)
    return [x - off for x in placed]
