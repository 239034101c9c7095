"""Criterion views: the right set."""

from itertools import combinations

from maqueta.checking.catalogue import found
from maqueta.checking.finding import Finding
from maqueta.checking.front import outline
from maqueta.checking.survey import Survey, attitude_of
from maqueta.dimensioning.sides import direction_of_axis
from maqueta.projection.attitude import side_along, usual
from maqueta.projection.needed import repeats, tells
from maqueta.sheet.placed import PlacedView
from maqueta.solid.part import AXES, Feature


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
    present = set(survey.names.values())
    wanted: list[str] = list(survey.exercise.views or ())
    if survey.exercise.pictorial == "required":
        wanted.append("pictorial")
    if survey.front is None:
        wanted = wanted or ["front"]
    return [found("views.missing", parameters={"name": name}) for name in wanted if name not in present]


def _repeated(survey: Survey) -> list[Finding]:
    """Views that repeat each other, unless the exercise asks for both."""
    tolerance = 1e-5 * survey.projected.part.size
    asked = set(survey.exercise.views or ())
    result = []
    for first, second in combinations(survey.principal, 2):
        names = (survey.name(first), survey.name(second))
        if names[0] != names[1] and asked.issuperset(names):
            continue
        if repeats(first.lines, second.lines, tolerance):
            result.append(
                found(
                    "views.repeated",
                    views=(first.view.id, second.view.id),
                    at=(outline(second.box),),
                    parameters={"first": names[0], "second": names[1]},
                )
            )
    return result


def _surplus(survey: Survey) -> list[Finding]:
    unwanted = []
    for item in survey.placed:
        name = survey.name(item)
        if name == "unrecognised":
            continue
        if name == "pictorial":
            surplus = survey.exercise.pictorial == "unwanted"
        else:
            surplus = survey.exercise.views is not None and name not in survey.exercise.views
        if surplus:
            unwanted.append(
                found("views.surplus", views=(item.view.id,), at=(outline(item.box),), parameters={"name": name})
            )
    return unwanted


def _mirrored(survey: Survey) -> list[Finding]:
    return [
        found(
            "views.mirrored",
            views=(item.view.id,),
            at=(outline(item.box),),
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
            found("views.unrecognised", views=(item.view.id,), at=(outline(item.box),), parameters=parameters)
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
        looking = [item for item in survey.principal if attitude_of(item).side[1] == axis]
        round_ones = [feature for feature in survey.projected.part.features if feature.axis == axis]
        direction = direction_of_axis(attitude_of(survey.front), axis)
        if not looking:
            contour = tells(survey.projected, usual(side_along(axis)))
            if round_ones or contour:
                what = f"The {round_ones[0].kind}" if round_ones else "The contour"
                faces = tuple(sorted({face for feature in round_ones for face in feature.faces}))
                parameters = {"what": what, "direction": direction}
                findings.append(found("views.insufficient", parameters=parameters, faces=faces))
        elif behind := [feature for feature in round_ones if not any(_seen(item, feature) for item in looking)]:
            findings.append(
                found(
                    "views.insufficient",
                    "note",
                    views=tuple(item.view.id for item in looking),
                    parameters={"what": f"The {behind[0].kind}", "direction": direction},
                    variant="hidden",
                    faces=tuple(sorted({face for feature in behind for face in feature.faces})),
                )
            )
    return findings


def _seen(item: PlacedView, feature: Feature) -> bool:
    """Whether any visible line of a view belongs to a feature."""
    return any(set(piece.faces) & set(feature.faces) for piece in item.lines.of("visible"))
