"""Criterion angle: first or third angle, kept throughout and stated."""

from collections import Counter

from maqueta.checking.catalogue import found
from maqueta.checking.finding import Finding, Parameter
from maqueta.checking.front import outline
from maqueta.checking.survey import Survey
from maqueta.projection.arrangement import Angle, place


def check_angle(survey: Survey) -> list[Finding]:
    """`angle.arrangement`, `angle.mixed` and `angle.symbol`."""
    return [*_arrangement(survey), *_symbol(survey)]


def _arrangement(survey: Survey) -> list[Finding]:
    asked = survey.exercise.angle
    votes = Counter(survey.angles.values())
    if not votes or set(votes) == {asked}:
        return []
    other: Angle = "first" if asked == "third" else "third"
    if len(votes) == 1:
        wrong = list(survey.angles)
        rule = "angle.arrangement"
        parameters: dict[str, Parameter] = {"angle": asked, "other": other}
    else:
        ruling = asked if votes[asked] >= votes[other] else other
        wrong = [view for view, angle in survey.angles.items() if angle != ruling]
        rule, parameters = "angle.mixed", {}
    parameters["placed"] = "; ".join(_placed(survey, view) for view in wrong)
    at = tuple(outline(survey.by_id[view].box) for view in wrong)
    return [found(rule, views=tuple(wrong), at=at, parameters=parameters)]


def _placed(survey: Survey, view: str) -> str:
    assert survey.front is not None
    item = survey.by_id[view]
    name = survey.principal_name(item)
    words = {
        "above": "above the front view",
        "below": "below the front view",
        "left": "left of the front view",
        "right": "right of the front view",
        "apart": "apart from the front view",
    }
    return f"the {name} view stands {words[place(survey.front.box, item.box, name)]}"


def _symbol(survey: Survey) -> list[Finding]:
    asked, symbol = survey.exercise.angle, survey.sheet.title.angle
    left, bottom, right, top = survey.layout.title
    at = (((left + 0.9 * (right - left), (bottom + top) / 2),),)
    if symbol is None:
        return [found("angle.symbol", "warning", at=at, parameters={"angle": asked}, variant="missing")]
    if symbol != asked:
        parameters = {"angle": asked, "symbol": symbol}
        return [found("angle.symbol", at=at, parameters=parameters, variant="contradicts")]
    return []
