"""The cells that the lines of a sheet form make, and the room they leave for what is filled in. All in mm on paper."""

import itertools
from collections.abc import Sequence
from typing import Final

from maqueta.geometry.box import Box, box_of, outline_of, within
from maqueta.geometry.carrier import Point
from maqueta.phrases.phrase import phrase
from maqueta.phrases.said import Language
from maqueta.phrases.told import ToldError
from maqueta.sheet.fields import FormField
from maqueta.sheet.sheet_form import FieldPlace, FormLine, FormText, SheetForm
from maqueta.sheet.usual_form import CAPTION, CAPTION_ASIDE, CAPTION_BELOW, caption

#: What is written keeps this far from upright lines and captions, and from level ones, mm.
OFF: Final = 0.8
OFF_LEVEL: Final = 0.3
#: The least height of a room, mm.
LEAST_HIGH: Final = 2.2
#: Heights of lettering a field is given, the largest that fits (ISO 3098 series, from memory).
_HEIGHTS: Final = (3.5, 2.5, 1.8)


class FormCells:
    """The cells between level and upright lines."""

    def __init__(self, lines: Sequence[FormLine]) -> None:
        boxes = [box_of((line.start, line.end)) for line in lines]
        self._level = [box for box in boxes if box[3] - box[1] < 0.1]
        self._upright = [box for box in boxes if box[2] - box[0] < 0.1]

    def around(self, point: Point) -> Box | None:
        """The smallest rectangle of lines around a point; None where they leave a side open."""
        x, y = point
        lefts = [b[0] for b in self._upright if b[0] < x and b[1] - OFF <= y <= b[3] + OFF]
        rights = [b[0] for b in self._upright if b[0] > x and b[1] - OFF <= y <= b[3] + OFF]
        below = [b[1] for b in self._level if b[1] < y and b[0] - OFF <= x <= b[2] + OFF]
        above = [b[1] for b in self._level if b[1] > y and b[0] - OFF <= x <= b[2] + OFF]
        if not (lefts and rights and below and above):
            return None
        return (max(lefts), max(below), min(rights), min(above))


def sides_of(box: Box) -> list[FormLine]:
    """The four sides of a rectangle."""
    return [FormLine(start=a, end=b) for a, b in itertools.pairwise(outline_of(box))]


def cells_of(form: SheetForm) -> FormCells:
    """The cells of a form."""
    return FormCells([*form.lines, *sides_of(form.title), *sides_of(form.border)])


def place_in(field: FormField, room: Box) -> FieldPlace:
    """A field in some room, lettered as large as fits."""
    height = next((height for height in _HEIGHTS if height <= room[3] - room[1]), _HEIGHTS[-1])
    return FieldPlace(field=field, box=room, height=height)


def field_put(form: SheetForm, field: FormField, at: Point, captioned: Language | None) -> SheetForm:
    """A form with a field in the cell around a point, below the captions that stand there; moved there if it had one.

    With `captioned` a caption in that language is written into the cell, unless it has one. Raises ToldError where no
    cell is, or none with room.
    """
    cell = cells_of(form).around(at)
    if cell is None or not within(cell, form.border):
        raise ToldError(phrase("form-no-cell"))
    left, bottom, right, top = cell
    texts = list(form.texts)
    captions = [text for text in texts if left <= text.at[0] < right and bottom <= text.at[1] < top]
    if not captions and captioned is not None:
        mine = FormText(text=caption(field, captioned), at=(left + CAPTION_ASIDE, top - CAPTION_BELOW - CAPTION))
        texts.append(mine)
        captions = [mine]
    lowest = min((text.at[1] for text in captions), default=top)
    room = (left + OFF, bottom + OFF_LEVEL, right - OFF, lowest - (OFF if captions else OFF_LEVEL))
    if room[2] - room[0] < LEAST_HIGH or room[3] - room[1] < LEAST_HIGH:
        raise ToldError(phrase("form-cell-small", field=field))
    rest = [place for place in form.fields if place.field != field]
    return form.model_copy(update={"texts": tuple(texts), "fields": (*rest, place_in(field, room))})
