"""Criterion alignment: neighbouring views exactly in line and not turned."""

from maqueta.checking.catalogue import found
from maqueta.checking.finding import Finding
from maqueta.checking.front import outline
from maqueta.checking.survey import Survey, attitude_of
from maqueta.projection.carrier import Point
from maqueta.sheet.placed import PlacedView


def check_alignment(survey: Survey) -> list[Finding]:
    """`alignment.offset` and `alignment.turned`. A view at an odd scale is not judged."""
    front = survey.front
    if front is None:
        return []
    findings = []
    for item in survey.principal:
        if item is front or survey.principal_name(item) == "front" or survey.off_scale(item):
            continue
        if survey.is_turned(item):
            findings.append(_turned(survey, item))
        elif not survey.off_scale(front):
            findings += _offset(survey, front, item)
    return findings


def _turned(survey: Survey, item: PlacedView) -> Finding:
    expected, drawn = survey.expected_attitude(item), attitude_of(item)
    quarters = next(turn for turn in range(4) if expected.turned(turn) == drawn)
    return found(
        "alignment.turned",
        views=(item.view.id,),
        at=(outline(item.box),),
        parameters={
            "name": survey.name(item),
            "degrees": 90 * (quarters if quarters < 3 else 1),
            "expected_up": expected.up,
            "up": drawn.up,
        },
    )


def _offset(survey: Survey, front: PlacedView, item: PlacedView) -> list[Finding]:
    """Views above and below share the front view's left and right, side views its height."""
    name = survey.principal_name(item)
    across = name in ("top", "bottom")
    index = 0 if across else 1
    offset = item.view.at[index] - front.view.at[index]
    if attitude_of(front) != survey.reference or front.view.mirrored or item.view.mirrored:
        # A front view turned in its own plane, or a mirror image, shares no axis with its neighbours: only its box
        # can line up.
        offset = _middle(item, index) - _middle(front, index)
    allowed = survey.exercise.thresholds.alignment_mm
    if abs(offset) <= allowed:
        return []
    way = ("right" if offset > 0 else "left") if across else ("up" if offset > 0 else "down")
    return [
        found(
            "alignment.offset",
            views=(item.view.id, front.view.id),
            at=_sight_lines(front, item, across),
            parameters={"name": name, "offset": abs(offset), "way": way, "allowed": allowed},
        )
    ]


def _middle(item: PlacedView, index: int) -> float:
    """Middle of what a view should show, across (0) or up (1), mm on the sheet."""
    low, high = item.lines.box[index], item.lines.box[index + 2]
    return item.view.at[index] + item.factor * (low + high) / 2


def _sight_lines(front: PlacedView, item: PlacedView, across: bool) -> tuple[tuple[Point, ...], ...]:
    """Two lines from the gap between the views that show what should meet."""
    a, b = front.box, item.box
    if across:
        near, far = (a[3], b[1]) if b[1] > a[1] else (a[1], b[3])
        return (((a[2], near), (a[2], far)), ((b[2], near), (b[2], far)))
    near, far = (a[2], b[0]) if b[0] > a[0] else (a[0], b[2])
    return (((near, a[3]), (far, a[3])), ((near, b[3]), (far, b[3])))
