"""Ink as DXF in sheet millimetres: one layer for each kind of line, dashes as line types."""

import io
import math
from collections.abc import Mapping, Sequence
from typing import Any, Final

import ezdxf
from ezdxf.enums import TextEntityAlignment

from maqueta.drawing.ink import Arc, Filled, InkGroup, Item, Stroke, Text
from maqueta.drawing.layers import LAYERS, TEXT_LAYER, layer_of
from maqueta.drawing.lettering import FONT_FILE
from maqueta.drawing.pens import DASHES, WIDTHS, Pen
from maqueta.drawing.sheet_sizes import SheetSize

#: A continuous line needs no line type of its own.
_LINE_TYPES: Final[dict[Pen, str]] = {"hidden": "HIDDEN", "centre": "CENTER"}
_STYLE: Final = "LETTERING"
_MILLIMETRES: Final = 4
#: Flag of a dimension entity that its block belongs to it alone.
_OWN_BLOCK: Final = 32
_ANCHORS: Final = {
    "start": TextEntityAlignment.LEFT,
    "middle": TextEntityAlignment.CENTER,
    "end": TextEntityAlignment.RIGHT,
}


def dxf(groups: Sequence[InkGroup], sizes: Mapping[str, SheetSize]) -> bytes:
    """The sheet as a DXF file (R2010), origin at the lower left corner of the paper.

    `sizes` are its dimensions: each becomes a dimension entity that carries its ink, so that whoever reads the file
    knows what was measured.
    """
    document: Any = ezdxf.new("R2010")
    document.header["$INSUNITS"] = _MILLIMETRES
    document.header["$MEASUREMENT"] = 1
    document.styles.add(_STYLE, font=FONT_FILE.name)
    for pen, name in _LINE_TYPES.items():
        # A pattern lists its whole length, then strokes and gaps, gaps negative.
        lengths = [length if index % 2 == 0 else -length for index, length in enumerate(DASHES[pen])]
        document.linetypes.add(name, [sum(map(abs, lengths)), *lengths])
    for pen, layer in LAYERS.items():
        document.layers.add(layer, linetype=_LINE_TYPES.get(pen, "CONTINUOUS"), lineweight=round(100 * WIDTHS[pen]))
    document.layers.add(TEXT_LAYER)
    space = document.modelspace()
    for ink in groups:
        target = space
        # A chamfer has no dimension entity of its own: it is a leader with its note.
        if ink.role == "dimension" and sizes[ink.id].kind != "chamfer":
            target = document.blocks.new_anonymous_block(type_char="D")
            space.new_entity("DIMENSION", _dimension(sizes[ink.id], target.name))
        for item in ink.items:
            _add(target, item)
    target = io.StringIO()
    document.write(target)
    return target.getvalue().encode("utf-8")


def _dimension(size: SheetSize, block: str) -> dict[str, Any]:
    """Attributes of a dimension entity whose ink is a block of its own."""
    attributes = {"layer": LAYERS["dimension"], "geometry": block, "text": size.text, "text_midpoint": (*size.place, 0)}
    if size.kind == "linear":
        return attributes | {
            "dimtype": _OWN_BLOCK,
            "defpoint": (*size.place, 0),
            "defpoint2": (*size.first, 0),
            "defpoint3": (*size.second, 0),
            "angle": math.degrees(size.turn),
        }
    if size.vertex is not None:
        return attributes | {
            "dimtype": 5 + _OWN_BLOCK,
            "defpoint": (*size.place, 0),
            "defpoint2": (*size.first, 0),
            "defpoint3": (*size.second, 0),
            "defpoint4": (*size.vertex, 0),
        }
    if size.kind == "radius":
        return attributes | {"dimtype": 4 + _OWN_BLOCK, "defpoint": (*size.first, 0), "defpoint4": (*size.second, 0)}
    opposite = tuple(2 * c - p for c, p in zip(size.first, size.second, strict=True))
    return attributes | {"dimtype": 3 + _OWN_BLOCK, "defpoint": (*opposite, 0), "defpoint4": (*size.second, 0)}


def _add(space: Any, item: Item) -> None:
    on = {"layer": layer_of(item)}
    match item:
        case Stroke():
            if len(item.points) == 2:
                space.add_line(*item.points, dxfattribs=on)
            else:
                space.add_lwpolyline(item.points, dxfattribs=on)
        case Arc():
            if item.sweep >= 2 * math.pi - 1e-9:
                space.add_circle(item.centre, item.radius, dxfattribs=on)
            else:
                start, end = math.degrees(item.start), math.degrees(item.start + item.sweep)
                space.add_arc(item.centre, item.radius, start, end, dxfattribs=on)
        case Filled():
            space.add_solid(item.points[:4], dxfattribs=on)
        case Text():
            on_text = {**on, "style": _STYLE, "height": item.height, "rotation": item.angle}
            space.add_text(item.text, dxfattribs=on_text).set_placement(item.at, align=_ANCHORS[item.anchor])
