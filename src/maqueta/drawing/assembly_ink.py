"""Ink of balloons, of trails, and of the parts list."""

import math
from typing import Final

from maqueta.drawing.dimension_ink import leader_items
from maqueta.drawing.ink import Arc, Item, Stroke, Text
from maqueta.drawing.lettering import text_width
from maqueta.drawing.pens import DIMENSION_TEXT
from maqueta.geometry.carrier import TURN
from maqueta.phrases.phrase import phrase
from maqueta.phrases.said import Language, said
from maqueta.sheet.assembly_items import LIST_ROW, Balloon, PartsList, Trail

#: Numbers in balloons are larger than dimensions, and no larger than their circle lets them be (ISO 6433, from memory).
_NUMBER: Final = 5.0
_IN_CIRCLE: Final = 1.5
#: Texts of the list begin so far inside of their cells, mm.
_INSIDE: Final = 1.5


def balloon_items(balloon: Balloon) -> list[Item]:
    """A circle with its number, and the leader to the part, with an arrowhead (ISO 128-22, from memory)."""
    x, y = balloon.at
    height = min(_NUMBER, balloon.radius)
    width = text_width(balloon.number, height)
    if width > _IN_CIRCLE * balloon.radius:
        height *= _IN_CIRCLE * balloon.radius / width
    items: list[Item] = [
        Arc(balloon.at, balloon.radius, 0.0, TURN, "dimension"),
        Text((x, y - height / 2), balloon.number, height),
    ]
    if balloon.tip is None:
        return items
    reach = math.dist(balloon.at, balloon.tip)
    if reach <= balloon.radius:
        return items
    share = balloon.radius / reach
    rim = (x + share * (balloon.tip[0] - x), y + share * (balloon.tip[1] - y))
    return [*items, *leader_items(balloon.tip, rim)]


def trail_items(trail: Trail) -> list[Item]:
    """The way a part has been pulled, as a centre line."""
    return [Stroke((trail.start, trail.end), "centre")] if math.dist(trail.start, trail.end) > 0 else []


def list_items(listed: PartsList, language: Language) -> list[Item]:
    """The table, headings first."""
    left, bottom, right, top = listed.box
    rows, high, columns = len(listed.rows) + 1, listed.row_height, listed.columns
    items: list[Item] = [
        Stroke(((left, top - high * row), (right, top - high * row)), "grid") for row in range(rows + 1)
    ]
    edges = [left + sum(columns[:column]) for column in range(len(columns) + 1)]
    items += [Stroke(((x, top), (x, bottom)), "grid") for x in edges]
    headings = tuple(said(phrase("list-heading", column=column), language) for column in COLUMN_NAMES)
    for row, cells in enumerate((headings, *(own.cells for own in listed.rows))):
        for column, text in enumerate(cells):
            if not text.strip():
                continue
            x, y = listed.cell(row, column)
            fits = (columns[column] - 2 * _INSIDE) / max(text_width(text, DIMENSION_TEXT), 1e-9)
            height = DIMENSION_TEXT * max(0.1, min(1.0, fits, high / LIST_ROW))
            items.append(Text((x + _INSIDE, y - (high + height) / 2), text, height, 0.0, "start"))
    return items


#: The columns of the list, in the order of `LIST_COLUMNS`, as the catalogues know them.
COLUMN_NAMES: Final = ("number", "quantity", "name", "material")
