"""A sheet that shows an assembly's parts pulled apart, or their list alone, read to a sheet document."""

from collections.abc import Sequence
from dataclasses import replace
from typing import Final

from maqueta.geometry.box import apart, box_of
from maqueta.geometry.carrier import Similarity
from maqueta.geometry.line_set import extremes
from maqueta.phrases.phrase import phrase
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.begun import fit_on_paper, likely_scales
from maqueta.reading.chords import join_chords
from maqueta.reading.content import Content, Stroke
from maqueta.reading.dashes import join_dashes
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.expectation import Expectation
from maqueta.reading.frame import find_frame
from maqueta.reading.groups import grouped
from maqueta.reading.kinds import Kind, kinds_of
from maqueta.reading.known_form import find_form
from maqueta.reading.notes import notes_of
from maqueta.reading.on_paper import moved_sheet, paper_of_frame, shift_of
from maqueta.reading.original import Original
from maqueta.reading.parts.balloons import find_balloons
from maqueta.reading.parts.listed import find_list
from maqueta.reading.parts.places import PartsFound, find_parts
from maqueta.reading.sheet import ReadSheet, as_many_lines, how_seen
from maqueta.reading.title import read_title, symbol_marks
from maqueta.reading.view_groups import box_of_strokes, drawn_piece
from maqueta.sheet.assembly_items import MOST_TRAILS, Trail
from maqueta.sheet.document import MOST_NOTES, MOST_POINTS_IN_ALL, MOST_VIEWS, SheetDocument
from maqueta.sheet.drafted import Pen, drafted_of
from maqueta.sheet.drafted_line import Drafted
from maqueta.sheet.view import MOST_LINES, Aslant, View
from maqueta.solid.unit import MILLIMETRES

_OUTLINES: Final = ("visible", "hidden", "open")
#: Fewer lines than this are no part of anything.
_FEW: Final = 3


def read_parts(content: Content, whole: ProjectedPart, expected: Expectation) -> ReadSheet:
    """Read a sheet of an assembly's single parts: the assembly has to know its components alone.

    What is on it beside them is left where it is: lines that are no part of the assembly become views of nothing.
    Raises UnreadableSheetError when there is no line on it, or they fit on no paper.
    """
    strokes = join_dashes(join_chords(content.strokes))
    if not strokes:
        raise UnreadableSheetError(phrase("sheet-without-parts"))
    fit_on_paper(strokes)
    listed = find_list(content.words, strokes)
    beside = frozenset(listed.strokes if listed is not None else ())
    words = [w for k, w in enumerate(content.words) if listed is None or k not in listed.words]
    kinds = kinds_of(strokes)
    free = [k for k in range(len(strokes)) if k not in beside]
    own = [strokes[k] for k in free]
    known = find_form(expected.form, own, words) if expected.form is not None else None
    frame = known.frame if known is not None else find_frame(own, [kinds[k] for k in free], words, expected.paper)
    symbol = symbol_marks(own)
    aside = {free[k] for k in (frame.members | (symbol[1] if symbol is not None else frozenset()))} | beside
    if known is not None:
        words, title = list(known.words), known.title
    else:
        title = read_title(words, [strokes[k] for k in sorted(aside)], frame.title)
    balloons = find_balloons(words, strokes, kinds, content.pointers, aside)
    scales = likely_scales(title, expected)
    taken = [k for k, kind in enumerate(kinds) if kind in _OUTLINES and k not in aside and k not in balloons.strokes]
    group = [drawn_piece(strokes[k], "visible" if kinds[k] == "open" else kinds[k], False) for k in taken]
    found = find_parts(whole, group, scales, expected.tolerance)
    shift = shift_of(frame)
    all_views, lone = _views(found, strokes, kinds, taken, MILLIMETRES[whole.part.unit])
    views, left_out = as_many_lines(all_views)
    strange = [own for own in views if own.only is None]
    centre = [s.piece.ends for k, s in enumerate(strokes) if kinds[k] == "centre" and k not in aside]
    trails = tuple(Trail(id=f"t{n}", start=a, end=b) for n, (a, b) in enumerate(centre[:MOST_TRAILS], 1))
    used = {words[k].text.strip() for k in balloons.words}
    left = [word for k, word in enumerate(words) if k not in balloons.words]
    document = SheetDocument(
        paper=expected.form_paper if known is not None else paper_of_frame(frame, expected),
        units=expected.units,
        style=expected.style,
        decimals=expected.decimals,
        views=tuple(own for own in views if own.only is not None) + tuple(strange[:MOST_VIEWS]),
        title=title,
        by_hand=content.by_hand,
        balloons=balloons.balloons,
        trails=trails,
        parts_list=listed.listed if listed is not None else None,
        notes=notes_of(left, frame, used)[:MOST_NOTES],
    )
    not_read = [*how_seen(content), *content.not_read]
    if lone:
        not_read.append(phrase("unread-aside", count=lone))
    if left_out:
        not_read.append(phrase("unread-too-many-lines", count=left_out, most=MOST_LINES, points=MOST_POINTS_IN_ALL))
    if (more := len(strange) - MOST_VIEWS) > 0:
        not_read.append(phrase("unread-too-many", count=more, what="groups", most=MOST_VIEWS))
    if expected.form is not None and known is None:
        not_read.append(phrase("form-not-on-sheet"))
    return ReadSheet(moved_sheet(document, shift), tuple(not_read), Original(content, shift))


def _views(
    found: PartsFound | None, strokes: Sequence[Stroke], kinds: Sequence[Kind], taken: Sequence[int], unit: float
) -> tuple[list[View], int]:
    """A view for each part that was found, one of nothing for each other group of lines, and how many lines are of
    neither."""
    views: list[View] = []
    members: list[list[int]] = []
    if found is not None:
        look = Aslant(frame=found.frame)
        for number, place in enumerate(found.places, 1):
            views.append(
                View(
                    id=f"v{number}",
                    kind="pictorial",
                    look=look,
                    only=place.component.id,
                    at=place.at,
                    scale=found.scale,
                    hidden=False,
                    lines=(),
                )
            )
            members.append([taken[k] for k in sorted(place.members)])
    placed = {k for own in members for k in own}
    rest = [k for k in taken if k not in placed]
    boxes = [box_of_strokes(strokes, own) for own in members]
    strange: list[list[int]] = []
    lone = 0
    for places in grouped([box_of(extremes(strokes[k].piece)) for k in rest]):
        own = [rest[k] for k in places]
        box = box_of_strokes(strokes, own)
        # What lies within a part, or touches it, is of that part: a line too many, not something else.
        near = min(range(len(boxes)), key=lambda k: apart(boxes[k], box), default=None)
        if near is not None and (apart(boxes[near], box) == 0.0 or len(own) < _FEW):
            members[near] += own
        elif len(own) >= _FEW:
            strange.append(own)
        else:
            lone += len(own)
    drawn = [
        view.model_copy(update={"lines": _lines(own, strokes, kinds, view, unit)})
        for view, own in zip(views, members, strict=True)
    ]
    for own in strange:
        left, bottom, *_ = box_of_strokes(strokes, own)
        bare = View(id=f"v{len(drawn) + 1}", kind="unrecognised", at=(left, bottom), lines=())
        drawn.append(bare.model_copy(update={"lines": _lines(own, strokes, kinds, bare, unit)}))
    return drawn, lone


def _lines(
    own: Sequence[int], strokes: Sequence[Stroke], kinds: Sequence[Kind], view: View, unit: float
) -> tuple[Drafted, ...]:
    factor = view.scale * unit
    back = Similarity(1 / factor, 0.0, -view.at[0] / factor, -view.at[1] / factor)
    return tuple(
        drafted_of(
            replace(strokes[k].piece, kind="visible").moved(back), Pen("hidden" if kinds[k] == "hidden" else "visible")
        )
        for k in own
    )
