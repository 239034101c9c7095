"""Criterion views: the right set."""

from itertools import combinations

from maqueta.checking.catalogue import found
from maqueta.checking.finding import Finding
from maqueta.checking.front import outline
from maqueta.checking.survey import Survey
from maqueta.projection.needed import repeats


def check_views(survey: Survey) -> list[Finding]:
    """`views.missing`, `views.repeated` and `views.surplus`."""
    return [*_missing(survey), *_repeated(survey), *_surplus(survey)]


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
        if name == "pictorial":
            surplus = survey.exercise.pictorial == "unwanted"
        else:
            surplus = survey.exercise.views is not None and name not in survey.exercise.views
        if surplus:
            unwanted.append(
                found("views.surplus", views=(item.view.id,), at=(outline(item.box),), parameters={"name": name})
            )
    return unwanted
