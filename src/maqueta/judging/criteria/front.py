"""Criterion front: is it the right front view?"""

from typing import Final

from maqueta.geometry.box import outline_of
from maqueta.judging.finding import Finding, Parameter
from maqueta.judging.rule import Rules, rule
from maqueta.judging.survey import Survey, attitude_of
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.projection.attitude import Attitude
from maqueta.projection.ranking import USUAL_WEIGHTS, Ranked, best_of_side

RULES: Final = Rules(
    (
        rule("front.side", "error", "displaced", "listed", "ranked"),
        rule("front.turn", "error", "displaced"),
    )
)


def check_front(survey: Survey) -> list[Finding]:
    """`front.side` and `front.turn`: by the exercise's own list when it has one, else by the ranking."""
    if survey.front is None:
        return []
    drawn = attitude_of(survey.front)
    view = survey.front.view.id
    at = (outline_of(survey.front.box),)
    accepted = [choice.attitude for choice in survey.exercise.front.accept]
    if accepted:
        as_drawn = next(entry for entry in survey.ranking if entry.attitude == drawn)
        if not {drawn, *as_drawn.equal_to}.isdisjoint(accepted):
            return []
        same_side = [attitude for attitude in accepted if attitude.side == drawn.side]
        if same_side:
            return [_turned(survey, drawn, same_side[0])]
        sides = tuple(dict.fromkeys(attitude.side for attitude in accepted))
        parameters: dict[str, Parameter] = {"side": drawn.side, "accepted": sides}
        return [RULES.found("front.side", views=(view,), at=at, parameters=parameters, variant="listed")]
    margin = survey.exercise.thresholds.front_margin
    best = survey.ranking[0]
    own_side = best_of_side(survey.ranking, drawn.side)
    if best.score - own_side.score > margin:
        measured: dict[str, Parameter] = {
            "side": drawn.side,
            "score": own_side.score,
            "best_side": best.attitude.side,
            "best": best.score,
            "gap": best.score - own_side.score,
            "margin": margin,
            "reason": _reason(own_side, best),
        }
        return [RULES.found("front.side", views=(view,), at=at, parameters=measured, variant="ranked")]
    as_drawn = next(entry for entry in survey.ranking if entry.attitude == drawn)
    if own_side.score - as_drawn.score > margin:
        return [_turned(survey, drawn, own_side.attitude)]
    return []


def _turned(survey: Survey, drawn: Attitude, best: Attitude) -> Finding:
    assert survey.front is not None
    return RULES.found(
        "front.turn",
        views=(survey.front.view.id,),
        at=(outline_of(survey.front.box),),
        parameters={"up": drawn.up, "best_up": best.up},
    )


def _reason(drawn: Ranked, best: Ranked) -> Phrase:
    """The measure that costs most, with its numbers."""
    own, others = drawn.measures.points(USUAL_WEIGHTS), best.measures.points(USUAL_WEIGHTS)
    worst = max(own, key=lambda measure: others[measure] - own[measure])
    match worst:
        case "length":
            return phrase("worst-length", across=drawn.across, best=best.across)
        case "shape":
            return phrase("worst-shape", shape=100 * drawn.measures.shape)
        case "hidden":
            return phrase("worst-hidden", count=drawn.hidden_lines, best=best.hidden_lines)
        case "natural":
            return phrase("worst-natural")
