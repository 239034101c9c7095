"""The sheet form of an exercise, found again on a sheet from elsewhere, with what is written into its fields."""

import itertools
import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from maqueta.geometry.box import Box, box_of, grown, meet, middle_of, outline_of, size_of, within
from maqueta.geometry.carrier import Line, Point
from maqueta.geometry.line_set import extremes
from maqueta.projection.arrangement import Angle
from maqueta.reading.content import Stroke, Words
from maqueta.reading.frame import SheetFrame, large_rectangles
from maqueta.reading.title import bare_angle, symbol_marks
from maqueta.reading.title_words import angle_stated
from maqueta.sheet.document import TitleBlock
from maqueta.sheet.fields import LONGEST_TEXT, TitleField
from maqueta.sheet.sheet_form import SheetForm
from maqueta.sheet.zones import zone_marks

#: A line of the form is drawn within this of its place, mm (this and the next, common practice, no source).
_NEAR: Final = 0.5
#: A form is known again when this part of the length of its lines is drawn.
_DRAWN: Final = 0.8
#: Lettering of the form stands within this of its place, mm: programs measure and anchor texts differently.
_NEAR_TEXT: Final = 3.0
#: What is written may begin this far outside its field, mm.
_SAME_PLACE: Final = 0.1


@dataclass(frozen=True, slots=True)
class KnownForm:
    """A form on a sheet: the frame it makes, what stands in its fields, and the words that are not its own."""

    frame: SheetFrame
    title: TitleBlock
    words: tuple[Words, ...]


def find_form(form: SheetForm, strokes: Sequence[Stroke], words: Sequence[Words]) -> KnownForm | None:
    """A form found by its lines, wherever the sheet lies in its file; None where it is not drawn."""
    straight = {
        index: box_of(stroke.piece.ends)
        for index, stroke in enumerate(strokes)
        if isinstance(stroke.piece.carrier, Line) and min(size_of(box_of(stroke.piece.ends))) < 1e-3
    }
    lines = _lines_of(form)
    for box in large_rectangles(straight):
        if math.dist(size_of(box), size_of(form.border)) > _NEAR:
            continue
        shift = (box[0] - form.border[0], box[1] - form.border[1])
        moved = [_moved(line, shift) for line in lines]
        if _share_drawn(moved, list(straight.values())) >= _DRAWN:
            return _known(form, shift, moved, strokes, words)
    return None


def _lines_of(form: SheetForm) -> list[Box]:
    """The level and upright lines of a form as boxes without width."""
    corners = [outline_of(box) for box in (form.border, form.title)]
    lines = [(a, b) for ring in corners for a, b in itertools.pairwise(ring)]
    lines += [(line.start, line.end) for line in form.lines]
    if form.zones is not None:
        marks = zone_marks(form.zones, form.size, form.paper, form.border)
        edge = outline_of(marks.edge)
        lines += [*itertools.pairwise(edge), *marks.ticks]
    return [box_of(line) for line in lines]


def _moved(box: Box, shift: Point) -> Box:
    x, y = shift
    return (box[0] + x, box[1] + y, box[2] + x, box[3] + y)


def _share_drawn(lines: Sequence[Box], drawn: Sequence[Box]) -> float:
    """The part of the length of lines that is drawn; a line may be drawn as part of a longer one, or in parts."""
    whole = covered = 0.0
    for line in lines:
        length = math.hypot(*size_of(line))
        parts = [
            math.hypot(*size_of(common))
            for own in drawn
            if (common := _common(grown(own, _NEAR), line)) is not None and _along(own, line)
        ]
        whole += length
        covered += min(length, sum(parts))
    return covered / whole if whole else 0.0


def _along(own: Box, line: Box) -> bool:
    """Whether two lines run the same way, level or upright."""
    return (own[2] - own[0] >= own[3] - own[1]) == (line[2] - line[0] >= line[3] - line[1])


def _common(box: Box, other: Box) -> Box | None:
    left, bottom = max(box[0], other[0]), max(box[1], other[1])
    right, top = min(box[2], other[2]), min(box[3], other[3])
    return (left, bottom, right, top) if left <= right and bottom <= top else None


def _known(
    form: SheetForm, shift: Point, lines: Sequence[Box], strokes: Sequence[Stroke], words: Sequence[Words]
) -> KnownForm:
    border, title, paper = (_moved(box, shift) for box in (form.border, form.title, form.paper))
    members = set()
    for index, stroke in enumerate(strokes):
        box = box_of(extremes(stroke.piece))
        on_form = isinstance(stroke.piece.carrier, Line) and any(within(box, line, _NEAR) for line in lines)
        if on_form or within(box, title, _NEAR) or not meet(box, border, -_NEAR):
            members.add(index)
    own = {(text.text.strip(), _moved_point(text.at, shift)) for text in form.texts}
    foreign = [word for word in words if not _of_the_form(word, own)]
    block, used = _filled(form, shift, foreign, [strokes[index] for index in sorted(members)])
    rest = tuple(word for number, word in enumerate(foreign) if number not in used)
    frame = SheetFrame(paper, border, title, frozenset(members), form.size, form.landscape)
    return KnownForm(frame, block, rest)


def _moved_point(point: Point, shift: Point) -> Point:
    return (point[0] + shift[0], point[1] + shift[1])


def _of_the_form(word: Words, own: set[tuple[str, Point]]) -> bool:
    return any(word.text.strip() == text and math.dist(word.box[:2], at) <= _NEAR_TEXT for text, at in own)


def _filled(
    form: SheetForm, shift: Point, words: Sequence[Words], strokes: Sequence[Stroke]
) -> tuple[TitleBlock, set[int]]:
    """What stands in the fields, and which words do."""
    fields: dict[TitleField, str] = {}
    used: set[int] = set()
    symbol = symbol_marks(strokes)
    angle: Angle | None = symbol[0] if symbol is not None else None
    for place in form.fields:
        box = grown(_moved(place.box, shift), _SAME_PLACE)
        inside = [(number, word) for number, word in enumerate(words) if _stands_in(word, box)]
        used |= {number for number, _ in inside}
        lines = sorted((word for _, word in inside), key=lambda word: (-round(word.at[1] / word.height), word.at[0]))
        text = " ".join(" ".join(word.text.split()) for word in lines)[:LONGEST_TEXT]
        if place.field == "angle":
            angle = angle or angle_stated(text) or bare_angle(text)
        elif text:
            fields[place.field] = text
    for word in words:
        angle = angle or angle_stated(word.text)
    return TitleBlock(fields=fields, angle=angle), used


def _stands_in(word: Words, box: Box) -> bool:
    """Whether a text begins in a field at the height of its middle."""
    return within((word.at[0], middle_of(word.box)[1], word.at[0], middle_of(word.box)[1]), box)
