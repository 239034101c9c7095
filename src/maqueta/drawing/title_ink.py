"""Border and title block: a sheet form with what is filled into its fields."""

import math
from typing import Final

from maqueta.drawing.ink import Anchor, Arc, InkGroup, Item, Stroke, Text, group
from maqueta.drawing.lettering import text_width
from maqueta.drawing.pens import Pen
from maqueta.geometry.box import Box, middle_of, outline_of, size_of
from maqueta.geometry.carrier import Point
from maqueta.projection.arrangement import Angle
from maqueta.sheet.document import Paper, SheetDocument
from maqueta.sheet.sheet_form import FieldPlace, SheetForm
from maqueta.sheet.zones import LETTERING, zone_marks

#: Heights of lettering in a field where that of its form is too large (ISO 3098 series, from memory).
_SMALLER: Final = (2.5, 1.8)
#: What stands in a field keeps this far from its lower line, mm.
_OFF_LINE: Final = 0.8
#: The symbol of projection as part of the height of its room, its largest height (mm), and its width in heights.
_SYMBOL: Final = (0.36, 9.0, 4.5)


def _rectangle(box: Box, pen: Pen) -> Stroke:
    return Stroke(outline_of(box), pen)


def frame_group(paper: Paper) -> InkGroup:
    """The border, with zone marks where the form has them."""
    items: list[Item] = [_rectangle(paper.layout.border, "border")]
    form = paper.form
    if form is not None and form.zones is not None:
        marks = zone_marks(form.zones, form.size, form.paper, form.border)
        items.append(_rectangle(marks.edge, "grid"))
        items += [Stroke(tick, "grid") for tick in marks.ticks]
        items += [Text((x, y - LETTERING / 2), name, LETTERING) for name, (x, y) in marks.names]
    return group("frame", "frame", items)


def title_group(sheet: SheetDocument) -> InkGroup:
    """The title block with its values and the angle symbol; nothing on a frame that has none."""
    form = sheet.paper.drawn_form
    if form is None:
        return group("title", "title", [])
    return group("title", "title", [*_blank_items(form), *_filled_items(form, sheet)])


def _blank_items(form: SheetForm) -> list[Item]:
    """Lines and lettering of a form."""
    lines = [Stroke((line.start, line.end), line.pen) for line in form.lines]
    texts = [Text(text.at, text.text, text.height, text.turn, text.anchor) for text in form.texts]
    return [_rectangle(form.title, "grid"), *lines, *texts]


def _filled_items(form: SheetForm, sheet: SheetDocument) -> list[Item]:
    """What a sheet writes into the fields of a form."""
    items: list[Item] = []
    for place in form.fields:
        if place.field != "angle":
            items += _lettered(sheet.title.fields.get(place.field, ""), place)
        elif sheet.title.angle is not None:
            width, height = size_of(place.box)
            share, most, wide = _SYMBOL
            items += angle_symbol(middle_of(place.box), min(most, share * height, width / wide), sheet.title.angle)
    return items


def _lettered(value: str, place: FieldPlace) -> list[Item]:
    """What stands in a field: as large as it fits, in two lines where one is too short; its end is left out at last."""
    left, bottom, right, top = place.box
    width, room = right - left, top - bottom
    lines: tuple[str, ...] = ()
    size = place.height
    for size in (place.height, *(smaller for smaller in _SMALLER if smaller < place.height)):
        lines = (value,) if 2.4 * size > room else _two_lines(value, width, size)
        if text_width(value, size) <= width and size <= room:
            lines = (value,)
        if all(text_width(line, size) <= width for line in lines) and size <= room:
            break
    base = bottom + max(min(_OFF_LINE, room - size), (room - size * (1.4 * len(lines) - 0.4)) / 2)
    shown = [_cut(line, width, size) for line in lines if line]
    anchor: Anchor = place.anchor
    x = left if anchor == "start" else (left + right) / 2
    return [
        Text((x, base + 1.4 * size * (len(shown) - 1 - k)), line, size, anchor=anchor) for k, line in enumerate(shown)
    ]


def _two_lines(value: str, width: float, size: float) -> tuple[str, ...]:
    """A text parted between words, the first line as full as it can be."""
    words = value.split()
    fits = [k for k in range(1, len(words)) if text_width(" ".join(words[:k]), size) <= width]
    return (" ".join(words[: fits[-1]]), " ".join(words[fits[-1] :])) if fits else (value,)


def _cut(value: str, width: float, size: float) -> str:
    if text_width(value, size) <= width:
        return value
    kept = next((k for k in range(len(value), 0, -1) if text_width(value[:k] + "…", size) <= width), 0)
    return value[:kept].rstrip() + "…"


def angle_symbol(centre: Point, height: float, angle: Angle) -> list[Item]:
    """The symbol of projection, a truncated cone seen from its two sides (ISO 5456-2, from memory).

    The cone's small end looks left. Third angle puts what one sees from the left to the left of it, first angle
    to its right. `height` is the large diameter, mm.
    """
    large, small = height / 2, height / 4
    sign = -1.0 if angle == "third" else 1.0
    end_x, cone_x = centre[0] + sign * 0.75 * height, centre[0] - sign * 0.75 * height
    y = centre[1]
    left, right = cone_x - height / 2, cone_x + height / 2
    corners = ((left, y - small), (right, y - large), (right, y + large), (left, y + small), (left, y - small))
    reach = 1.25 * height + 2
    return [
        Arc((end_x, y), large, 0.0, 2 * math.pi, "visible"),
        Arc((end_x, y), small, 0.0, 2 * math.pi, "visible"),
        Stroke(corners, "visible"),
        Stroke(((centre[0] - reach, y), (centre[0] + reach, y)), "centre"),
        Stroke(((end_x, y - large - 2), (end_x, y + large + 2)), "centre"),
    ]
