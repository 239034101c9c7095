"""Criterion scale: one recommended scale, as asked and as stated."""

from typing import Final

from maqueta.geometry.box import outline_of
from maqueta.judging.finding import Finding
from maqueta.judging.rule import Rules, rule
from maqueta.judging.survey import Survey
from maqueta.sheet.scales import is_recommended, parse_scale, recommended, write_scale
from maqueta.sheet.spacing import GapSum

RULES: Final = Rules(
    (
        rule("scale.stated", "error", "displaced", "", "unreadable"),
        rule("scale.mixed", "error", "displaced"),
        rule("scale.nonstandard", "warning", "doubt"),
        rule("scale.asked", "error", "displaced"),
        rule("scale.fill", "warning", "doubt", "larger", "crowded"),
    )
)


def check_scale(survey: Survey) -> list[Finding]:
    """`scale.mixed`, `scale.nonstandard`, `scale.asked`, `scale.stated` and `scale.fill`, each on its own."""
    drawn = survey.scale
    if drawn is None:
        return []
    ratio = survey.exercise.thresholds.scale_ratio
    written = write_scale(drawn)
    all_views = tuple(item.view.id for item in survey.principal if not survey.off_scale(item))
    findings = [
        RULES.found(
            "scale.mixed",
            views=(item.view.id,),
            at=(outline_of(item.box),),
            parameters={"name": survey.name(item), "scale": write_scale(item.view.scale), "drawn": written},
        )
        for item in survey.principal
        if survey.off_scale(item)
    ]
    if not is_recommended(drawn, survey.exercise.units):
        near = min(recommended(survey.exercise.units), key=lambda scale: abs(float(scale) / drawn - 1))
        parameters = {"drawn": written, "near": write_scale(float(near))}
        findings.append(RULES.found("scale.nonstandard", views=all_views, parameters=parameters))
    asked = parse_scale(survey.exercise.scale) if survey.exercise.scale else None
    if asked is not None and abs(drawn / asked - 1) > ratio:
        parameters = {"asked": write_scale(asked), "drawn": written}
        findings.append(RULES.found("scale.asked", views=all_views, parameters=parameters))
    findings += _stated(survey, written, drawn, ratio)
    if asked is None:
        findings += _fill(survey, drawn)
    return findings


def least_gap(survey: Survey, scale: float) -> float:
    """The smallest of the equal gaps the principal views would have at a scale, mm; negative when they do not fit."""
    assert survey.scale is not None
    area = survey.layout.drawing_area
    gaps = []
    for columns, low, high in ((survey.columns_of_one_scale.across, 0, 2), (survey.columns_of_one_scale.up, 1, 3)):
        sizes = tuple(column.size * scale / survey.scale for column in columns)
        gaps.append(GapSum(area[high] - area[low], sizes).gap)
    return min(gaps)


def proposed(survey: Survey) -> float | None:
    """The largest recommended scale at which every equal gap keeps the room dimensions take; None when none does."""
    if survey.scale is None:
        return None
    room = survey.exercise.thresholds.room_mm
    good = (float(scale) for scale in reversed(recommended(survey.exercise.units)))
    return next((scale for scale in good if least_gap(survey, scale) >= room), None)


def _fill(survey: Survey, drawn: float) -> list[Finding]:
    """Whether a larger recommended scale would still leave room for dimensions, or this one leaves none."""
    room = survey.exercise.thresholds.room_mm
    views = tuple(item.view.id for item in survey.principal)
    good = [float(scale) for scale in recommended(survey.exercise.units)]
    larger = next((scale for scale in good if scale > drawn * 1.0001), None)
    here = least_gap(survey, drawn)
    # Twice the room before a larger scale is urged: dimensions in two rows need it.
    if larger is not None and least_gap(survey, larger) >= 2 * room:
        parameters = {"larger": write_scale(larger), "gap": least_gap(survey, larger), "drawn": write_scale(drawn)}
        return [RULES.found("scale.fill", views=views, parameters=parameters, variant="larger")]
    smaller = next(
        (scale for scale in reversed(good) if scale < drawn * 0.9999 and least_gap(survey, scale) >= room), None
    )
    crowded = survey.exercise.dimensioning.required and here < room / 2
    if crowded and smaller is not None:
        parameters = {"smaller": write_scale(smaller), "gap": max(0.0, here), "drawn": write_scale(drawn)}
        return [RULES.found("scale.fill", views=views, parameters=parameters, variant="crowded")]
    return []


def _stated(survey: Survey, written: str, drawn: float, ratio: float) -> list[Finding]:
    text = survey.sheet.title.fields.get("scale", "").strip()
    if not text:
        return []
    stated = parse_scale(text)
    left, bottom, right, top = survey.layout.title
    at = (((left + 0.45 * (right - left), top - (top - bottom) / 6),),)
    if stated is None:
        return [RULES.found("scale.stated", at=at, parameters={"stated": text, "drawn": written}, variant="unreadable")]
    if abs(stated / drawn - 1) > ratio:
        return [RULES.found("scale.stated", at=at, parameters={"stated": text, "drawn": written})]
    return []
