"""What of a sheet can be judged, criterion by criterion: what is beyond the program, and what was not delivered."""

from collections.abc import Mapping
from dataclasses import dataclass, field

from maqueta.checking.dimension_survey import DimensionSurvey
from maqueta.checking.exercise import Criterion
from maqueta.checking.survey import Survey

_NO_VIEW = "there is no principal view on the sheet"


@dataclass(frozen=True, slots=True)
class Scope:
    """Reasons by criterion: `unjudged` keeps its points, `lacking` earns none, since there is nothing to earn them."""

    unjudged: Mapping[Criterion, str] = field(default_factory=dict)
    lacking: Mapping[Criterion, str] = field(default_factory=dict)


def scope_of(survey: Survey, dimensions: DimensionSurvey) -> Scope:
    """What of a sheet can be judged."""
    unjudged: dict[Criterion, str] = {}
    lacking: dict[Criterion, str] = {}
    exercise = survey.exercise
    if survey.front is None:
        for criterion in ("front", "angle", "views", "alignment", "lines", "scale", "layout"):
            lacking[criterion] = _NO_VIEW
    elif len(survey.principal) == 1 and len(exercise.view_names) > 1:
        lacking["angle"] = lacking["alignment"] = "there is only one principal view on the sheet"
    if not exercise.dimensioning.required:
        unjudged["dimensions"] = unjudged["placement"] = "the exercise asks for no dimensions"
    elif not survey.sheet.dimensions:
        lacking["dimensions"] = lacking["placement"] = "there is no dimension on the sheet"
    elif survey.front is None:
        lacking["dimensions"] = lacking["placement"] = _NO_VIEW
    elif dimensions.reason is not None:
        unjudged["dimensions"] = dimensions.reason
    if not exercise.title_fields:
        unjudged["title"] = "the exercise asks for no title-block fields"
    elif not any(survey.sheet.title.fields.values()) and survey.sheet.title.angle is None:
        lacking["title"] = "the title block is empty"
    return Scope(unjudged, lacking)
