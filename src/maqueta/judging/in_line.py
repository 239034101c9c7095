"""Whether a view stands in line with the one it is folded out from, and how far it is off."""

from collections.abc import Mapping
from dataclasses import dataclass

from maqueta.geometry.box import Box, middle_of, outline_of
from maqueta.geometry.carrier import Point
from maqueta.judging.finding import Parameter
from maqueta.judging.survey import Survey, attitude_of
from maqueta.judging.ways import way_on_sheet
from maqueta.sheet.placed import PlacedView
from maqueta.sheet.view_graph import shared


@dataclass(frozen=True)
class OutOfLine:
    """How a view stands beside where its parent wants it, and the sight lines that show it."""

    parameters: Mapping[str, Parameter]
    at: tuple[tuple[Point, ...], ...]


def out_of_line(survey: Survey, parent: PlacedView, item: PlacedView) -> OutOfLine | None:
    """How far a view is out of line with its parent; None where it is in line, or nothing can be told."""
    along = _in_line(survey, parent, item)
    if along is None:
        return None
    dx, dy = item.view.at[0] - parent.view.at[0], item.view.at[1] - parent.view.at[1]
    if _only_boxes(survey, parent) or item.view.mirrored:
        dx, dy = (_middle(item, index) - _middle(parent, index) for index in (0, 1))
    offset = dx * along[0] + dy * along[1]
    allowed = survey.exercise.thresholds.alignment_mm
    if abs(offset) <= allowed:
        return None
    way = way_on_sheet((offset * along[0], offset * along[1]))
    parameters: dict[str, Parameter] = {
        "name": survey.name(item),
        "offset": abs(offset),
        "way": way,
        "allowed": allowed,
    }
    return OutOfLine(parameters, _sight_lines(parent, item, along))


def _in_line(survey: Survey, parent: PlacedView, item: PlacedView) -> Point | None:
    """The direction on the sheet in which two views are to stand in line."""
    look = survey.reference.look if parent is survey.front else parent.look
    return shared(look, item.look) if look is not None and item.look is not None else None


def _only_boxes(survey: Survey, parent: PlacedView) -> bool:
    """Whether only the box of a view can line up with others.

    A front view turned in its own plane, or a mirror image, shares no axis with its neighbours.
    """
    turned = parent is survey.front and attitude_of(parent) != survey.reference
    return turned or parent.view.mirrored


def _middle(item: PlacedView, index: int) -> float:
    """Middle of what a view should show, across (0) or up (1), mm on the sheet."""
    low, high = item.lines.box[index], item.lines.box[index + 2]
    return item.view.at[index] + item.factor * (low + high) / 2


def _sight_lines(parent: PlacedView, item: PlacedView, along: Point) -> tuple[tuple[Point, ...], ...]:
    """Two lines across the gap between the views that show what should meet."""
    across = (-along[1], along[0])

    def corner(box: Box, beside: float, ahead: float) -> Point:
        """The corner farthest along the folding line and across it."""
        x = box[2] if beside * along[0] + ahead * across[0] > 0 else box[0]
        y = box[3] if beside * along[1] + ahead * across[1] > 0 else box[1]
        return (x, y)

    a, b = parent.box, item.box
    ahead = sum((n - m) * c for m, n, c in zip(middle_of(a), middle_of(b), across, strict=True)) > 0
    sign = 1.0 if ahead else -1.0
    lines = []
    for box in (a, b):
        x, y = corner(box, 1.0, 0.1 * sign)
        lines.append(_between(a, b, (x, y), across, sign))
    return tuple(lines)


def _between(a: Box, b: Box, through: Point, across: Point, sign: float) -> tuple[Point, ...]:
    """The stretch of a line across the gap between two boxes."""

    def reach(box: Box) -> list[float]:
        return [x * across[0] + y * across[1] for x, y in outline_of(box)]

    here = through[0] * across[0] + through[1] * across[1]
    near, far = (max(reach(a)), min(reach(b))) if sign > 0 else (min(reach(a)), max(reach(b)))
    return tuple((through[0] + (t - here) * across[0], through[1] + (t - here) * across[1]) for t in (near, far))
