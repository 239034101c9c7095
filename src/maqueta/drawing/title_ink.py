"""Border and title block; the fields follow ISO 7200 (from memory), the arrangement is our own."""

import math
from typing import Final

from maqueta.drawing.ink import Arc, InkGroup, Item, Stroke, Text, group
from maqueta.drawing.lettering import text_width
from maqueta.drawing.pens import SMALL_TEXT, TITLE_TEXT
from maqueta.geometry.carrier import Point
from maqueta.projection.arrangement import Angle
from maqueta.sheet.document import SheetDocument, TitleField
from maqueta.sheet.paper import Layout, Rectangle

#: Columns (share of the width) and the fields in them from top to bottom.
_COLUMNS: Final[tuple[tuple[float, tuple[TitleField, ...]], ...]] = (
    (0.34, ("title", "drafter", "class")),
    (0.17, ("scale", "sheet", "number", "date")),
    (0.20, ("material", "tolerances", "checked")),
    (0.11, ("paper", "unit", "revision")),
)


#: Heights of lettering in a field, the largest that fits first (ISO 3098 series, from memory).
_LETTERING: Final = (TITLE_TEXT, 2.5, 1.8)


def _rectangle(box: Rectangle, pen: str) -> Stroke:
    left, bottom, right, top = box
    corners: tuple[Point, ...] = ((left, bottom), (right, bottom), (right, top), (left, top), (left, bottom))
    return Stroke(corners, "border" if pen == "border" else "grid")


def frame_group(sheet_layout: Layout) -> InkGroup:
    """The border."""
    return group("frame", "frame", [_rectangle(sheet_layout.border, "border")])


def title_group(sheet: SheetDocument, sheet_layout: Layout) -> InkGroup:
    """The title block with its values and the angle symbol."""
    left, bottom, right, top = sheet_layout.title
    items: list[Item] = [_rectangle(sheet_layout.title, "grid")]
    x = left
    for share, fields in _COLUMNS:
        width = share * (right - left)
        height = (top - bottom) / len(fields)
        for row, field in enumerate(fields):
            cell_top = top - row * height
            items.append(Text((x + 1.5, cell_top - 1.2 - SMALL_TEXT), field.upper(), SMALL_TEXT, anchor="start"))
            items += _lettered(sheet.title.fields.get(field, ""), (x + 1.5, cell_top - height), width - 2.5, height)
            if row:
                items.append(Stroke(((x, cell_top), (x + width, cell_top)), "grid"))
        x += width
        items.append(Stroke(((x, bottom), (x, top)), "grid"))
    items.append(Text((x + 1.5, top - 1.2 - SMALL_TEXT), "ANGLE", SMALL_TEXT, anchor="start"))
    if sheet.title.angle is not None:
        items += angle_symbol(((x + right) / 2, (bottom + top) / 2 - 2), 9.0, sheet.title.angle)
    return group("title", "title", items)


def _lettered(value: str, corner: Point, width: float, height: float) -> list[Item]:
    """What stands in a field: as large as it fits, in two lines where one is too short; its end is left out at last.

    `corner` is the lower left one of the room for it, `height` that of the whole cell, mm.
    """
    x, bottom = corner
    room = height - SMALL_TEXT - 2.0
    lines: tuple[str, ...] = ()
    size = _LETTERING[0]
    for size in _LETTERING:
        lines = (value,) if 2.4 * size > room else _two_lines(value, width, size)
        if text_width(value, size) <= width and size <= room:
            lines = (value,)
        if all(text_width(line, size) <= width for line in lines) and size <= room:
            break
    base = bottom + max(0.8, (room - size * (1.4 * len(lines) - 0.4)) / 2)
    shown = [_cut(line, width, size) for line in lines if line]
    return [
        Text((x, base + 1.4 * size * (len(shown) - 1 - k)), line, size, anchor="start") for k, line in enumerate(shown)
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
