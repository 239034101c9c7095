"""The parts list of a sheet: rows of texts under headings, with or without lines between them.

Headings are those of the trade in four languages (common practice, no source).
"""

import re
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final, Literal, get_args

from maqueta.geometry.box import Box, grown, union, within
from maqueta.geometry.carrier import Line
from maqueta.reading.content import Stroke, Words
from maqueta.reading.kinds import plain
from maqueta.reading.view_groups import box_of_strokes
from maqueta.sheet.assembly_items import MOST_ROWS, ListRow, PartsList

Column = Literal["number", "quantity", "name", "material"]
_HEADINGS: Final[dict[Column, frozenset[str]]] = {
    "number": frozenset(
        {
            "ITEM", "ITEM NO", "ITEM NUMBER", "NO", "N", "NUM", "NUMBER", "POS", "POSITION", "MARK", "REF", "FIND NO",
            "PART NO", "MARCA", "POSICION", "NUMERO", "REPERE", "REP", "TEIL NR", "NR", "LFD NR", "BALLOON",
        }
    ),
    "quantity": frozenset(
        {
            "QTY", "QUANTITY", "NO OFF", "OFF", "REQD", "NO REQD", "CANT", "CANTIDAD", "UNIDADES", "MENGE", "ANZAHL",
            "STK", "STUCK", "NB", "NBRE", "NOMBRE", "QTE", "QUANTITE",
        }
    ),
    "name": frozenset(
        {
            "NAME", "DESCRIPTION", "PART", "PART NAME", "TITLE", "NOMENCLATURE", "DENOMINACION", "DESIGNACION",
            "DESCRIPCION", "PIEZA", "BENENNUNG", "BEZEICHNUNG", "TEIL", "DESIGNATION", "PIECE", "NOM",
        }
    ),
    "material": frozenset({"MATERIAL", "MATL", "WERKSTOFF", "MATIERE", "MATERIAU"}),
}  # fmt: skip
#: Texts of a row stand on one line, but for this share of their height; rows follow each other within so many heights.
_LEVEL: Final = 0.8
_ROWS_APART: Final = 4.5
#: Lines of the table lie within so many heights of its texts; those down its columns reach as far as the others, mm.
_LINES_ABOUT: Final = 2.5
_FLAT: Final = 0.05


@dataclass(frozen=True)
class FoundList:
    """A parts list, and where it lies; the places of its texts and of the lines of its table."""

    listed: PartsList
    box: Box
    words: frozenset[int]
    strokes: frozenset[int]


@dataclass(frozen=True)
class _Row:
    """Places of texts on one line, left to right."""

    places: tuple[int, ...]
    y: float
    height: float


def find_list(words: Sequence[Words], strokes: Sequence[Stroke]) -> FoundList | None:
    """The parts list: the rows that follow a row of headings, upwards or downwards; None where there is no such row."""
    rows = _rows(words)
    best: FoundList | None = None
    for place, row in enumerate(rows):
        columns = _columns(words, row)
        if not ({"number", "quantity"} & set(columns)) or "name" not in columns:
            continue
        down = _following(words, rows[place + 1 :], row, columns)
        up = _following(words, rows[:place][::-1], row, columns)
        own = max((down, up), key=len)
        if own and (best is None or len(own) > len(best.listed.rows)):
            best = _found(words, strokes, row, own)
    return best


def _rows(words: Sequence[Words]) -> list[_Row]:
    """Texts that stand level, top row first."""
    rows: list[list[int]] = []
    for place in sorted(range(len(words)), key=lambda k: -words[k].at[1]):
        word = words[place]
        if abs(word.turn % 360) > 1 or not word.text.strip():
            continue
        if rows and abs(words[rows[-1][0]].at[1] - word.at[1]) <= _LEVEL * word.height:
            rows[-1].append(place)
        else:
            rows.append([place])
    return [
        _Row(tuple(sorted(row, key=lambda k: words[k].at[0])), words[row[0]].at[1], max(words[k].height for k in row))
        for row in rows
    ]


def _columns(words: Sequence[Words], row: _Row) -> dict[Column, tuple[float, float]]:
    """From where to where each heading of a row reaches, by its column; empty for a row that is none of headings."""
    found: dict[Column, tuple[float, float]] = {}
    for place in row.places:
        text = " ".join(re.findall(r"\w+", plain(words[place].text.replace("º", "").replace("°", ""))))
        column = next((own for own in get_args(Column) if text in _HEADINGS[own] and own not in found), None)
        if column is not None:
            left, _, right, _ = words[place].box
            found[column] = (left, right)
    return found


def _following(
    words: Sequence[Words], rows: Sequence[_Row], heading: _Row, columns: dict[Column, tuple[float, float]]
) -> list[tuple[_Row, ListRow]]:
    """The rows of the table beyond its headings, as long as they go on."""
    left = min(low for low, _ in columns.values()) - 4 * heading.height
    found: list[tuple[_Row, ListRow]] = []
    last = heading
    for row in rows:
        # What stands on the same line beside the table, such as a note, is none of it.
        own = _Row(tuple(k for k in row.places if words[k].at[0] >= left), row.y, row.height)
        if abs(row.y - last.y) > _ROWS_APART * max(row.height, last.height):
            break
        cells = _cells(words, own, columns)
        if cells is None:
            if not own.places:
                continue
            break
        found.append((own, cells))
        last = own
    return found


def _cells(words: Sequence[Words], row: _Row, columns: dict[Column, tuple[float, float]]) -> ListRow | None:
    """The texts of a row by their columns; None for a row that is none of a list."""
    texts: dict[Column, list[str]] = {column: [] for column in columns}
    order = sorted(columns, key=lambda column: columns[column][0])
    middles = [sum(columns[column]) / 2 for column in order]
    for place in row.places:
        low, _, high, _ = words[place].box
        # A text begins in its column: left of the next heading, or under its own.
        under = next((own for own in order if low < columns[own][1] and columns[own][0] < high), None)
        near = order[min(range(len(order)), key=lambda k: abs(middles[k] - (low + high) / 2))]
        texts[under or near].append(" ".join(words[place].text.split()))
    cells = {column: " ".join(own)[:120] for column, own in texts.items()}
    counted = any(re.search(r"\d", cells.get(column, "")) for column in ("number", "quantity"))
    return ListRow(**cells) if counted and cells.get("name") else None


def _mostly_over(line: Box, about: Box) -> bool:
    """Whether a level line lies in a box by at least half of its length."""
    common = min(line[2], about[2]) - max(line[0], about[0])
    return about[1] <= line[1] <= about[3] and common >= (line[2] - line[0]) / 2 > 0


def _found(
    words: Sequence[Words],
    strokes: Sequence[Stroke],
    heading: _Row,
    rows: Sequence[tuple[_Row, ListRow]],
) -> FoundList:
    taken = {*heading.places, *(place for row, _ in rows for place in row.places)}
    texts = union([words[place].box for place in taken])
    straight = {k: box_of_strokes(strokes, [k]) for k, own in enumerate(strokes) if isinstance(own.piece.carrier, Line)}
    about = grown(texts, _LINES_ABOUT * heading.height)
    # Lines between rows run under their texts; those of a border or a title block run on beyond the table.
    level = {k: own for k, own in straight.items() if own[3] - own[1] < _FLAT and _mostly_over(own, about)}
    table = union([texts, *level.values()])
    upright = {
        k: own for k, own in straight.items() if own[2] - own[0] < _FLAT and within(own, grown(table, _LINES_ABOUT))
    }
    lines = frozenset({*level, *upright})
    box = union([texts, *level.values(), *upright.values()])
    ordered = rows if len(rows) < 2 or rows[0][0].y > rows[-1][0].y else rows[::-1]
    listed = PartsList(
        at=(box[0], box[3]),
        rows=tuple(cells for _, cells in ordered)[:MOST_ROWS],
        size=(box[2] - box[0], box[3] - box[1]),
    )
    return FoundList(listed, box, frozenset(taken), lines)
