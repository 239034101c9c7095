"""Work on a sheet that is handed in, done in a process of its own: what reads is loaded there, and by no server."""

from dataclasses import dataclass, replace
from typing import Any

from maqueta.judging.finding import Finding
from maqueta.judging.report import Check, check
from maqueta.judging.scope import Scope
from maqueta.judging.sheet_set import check_one
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.phrases.told import ToldError
from maqueta.projection.look import Look
from maqueta.reading.said_to_be import Said
from maqueta.service.deliveries.messages import ReadSheetAnswer, ReadView
from maqueta.service.desk_work import Desk, RefusedError
from maqueta.service.marking.answers import FINDING
from maqueta.sheet.document import SheetDocument


@dataclass(frozen=True, slots=True)
class Judged:
    """A sheet as it is handed in, what was found on it (rule and measurement), and what of it can be judged."""

    document: SheetDocument
    measured: list[tuple[str, dict[str, Any]]]
    scope: Scope


@dataclass(frozen=True, slots=True)
class Wanted:
    """Looks in which a part has to be drawn before something can be told of its special views."""

    looks: tuple[Look, ...]


def judged(desk: Desk, document: SheetDocument, read: bool = False) -> Judged:
    """A sheet, checked; unless it was `read` from a file, its drafted views are put in their places before.

    Raises RefusedError.
    """
    from maqueta.reading.laid import laid

    desk.allow(document)
    tolerance = desk.task.for_sheet(document.by_hand).tolerance_mm
    settled = document if read else desk.filled(laid(desk.projected, document, tolerance))
    result, of_set = _checked(desk, settled)
    found = [*result.findings, *of_set]
    measured = [(finding.rule, FINDING.dump_python(finding, mode="json")) for finding in found]
    return Judged(settled, measured, result.scope if desk.in_set is None else _among_others(result.scope))


def _among_others(scope: Scope) -> Scope:
    """What can be judged of a sheet among those of its set: also how it fits there."""
    return replace(scope, unjudged={of: why for of, why in scope.unjudged.items() if of != "set"})


def _checked(desk: Desk, document: SheetDocument) -> tuple[Check, list[Finding]]:
    """The check of a sheet, and what is found of it among those of its set."""
    if desk.in_set is None:
        return check(desk.projected, desk.task, document), []
    parts, came, place = desk.among(desk.in_set, document)
    return check_one(desk.in_set.asked, parts, came, place, desk.task)


def recognised(desk: Desk, document: SheetDocument, not_read: list[Phrase]) -> ReadSheetAnswer:
    """What the views of a delivered sheet are taken for."""
    survey, may = desk.survey(document), desk.told
    views = [
        ReadView(id=item.view.id, name=survey.name(item), scale=item.view.scale, match=may.match(survey.match(item)))
        for item in survey.placed
    ]
    return ReadSheetAnswer(document=document, views=views, not_read=not_read)


def mended(desk: Desk, document: SheetDocument, view: str, said: Said, of: str | None) -> ReadSheetAnswer | Wanted:
    """A delivered sheet with one view taken for what its drafter says it is, or what has to be drawn before.

    Raises RefusedError.
    """
    from maqueta.reading.correct import corrected
    from maqueta.reading.delivered import expectation
    from maqueta.reading.special.matching import LooksWantedError

    task = desk.task.for_sheet(document.by_hand)
    try:
        again = corrected(desk.projected, document, view, said, expectation(desk.projected, task), of)
    except LooksWantedError as wanted:
        return Wanted(wanted.looks)
    except KeyError as error:
        raise RefusedError(404, phrase("no-such-view")) from error
    except ToldError as error:
        raise RefusedError(422, phrase("nothing-changed", reason=error.reason)) from error
    return recognised(desk, again, [])
