"""Line kinds: widths and dash lengths in mm on paper.

Wide to narrow is 2:1; dashes are multiples of the narrow width d: hidden 12d and 3d, centre 24d, 3d, 0.5d, 3d
(ISO 128-2, from memory; ASME Y14.2 asks the same ratio, from memory).
"""

from typing import Final, Literal

Pen = Literal["visible", "hidden", "smooth", "centre", "dimension", "hatching", "border", "grid", "construction"]

NARROW: Final = 0.25
WIDE: Final = 2 * NARROW

WIDTHS: Final[dict[Pen, float]] = {
    "visible": WIDE,
    "hidden": NARROW,
    "smooth": NARROW,
    "centre": NARROW,
    "dimension": NARROW,
    "hatching": NARROW,
    "border": 0.7,
    "grid": 0.35,
    "construction": 0.18,
}
DASHES: Final[dict[Pen, tuple[float, ...]]] = {
    "hidden": (12 * NARROW, 3 * NARROW),
    "centre": (24 * NARROW, 3 * NARROW, 0.5 * NARROW, 3 * NARROW),
}

#: Lettering heights (capitals): ISO 3098 series, from memory; 0.12 in in the inch tradition (ASME Y14.2, from memory).
DIMENSION_TEXT: Final = 3.5
SMALL_TEXT: Final = 1.8
TITLE_TEXT: Final = 3.5

#: Extension lines: gap to the outline about 1.5 mm and 2 to 3 mm beyond the dimension line (ASME Y14.5, from memory).
EXTENSION_GAP: Final = 1.5
EXTENSION_BEYOND: Final = 2.0
#: Arrowheads three times as long as wide (ISO 129-1, ASME Y14.2, both from memory).
ARROW_LENGTH: Final = 3.0
ARROW_WIDTH: Final = 1.0
#: Texts stand this far over their dimension line or leader, mm (common practice, no source).
TEXT_RISE: Final = 1.0
