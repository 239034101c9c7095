"""What of a sheet can be judged, criterion by criterion: what is beyond the program, and what was not delivered."""

from collections.abc import Mapping
from dataclasses import dataclass, field

from maqueta.judging.criteria.auxiliary import check_auxiliary
from maqueta.judging.dimension_survey import DimensionSurvey
from maqueta.judging.survey import Survey
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.task.criteria import ALONE, CRITERIA, OF_PARTS, SPECIAL, Criterion

_NO_VIEW = phrase("scope-no-view")


@dataclass(frozen=True, slots=True)
class Scope:
    """Reasons by criterion: `unjudged` keeps its points, `lacking` earns none, since there is nothing to earn them."""

    unjudged: Mapping[Criterion, Phrase] = field(default_factory=dict)
    lacking: Mapping[Criterion, Phrase] = field(default_factory=dict)


def scope_of(survey: Survey, dimensions: DimensionSurvey) -> Scope:
    """What of a sheet can be judged."""
    unjudged: dict[Criterion, Phrase] = {}
    lacking: dict[Criterion, Phrase] = {}
    exercise = survey.exercise
    if survey.front is None:
        for criterion in ("front", "angle", "views", "alignment", "lines", "scale", "layout", "pictorial"):
            lacking[criterion] = _NO_VIEW
    elif len(survey.principal) == 1 and len(exercise.view_names) > 1:
        lacking["angle"] = lacking["alignment"] = phrase("scope-one-view")
    if not exercise.dimensioning.required:
        unjudged["dimensions"] = unjudged["placement"] = phrase("scope-no-dimensions-asked")
    elif not survey.sheet.dimensions and not any(own.survey.sheet.dimensions for own in dimensions.others):
        lacking["dimensions"] = lacking["placement"] = phrase("scope-no-dimension")
    elif survey.front is None:
        lacking["dimensions"] = lacking["placement"] = _NO_VIEW
    elif dimensions.reason is not None:
        unjudged["dimensions"] = dimensions.reason
    if not exercise.title_fields:
        unjudged["title"] = phrase("scope-no-fields-asked")
    elif not any(survey.sheet.title.fields.values()) and survey.sheet.title.angle is None:
        lacking["title"] = phrase("scope-title-empty")
    if exercise.pictorial == "required" and not survey.pictorial:
        lacking["pictorial"] = phrase("scope-no-pictorial")
    asked, kinds = exercise.asked_specially, {item.view.kind for item in survey.placed}
    unjudged["set"] = phrase("scope-no-set")
    if exercise.shows == "views":
        unjudged["assembly"] = phrase("scope-no-assembly-asked")
    elif not survey.projected.part.components:
        unjudged["assembly"] = phrase("scope-no-assembly")
    elif exercise.shows in ALONE:
        none_asked = {c: phrase("scope-parts-alone") for c in CRITERIA if c not in (*OF_PARTS, "set")}
        return Scope(unjudged | none_asked, {c: why for c, why in lacking.items() if c in OF_PARTS and c != "layout"})
    for criterion in SPECIAL:
        if criterion not in kinds and criterion not in asked:
            unjudged[criterion] = phrase("scope-no-special-asked")
        elif criterion not in kinds and criterion != "auxiliary":
            lacking[criterion] = phrase("scope-no-special", kind=criterion)
    # What an auxiliary view is asked for, any other may show.
    unshown = any(finding.rule == "auxiliary.missing" for finding in check_auxiliary(survey))
    if "auxiliary" in asked and "auxiliary" not in kinds and unshown:
        lacking["auxiliary"] = phrase("scope-no-special", kind="auxiliary")
    return Scope(unjudged, lacking)
