"""From what a file holds to the sheet document: frame, title block, views, centre lines and sizes."""

from collections import Counter, defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Final

from maqueta.projection.arrangement import Angle, ViewName
from maqueta.projection.attitude import Attitude
from maqueta.projection.carrier import Line, Similarity
from maqueta.projection.compare import DrawnPiece, split
from maqueta.projection.line_set import Box, Piece, box_of, extremes
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.arranged import Standing, arrange
from maqueta.reading.centre_strokes import runs_through_centre
from maqueta.reading.content import Content, Mark, Pointer, Size, Words
from maqueta.reading.dashes import join_dashes
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.frame import SheetFrame, find_frame
from maqueta.reading.groups import apart, grouped
from maqueta.reading.identify import Fit, find_within, identify
from maqueta.reading.kinds import Kind, kinds_of
from maqueta.reading.loose_sizes import loose_sizes
from maqueta.reading.settle import Settled, settle_open
from maqueta.reading.sizes import tie_sizes
from maqueta.reading.title import read_title, symbol_marks
from maqueta.sheet.document import (
    CentreLine,
    Drafted,
    DraftedPen,
    Frame,
    Identifier,
    Paper,
    SheetDocument,
    Style,
    TitleBlock,
    View,
)
from maqueta.sheet.drafted import drafted_of
from maqueta.sheet.paper import PaperSize
from maqueta.sheet.placed import PlacedView, placed_views
from maqueta.sheet.scales import parse_scale
from maqueta.solid.unit import MILLIMETRES, Unit

_GEOMETRY: Final = ("visible", "hidden", "open")
#: A centre line belongs to every view whose box it comes this near to (mm).
_AXIS_NEAR: Final = 4.0
#: A group with fewer lines than this, or less ink than this part of a usual view, is a stray line of a view near by.
_FEW_LINES, _LITTLE_INK = 3, 0.08


@dataclass(frozen=True)
class Expectation:
    """What of an exercise helps to read a sheet."""

    units: Unit
    paper: PaperSize
    landscape: bool
    angle: Angle
    fronts: tuple[Attitude, ...]
    views: tuple[ViewName, ...]
    scale: str | None
    hidden_lines: bool
    tolerance: float
    style: Style
    decimals: int


@dataclass(frozen=True)
class ReadSheet:
    """A sheet as read: the document, what could not be read, and how sure each view's identification is (0 to 1)."""

    document: SheetDocument
    not_read: tuple[str, ...]
    certainty: Mapping[str, float]


@dataclass(frozen=True)
class _Group:
    members: tuple[int, ...]
    box: Box
    fits: tuple[Fit, ...]


def read_sheet(content: Content, projected: ProjectedPart, expected: Expectation) -> ReadSheet:
    """Read a sheet of a part. Raises UnreadableSheetError when there is nothing on it."""
    marks = join_dashes(content.marks)
    kinds = kinds_of(marks)
    frame = find_frame(marks, kinds, content.words, expected.paper)
    symbol = symbol_marks(marks)
    aside = frame.members | (symbol[1] if symbol is not None else frozenset())
    title = read_title(content.words, [marks[i] for i in sorted(aside)], frame.title)
    scales = _likely_scales(title, expected)
    taken = [i for i, kind in enumerate(kinds) if kind in _GEOMETRY and i not in aside]
    if not taken:
        raise UnreadableSheetError("there is no line of a view on the sheet")
    settled = settle_open(marks, kinds, taken, projected, scales, expected.tolerance)
    kinds, taken = settled.kinds, settled.taken
    groups = _groups(marks, kinds, taken, settled.either, projected, scales, expected)
    groups, strays = _without_strays(groups, marks)
    fits, front = arrange([Standing(g.box, g.fits) for g in groups], expected.angle, expected.fronts, expected.views)
    groups, strays, kinds = _centred(groups, fits, strays, marks, kinds, settled, projected, expected.tolerance)
    views, certainty = _views(groups, fits, strays, marks, kinds, settled.either, projected)
    shift = _shift(frame)
    document = SheetDocument(
        paper=_paper(frame, expected),
        units=expected.units,
        style=expected.style,
        decimals=expected.decimals,
        front=views[front].id if front is not None else None,
        views=tuple(views),
        title=title,
    )
    placed = placed_views(projected, document)
    axes = [mark for mark, kind in zip(marks, kinds, strict=True) if kind == "centre"]
    sizes, pointers = _loose(content, marks, kinds, settled.dropped, frame.title, placed, expected.units)
    known = [item for item in placed if item.lines.pieces]
    tied = tie_sizes([*content.sizes, *sizes], [*content.pointers, *pointers], content.words, known, expected.tolerance)
    centre_lines = _centre_lines(axes, [(item.view, item.box, item.factor) for item in placed])
    document = document.model_copy(update={"marks": centre_lines, "dimensions": tied.dimensions})
    loose = [f"the dimension {text!r}, which touches no view" for text in tied.loose]
    not_read = [*content.not_read, *settled.left_out, *loose]
    return ReadSheet(moved(document, shift), tuple(not_read), certainty)


def _likely_scales(title: TitleBlock, expected: Expectation) -> list[float]:
    written = [title.fields.get("scale"), expected.scale]
    found = [scale for text in written if text and (scale := parse_scale(text)) is not None]
    return list(dict.fromkeys([*found, 1.0]))


def _box(marks: Sequence[Mark], members: Sequence[int]) -> Box:
    return box_of(p for i in members for p in extremes(marks[i].piece))


def drawn_piece(mark: Mark, kind: Kind, either: bool) -> DrawnPiece:
    """A mark of a view as a drawn piece of its kind."""
    piece = replace(mark.piece, kind="hidden" if kind == "hidden" else "visible")
    return DrawnPiece(piece, mark.short, either)


def _groups(
    marks: Sequence[Mark],
    kinds: Sequence[Kind],
    taken: Sequence[int],
    either: frozenset[int],
    projected: ProjectedPart,
    scales: Sequence[float],
    expected: Expectation,
) -> list[_Group]:
    boxes = [_box(marks, [i]) for i in taken]
    result: list[_Group] = []
    for places in grouped(boxes):
        members = [taken[k] for k in places]
        pieces = [drawn_piece(marks[i], kinds[i], i in either) for i in members]
        fits = identify(projected, pieces, scales, expected.tolerance, expected.hidden_lines)
        if fits and fits[0].disagreement <= 0.25:
            result.append(_Group(tuple(members), _box(marks, members), tuple(fits)))
            continue
        result += _parted(marks, kinds, members, either, projected, scales, expected) or [
            _Group(tuple(members), _box(marks, members), tuple(fits))
        ]
    return result


def _parted(
    marks: Sequence[Mark],
    kinds: Sequence[Kind],
    members: list[int],
    either: frozenset[int],
    projected: ProjectedPart,
    scales: Sequence[float],
    expected: Expectation,
) -> list[_Group]:
    """Views that overlap or touch, taken apart one after the other; empty when they are not several views."""
    rest = list(members)
    parts: list[list[int]] = []
    boxes: list[Box] = []
    while len(rest) >= 3 and len(parts) < 8:
        pieces = [drawn_piece(marks[i], kinds[i], i in either) for i in rest]
        found = find_within(projected, pieces, scales, expected.tolerance)
        if found is None or not found.members:
            break
        own = [rest[k] for k in sorted(found.members)]
        parts.append(own)
        boxes.append(found.box)
        rest = [i for i in rest if i not in set(own)]
    if len(parts) < 2:
        return []
    for i in rest:
        near = min(range(len(parts)), key=lambda k: apart(boxes[k], _box(marks, [i])))
        parts[near].append(i)
    groups = []
    for own in parts:
        pieces = [drawn_piece(marks[i], kinds[i], i in either) for i in own]
        fits = identify(projected, pieces, scales, expected.tolerance, expected.hidden_lines)
        groups.append(_Group(tuple(own), _box(marks, own), tuple(fits)))
    return groups


def _without_strays(groups: list[_Group], marks: Sequence[Mark]) -> tuple[list[_Group], dict[int, list[int]]]:
    """Groups that could be views, and stray lines by the group they stand nearest to."""
    recognised = [g for g in groups if g.fits]
    if not recognised:
        return groups, {}
    usual = sum(marks[i].piece.length for g in recognised for i in g.members) / len(recognised)
    kept = list(recognised)
    few: list[_Group] = []
    for group in groups:
        if group.fits:
            continue
        ink = sum(marks[i].piece.length for i in group.members)
        if len(group.members) < _FEW_LINES or ink < _LITTLE_INK * usual:
            few.append(group)
        else:
            kept.append(group)
    strays: defaultdict[int, list[int]] = defaultdict(list)
    for group in few:
        near = min(range(len(kept)), key=lambda k: apart(kept[k].box, group.box))
        strays[near] += group.members
    return kept, dict(strays)


def _loose(
    content: Content,
    marks: Sequence[Mark],
    kinds: Sequence[Kind],
    dropped: frozenset[int],
    title: Box | None,
    placed: Sequence[PlacedView],
    units: Unit,
) -> tuple[list[Size], list[Pointer]]:
    """Sizes and leaders drawn as loose lines and texts."""
    lines = [mark.piece for i, mark in enumerate(marks) if kinds[i] == "dimension" or i in dropped]
    words = [word for word in content.words if title is None or not _holds(title, word)]
    scale = Counter(item.view.scale for item in placed if item.view.attitude is not None).most_common(1)
    factor = (scale[0][0] if scale else 1.0) * MILLIMETRES[units]
    return loose_sizes(words, lines, content.filled, [item.box for item in placed], factor)


def _holds(box: Box, word: Words) -> bool:
    return box[0] <= word.at[0] <= box[2] and box[1] <= word.at[1] <= box[3]


def _centred(
    groups: Sequence[_Group],
    fits: Sequence[Fit | None],
    strays: Mapping[int, Sequence[int]],
    marks: Sequence[Mark],
    kinds: Sequence[Kind],
    settled: Settled,
    projected: ProjectedPart,
    tolerance: float,
) -> tuple[list[_Group], dict[int, list[int]], list[Kind]]:
    """Take centre marks and axes out of the views where nothing in the file tells them from other lines."""
    unit = MILLIMETRES[projected.part.unit]
    known = list(kinds)
    for place, (group, fit) in enumerate(zip(groups, fits, strict=True)):
        attitude = fit.identity.attitude if fit is not None else None
        if fit is None or attitude is None or fit.identity.mirrored:
            continue
        move = Similarity(fit.scale * unit, 0.0, *fit.at)
        expected = projected.line_set(attitude).moved(move).pieces
        mine = [i for i in (*group.members, *strays.get(place, ())) if i in settled.loose]
        mine += [i for i in settled.dropped if apart(_box(marks, [i]), group.box) <= _AXIS_NEAR]
        _, beyond = split([marks[i].piece for i in mine], expected, tolerance)
        for i in mine:
            own = marks[i].piece
            extra = sum(piece.length for piece in beyond if piece.carrier == own.carrier and _overlaps(piece, own))
            if extra > own.length / 2 and runs_through_centre(own, projected.part, attitude, move, tolerance):
                known[i] = "centre"
    kept = [replace(g, members=tuple(i for i in g.members if known[i] != "centre")) for g in groups]
    rest = {place: [i for i in some if known[i] != "centre"] for place, some in strays.items()}
    return kept, rest, known


def _overlaps(piece: Piece, other: Piece) -> bool:
    return piece.interval[0] < other.interval[1] and other.interval[0] < piece.interval[1]


def _views(
    groups: Sequence[_Group],
    fits: Sequence[Fit | None],
    strays: Mapping[int, Sequence[int]],
    marks: Sequence[Mark],
    kinds: Sequence[Kind],
    either: frozenset[int],
    projected: ProjectedPart,
) -> tuple[list[View], dict[str, float]]:
    unit = MILLIMETRES[projected.part.unit]
    views: list[View] = []
    certainty: dict[str, float] = {}
    for place, group in enumerate(groups):
        fit = fits[place]
        name: Identifier = f"v{place + 1}"
        scale = fit.scale if fit is not None else 1.0
        at = fit.at if fit is not None else group.box[:2]
        factor = scale * unit
        back = Similarity(1 / factor, 0.0, -at[0] / factor, -at[1] / factor)
        lines: list[Drafted] = []
        for i in (*group.members, *strays.get(place, ())):
            pen: DraftedPen = "hidden" if kinds[i] == "hidden" else "visible"
            lines.append(drafted_of(marks[i].piece.moved(back), pen, marks[i].short, i in either))
        identity = fit.identity if fit is not None else None
        attitude = identity.attitude if identity is not None else None
        views.append(
            View(
                id=name,
                side=attitude.side if attitude is not None else None,
                up=attitude.up if attitude is not None else None,
                corner=identity.corner if identity is not None else None,
                turn=identity.turn if identity is not None else 0,
                mirrored=identity.mirrored if identity is not None else False,
                at=at,
                scale=scale,
                hidden=any(line.pen == "hidden" for line in lines),
                lines=tuple(lines[:4000]),
            )
        )
        certainty[name] = 1.0 - fit.disagreement if fit is not None else 0.0
    return views, certainty


def _paper(frame: SheetFrame, expected: Expectation) -> Paper:
    if frame.border is None:
        return Paper(size=expected.paper, landscape=expected.landscape)
    return Paper(
        size=frame.size or expected.paper,
        landscape=frame.landscape,
        frame=Frame(border=frame.border, title=frame.title),
    )


def _shift(frame: SheetFrame) -> tuple[float, float]:
    """What brings the sheet's lower left corner to the origin: nothing unless the sheet is drawn elsewhere."""
    if frame.paper is not None:
        x, y = frame.paper[:2]
        return (-x, -y) if max(abs(x), abs(y)) > 0.5 else (0.0, 0.0)
    if frame.border is not None and not (-1.0 <= frame.border[0] <= 60.0 and -1.0 <= frame.border[1] <= 60.0):
        return (20.0 - frame.border[0], 10.0 - frame.border[1])
    return (0.0, 0.0)


def moved(document: SheetDocument, shift: tuple[float, float]) -> SheetDocument:
    """A sheet shifted on its paper as a whole."""
    if shift == (0.0, 0.0):
        return document
    x, y = shift
    views = tuple(view.model_copy(update={"at": (view.at[0] + x, view.at[1] + y)}) for view in document.views)
    paper = document.paper
    if paper.frame is not None:
        boxes = {
            name: (box[0] + x, box[1] + y, box[2] + x, box[3] + y)
            for name, box in (("border", paper.frame.border), ("title", paper.frame.title))
            if box is not None
        }
        paper = paper.model_copy(update={"frame": Frame(**boxes)})
    return document.model_copy(update={"views": views, "paper": paper})


def _centre_lines(axes: Sequence[Mark], views: Sequence[tuple[View, Box, float]]) -> tuple[CentreLine, ...]:
    """Centre lines of the views they run through; one that runs through several belongs to each."""
    result: list[CentreLine] = []
    for mark in axes:
        if not isinstance(mark.piece.carrier, Line):
            continue
        first, last = mark.piece.ends
        own = box_of((first, last))
        near = [entry for entry in views if apart(own, entry[1]) <= _AXIS_NEAR]
        for view, _, factor in near[:6]:
            start, end = (((p[0] - view.at[0]) / factor, (p[1] - view.at[1]) / factor) for p in (first, last))
            if len(result) < 400:
                result.append(CentreLine(id=f"c{len(result) + 1}", view=view.id, start=start, end=end, beyond=0.0))
    return tuple(result)
