"""Work on a stored sheet, done in a process of its own."""

from collections.abc import Iterable

from maqueta.drawing.ink import Item
from maqueta.drawing.sheet_ink import mark_items, piece_item
from maqueta.geometry.line_set import Piece
from maqueta.judging.difference import ViewDifference, differences, lacking_centres
from maqueta.judging.dimension_survey import DimensionSurvey
from maqueta.judging.likeness import Trait, traits
from maqueta.judging.scope import Scope, scope_of
from maqueta.judging.survey import Survey
from maqueta.making.starting_sheet import starting_sheet
from maqueta.service.desk_work import Desk
from maqueta.service.marking.messages import DifferenceAnswer
from maqueta.sheet.document import SheetDocument


def scope(desk: Desk, document: SheetDocument) -> Scope:
    """What of a sheet can be judged."""
    survey = Survey(desk.projected, desk.task, document)
    return scope_of(survey, DimensionSurvey(survey))


def difference(desk: Desk, document: SheetDocument) -> DifferenceAnswer:
    """What a sheet should show, what of it is missing and what is surplus, as ink. Raises RefusedError."""
    survey = desk.survey(document)
    views = differences(survey)
    by_id = {item.view.id: item for item in survey.placed}
    centres = [item for mark in lacking_centres(survey) for item in mark_items(mark, by_id[mark.view])]

    def ink(pieces: Iterable[tuple[ViewDifference, Piece]]) -> list[Item]:
        return [piece_item(piece.moved(own.view.move)) for own, piece in pieces]

    return DifferenceAnswer(
        expected=[*ink((own, piece) for own in views for piece in own.expected), *centres],
        missing=[*ink((own, piece) for own in views for piece in own.missing), *centres],
        surplus=ink((own, piece) for own in views for piece in own.surplus),
    )


def traits_of(desk: Desk, *documents: SheetDocument) -> list[frozenset[Trait]]:
    """What of each of some sheets is so without need; nothing of what the exercise has set out itself."""
    given: frozenset[Trait] = frozenset()
    if desk.task.drafting.given:
        given = traits(desk.projected, desk.task, starting_sheet(desk.projected, desk.task))
    return [traits(desk.projected, desk.task, document) - given for document in documents]
