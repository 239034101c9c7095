"""Criterion angle: first or third angle, kept throughout and stated."""

from collections import Counter
from typing import Final

from maqueta.geometry.box import outline_of
from maqueta.judging.finding import Finding, Parameter
from maqueta.judging.rule import Rules, rule
from maqueta.judging.survey import Survey
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.projection.arrangement import Angle, where_stands

RULES: Final = Rules(
    (
        rule("angle.arrangement", "error", "displaced"),
        rule("angle.mixed", "error", "displaced"),
        rule("angle.symbol", "error", "doubt", "missing", "contradicts"),
    )
)


def check_angle(survey: Survey) -> list[Finding]:
    """`angle.arrangement`, `angle.mixed` and `angle.symbol`."""
    return [*_arrangement(survey), *_symbol(survey)]


def _arrangement(survey: Survey) -> list[Finding]:
    asked = survey.exercise.angle
    votes = Counter(survey.angles.values())
    # Of an assembly's six sides each one that is misplaced is a mistake of its own.
    one_by_one = survey.exercise.shows == "six sides" and votes[asked] > 0
    if not votes or set(votes) == {asked} or one_by_one:
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
    parameters["placed"] = tuple(_placed(survey, view) for view in wrong)
    at = tuple(outline_of(survey.by_id[view].box) for view in wrong)
    return [RULES.found(rule, views=tuple(wrong), at=at, parameters=parameters)]


def _placed(survey: Survey, view: str) -> Phrase:
    assert survey.front is not None
    item = survey.by_id[view]
    if item.view.kind == "auxiliary":
        seen_from = survey.angles[view] == "third"
        return phrase("auxiliary-seen-from") if seen_from else phrase("auxiliary-other-side")
    name = survey.principal_name(item)
    return phrase("stands", name=name, where=where_stands(survey.front.box, item.box, name))


def _symbol(survey: Survey) -> list[Finding]:
    asked, symbol = survey.exercise.angle, survey.sheet.title.angle
    left, bottom, right, top = survey.layout.title
    at = (((left + 0.9 * (right - left), (bottom + top) / 2),),)
    if symbol is None:
        return [RULES.found("angle.symbol", "warning", at=at, parameters={"angle": asked}, variant="missing")]
    if symbol != asked:
        parameters = {"angle": asked, "symbol": symbol}
        return [RULES.found("angle.symbol", at=at, parameters=parameters, variant="contradicts")]
    return []
