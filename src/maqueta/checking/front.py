"""Criterion front: is it the right front view?"""

from maqueta.checking.catalogue import found
from maqueta.checking.finding import Finding, Parameter
from maqueta.checking.survey import Survey, attitude_of
from maqueta.projection.attitude import Attitude
from maqueta.projection.carrier import Point
from maqueta.projection.line_set import Box
from maqueta.projection.ranking import Ranked, best_of_side


def check_front(survey: Survey) -> list[Finding]:
    """`front.side` and `front.turn`: by the exercise's own list when it has one, else by the ranking."""
    if survey.front is None:
        return []
    drawn = attitude_of(survey.front)
    view = survey.front.view.id
    at = (outline(survey.front.box),)
    accepted = [choice.attitude for choice in survey.exercise.front.accept]
    if accepted:
        as_drawn = next(entry for entry in survey.ranking if entry.attitude == drawn)
        if not {drawn, *as_drawn.equal_to}.isdisjoint(accepted):
            return []
        same_side = [attitude for attitude in accepted if attitude.side == drawn.side]
        if same_side:
            return [_turned(survey, drawn, same_side[0])]
        names = " or ".join(dict.fromkeys(attitude.side for attitude in accepted))
        parameters = {"side": drawn.side, "accepted": names}
        return [found("front.side", views=(view,), at=at, parameters=parameters, variant="listed")]
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
        return [found("front.side", views=(view,), at=at, parameters=measured, variant="ranked")]
    as_drawn = next(entry for entry in survey.ranking if entry.attitude == drawn)
    if own_side.score - as_drawn.score > margin:
        return [_turned(survey, drawn, own_side.attitude)]
    return []


def _turned(survey: Survey, drawn: Attitude, best: Attitude) -> Finding:
    assert survey.front is not None
    return found(
        "front.turn",
        views=(survey.front.view.id,),
        at=(outline(survey.front.box),),
        parameters={"up": drawn.up, "best_up": best.up},
    )


def _reason(drawn: Ranked, best: Ranked) -> str:
    """The measure that costs most, in words with numbers."""
    losses = {
        "length": 30 * (best.measures.length - drawn.measures.length),
        "shape": 30 * (best.measures.shape - drawn.measures.shape),
        "hidden": 25 * (best.measures.hidden - drawn.measures.hidden),
        "natural": 15 * (best.measures.natural - drawn.measures.natural),
    }
    worst = max(losses, key=lambda measure: losses[measure])
    match worst:
        case "length":
            return f"It shows {drawn.across:g} across, the other {best.across:g}."
        case "shape":
            return f"It shows {100 * drawn.measures.shape:.0f} % as much true shape as the best side."
        case "hidden":
            return f"Its set of views brings {drawn.hidden_lines} hidden lines, the other {best.hidden_lines}."
    return "The part does not stand as it does in use."


def outline(box: Box) -> tuple[Point, ...]:
    """A box as a closed polyline, to point at a whole view."""
    left, bottom, right, top = box
    return ((left, bottom), (right, bottom), (right, top), (left, top), (left, bottom))
