"""A school's sheet form from a file: border, title block, captions, and where its fields are written."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from typing import Final, Literal

from maqueta.geometry.box import Box, box_of, grown, middle_of, size_of, union, within
from maqueta.geometry.carrier import Line, Point, Similarity
from maqueta.geometry.line_set import extremes
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.reading.content import Content, Stroke, Words
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.frame import SheetFrame, find_frame, on_edge
from maqueta.reading.kinds import kinds_of
from maqueta.reading.title import symbol_marks
from maqueta.reading.title_words import field_of, label_of
from maqueta.sheet.fields import FARTHEST, LONGEST_TEXT, FormField
from maqueta.sheet.form_cells import LEAST_HIGH, OFF, OFF_LEVEL, FormCells, place_in, sides_of
from maqueta.sheet.paper import PaperSize, layout, sides
from maqueta.sheet.sheet_form import (
    MOST_FORM_LINES,
    MOST_FORM_TEXTS,
    FieldPlace,
    FormLine,
    FormText,
    SheetForm,
)

#: The paper taken for where nothing tells which.
_USUAL_PAPER: Final[PaperSize] = "A3"
#: Where a form may have anything at all, mm.
_KEPT: Final[Box] = (-FARTHEST, -FARTHEST, FARTHEST, FARTHEST)
#: The symbol of projection has this much white around it, mm (common practice, no source).
_AROUND_SYMBOL: Final = 4.0
#: Lines at least this wide (1/100 mm) are as wide as a border.
_BORDER_WIDE: Final = 50
#: The least length of a room beside a caption, mm; below one it may be shorter.
_LEAST_BESIDE: Final = 8.0


@dataclass(frozen=True, slots=True)
class ReadForm:
    """A form as read, and what of the file it does not hold."""

    form: SheetForm
    not_read: tuple[Phrase, ...]


def read_form(content: Content) -> ReadForm:
    """The sheet form a file holds. Raises UnreadableSheetError where there are no lines at all."""
    if not content.strokes:
        raise UnreadableSheetError(phrase("sheet-without-views"))
    frame = find_frame(content.strokes, kinds_of(content.strokes), content.words, _USUAL_PAPER)
    size, landscape = (frame.size or _USUAL_PAPER), (frame.landscape if frame.size else True)
    usual, shift = layout(size, landscape), _shift(frame, size, landscape)
    border = _moved(frame.border, shift) if frame.border is not None else usual.border
    title = _moved(frame.title, shift) if frame.title is not None else usual.title
    strokes, words, far = _brought(content, shift)
    symbol = _symbol(strokes)
    lines, curves = _lines(strokes, symbol, (border, title, (0.0, 0.0, usual.width, usual.height)))
    rooms = _Rooms([*lines, *sides_of(title), *sides_of(border)], words)
    places, missed = _places(words, rooms, symbol)
    texts = [
        FormText(
            text=" ".join(word.text.split())[:LONGEST_TEXT],
            at=word.at,
            height=min(max(word.height, 1.0), 20.0),
            turn=round(word.turn % 360, 3),
        )
        for word in words
        if not word.tag
    ]
    form = SheetForm(
        size=size,
        landscape=landscape,
        border=border,
        title=title,
        lines=tuple(lines[:MOST_FORM_LINES]),
        texts=tuple(texts[:MOST_FORM_TEXTS]),
        fields=tuple(places),
    )
    told: list[Phrase] = [] if frame.border else [phrase("form-read-no-border", paper=size)]
    told += [] if frame.title else [phrase("form-read-no-title")]
    told += [phrase("form-read-no-room", field=field) for field in missed]
    if far:
        told.append(phrase("form-read-far", count=far))
    if left_out := curves + len(content.sizes) + len(content.filled):
        told.append(phrase("form-read-curves", count=left_out))
    if (many := max(0, len(lines) - MOST_FORM_LINES) + max(0, len(texts) - MOST_FORM_TEXTS)) > 0:
        told.append(phrase("form-read-too-many", count=many, lines=MOST_FORM_LINES, texts=MOST_FORM_TEXTS))
    return ReadForm(form, (*told, *content.not_read))


@dataclass(frozen=True, slots=True)
class _Symbol:
    """The symbol of projection on a form: the strokes it is made of, and the room around it, if there is one."""

    members: frozenset[int] = frozenset()
    room: Box | None = None

    def holds(self, box: Box) -> bool:
        """Whether something belongs to the symbol, such as its axes."""
        return self.room is not None and within(box, self.room)


def _symbol(strokes: Sequence[Stroke]) -> _Symbol:
    found = symbol_marks(strokes)
    if found is None:
        return _Symbol()
    room = grown(union([box_of(extremes(strokes[index].piece)) for index in found[1]]), _AROUND_SYMBOL)
    return _Symbol(found[1], room)


def _brought(content: Content, shift: Point) -> tuple[list[Stroke], list[Words], int]:
    """Strokes and words with the paper's corner at the origin, and how many lie too far off to be kept."""
    move = Similarity(1.0, 0.0, *shift)
    strokes = [stroke.with_piece(stroke.piece.moved(move)) for stroke in content.strokes]
    words = [replace(word, at=_point(word.at, shift)) for word in content.words]
    near = [stroke for stroke in strokes if within(box_of(extremes(stroke.piece)), _KEPT)]
    read = [word for word in words if within((*word.at, *word.at), _KEPT)]
    return near, read, len(strokes) - len(near) + len(words) - len(read)


def _lines(strokes: Sequence[Stroke], symbol: _Symbol, edges: Sequence[Box]) -> tuple[list[FormLine], int]:
    """The lines of a form without its edges and symbol, and how many curves are left out."""
    lines: list[FormLine] = []
    curves = 0
    for index, stroke in enumerate(strokes):
        box = box_of(extremes(stroke.piece))
        if index in symbol.members or symbol.holds(box):
            continue
        if not isinstance(stroke.piece.carrier, Line):
            curves += 1
        elif not any(on_edge(box, edge) for edge in edges):
            start, end = (_point(point, (0.0, 0.0)) for point in stroke.piece.ends)
            lines.append(FormLine(start=start, end=end, pen=_pen(stroke)))
    return lines, curves


def _shift(frame: SheetFrame, size: PaperSize, landscape: bool) -> Point:
    """What brings the paper's lower left corner to the origin."""
    if frame.paper is not None and _as_large_as(frame.paper, sides(size, landscape)):
        return (-frame.paper[0], -frame.paper[1])
    if frame.border is None:
        return (0.0, 0.0)
    wide, high = sides(size, landscape)
    left, bottom, right, top = frame.border
    if left >= 0 and bottom >= 0 and right <= wide and top <= high:
        return (0.0, 0.0)
    usual = layout(size, landscape).border
    return (usual[2] - right, usual[1] - bottom)


def _as_large_as(box: Box, wanted: Point) -> bool:
    return all(abs(a - b) < 2.0 for a, b in zip(size_of(box), wanted, strict=True))


def _point(point: Point, shift: Point) -> Point:
    return (round(point[0] + shift[0], 3), round(point[1] + shift[1], 3))


def _moved(box: Box, shift: Point) -> Box:
    return (*_point(box[:2], shift), *_point(box[2:], shift))


def _pen(stroke: Stroke) -> Literal["border", "grid"]:
    wide = stroke.style.width is not None and stroke.style.width >= _BORDER_WIDE
    return "border" if wide else "grid"


def _places(words: Sequence[Words], rooms: "_Rooms", symbol: _Symbol) -> tuple[list[FieldPlace], list[FormField]]:
    """Where each field is written, by captions, attributes and the symbol, and which have a caption but no room."""
    places: dict[FormField, FieldPlace] = {}
    missed: list[FormField] = []
    for word in words:
        field: FormField | None
        if word.tag:
            field, room = field_of(word.tag), rooms.after(word.at, word.height)
        else:
            label = label_of(word.text)
            field, room = (label[0], rooms.beside(word)) if label is not None else (None, None)  # type: ignore[assignment]
        if field is None or field in places:
            continue
        if room is None:
            missed.append(field)
            continue
        if field != "angle":
            room = (room[0], room[1], room[2], min(room[3], room[1] + 12.0)) if room[3] - room[1] > 16.0 else room
        places[field] = place_in(field, room)
    if symbol.room is not None and "angle" not in places:
        room = rooms.cells.around(middle_of(symbol.room)) or symbol.room
        places["angle"] = FieldPlace(field="angle", box=room)
    return list(places.values()), [field for field in dict.fromkeys(missed) if field not in places]


class _Rooms:
    """The room that captions and attributes leave in the cells of a form."""

    def __init__(self, lines: Sequence[FormLine], words: Sequence[Words]) -> None:
        self.cells = FormCells(lines)
        self._words = [word for word in words if not word.tag]

    def after(self, at: Point, height: float) -> Box | None:
        """The room from the beginning of an attribute to the end of its cell."""
        cell = self.cells.around((at[0] + 0.2, at[1] + height / 2))
        if cell is None:
            return None
        return _sound((at[0], max(cell[1] + OFF_LEVEL, at[1] - OFF), cell[2] - OFF, min(cell[3], at[1] + height + OFF)))

    def beside(self, caption: Words) -> Box | None:
        """The room a caption leaves: below it, beside it, or in the empty cell to the right or below."""
        cell = self.cells.around((caption.at[0] + 0.3, caption.at[1] + caption.height / 2))
        if cell is None:
            return None
        return next((room for room in self._rooms(caption, cell) if room is not None), None)

    def _rooms(self, caption: Words, cell: Box) -> Iterator[Box | None]:
        left, bottom, right, top = cell
        end = caption.at[0] + caption.width
        beside = _sound((end + OFF, bottom + OFF_LEVEL, right - OFF, top - OFF_LEVEL), _LEAST_BESIDE)
        below = _sound((left + OFF, bottom + OFF_LEVEL, right - OFF, caption.at[1] - OFF))
        level = abs(caption.at[1] + caption.height / 2 - (bottom + top) / 2) < 0.2 * (top - bottom)
        yield from (beside, below) if level else (below, beside)
        for point in ((right + 1.0, (bottom + top) / 2), ((left + right) / 2, bottom - 1.0)):
            other = self.cells.around(point)
            if other is not None and not any(word.stands_in(other, 0.0) for word in self._words):
                yield _sound((other[0] + OFF, other[1] + OFF_LEVEL, other[2] - OFF, other[3] - OFF_LEVEL))


def _sound(room: Box, long: float = 2 * LEAST_HIGH) -> Box | None:
    """A room, where lettering has any in it."""
    return room if room[2] - room[0] >= long and room[3] - room[1] >= LEAST_HIGH else None
