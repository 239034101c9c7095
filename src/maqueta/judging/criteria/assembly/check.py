"""Criterion assembly."""

from maqueta.judging.apart_survey import ApartSurvey
from maqueta.judging.criteria.assembly.apart import check_apart
from maqueta.judging.criteria.assembly.balloons import check_balloons
from maqueta.judging.criteria.assembly.listed import check_list
from maqueta.judging.criteria.assembly.sides import check_sides
from maqueta.judging.finding import Finding
from maqueta.judging.survey import Survey


def check_assembly(survey: Survey) -> list[Finding]:
    """All rules of the criterion, as far as a sheet is asked to show an assembly so."""
    if not survey.projected.part.components:
        return []
    apart = ApartSurvey(survey)
    match survey.exercise.shows:
        case "pulled apart":
            return [*check_apart(apart), *check_balloons(apart), *check_list(apart)]
        case "parts list":
            return check_list(apart)
        case _:
            return check_sides(survey)
