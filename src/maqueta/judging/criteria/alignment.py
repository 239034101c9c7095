"""Criterion alignment: neighbouring views exactly in line and not turned."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Final

from maqueta.geometry.box import Box, middle_of, outline_of
from maqueta.geometry.carrier import Point
from maqueta.judging.cutting_survey import cutting_survey
from maqueta.judging.finding import Finding, Parameter
from maqueta.judging.rule import Rules, rule
from maqueta.judging.survey import Survey, attitude_of
from maqueta.judging.ways import way_on_sheet
from maqueta.sheet.placed import PlacedView
from maqueta.sheet.special import CuttingLine
from maqueta.sheet.view_graph import shared

RULES: Final = Rules(
    (
        rule("alignment.offset", "error", "displaced", "", "parent"),
        rule("alignment.turned", "error", "displaced"),
    )
)


def check_alignment(survey: Survey) -> list[Finding]:
    """`alignment.offset` and `alignment.turned`. Views at an odd scale, or that may stand anywhere, are not judged."""
    findings = []
    lines = cutting_survey(survey).lines
    for item in survey.orthographic:
        parent = survey.parent(item)
        if parent is None or survey.off_scale(item) or _judged_elsewhere(item, lines.get(item.view.id)):
            continue
        principal = item in survey.principal
        if principal and survey.principal_name(item) == "front":
            continue
        if principal and survey.is_turned(item):
            findings.append(_turned(survey, item))
        elif not survey.off_scale(parent):
            findings += _offset(survey, parent, item)
    return findings


def _judged_elsewhere(item: PlacedView, line: CuttingLine | None) -> bool:
    """A detail, and a section with its letters, may stand anywhere; auxiliary views have a criterion of their own.

    Letters forgotten over a section are a matter of their own as well.
    """
    letters = (item.view.letter, line.letter if line is not None else None)
    lettered = item.view.kind == "section" and any(letters)
    return lettered or item.view.kind in ("detail", "auxiliary")


def _turned(survey: Survey, item: PlacedView) -> Finding:
    expected, drawn = survey.expected_attitude(item), attitude_of(item)
    quarters = next(turn for turn in range(4) if expected.turned(turn) == drawn)
    return RULES.found(
        "alignment.turned",
        views=(item.view.id,),
        at=(outline_of(item.box),),
        parameters={
            "name": survey.name(item),
            "degrees": 90 * (quarters if quarters < 3 else 1),
            "expected_up": expected.up,
            "up": drawn.up,
        },
    )


def _offset(survey: Survey, parent: PlacedView, item: PlacedView) -> list[Finding]:
    """In line across the folding line: along it, a view shows every point where its parent shows it."""
    off = out_of_line(survey, parent, item)
    if off is None:
        return []
    front = parent is survey.front
    return [
        RULES.found(
            "alignment.offset",
            views=(item.view.id, parent.view.id),
            at=off.at,
            parameters=off.parameters if front else {**off.parameters, "parent": survey.name(parent)},
            variant="" if front else "parent",
        )
    ]


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
