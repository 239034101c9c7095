"""Criterion scale: one recommended scale, as asked and as stated."""

from maqueta.checking.catalogue import found
from maqueta.checking.finding import Finding
from maqueta.checking.front import outline
from maqueta.checking.survey import Survey
from maqueta.sheet.scales import is_recommended, parse_scale, recommended, write_scale


def check_scale(survey: Survey) -> list[Finding]:
    """`scale.mixed`, `scale.nonstandard`, `scale.asked` and `scale.stated`, each on its own."""
    drawn = survey.scale
    if drawn is None:
        return []
    ratio = survey.exercise.thresholds.scale_ratio
    written = write_scale(drawn)
    all_views = tuple(item.view.id for item in survey.principal if not survey.off_scale(item))
    findings = [
        found(
            "scale.mixed",
            views=(item.view.id,),
            at=(outline(item.box),),
            parameters={"name": survey.name(item), "scale": write_scale(item.view.scale), "drawn": written},
        )
        for item in survey.principal
        if survey.off_scale(item)
    ]
    if not is_recommended(drawn, survey.exercise.units):
        near = min(recommended(survey.exercise.units), key=lambda scale: abs(float(scale) / drawn - 1))
        parameters = {"drawn": written, "near": write_scale(float(near))}
        findings.append(found("scale.nonstandard", views=all_views, parameters=parameters))
    asked = parse_scale(survey.exercise.scale) if survey.exercise.scale else None
    if asked is not None and abs(drawn / asked - 1) > ratio:
        parameters = {"asked": write_scale(asked), "drawn": written}
        findings.append(found("scale.asked", views=all_views, parameters=parameters))
    findings += _stated(survey, written, drawn, ratio)
    return findings


def _stated(survey: Survey, written: str, drawn: float, ratio: float) -> list[Finding]:
    text = survey.sheet.title.fields.get("scale", "").strip()
    if not text:
        return []
    stated = parse_scale(text)
    left, bottom, right, top = survey.layout.title
    at = (((left + 0.45 * (right - left), top - (top - bottom) / 6),),)
    if stated is None:
        return [found("scale.stated", at=at, parameters={"stated": text, "drawn": written}, variant="unreadable")]
    if abs(stated / drawn - 1) > ratio:
        return [found("scale.stated", at=at, parameters={"stated": text, "drawn": written})]
    return []
