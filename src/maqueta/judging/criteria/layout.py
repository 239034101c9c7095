"""Criterion layout: everything inside the drawing area, nothing over anything else, the whole in the middle."""

from itertools import combinations
from typing import Final

from maqueta.drawing.ink import InkGroup
from maqueta.geometry.box import Box, meet, outline_of, union
from maqueta.judging.finding import Finding, Parameter
from maqueta.judging.rule import Rules, rule
from maqueta.judging.survey import Survey
from maqueta.phrases.phrase import phrase
from maqueta.sheet.placed import PlacedView
from maqueta.sheet.spacing import GapSum, bands, gaps_between
from maqueta.solid.unit import MILLIMETRES

RULES: Final = Rules(
    (
        rule("layout.outside", "error", "displaced", "border", "title"),
        rule("layout.overlap", "error", "displaced"),
        rule("layout.centring", "warning", "displaced"),
        rule("layout.gaps", "warning", "displaced"),
    )
)

#: A line exactly on the border is not beyond it (mm).
_SLACK = 0.05


def check_layout(survey: Survey) -> list[Finding]:
    """`layout.outside`, `layout.overlap`, `layout.centring` and `layout.gaps`."""
    centring = _centring(survey)
    return [*_outside(survey), *_overlap(survey), *centring, *([] if centring else _gaps(survey))]


def _drawn(survey: Survey) -> list[InkGroup]:
    return [
        group for group in survey.ink if group.role in ("view", "dimension", "mark", "note", "balloon", "parts-list")
    ]


def _what(survey: Survey, group: InkGroup) -> Parameter:
    if group.role == "view" and survey.by_id[group.id].view.only is not None:
        return survey.names[group.id]
    if group.role == "view":
        return phrase("the-view", name=survey.names[group.id])
    if group.role == "note":
        return phrase("a-note")
    if group.role == "balloon":
        return phrase("a-balloon")
    if group.role == "parts-list":
        return phrase("the-parts-list")
    name = survey.names[group.owner or ""]
    if group.role == "dimension":
        return phrase("dimension-of-view", name=name)
    return phrase("centre-line-of-view", name=name)


def _outside(survey: Survey) -> list[Finding]:
    border, title = survey.layout.border, survey.layout.title
    findings = []
    for group in _drawn(survey):
        box = group.box
        view = group.id if group.role == "view" else group.owner
        reach = max(border[0] - box[0], border[1] - box[1], box[2] - border[2], box[3] - border[3])
        common = {
            "views": (view,) if view else (),
            "at": (outline_of(box),),
            "items": () if group.role == "view" else (group.id,),
        }
        if reach > _SLACK:
            parameters = {"what": _what(survey, group), "reach": reach}
            findings.append(RULES.found("layout.outside", parameters=parameters, variant="border", **common))
        elif meet(box, title, -_SLACK):
            findings.append(
                RULES.found("layout.outside", parameters={"what": _what(survey, group)}, variant="title", **common)
            )
    return findings


def _overlap(survey: Survey) -> list[Finding]:
    findings = []
    for first, second in combinations(survey.placed, 2):
        a, b = first.box, second.box
        if _lie_over(first, second):
            findings.append(
                RULES.found(
                    "layout.overlap",
                    views=(first.view.id, second.view.id),
                    at=(outline_of(a), outline_of(b)),
                    parameters={"first": survey.name(first), "second": survey.name(second)},
                )
            )
    return findings


def _lie_over(first: PlacedView, second: PlacedView) -> bool:
    """Whether two views overlap or touch. The box of a view folded out on a slant reaches far beyond its lines.

    A section revolved in place stands in its parent.
    """
    for own, other in ((first, second), (second, first)):
        if own.view.only is not None and other.view.only is not None:
            # Parts pulled apart fit into each other's boxes; whether they lie over each other is judged of assemblies.
            return False
        if own.view.cut is not None and own.view.cut.form == "revolved" and own.view.parent == other.view.id:
            return False
    if not meet(first.box, second.box):
        return False
    slanted = not {first.view.kind, second.view.kind}.isdisjoint(("auxiliary", "section", "detail"))
    return not slanted or bool(first.hull.intersects(second.hull))


def _centring(survey: Survey) -> list[Finding]:
    """Off centre only when the views alone are, and the views with their dimensions and centre lines as well."""
    if not survey.principal:
        return []
    ids = {item.view.id for item in survey.principal}
    bare = union([item.box for item in survey.principal])
    full = union([group.box for group in _drawn(survey) if (group.owner or group.id) in ids])
    area = survey.layout.drawing_area
    allowed = survey.exercise.thresholds.centring_mm
    off = min(max(map(abs, _imbalance(area, box))) for box in (bare, full))
    if off <= allowed:
        return []
    parameters = {
        "left": bare[0] - area[0],
        "right": area[2] - bare[2],
        "below": bare[1] - area[1],
        "above": area[3] - bare[3],
        "across": (area[2] - area[0] - bare[2] + bare[0]) / 2,
        "up": (area[3] - area[1] - bare[3] + bare[1]) / 2,
    }
    return [RULES.found("layout.centring", views=tuple(sorted(ids)), at=(outline_of(bare),), parameters=parameters)]


def _gaps(survey: Survey) -> list[Finding]:
    """Gaps between views that differ from the even one, for the bare views and with all that belongs to them."""
    if len(survey.principal) < 2:
        return []
    ids = {item.view.id for item in survey.principal}
    bare = [item.box for item in survey.principal]
    full = [_with_its_own(survey, item.view.id) for item in survey.principal]
    area, units, findings = survey.layout.drawing_area, survey.exercise.units, []
    for direction, low, high, meant in (("across", 0, 2, survey.columns.across), ("up", 1, 3, survey.columns.up)):
        gaps = None
        for boxes in (bare, full):
            columns = bands([(box[low], box[high]) for box in boxes])
            found_gaps = gaps_between((area[low], area[high]), columns)
            uneven = len(columns) > 1 and max(found_gaps) - min(found_gaps) > survey.exercise.thresholds.gaps_mm
            gaps = (found_gaps, columns) if uneven and (gaps is not None or boxes is bare) else None
            if gaps is None:
                break
        if gaps is None:
            continue
        unit = MILLIMETRES[units]
        sizes = tuple(column.size / unit for column in meant)
        total = GapSum((area[high] - area[low]) / unit, sizes)
        parameters = {
            "direction": direction,
            "gaps": ", ".join(f"{gap:.0f}" for gap in gaps_between((area[low], area[high]), gaps[1])),
            "sum": f"{total.written(units)} {units}",
            "even": total.gap * unit,
        }
        findings.append(
            RULES.found(
                "layout.gaps", views=tuple(sorted(ids)), at=tuple(outline_of(b) for b in bare), parameters=parameters
            )
        )
    return findings


def _with_its_own(survey: Survey, view: str) -> Box:
    """The box of a view with its dimensions and centre lines."""
    return union([group.box for group in _drawn(survey) if (group.owner or group.id) == view])


def _imbalance(area: Box, box: Box) -> tuple[float, float]:
    """How far the middle of a box lies from the middle of the area, across and up (mm)."""
    return ((box[0] + box[2] - area[0] - area[2]) / 2, (box[1] + box[3] - area[1] - area[3]) / 2)
