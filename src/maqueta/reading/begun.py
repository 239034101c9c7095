"""A sheet of which the lines are told: their kinds, the frame, and the groups they make, not yet what those are."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Final

from maqueta.phrases.phrase import phrase
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.chords import join_chords
from maqueta.reading.content import Content, Stroke
from maqueta.reading.dashes import join_dashes
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.expectation import Expectation
from maqueta.reading.frame import SheetFrame, find_frame
from maqueta.reading.kinds import kinds_of
from maqueta.reading.known_form import find_form
from maqueta.reading.settle import Settled, settle_open
from maqueta.reading.special.belonging import areas_of_groups
from maqueta.reading.special.evidence import Evidence, evidence
from maqueta.reading.special.revolved import revolved_apart
from maqueta.reading.title import read_title, symbol_marks
from maqueta.reading.untangled import untangled
from maqueta.reading.view_groups import Group, box_of_strokes, view_groups, without_strays
from maqueta.sheet.document import MOST_VIEWS, TitleBlock
from maqueta.sheet.fields import FARTHEST
from maqueta.sheet.scales import parse_scale
from maqueta.sheet.special import Hatching

_GEOMETRY: Final = ("visible", "hidden", "open")


@dataclass(frozen=True)
class BegunSheet:
    """What is told of a sheet without its special views; it needs no look of the part but the usual ones.

    `content` is without what speaks of special views; `on_form` tells whether the form that was asked for is there,
    `beyond` how many groups are more than a sheet may have.
    """

    content: Content
    expected: Expectation
    strokes: Sequence[Stroke]
    frame: SheetFrame
    title: TitleBlock
    on_form: bool
    scales: Sequence[float]
    told_of: Evidence
    settled: Settled
    groups: Sequence[Group]
    areas: Mapping[int, Sequence[Hatching]]
    beyond: int


def begun(content: Content, projected: ProjectedPart, expected: Expectation) -> BegunSheet:
    """Tell the lines of a sheet. Raises UnreadableSheetError when there is nothing on it, or it fits on no paper."""
    strokes = join_dashes(join_chords(content.strokes))
    fit_on_paper(strokes)
    kinds = kinds_of(strokes)
    known = find_form(expected.form, strokes, content.words) if expected.form is not None else None
    frame = known.frame if known is not None else find_frame(strokes, kinds, content.words, expected.paper)
    symbol = symbol_marks(strokes)
    aside = frame.members | (symbol[1] if symbol is not None else frozenset())
    if known is not None:
        content, title = replace(content, words=known.words), known.title
    else:
        title = read_title(content.words, [strokes[i] for i in sorted(aside)], frame.title)
    scales = likely_scales(title, expected)
    told_of = evidence(content, strokes, kinds, frame, aside)
    kinds, content = told_of.kinds, told_of.content
    taken = [i for i, kind in enumerate(kinds) if kind in _GEOMETRY and i not in aside]
    if not taken:
        raise UnreadableSheetError(phrase("sheet-without-views"))
    told = untangled(content, strokes, kinds, taken, frame.title, projected, scales, expected.units, expected.tolerance)
    kinds, taken = told.kinds, [i for i in taken if told.kinds[i] != "dimension" and i not in told.aside]
    settled = settle_open(strokes, kinds, taken, told.aside, projected, scales, expected.tolerance)
    kinds, taken = settled.kinds, settled.taken
    groups = view_groups(strokes, kinds, taken, settled.either, projected, scales, expected)
    groups, beyond = _most(without_strays(groups, strokes), strokes)
    areas = areas_of_groups(groups, told_of.areas)
    if areas:
        about = (strokes, kinds, settled.either, projected, scales, expected)
        groups, areas = revolved_apart(groups, areas, *about)
    return BegunSheet(
        content=content,
        expected=expected,
        strokes=strokes,
        frame=frame,
        title=title,
        on_form=known is not None,
        scales=scales,
        told_of=told_of,
        settled=settled,
        groups=groups,
        areas=areas,
        beyond=beyond,
    )


def fit_on_paper(strokes: Sequence[Stroke]) -> None:
    """Raises UnreadableSheetError for lines that fit on no paper."""
    left, bottom, right, top = box_of_strokes(strokes, range(len(strokes)))
    if max(right - left, top - bottom) > FARTHEST:
        raise UnreadableSheetError(phrase("sheet-metres-large", size=max(right - left, top - bottom) / 1000))


def _most(groups: Sequence[Group], strokes: Sequence[Stroke]) -> tuple[list[Group], int]:
    """As many groups as a sheet may have views, views of the part and those with most ink first, and how many more."""
    ink = [sum(strokes[i].piece.length for i in group.members) for group in groups]
    order = sorted(range(len(groups)), key=lambda k: (not groups[k].fits, -ink[k]))
    kept = sorted(order[:MOST_VIEWS])
    return [groups[k] for k in kept], max(0, len(groups) - MOST_VIEWS)


def likely_scales(title: TitleBlock, expected: Expectation) -> list[float]:
    """The scales a sheet may be drawn at: what its title block says, what is asked for, full size."""
    written = [title.fields.get("scale"), expected.scale]
    found = [scale for text in written if text and (scale := parse_scale(text)) is not None]
    return list(dict.fromkeys([*found, 1.0]))
