"""The usual sheet form: our own arrangement of a title block; its fields follow ISO 7200 (from memory)."""

from functools import lru_cache
from typing import Final

from maqueta.geometry.box import Box
from maqueta.phrases.phrase import phrase
from maqueta.phrases.said import Language, said
from maqueta.sheet.fields import FormField
from maqueta.sheet.paper import Layout, PaperSize, layout
from maqueta.sheet.sheet_form import FieldPlace, FormLine, FormText, SheetForm

#: Columns (share of the width) and the fields in them from top to bottom; what is left of the width is the symbol's.
_COLUMNS: Final[tuple[tuple[float, tuple[FormField, ...]], ...]] = (
    (0.34, ("title", "drafter", "class")),
    (0.17, ("scale", "sheet", "number", "date")),
    (0.20, ("material", "tolerances", "checked")),
    (0.11, ("paper", "unit", "revision")),
    (0.18, ("angle",)),
)
#: Height of captions and of what is filled in, mm (ISO 3098 series, from memory).
CAPTION: Final = 1.8
FILLED_IN: Final = 3.5
#: A caption stands this far from the left and the upper line of its cell, mm.
CAPTION_ASIDE: Final = 1.5
CAPTION_BELOW: Final = 1.2


def caption(field: FormField, language: Language) -> str:
    """What stands over a field, in capitals."""
    return said(phrase("caption", field=field), language).upper()


@lru_cache(maxsize=64)
def usual_form(size: PaperSize, landscape: bool, language: Language, frame: Layout | None = None) -> SheetForm:
    """The form of sheets that bring none: for a paper size, or in the rectangles of a `frame` found on a sheet."""
    rectangles = frame or layout(size, landscape)
    left, bottom, right, top = rectangles.title
    lines: list[FormLine] = []
    texts: list[FormText] = []
    places: list[FieldPlace] = []
    x = left
    for share, fields in _COLUMNS:
        end = x + share * (right - left)
        height = (top - bottom) / len(fields)
        for row, field in enumerate(fields):
            cell: Box = (x, top - (row + 1) * height, end, top - row * height)
            texts.append(
                FormText(text=caption(field, language), at=(x + CAPTION_ASIDE, cell[3] - CAPTION_BELOW - CAPTION))
            )
            places.append(FieldPlace(field=field, box=_room(field, cell), height=FILLED_IN))
            if row:
                lines.append(FormLine(start=(x, cell[3]), end=(end, cell[3])))
        x = end
        if share is not _COLUMNS[-1][0]:
            lines.append(FormLine(start=(x, bottom), end=(x, top)))
    return SheetForm(
        size=size,
        landscape=landscape,
        border=rectangles.border,
        title=rectangles.title,
        lines=tuple(lines),
        texts=tuple(texts),
        fields=tuple(places),
    )


def _room(field: FormField, cell: Box) -> Box:
    """What a cell leaves below its caption."""
    left, bottom, right, top = cell
    if field == "angle":
        return (left, bottom, right, top - 4.0)
    return (left + CAPTION_ASIDE, bottom, right - 1.0, top - CAPTION - 2.0)
