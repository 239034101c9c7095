"""From what a file holds to the sheet document: frame, title block, views, centre lines and sizes."""

from collections import Counter
from collections.abc import Collection, Sequence
from dataclasses import dataclass, replace
from typing import Final

from maqueta.geometry.box import Box, box_of, within
from maqueta.geometry.carrier import Circle, Point, Similarity
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.arranged import Standing, arrange
from maqueta.reading.axes_by_ink import axes_by_ink
from maqueta.reading.begun import BegunSheet, begun
from maqueta.reading.by_place import told_by_place
from maqueta.reading.by_the_ink import by_the_ink
from maqueta.reading.candidates import STRANGE
from maqueta.reading.centre_lines import centre_lines
from maqueta.reading.content import Content, Stroke
from maqueta.reading.expectation import Expectation
from maqueta.reading.identify import Fit
from maqueta.reading.kinds import Kind, pattern_kind
from maqueta.reading.loose_curves import with_loose_curves
from maqueta.reading.loose_sizes import Loose, loose_sizes
from maqueta.reading.lost_sizes import is_cut_short, left_open, lost_sizes, texts_alone
from maqueta.reading.notes import notes_of
from maqueta.reading.on_paper import moved_sheet, paper_of_frame, shift_of
from maqueta.reading.original import Original
from maqueta.reading.sizes import tie_sizes
from maqueta.reading.special.belonging import labels_of_groups
from maqueta.reading.special.matching import Known, Matching
from maqueta.reading.special.on_sheet import with_special
from maqueta.reading.title_by_ink import SIGNS, title_by_ink
from maqueta.reading.view_groups import Group
from maqueta.sheet.dimension import Dimension, LinearDimension, true_size
from maqueta.sheet.document import (
    MOST_DIMENSIONS,
    MOST_MARKS,
    MOST_NOTES,
    MOST_POINTS_IN_ALL,
    MOST_VIEWS,
    CentreLine,
    SheetDocument,
)
from maqueta.sheet.drafted import Pen, drafted_of
from maqueta.sheet.drafted_line import Drafted, points_of
from maqueta.sheet.fields import FormField, Identifier
from maqueta.sheet.placed import PlacedView, placed_views
from maqueta.sheet.sheet_form import SheetForm
from maqueta.sheet.view import MOST_LINES, View
from maqueta.sheet.view_graph import with_front
from maqueta.sheet.written_sizes import converted
from maqueta.sizes.pitch_circles import pitch_circles
from maqueta.sizes.text import read_text
from maqueta.solid.unit import MILLIMETRES, Unit

#: A size lettered by hand says something else than it should from this share on.
_MISREAD: Final = 0.01
_GEOMETRY: Final = ("visible", "hidden", "open")


@dataclass(frozen=True)
class ReadSheet:
    """A sheet as read: the document, what could not be read, and the file as it lies under it."""

    document: SheetDocument
    not_read: tuple[Phrase, ...]
    original: Original


def read_sheet(content: Content, projected: ProjectedPart, expected: Expectation) -> ReadSheet:
    """Read a sheet of a part. Raises UnreadableSheetError when there is nothing on it, or it fits on no paper.

    Special views are not looked for beyond what is drawn of the part.
    """
    return finished(begun(content, projected, expected), projected)


def finished(sheet: BegunSheet, projected: ProjectedPart, asks: bool = False) -> ReadSheet:
    """A sheet of which the lines are told, read to its end.

    With `asks`, LooksWantedError where the part has to be drawn in more looks to tell its special views; the sheet
    can be finished once it is.
    """
    content, expected, strokes, settled = sheet.content, sheet.expected, sheet.strokes, sheet.settled
    matching = Matching(
        strokes=strokes,
        kinds=settled.kinds,
        either=settled.either,
        loose=settled.loose,
        groups=sheet.groups,
        marks=sheet.told_of.marks,
        labels=labels_of_groups(sheet.groups, sheet.told_of.labels, sheet.areas),
        areas=sheet.areas,
        projected=projected,
        expected=expected,
        scales=sheet.scales,
        asks=asks,
    )
    fits, front, special = _told_apart(matching, sheet.told_of.any)
    groups = [replace(group, members=matching.members(place)) for place, group in enumerate(sheet.groups)]
    strokes = with_loose_curves(strokes, settled.dropped, fits, projected, expected.tolerance)
    kinds: Sequence[Kind]
    narrow = _narrow(strokes) if content.ink is not None else frozenset[int]()
    rings = _rings(strokes) if content.ink is not None else frozenset[int]()
    groups, kinds = told_by_place(
        groups, fits, strokes, settled.kinds, settled, projected, expected.tolerance, narrow, rings
    )
    views, left = as_many_lines(_views(groups, fits, strokes, kinds, settled.either, projected))
    shift = shift_of(sheet.frame)
    document = SheetDocument(
        paper=expected.form_paper if sheet.on_form else paper_of_frame(sheet.frame, expected),
        units=expected.units,
        style=expected.style,
        decimals=expected.decimals,
        views=with_front(views, views[front].id) if front is not None else tuple(views),
        title=sheet.title,
        by_hand=content.by_hand,
    )
    document = with_special(document, matching, special, projected)
    doubts, axes_in_doubt = 0, tuple[CentreLine, ...]()
    if content.ink is not None:
        held = by_the_ink(document, projected, content.ink, expected.tolerance)
        document, doubts, axes_in_doubt = held.document, held.doubts, held.axes
    placed = placed_views(projected, document)
    axes = [stroke for stroke, kind in zip(strokes, kinds, strict=True) if kind == "centre"]
    loose = _loose(content, strokes, kinds, settled.dropped, sheet.frame.title, placed, expected.units)
    drawn = [item for item in placed if item.lines.pieces]
    pitches = {i.view.id: pitch_circles(projected.part, i.orthographic) for i in drawn if i.orthographic is not None}
    all_sizes, leaders = [*content.sizes, *loose.sizes], [*content.pointers, *loose.pointers]
    tied = tie_sizes(all_sizes, leaders, content.words, drawn, expected.tolerance, pitches, content.ink)
    misread = _misread(tied.dimensions, placed, projected.part.unit, expected.units) if content.by_hand else {}
    doubtful = content.doubtful | {own.text for own in tied.dimensions if own.id in misread}
    # An upright stroke reads as a 1: where that is not what is measured, it was none.
    units = (projected.part.unit, expected.units)
    strays = {
        own.id
        for own in tied.dimensions
        if content.ink is not None and own.text == "1" and _says_otherwise(own, *units)
    }
    # What a text may say or not is no claim: the size is as it should be.
    sizes = tuple(
        own.model_copy(update={"text": None}) if own.text in doubtful else own
        for own in tied.dimensions
        if own.id not in strays and not (own.id in misread and _elsewhere(own, tied.dimensions))
    )
    marks = (*centre_lines(axes, placed), *axes_in_doubt)
    document = document.model_copy(update={"marks": marks[:MOST_MARKS], "dimensions": sizes[:MOST_DIMENSIONS]})
    notes = notes_of(content.words, sheet.frame, tied.used)
    document = document.model_copy(update={"notes": notes[:MOST_NOTES]})
    untied: list[Phrase] = []
    if content.recognised:
        in_doubt = [own.text for own in tied.dimensions if own.text in doubtful]
        cut_short = [own for own in tied.dimensions if own.text not in doubtful and is_cut_short(own.text or "")]
        block = sheet.frame.title
        heads = [shape for shape in content.filled if block is None or not within(box_of(shape), block)]
        told = [*tied.used, *tied.loose, *loose.unclear, *(leader.note for leader in leaders if leader.note)]
        alone = texts_alone([own for own in content.words if not sheet.frame.has(own)], all_sizes, told)
        asked = len(tied.loose) + len(loose.unclear) + len(in_doubt)
        others = max(lost_sizes(heads, all_sizes, leaders), len(alone)) + len(cut_short) + len(strays)
        document = document.model_copy(update={"unread_sizes": asked + others})
        untied += left_open(asked, others)
    if content.ink is not None:
        shown = axes_by_ink(document, projected, content.ink, expected.tolerance)
        doubts += len(shown)
        document = document.model_copy(update={"marks": (*document.marks, *shown)[:MOST_MARKS]})
    if (seen_there := content.ink or content.lettered) is not None:
        signs: tuple[FormField, ...] = SIGNS if content.ink is not None else ("scale",)
        title = title_by_ink(sheet.title, _on_form(sheet), seen_there, expected.angle, document.views, signs)
        if title.fields:
            names = tuple(phrase("field-name", field=field) for field in title.fields)
            untied.append(phrase("unread-title", fields=names))
        document = document.model_copy(update={"title": title.title})
    untied += misread.values()
    untied += [phrase("unread-loose-dimension", text=text) for text in tied.loose]
    untied += [phrase("unread-loose-text", text=text) for text in loose.unclear]
    too_many = [
        phrase("unread-too-many", count=count, what=what, most=most)
        for count, what, most in (
            (sheet.beyond, "groups", MOST_VIEWS),
            (len(tied.dimensions) - MOST_DIMENSIONS, "dimensions", MOST_DIMENSIONS),
            (len(marks) - MOST_MARKS, "centre-lines", MOST_MARKS),
            (len(notes) - MOST_NOTES, "notes", MOST_NOTES),
        )
        if count > 0
    ]
    if left:
        too_many.append(phrase("unread-too-many-lines", count=left, most=MOST_LINES, points=MOST_POINTS_IN_ALL))
    if doubts:
        untied.append(phrase("unread-stretches", count=doubts))
    if expected.form is not None and not sheet.on_form:
        untied.append(phrase("form-not-on-sheet"))
    not_read = [*how_seen(content), *content.not_read, *settled.left_out, *untied, *too_many]
    return ReadSheet(moved_sheet(document, shift), tuple(not_read), Original(content, shift))


def how_seen(content: Content) -> tuple[Phrase, ...]:
    """What is to be known of how a sheet was read: from a picture, or its letters by how they look."""
    if content.ink is not None:
        return (phrase("unread-picture-read"),)
    return (phrase("unread-letters-drawn"),) if content.recognised else ()


def _misread(
    dimensions: Sequence[Dimension], placed: Sequence[PlacedView], unit: Unit, written_in: Unit
) -> dict[str, Phrase]:
    """Sizes lettered by hand that are read as something else than what they stand at, by id, with what is asked.

    Who letters by hand is misread more often than wrong.
    """
    by_id = {item.view.id: item.view.at for item in placed}
    asked = {}
    for own in dimensions:
        if _says_otherwise(own, unit, written_in):
            x, y = (a + b for a, b in zip(by_id[own.view], own.place, strict=True))
            asked[own.id] = phrase("unread-doubtful", text=own.text or "", x=x, y=y)
    return asked


def _says_otherwise(own: Dimension, unit: Unit, written_in: Unit) -> bool:
    """Whether the text of a size says something else than what it stands at."""
    true = true_size(own) if own.kind == "angle" else converted(true_size(own), unit, written_in)
    value = read_text(own.text, true).value if own.text else None
    return value is not None and abs(value - true) > _MISREAD * true


def _elsewhere(misread: Dimension, dimensions: Sequence[Dimension]) -> bool:
    """Whether a misread size stands at what another one measures: it is one of something else then."""
    measured = _measured(misread)
    return any(own.id != misread.id and _measured(own) == measured for own in dimensions)


def _measured(size: Dimension) -> tuple[object, ...]:
    """What a size is one of, equal for two of the same."""
    way = size.along if isinstance(size, LinearDimension) else ""
    return (size.view, size.kind, way, round(true_size(size), 3))


def _narrow(strokes: Sequence[Stroke]) -> frozenset[int]:
    """The strokes of a picture that are drawn narrower than its widest ones."""
    widest = max((stroke.style.width or 0 for stroke in strokes), default=0)
    return frozenset(i for i, stroke in enumerate(strokes) if (stroke.style.width or widest) < widest)


def _rings(strokes: Sequence[Stroke]) -> frozenset[int]:
    """The circles in dashes without dots."""
    return frozenset(
        i
        for i, stroke in enumerate(strokes)
        if isinstance(stroke.piece.carrier, Circle) and len(stroke.style.pattern) == 2
    )


def _told_apart(matching: Matching, told: bool) -> tuple[list[Fit | None], int | None, dict[int, Known]]:
    """One fit for every group, the place of the front view, and the special views among them.

    Those are told once the others are: they hang on them. A group that is none after all is arranged with the rest.
    """
    groups, expected = matching.groups, matching.expected

    def arranged(aside: Collection[int]) -> tuple[list[Fit | None], int | None]:
        standing = [Standing(group.box, () if place in aside else group.fits) for place, group in enumerate(groups)]
        return arrange(standing, expected.angle, expected.fronts, expected.views)

    special = matching.special() if told or not all(group.fits for group in groups) else []
    fits, front = arranged(special)
    known = matching.matched(fits, special) if special else {}
    if any(place not in known for place in special):
        before = fits
        fits, front = arranged(known)
        if known and fits != before:
            known = matching.matched(fits, tuple(known))
    own = {place: each.fit for place, each in known.items()}
    # A view that could be turned in several ways is turned as its section shows it.
    own |= {
        each.parent: each.hung_on for each in known.values() if each.parent is not None and each.hung_on is not None
    }
    return [own.get(place, fit) for place, fit in enumerate(fits)], front, known


def _on_form(sheet: BegunSheet) -> tuple[SheetForm, Point] | None:
    """The form a sheet stands on, and by how much it is moved there."""
    form, border = sheet.expected.form, sheet.frame.border
    if form is None or border is None or not sheet.on_form:
        return None
    return form, (border[0] - form.border[0], border[1] - form.border[1])


def _loose(
    content: Content,
    strokes: Sequence[Stroke],
    kinds: Sequence[Kind],
    dropped: frozenset[int],
    title: Box | None,
    placed: Sequence[PlacedView],
    units: Unit,
) -> Loose:
    """Sizes and leaders drawn as loose lines and texts."""
    lines = [stroke.piece for i, stroke in enumerate(strokes) if kinds[i] == "dimension" or i in dropped]
    words = [word for word in content.words if title is None or not word.stands_in(title)]
    scales = Counter(item.view.scale for item in placed if item.orthographic is not None).most_common(1)
    usual = scales[0][0] if scales else 1.0
    scaled = [
        (item.box, (item.view.scale if item.orthographic is not None else usual) * MILLIMETRES[units])
        for item in placed
    ]
    return loose_sizes(words, lines, content.filled, scaled)


def as_many_lines(views: Sequence[View]) -> tuple[list[View], int]:
    """Views with as many lines and points as a sheet may have, in their order, and how many lines are left out."""
    kept, room, points = [], MOST_LINES, MOST_POINTS_IN_ALL
    for view in views:
        lines = []
        for line in view.lines or ():
            if room > 0 and points_of([line]) <= points:
                lines.append(line)
                room, points = room - 1, points - points_of([line])
        kept.append(view.model_copy(update={"lines": tuple(lines)}))
    return kept, sum(len(view.lines or ()) for view in views) - sum(len(view.lines or ()) for view in kept)


def _views(
    groups: Sequence[Group],
    fits: Sequence[Fit | None],
    strokes: Sequence[Stroke],
    kinds: Sequence[Kind],
    either: frozenset[int],
    projected: ProjectedPart,
) -> list[View]:
    unit = MILLIMETRES[projected.part.unit]
    views: list[View] = []
    for index, group in enumerate(groups):
        fit = fits[index]
        name: Identifier = f"v{index + 1}"
        scale = fit.scale if fit is not None else 1.0
        at = fit.at if fit is not None else group.box[:2]
        factor = scale * unit
        back = Similarity(1 / factor, 0.0, -at[0] / factor, -at[1] / factor)
        lines: list[Drafted] = []
        for i in group.members:
            hidden = kinds[i] == "hidden"
            style = strokes[i].style
            solid = hidden and pattern_kind(style.pattern, style.pattern_name) is None and strokes[i].short == 0
            pen = Pen("hidden" if hidden else "visible", strokes[i].short, i in either, solid)
            lines.append(drafted_of(strokes[i].piece.moved(back), pen))
        bare = View(
            id=name,
            kind="unrecognised",
            at=at,
            scale=scale,
            hidden=any(line.pen == "hidden" for line in lines),
            lines=tuple(lines),
        )
        views.append((fit.identity if fit is not None else STRANGE).on(bare))
    return views
