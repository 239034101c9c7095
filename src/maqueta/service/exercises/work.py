"""Work on an exercise that is being set, done in a process of its own."""

from dataclasses import replace

from maqueta.drawing.sheet_ink import piece_item
from maqueta.judging.survey import Survey
from maqueta.making.starting_sheet import choices, proposed_changes, starting_looks, starting_sheet
from maqueta.phrases.phrase import phrase
from maqueta.phrases.told import ToldError
from maqueta.projection.look import Look
from maqueta.service.bench.ink import ink_answer
from maqueta.service.deliveries.work import Judged, judged
from maqueta.service.desk_work import Desk, RefusedError
from maqueta.service.exercises.messages import ChoiceAnswer, StartingAnswer
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.placed import placed_views


def begun_looks(desk: Desk) -> tuple[Look, ...]:
    """The looks in which the part has to be drawn for the sheet an exercise starts from."""
    return starting_looks(desk.projected, desk.task)


def begun(desk: Desk) -> SheetDocument:
    """The sheet an exercise starts from. Raises RefusedError where it cannot be set."""
    try:
        return starting_sheet(desk.projected, desk.task)
    except ToldError as error:
        raise RefusedError(422, phrase("exercise-cannot-be-set", reason=error.reason)) from error


def tried(desk: Desk, propose: int, seed: int) -> StartingAnswer:
    """The sheet an exercise would start from, with lines that can be changed, some of them chosen by the program."""
    projected, task = desk.projected, desk.task
    if propose and task.drafting.kind in ("missing lines", "wrong lines"):
        changes = proposed_changes(projected, task, propose, seed)
        task = task.model_copy(update={"drafting": task.drafting.model_copy(update={"changes": changes})})
    document = begun(replace(desk, task=task, student=False))
    views = dict(zip(task.view_names, (item.move for item in placed_views(projected, document)), strict=False))
    offered = choices(projected, task) if task.drafting.kind in ("missing lines", "wrong lines") else ()
    lines = [
        ChoiceAnswer(view=c.view, at=c.at, added=c.added, item=piece_item(c.piece.moved(views[c.view])))
        for c in offered
    ]
    return StartingAnswer(
        ink=ink_answer(Survey(projected, task, document)), changes=list(task.drafting.changes), choices=lines
    )


def judged_anew(desk: Desk, *documents: SheetDocument) -> list[Judged | None]:
    """Sheets that are in, checked as something else asks; nothing for one that cannot be."""
    return [_judged_or_not(desk, document) for document in documents]


def _judged_or_not(desk: Desk, document: SheetDocument) -> Judged | None:
    try:
        return judged(desk, document, True)
    # Of a sheet that cannot be judged so nothing can be said; the others are told.
    except (RefusedError, ToldError, ValueError, ArithmeticError):
        return None
