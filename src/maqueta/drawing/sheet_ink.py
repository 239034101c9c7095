"""The whole sheet as ink: border, title block, views, marks, dimensions."""

import math
from collections.abc import Sequence
from typing import Final

from maqueta.drawing.assembly_ink import balloon_items, list_items, trail_items
from maqueta.drawing.dimension_ink import dimension_items, leader_items
from maqueta.drawing.ink import Arc, InkGroup, Item, Stroke, Text, group
from maqueta.drawing.lettering import text_width
from maqueta.drawing.pens import Pen
from maqueta.drawing.special_ink import (
    break_items,
    circled_items,
    cutting_items,
    label_items,
    section_items,
    sight_items,
)
from maqueta.drawing.title_ink import frame_group, title_group
from maqueta.geometry.carrier import TURN, Circle, Ellipse, Point
from maqueta.geometry.line_set import Piece
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import CENTRE_BEYOND, CentreMark, Mark, Note, SheetDocument
from maqueta.sheet.folding import FoldingLine, folding_lines, room_of
from maqueta.sheet.placed import PlacedView, placed_views
from maqueta.solid.part import Part

#: How far a chord leaves the curve it stands for, mm.
_HAIR: Final = 0.005
#: A leader begins this far off its text, mm.
_OFF_TEXT: Final = 1.0
#: The height of numbers at folding lines, and how far the cross at the place of an empty view reaches, mm.
_NUMBER: Final = 2.5
_CROSS: Final = 4.0


def sheet_ink(projected: ProjectedPart, sheet: SheetDocument, construction: bool = False) -> tuple[InkGroup, ...]:
    """All ink of a sheet, bottom layer first. Groups of views, marks and dimensions carry their ids.

    The construction lines of drafted views, folding lines and the places of views left to draw are no part of the
    drawing; they are shown only where asked for.
    """
    placed = {item.view.id: item for item in placed_views(projected, sheet)}
    part = projected.part
    folds = folding_lines(tuple(placed.values()), part) if construction else ()
    return (
        frame_group(sheet.paper),
        title_group(sheet),
        *(
            group(name, "construction", items, name)
            for name, item in placed.items()
            if construction and (items := construction_items(item, folds, part))
        ),
        *(group(name, "view", view_items(item)) for name, item in placed.items()),
        *(group(mark.id, "mark", mark_items(mark, placed[mark.view]), mark.view) for mark in sheet.marks),
        *(
            group(line.id, "cutting-line", cutting_items(line, placed[line.view]), line.view)
            for line in sheet.cutting_lines
        ),
        *(
            group(region.id, "circled", circled_items(region, placed[region.view]), region.view)
            for region in sheet.circled
        ),
        *(group(own.id, "sight-arrow", sight_items(own, placed[own.view]), own.view) for own in sheet.sight_arrows),
        *(
            group(d.id, "dimension", dimension_items(d, placed[d.view], sheet, projected.part.unit), d.view)
            for d in sheet.dimensions
        ),
        *(group(trail.id, "trail", trail_items(trail)) for trail in sheet.trails),
        *(group(balloon.id, "balloon", balloon_items(balloon)) for balloon in sheet.balloons),
        *_parts_list(sheet),
        *(group(note.id, "note", note_items(note)) for note in sheet.notes if note.text.strip()),
    )


def _parts_list(sheet: SheetDocument) -> list[InkGroup]:
    if sheet.parts_list is None:
        return []
    return [group("parts-list", "parts-list", list_items(sheet.parts_list, sheet.paper.captions))]


def note_items(note: Note) -> list[Item]:
    """A line of text, with the leader to what it points at."""
    text: list[Item] = [Text(note.at, note.text, note.height, note.turn, "start")]
    if note.leader is None:
        return text
    x, y = note.at
    end = x + text_width(note.text, note.height)
    shelf = (end + _OFF_TEXT if note.leader[0] > end else x - _OFF_TEXT, y + note.height / 2)
    if math.dist(shelf, note.leader) < 1e-9:
        return text
    return [*text, *leader_items(note.leader, shelf)]


def view_items(placed: PlacedView) -> list[Item]:
    """The lines of a view; hatching, hidden and smooth ones first, so that outlines lie on top; its label last."""
    order = {"smooth": 0, "hidden": 1, "visible": 2}
    pieces = sorted(placed.drawn, key=lambda piece: order[piece.kind])
    lines = [piece_item(piece.moved(placed.move)) for piece in pieces]
    return [*section_items(placed), *lines, *break_items(placed), *label_items(placed)]


def construction_items(placed: PlacedView, folds: Sequence[FoldingLine], part: Part) -> list[Item]:
    """The thin lines of a drafted view, the folding line it stands across, and where it is to be drawn while empty."""
    own = [line for line in folds if line.view == placed.view.id]
    return [
        *(piece_item(piece.moved(placed.move), "construction") for piece in placed.construction),
        *(Stroke((line.start, line.end), "construction") for line in own),
        *(Text((x, y - _NUMBER / 2), str(number), _NUMBER) for line in own for number, (x, y) in line.numbers),
        *(_place_items(placed, part) if placed.view.lines == () else ()),
    ]


def _place_items(placed: PlacedView, part: Part) -> list[Item]:
    """Where a view that is left to draw belongs: the rim of a detail, else a small cross."""
    clip = placed.view.clip
    if clip is not None and not clip.corners:
        return [Arc(placed.to_sheet(clip.centre), clip.radius * placed.factor, 0.0, TURN, "construction")]
    middle = room_of(placed, part).envelope.centroid
    x, y = middle.x, middle.y
    return [
        Stroke(((x - _CROSS, y), (x + _CROSS, y)), "construction"),
        Stroke(((x, y - _CROSS), (x, y + _CROSS)), "construction"),
    ]


def piece_item(piece: Piece, pen: Pen | None = None) -> Item:
    """One stretch of line, in the plane it lies in; in the pen of its kind unless another is given."""
    drawn = pen or piece.kind
    if isinstance(piece.carrier, Circle):
        start, end = piece.interval
        centre = (piece.carrier.x, piece.carrier.y)
        return Arc(centre, piece.carrier.radius, start, end - start, drawn, piece.edges, piece.faces)
    return Stroke(tuple(_curve(piece)), drawn, piece.edges, piece.faces)


def _curve(piece: Piece) -> list[Point]:
    """Points that draw a stretch so that no chord leaves its curve by more than a hair."""
    carrier, (start, end) = piece.carrier, piece.interval
    if not isinstance(carrier, Ellipse):
        return piece.outline()
    # A chord leaves an arc of radius r by r·(1 − cos(step/2)); an ellipse is nowhere flatter than its major circle.
    step = 2 * math.acos(1 - min(1.0, _HAIR / carrier.major))
    count = max(2, math.ceil((end - start) / step))
    return [carrier.point(start + (end - start) * k / count) for k in range(count + 1)]


def mark_items(mark: Mark, placed: PlacedView) -> list[Item]:
    """Centre marks and centre lines, reaching a little past what they belong to."""
    if isinstance(mark, CentreMark):
        x, y = placed.to_sheet(mark.centre)
        reach = mark.radius * placed.factor + CENTRE_BEYOND
        return [
            stroke
            for dx, dy in ((1.0, 0.0), (0.0, 1.0))
            for stroke in _crossing((x - dx * reach, y - dy * reach), (x + dx * reach, y + dy * reach))
        ]
    start, end = placed.to_sheet(mark.start), placed.to_sheet(mark.end)
    length = math.dist(start, end)
    if length == 0:
        return []
    dx, dy = (end[0] - start[0]) / length * mark.beyond, (end[1] - start[1]) / length * mark.beyond
    return [Stroke(((start[0] - dx, start[1] - dy), (end[0] + dx, end[1] + dy)), "centre")]


def _crossing(start: Point, end: Point) -> list[Stroke]:
    """One line of a centre mark, drawn from its middle outwards so that the two lines cross in a dash."""
    middle = ((start[0] + end[0]) / 2, (start[1] + end[1]) / 2)
    return [Stroke((middle, start), "centre"), Stroke((middle, end), "centre")]
