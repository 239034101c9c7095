"""Criterion views: the right set."""

from itertools import combinations
from typing import Final

from maqueta.geometry.box import outline_of
from maqueta.geometry.directions import AXES, Axis, side_along
from maqueta.judging.finding import Finding, Parameter
from maqueta.judging.rule import Rules, rule
from maqueta.judging.survey import Survey, attitude_of
from maqueta.phrases.phrase import phrase
from maqueta.projection.arrangement import VIEW_NAMES, name_of
from maqueta.projection.attitude import usual
from maqueta.projection.datum_sides import direction_of_axis
from maqueta.projection.needed import repeats, tells
from maqueta.sheet.placed import PlacedView
from maqueta.solid.part import Feature

RULES: Final = Rules(
    (
        rule("views.missing", "error", "missing"),
        rule("views.repeated", "warning", "surplus"),
        rule("views.surplus", "note", "surplus"),
        rule("views.insufficient", "error", "doubt", "", "hidden"),
        rule("views.unrecognised", "error", "doubt"),
        rule("views.mirrored", "error", "displaced"),
    )
)


def check_views(survey: Survey) -> list[Finding]:
    """All rules of the criterion."""
    return [
        *_missing(survey),
        *_repeated(survey),
        *_surplus(survey),
        *_insufficient(survey),
        *_mirrored(survey),
        *_unrecognised(survey),
    ]


def _missing(survey: Survey) -> list[Finding]:
    present = set(survey.names.values()) | _shown_cut_open(survey)
    wanted: list[str] = list(survey.exercise.views or ())
    if survey.exercise.pictorial == "required":
        wanted.append("pictorial")
    if survey.exercise.shows == "six sides":
        # Its six sides are what is asked of an assembly: see there.
        wanted = [name for name in wanted if name not in VIEW_NAMES]
    elif survey.front is None:
        wanted = wanted or ["front"]
    missing = [name for name in wanted if name not in present]
    details = sum(asked.kind == "detail" for asked in survey.exercise.special)
    missing += ["detail"] * (details - sum(item.view.kind == "detail" for item in survey.placed))
    return [RULES.found("views.missing", parameters={"name": name}) for name in missing]


def _shown_cut_open(survey: Survey) -> set[str]:
    """The views whose side a section shows, wherever it stands: it may take their place."""
    if survey.front is None:
        return set()
    sides = (item.attitude.side for item in survey.sections if item.attitude is not None)
    return {name_of(survey.reference, side) for side in sides}


def _repeated(survey: Survey) -> list[Finding]:
    """Views that repeat each other, unless the exercise asks for both."""
    asked = set(survey.exercise.views or ())
    result = []
    for first, second in combinations(survey.principal, 2):
        names = (survey.name(first), survey.name(second))
        if names[0] != names[1] and asked.issuperset(names):
            continue
        if repeats(first.lines, second.lines, _same(survey)):
            result.append(
                RULES.found(
                    "views.repeated",
                    views=(first.view.id, second.view.id),
                    at=(outline_of(second.box),),
                    parameters={"first": names[0], "second": names[1]},
                )
            )
    return result


def _surplus(survey: Survey) -> list[Finding]:
    unwanted = []
    for item in survey.placed:
        name = survey.name(item)
        # Whether a section or a detail is wanted is a matter of its own; so are auxiliary views where some are asked.
        if name in ("unrecognised", "section", "detail") or name in survey.exercise.asked_specially:
            continue
        if name == "pictorial":
            surplus = survey.exercise.pictorial == "unwanted"
        else:
            surplus = survey.exercise.views is not None and name not in survey.exercise.views
        if surplus:
            unwanted.append(
                RULES.found(
                    "views.surplus", views=(item.view.id,), at=(outline_of(item.box),), parameters={"name": name}
                )
            )
    return unwanted


def _mirrored(survey: Survey) -> list[Finding]:
    return [
        RULES.found(
            "views.mirrored",
            views=(item.view.id,),
            at=(outline_of(item.box),),
            parameters={"name": survey.name(item)},
        )
        for item in survey.principal
        if item.view.mirrored
    ]


def _unrecognised(survey: Survey) -> list[Finding]:
    findings = []
    for item in survey.unrecognised:
        left, bottom, right, top = item.box
        parameters = {"count": len(item.by_hand), "width": right - left, "height": top - bottom}
        findings.append(
            RULES.found("views.unrecognised", views=(item.view.id,), at=(outline_of(item.box),), parameters=parameters)
        )
    return findings


def _insufficient(survey: Survey) -> list[Finding]:
    """Shapes that show only along a direction in which no view looks.

    Where the exercise names the views, the set is the instructor's choice and a lacking one is `views.missing`.
    """
    if survey.exercise.views is not None or survey.front is None:
        return []
    findings = []
    for axis in AXES:
        looking = [item for item in survey.orthographic if item.look is not None and item.look.shows_point(axis)]
        round_ones = [feature for feature in survey.projected.part.features if feature.axis == axis]
        direction = direction_of_axis(attitude_of(survey.front), axis)
        if not looking:
            contour = tells(survey.projected, usual(side_along(axis))) and not _told_by_another(survey, axis)
            if round_ones or contour:
                what = phrase("some-shape", kind=round_ones[0].kind) if round_ones else phrase("contour")
                faces = tuple(sorted({face for feature in round_ones for face in feature.faces}))
                parameters: dict[str, Parameter] = {"what": what, "direction": direction}
                findings.append(RULES.found("views.insufficient", parameters=parameters, faces=faces))
        elif behind := [feature for feature in round_ones if not any(_seen(item, feature) for item in looking)]:
            findings.append(
                RULES.found(
                    "views.insufficient",
                    "note",
                    views=tuple(item.view.id for item in looking),
                    parameters={"what": phrase("some-shape", kind=behind[0].kind), "direction": direction},
                    variant="hidden",
                    faces=tuple(sorted({face for feature in behind for face in feature.faces})),
                )
            )
    return findings


def _told_by_another(survey: Survey, axis: Axis) -> bool:
    """Whether a view along an axis would show what another view shows already, as with a turned part."""
    lines = survey.projected.line_set(usual(side_along(axis)).look)
    return any(repeats(lines, item.lines, _same(survey)) for item in survey.principal)


def _same(survey: Survey) -> float:
    return 1e-5 * survey.projected.part.size


def _seen(item: PlacedView, feature: Feature) -> bool:
    """Whether any visible line of a view belongs to a feature."""
    return any(set(piece.faces) & set(feature.faces) for piece in item.lines.of("visible"))
