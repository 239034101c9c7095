"""Work on a stored sheet, done in a process of its own."""

from maqueta.judging.dimension_survey import DimensionSurvey
from maqueta.judging.scope import Scope, scope_of
from maqueta.judging.survey import Survey
from maqueta.service.desk_work import Desk
from maqueta.sheet.document import SheetDocument


def scope(desk: Desk, document: SheetDocument) -> Scope:
    """What of a sheet can be judged."""
    survey = Survey(desk.projected, desk.task, document)
    return scope_of(survey, DimensionSurvey(survey))
