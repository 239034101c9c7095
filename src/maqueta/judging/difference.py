"""What a sheet should show and what it shows, view by view: to be laid over each other."""

from collections.abc import Iterable
from dataclasses import dataclass

from maqueta.geometry.compare import Comparison
from maqueta.geometry.line_set import Piece
from maqueta.judging.survey import Survey
from maqueta.sheet.document import Mark
from maqueta.sheet.placed import PlacedView
from maqueta.sizes.centre_marks import lacking_marks


@dataclass(frozen=True, slots=True)
class ViewDifference:
    """A view's lines as they should be, those of them that are not drawn, and those that are drawn and should not be.

    Pieces in the view's own plane. Of a line in the wrong place, both places are told; `missing` pieces carry the kind
    they should have.
    """

    view: PlacedView
    expected: tuple[Piece, ...]
    missing: tuple[Piece, ...]
    surplus: tuple[Piece, ...]


def differences(survey: Survey) -> list[ViewDifference]:
    """The difference of every view that is a view of the part and no mirror image of one."""
    found = []
    for item in survey.placed:
        if not item.lines.pieces or item.view.mirrored:
            continue
        compared = survey.compared.get(item.view.id)
        if compared is not None:
            wanted = survey.hidden_wanted(item)
            found.append(ViewDifference(item, _expected(item, wanted), _missing(compared), _surplus(compared)))
        else:
            found.append(_projected(survey, item))
    return found


def lacking_centres(survey: Survey) -> list[Mark]:
    """The centre marks and lines that should be there and are not; none where the exercise asks for none."""
    if not survey.exercise.centre_lines:
        return []
    judged = [i for i in survey.placed if i.orthographic is not None and i.lines.pieces and not i.view.mirrored]
    return list(lacking_marks(survey.projected, judged, survey.sheet.marks))


def _expected(item: PlacedView, hidden: bool) -> tuple[Piece, ...]:
    return (*item.lines.of("visible"), *(item.lines.of("hidden") if hidden else ()))


def _missing(compared: Comparison) -> tuple[Piece, ...]:
    return (*compared.missing, *compared.wrong, *(pair.missing for pair in compared.displaced))


def _surplus(compared: Comparison) -> tuple[Piece, ...]:
    return (*compared.extra, *compared.smooth, *(pair.extra for pair in compared.displaced))


def _projected(survey: Survey, item: PlacedView) -> ViewDifference:
    """Of a projected view only what is shown can differ: hidden lines left out or left on, smooth ones drawn."""
    wanted = survey.hidden_wanted(item)
    expected = _expected(item, wanted)
    return ViewDifference(item, expected, _without(expected, item.drawn), _without(item.drawn, expected))


def _without(pieces: Iterable[Piece], others: tuple[Piece, ...]) -> tuple[Piece, ...]:
    """Both are stretches of one line set, so they are equal or apart."""
    return tuple(piece for piece in pieces if piece not in others)
