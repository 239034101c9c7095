"""Ink as DXF in sheet millimetres: one layer for each kind of line, dashes as line types."""

import io
import math
from collections.abc import Sequence
from typing import Any, Final

import ezdxf
from ezdxf.enums import TextEntityAlignment

from maqueta.drawing.ink import Arc, Filled, InkGroup, Item, Stroke, Text
from maqueta.drawing.lettering import FONT_FILE
from maqueta.drawing.pens import DASHES, WIDTHS, Pen

#: Layer and line type of each pen; a continuous line needs no line type of its own.
LAYERS: Final[dict[Pen, str]] = {
    "visible": "VISIBLE",
    "hidden": "HIDDEN",
    "smooth": "SMOOTH",
    "centre": "CENTRE",
    "dimension": "DIMENSION",
    "border": "BORDER",
    "grid": "TITLE-BLOCK",
}
_LINE_TYPES: Final[dict[Pen, str]] = {"hidden": "HIDDEN", "centre": "CENTER"}
TEXT_LAYER: Final = "TEXT"
_STYLE: Final = "LETTERING"
_MILLIMETRES: Final = 4
_ANCHORS: Final = {
    "start": TextEntityAlignment.LEFT,
    "middle": TextEntityAlignment.CENTER,
    "end": TextEntityAlignment.RIGHT,
}


def dxf(groups: Sequence[InkGroup]) -> bytes:
    """The sheet as a DXF file (R2010), origin at the lower left corner of the paper."""
    document: Any = ezdxf.new("R2010")
    document.header["$INSUNITS"] = _MILLIMETRES
    document.header["$MEASUREMENT"] = 1
    document.styles.add(_STYLE, font=FONT_FILE.name)
    for pen, name in _LINE_TYPES.items():
        # A pattern lists its whole length, then strokes and gaps, gaps negative.
        lengths = [length if place % 2 == 0 else -length for place, length in enumerate(DASHES[pen])]
        document.linetypes.add(name, [sum(map(abs, lengths)), *lengths])
    for pen, layer in LAYERS.items():
        document.layers.add(layer, linetype=_LINE_TYPES.get(pen, "CONTINUOUS"), lineweight=round(100 * WIDTHS[pen]))
    document.layers.add(TEXT_LAYER)
    space = document.modelspace()
    for ink in groups:
        for item in ink.items:
            _add(space, item)
    target = io.StringIO()
    document.write(target)
    return target.getvalue().encode("utf-8")


def _add(space: Any, item: Item) -> None:
    match item:
        case Stroke():
            on = {"layer": LAYERS[item.pen]}
            if len(item.points) == 2:
                space.add_line(*item.points, dxfattribs=on)
            else:
                space.add_lwpolyline(item.points, dxfattribs=on)
        case Arc():
            on = {"layer": LAYERS[item.pen]}
            if item.sweep >= 2 * math.pi - 1e-9:
                space.add_circle(item.centre, item.radius, dxfattribs=on)
            else:
                start, end = math.degrees(item.start), math.degrees(item.start + item.sweep)
                space.add_arc(item.centre, item.radius, start, end, dxfattribs=on)
        case Filled():
            space.add_solid(item.points[:4], dxfattribs={"layer": LAYERS["dimension"]})
        case Text():
            on_text = {"layer": TEXT_LAYER, "style": _STYLE, "height": item.height, "rotation": item.angle}
            space.add_text(item.text, dxfattribs=on_text).set_placement(item.at, align=_ANCHORS[item.anchor])
