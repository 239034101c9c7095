"""The layers of a drawing that leaves the house: one for each kind of line, one for texts."""

from typing import Final

from maqueta.drawing.ink import Arc, Filled, Item, Stroke, Text, Tinted
from maqueta.drawing.pens import Pen

LAYERS: Final[dict[Pen, str]] = {
    "visible": "VISIBLE",
    "hidden": "HIDDEN",
    "smooth": "SMOOTH",
    "centre": "CENTRE",
    "dimension": "DIMENSION",
    "hatching": "HATCHING",
    "border": "BORDER",
    "grid": "TITLE-BLOCK",
}
TEXT_LAYER: Final = "TEXT"
TINT_LAYER: Final = "TINT"


def layer_of(item: Item) -> str:
    """The layer an item lies on; arrowheads lie with their dimension lines."""
    match item:
        case Stroke() | Arc():
            return LAYERS[item.pen]
        case Filled():
            return LAYERS["dimension"]
        case Text():
            return TEXT_LAYER
        case Tinted():
            return TINT_LAYER
