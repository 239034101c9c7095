"""What is wrong with a sheet form, before anybody draws on it."""

import itertools
from collections.abc import Iterator
from dataclasses import dataclass
from typing import Final

from maqueta.geometry.box import Box, box_of, meet, size_of, within
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.sheet.fields import FormField
from maqueta.sheet.sheet_form import SheetForm
from maqueta.sheet.zones import STRIP

#: Fields that a title block has everywhere (ISO 7200, from memory: identification number, title, sheet, date of
#: issue, creator, approval person), and what the checks of a sheet read there besides.
USUAL_FIELDS: Final[tuple[FormField, ...]] = (
    "title", "drafter", "date", "number", "sheet", "checked", "scale", "angle",
)  # fmt: skip
#: A drawing takes at least this part of the paper's width and height (common practice, no source).
_LEAST_SHARE: Final = 0.5
#: The least room for lettering, mm: capitals of 1.8 mm (ISO 3098 series, from memory); for the symbol, 6 mm (common
#: practice, no source).
_LEAST_ROOM: Final = 1.8
_LEAST_SYMBOL: Final = 6.0
#: Rectangles that share less than this (mm) touch.
_TOUCH: Final = 0.2


@dataclass(frozen=True, slots=True)
class FormFlaw:
    """Something wrong with a form. With `bars`, no exercise can use it until that is mended."""

    what: Phrase
    bars: bool
    field: FormField | None = None


def form_flaws(form: SheetForm) -> list[FormFlaw]:
    """Everything wrong with a form, what bars its use first."""
    return sorted(_all(form), key=lambda flaw: not flaw.bars)


def _all(form: SheetForm) -> Iterator[FormFlaw]:
    wide, high = size_of(form.paper)
    if not within(form.border, form.paper):
        yield FormFlaw(phrase("form-border-off-paper"), True)
    elif (form.border[2] - form.border[0]) < _LEAST_SHARE * wide or (form.border[3] - form.title[3]) < (
        _LEAST_SHARE * high
    ):
        yield FormFlaw(phrase("form-no-room-to-draw"), True)
    if not within(form.title, form.border, _TOUCH):
        yield FormFlaw(phrase("form-title-outside"), True)
    if not form.fields:
        yield FormFlaw(phrase("form-without-fields"), True)
    else:
        lacking = [field for field in USUAL_FIELDS if form.place_of(field) is None]
        if lacking:
            names = tuple(phrase("field-name", field=field) for field in lacking)
            yield FormFlaw(phrase("form-lacks-fields", fields=names), False)
    if form.zones is not None and any(
        side < STRIP for side in (form.border[0], form.border[1], wide - form.border[2], high - form.border[3])
    ):
        yield FormFlaw(phrase("form-zones-off-paper", strip=STRIP), False)
    yield from _ink_flaws(form)
    yield from _field_flaws(form)


def _ink_flaws(form: SheetForm) -> Iterator[FormFlaw]:
    """Lines and lettering beyond the paper; lines where views are drawn."""
    left, _, right, top = form.border
    drawing: Box = (left, form.title[3], right, top)
    lines = [box_of((line.start, line.end)) for line in form.lines]
    boxes = [*lines, *((*text.at, text.at[0], text.at[1] + text.height) for text in form.texts)]
    if off := sum(not within(box, form.paper, _TOUCH) for box in boxes):
        yield FormFlaw(phrase("form-ink-off-paper", count=off), False)
    if over := sum(meet(box, drawing, -_TOUCH) for box in lines):
        yield FormFlaw(phrase("form-ink-in-drawing", count=over), False)


def _field_flaws(form: SheetForm) -> Iterator[FormFlaw]:
    """Fields that stand elsewhere than in the title block, that are too small, or lie over each other."""
    for place in form.fields:
        wide, high = size_of(place.box)
        if not within(place.box, form.title, _TOUCH):
            yield FormFlaw(phrase("form-field-outside", field=place.field), False, place.field)
        least = _LEAST_SYMBOL if place.field == "angle" else _LEAST_ROOM
        if high < least or wide < 2 * least:
            yield FormFlaw(phrase("form-field-small", field=place.field, wide=wide, high=high), False, place.field)
    for one, other in itertools.combinations(form.fields, 2):
        if meet(one.box, other.box, -_TOUCH):
            pair = phrase("form-fields-overlap", field=one.field, other=phrase("field-name", field=other.field))
            yield FormFlaw(pair, False, other.field)
