"""Criterion pictorial: the equal-axis view shows what the other views show, from the corner that shows most."""

from collections.abc import Collection
from typing import Final, cast

from maqueta.geometry.box import outline_of
from maqueta.judging.finding import Finding, Parameter
from maqueta.judging.rule import Rules, rule
from maqueta.judging.survey import Survey
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.projection.arrangement import ViewName, name_of
from maqueta.projection.attitude import Corner
from maqueta.projection.corners import corner_showing_more, corners_of_views, features_seen, seen_alike, sides_shown
from maqueta.sheet.placed import PlacedView
from maqueta.sheet.view import FromCorner
from maqueta.task.fronts import accepted_fronts

RULES: Final = Rules(
    (
        rule("pictorial.corner", "warning", "doubt"),
        rule("pictorial.hides", "warning", "missing"),
        rule("pictorial.shading", "warning", "missing"),
    )
)


def check_pictorial(survey: Survey) -> list[Finding]:
    """`pictorial.shading`; and `pictorial.corner`, else `pictorial.hides`: one reason at a time to draw it anew."""
    if survey.exercise.pictorial == "unwanted":
        return []
    findings = [_unshaded(item) for item in survey.pictorial if survey.exercise.shaded and _can_be_shaded(item)]
    if survey.front is not None:
        findings += [finding for item in survey.pictorial if (finding := _check(survey, item)) is not None]
    return findings


def _can_be_shaded(item: PlacedView) -> bool:
    """Whether the program would have shaded a view that is not; lines drawn elsewhere say nothing of tints."""
    return item.view.lines is None and item.view.shading is None


def _unshaded(item: PlacedView) -> Finding:
    return RULES.found("pictorial.shading", views=(item.view.id,), at=(outline_of(item.box),))


def _check(survey: Survey, item: PlacedView) -> Finding | None:
    if not isinstance(item.view.look, FromCorner):
        return None
    drawn, projected = item.view.look.corner, survey.projected
    names = cast(set[ViewName], {survey.name(other) for other in survey.principal})
    usual = corners_of_views(survey.reference, names)
    if drawn not in usual:
        drawn = seen_alike(projected, drawn, item.view.look.turn, usual) or drawn
    seen = features_seen(projected, drawn)
    common = {"views": (item.view.id,), "at": (outline_of(item.box),)}
    if drawn not in usual and not _excused(survey, drawn, usual, names):
        parameters = {"wanted": _sides(survey, usual[0]), "drawn": _sides(survey, drawn)}
        return RULES.found("pictorial.corner", parameters=parameters, **common)
    better = corner_showing_more(projected, drawn, usual, survey.reference.up)
    if better is None:
        return None
    hidden = [projected.part.features[i] for i in sorted(features_seen(projected, better) - seen)]
    about: dict[str, Parameter] = {
        "what": phrase("some-shape", kind=hidden[0].kind),
        "count": len(hidden),
        "corner": _sides(survey, better),
    }
    faces = tuple(sorted({face for feature in hidden for face in feature.faces}))
    return RULES.found("pictorial.hides", parameters=about, faces=faces, **common)


def _excused(survey: Survey, drawn: Corner, usual: tuple[Corner, ...], names: Collection[ViewName]) -> bool:
    """Whether another corner than the usual ones is no mistake.

    One that shows more than a usual one, and nothing less, is well chosen. Beside a wrong front view, the one that
    belongs to a front view the exercise takes is no second mistake.
    """
    seen = features_seen(survey.projected, drawn)
    if any(seen > features_seen(survey.projected, corner) for corner in usual):
        return True
    fronts = accepted_fronts(survey.projected, survey.exercise)
    return any(drawn in corners_of_views(front, names) for front in fronts)


def _sides(survey: Survey, corner: Corner) -> tuple[Phrase, ...]:
    """The three sides a corner shows: front or back, top or bottom, right or left."""
    names = {name_of(survey.reference, side) for side in sides_shown(corner)}
    order: tuple[ViewName, ...] = ("front", "rear", "top", "bottom", "right", "left")
    return tuple(phrase("shown-side", name=name) for name in order if name in names)
