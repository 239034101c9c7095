"""Pulled-apart sheets as somebody else's program would write them, with a general library for DXF."""

import io
import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

import ezdxf

from maqueta.geometry.carrier import Circle, Ellipse, Line
from maqueta.geometry.line_set import Piece
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.assembly_items import LIST_ROW
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.placed import placed_views


@dataclass(frozen=True)
class Hand:
    """How somebody draws: a layer for each kind of line, or one for all; leaders as entities or lines; headings of the
    list, above its rows or below them, with or without lines."""

    layers: bool = True
    leaders: bool = False
    headings: tuple[str, str, str, str] = ("ITEM", "QTY", "DESCRIPTION", "MATERIAL")
    upwards: bool = False
    ruled: bool = True
    radius: float = 5.0


HANDS = (
    Hand(),
    Hand(layers=False, leaders=True, headings=("MARCA", "CANT.", "DENOMINACIÓN", "MATERIAL"), ruled=False, radius=6.5),
    Hand(headings=("Pos.", "Menge", "Benennung", "Werkstoff"), upwards=True, radius=4.0),
)


def write_parts(whole: ProjectedPart, sheet: SheetDocument, hand: Hand, more: Sequence[Piece] = ()) -> bytes:
    """A sheet with its border, its parts, balloons and list, and `more` lines; its scale stands beside "SCALE"."""
    document: Any = ezdxf.new("R2010")
    document.header["$INSUNITS"] = 4
    for name in ("OUTLINES", "NOTES", "FRAME"):
        document.layers.add(name)
    space = document.modelspace()

    def on(name: str) -> dict[str, Any]:
        return {"layer": name if hand.layers else "0"}

    left, bottom, right, top = sheet.paper.layout.border
    corners = [(left, bottom), (right, bottom), (right, top), (left, top)]
    space.add_lwpolyline(corners, close=True, dxfattribs=on("FRAME"))
    x, y = right - 100, bottom + 20
    space.add_lwpolyline([(x, bottom), (x, y), (right, y)], dxfattribs=on("FRAME"))
    space.add_text("SCALE", height=2.5, dxfattribs=on("NOTES")).set_placement((x + 3, y - 6))
    written = sheet.title.fields.get("scale", "1:1")
    space.add_text(written, height=3.5, dxfattribs=on("NOTES")).set_placement((x + 25, y - 6))
    for item in placed_views(whole, sheet):
        for piece in item.lines.of("visible"):
            _draw(space, piece.moved(item.move), on("OUTLINES"))
    for piece in more:
        _draw(space, piece, on("OUTLINES"))
    for balloon in sheet.balloons:
        space.add_circle(balloon.at, hand.radius, dxfattribs=on("NOTES"))
        text = space.add_text(balloon.number, height=hand.radius * 0.8, dxfattribs=on("NOTES"))
        text.set_placement(balloon.at, align=ezdxf.enums.TextEntityAlignment.MIDDLE_CENTER)
        if balloon.tip is None:
            continue
        far = math.dist(balloon.at, balloon.tip)
        rim = tuple(a + hand.radius / far * (b - a) for a, b in zip(balloon.at, balloon.tip, strict=True))
        if hand.leaders:
            space.add_leader([balloon.tip, rim], dxfattribs=on("NOTES"))
        else:
            space.add_line(rim, balloon.tip, dxfattribs=on("NOTES"))
    _list(space, sheet, hand, on)
    target = io.StringIO()
    document.write(target)
    return target.getvalue().encode()


def _list(space: Any, sheet: SheetDocument, hand: Hand, on: Any) -> None:
    listed = sheet.parts_list
    if listed is None:
        return
    rows = [hand.headings, *(row.cells for row in listed.rows)]
    for place, cells in enumerate(rows[::-1] if hand.upwards else rows):
        for column, text in enumerate(cells):
            x, y = listed.cell(place, column)
            if text:
                space.add_text(text, height=3.0, dxfattribs=on("NOTES")).set_placement((x + 1, y - LIST_ROW + 2))
    if hand.ruled:
        left, bottom, right, top = listed.box
        for place in range(len(rows) + 1):
            space.add_line((left, top - LIST_ROW * place), (right, top - LIST_ROW * place), dxfattribs=on("NOTES"))
        for x in (left, right):
            space.add_line((x, bottom), (x, top), dxfattribs=on("NOTES"))


def _draw(space: Any, piece: Piece, attributes: dict[str, Any]) -> None:
    start, end = piece.interval
    match piece.carrier:
        case Line():
            space.add_line(*piece.ends, dxfattribs=attributes)
        case Circle(x, y, radius) if end - start > 2 * math.pi - 1e-6:
            space.add_circle((x, y), radius, dxfattribs=attributes)
        case Circle(x, y, radius):
            space.add_arc((x, y), radius, math.degrees(start), math.degrees(end), dxfattribs=attributes)
        case Ellipse() as own:
            major = (own.major * math.cos(own.angle), own.major * math.sin(own.angle))
            space.add_ellipse(
                (own.x, own.y), major, own.minor / own.major, start_param=start, end_param=end, dxfattribs=attributes
            )
        case _:
            space.add_lwpolyline(piece.outline(), dxfattribs=attributes)
