"""Criterion detail: enlarged views of a circled region."""

from typing import Final

from maqueta.geometry.box import outline_of
from maqueta.judging.cutting_survey import called
from maqueta.judging.finding import Finding, Parameter
from maqueta.judging.rule import Rules, rule
from maqueta.judging.survey import Survey
from maqueta.sheet.placed import PlacedView
from maqueta.sheet.scales import is_recommended, parse_scale, write_scale
from maqueta.sheet.special import CircledRegion

RULES: Final = Rules(
    (
        rule("detail.region", "error", "displaced", "", "other", "asked"),
        rule("detail.label", "error", "missing", "", "scale", "parent", "differs"),
        rule("detail.scale", "warning", "doubt", "small", "stated", "odd"),
    )
)
#: What a detail shows is what is circled when both regions share this much of what they cover together.
_SAME: Final = 0.4


def check_detail(survey: Survey) -> list[Finding]:
    """All rules of the criterion. The lines of a detail are judged as those of any view."""
    details = [item for item in survey.placed if item.view.kind == "detail"]
    if not details:
        return []
    circled = _circled(survey, details)
    findings: list[Finding] = []
    for item in details:
        own = circled.get(item.view.id)
        findings += _region(survey, item, own)
        findings += _label(survey, item, own)
        findings += _scale(survey, item, own)
    return findings + _asked(survey, details)


def _circled(survey: Survey, details: list[PlacedView]) -> dict[str, CircledRegion]:
    """The circled region of each detail: the one with its letter, else the one it shares most with."""
    left, found = list(survey.sheet.circled), {}
    for item in details:
        own = next((region for region in left if item.view.letter and region.letter == item.view.letter), None)
        if own is not None:
            found[item.view.id] = own
            left.remove(own)
    for item in details:
        if item.view.id not in found and left:
            found[item.view.id] = max(left, key=lambda region: _shared(item, region))
            left.remove(found[item.view.id])
    return found


def _shared(item: PlacedView, region: CircledRegion) -> float:
    """How much a detail shows of a circled region: what both cover, of what either does."""
    assert item.view.clip is not None, "a detail has a clip"
    shown, circled = item.view.clip.clip.area, region.region.clip.area
    return float(shown.intersection(circled).area / max(shown.union(circled).area, 1e-12))


def _found(item: PlacedView, rule: str, variant: str, more: dict[str, Parameter] | None = None) -> Finding:
    parameters: dict[str, Parameter] = {"view": called(item), **(more or {})}
    return RULES.found(rule, views=(item.view.id,), at=(outline_of(item.box),), parameters=parameters, variant=variant)


def _region(survey: Survey, item: PlacedView, own: CircledRegion | None) -> list[Finding]:
    if own is None:
        return [_found(item, "detail.region", "")]
    return [_found(item, "detail.region", "other")] if _shared(item, own) < _SAME else []


def _label(survey: Survey, item: PlacedView, own: CircledRegion | None) -> list[Finding]:
    letter = item.view.letter
    if letter is None:
        return [_found(item, "detail.label", "")]
    if item.view.stated is not None and not item.view.stated.strip():
        return [_found(item, "detail.label", "scale")]
    if own is not None and own.letter is None:
        return [_found(item, "detail.label", "parent", {"letter": letter})]
    if own is not None and own.letter != letter:
        return [_found(item, "detail.label", "differs", {"first": own.letter or "", "letter": letter})]
    return []


def _scale(survey: Survey, item: PlacedView, own: CircledRegion | None) -> list[Finding]:
    drawn, ratio = item.view.scale, survey.exercise.thresholds.scale_ratio
    home = survey.by_id[own.view] if own is not None else survey.parent(item)
    written: dict[str, Parameter] = {"drawn": write_scale(drawn)}
    usual = home.view.scale if home is not None else survey.scale
    if usual is not None and drawn <= usual * (1 + ratio):
        return [_found(item, "detail.scale", "small", written | {"parent": write_scale(usual)})]
    if item.view.stated and item.view.stated.strip():
        stated = parse_scale(item.view.stated)
        if stated is None or abs(stated / drawn - 1) > ratio:
            return [_found(item, "detail.scale", "stated", written | {"stated": item.view.stated})]
    if not is_recommended(drawn, survey.exercise.units):
        return [_found(item, "detail.scale", "odd", written)]
    return []


def _asked(survey: Survey, details: list[PlacedView]) -> list[Finding]:
    """Points that a detail is asked to show and none does; a detail that is not there is a view missing."""
    asked = [own for own in survey.exercise.special if own.kind == "detail" and own.of is not None]
    free = list(details)
    unshown = []
    for own in asked:
        showing = next((item for item in free if own.of is not None and _shows(item, own.of)), None)
        if showing is not None:
            free.remove(showing)
        else:
            unshown.append(own)
    return [_found(item, "detail.region", "asked") for item, _ in zip(free, unshown, strict=False)]


def _shows(item: PlacedView, point: tuple[float, float, float]) -> bool:
    assert item.view.clip is not None, "a detail has a clip"
    return item.look is not None and item.view.clip.clip.holds(item.look.seen(point))
