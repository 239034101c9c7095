"""Paper sizes and where their borders and title blocks stand. All lengths in mm on paper."""

from dataclasses import dataclass
from typing import Final, Literal, get_args

PaperSize = Literal["A4", "A3", "A2", "A1", "A0", "ANSI A", "ANSI B", "ANSI C", "ANSI D"]
PAPER_SIZES: Final[tuple[PaperSize, ...]] = get_args(PaperSize)
Rectangle = tuple[float, float, float, float]

_INCH: Final = 25.4

#: Short and long side: ISO 216 (A series) and ASME Y14.1 (8.5×11 in, 11×17, 17×22, 22×34).
SIDES_MM: Final[dict[PaperSize, tuple[float, float]]] = {
    "A4": (210.0, 297.0),
    "A3": (297.0, 420.0),
    "A2": (420.0, 594.0),
    "A1": (594.0, 841.0),
    "A0": (841.0, 1189.0),
    "ANSI A": (8.5 * _INCH, 11 * _INCH),
    "ANSI B": (11 * _INCH, 17 * _INCH),
    "ANSI C": (17 * _INCH, 22 * _INCH),
    "ANSI D": (22 * _INCH, 34 * _INCH),
}

#: Left margin (for filing) and the other three, ISO 5457, from memory.
_ISO_MARGINS: Final = (20.0, 10.0)
#: Margins at the short and at the long edges of ASME Y14.1 sheets, in inches, from memory.
_ASME_MARGINS: Final[dict[PaperSize, tuple[float, float]]] = {
    "ANSI A": (0.38, 0.25),
    "ANSI B": (0.38, 0.62),
    "ANSI C": (0.75, 0.50),
    "ANSI D": (0.50, 1.00),
}

#: The title block is at most 180 mm wide (ISO 7200, from memory); the height is our own layout.
TITLE_WIDTH: Final = 180.0
TITLE_HEIGHT: Final = 36.0


@dataclass(frozen=True, slots=True)
class Layout:
    """A sheet's rectangles (left, bottom, right, top), origin at the lower left corner of the paper."""

    width: float
    height: float
    border: Rectangle
    title: Rectangle

    @property
    def drawing_area(self) -> Rectangle:
        """The rectangle inside the border above the title block: what centring and gap sums refer to."""
        left, _, right, top = self.border
        return (left, self.title[3], right, top)


def sides(size: PaperSize, landscape: bool) -> tuple[float, float]:
    """Width and height of a paper."""
    short, long = SIDES_MM[size]
    return (long, short) if landscape else (short, long)


def layout(size: PaperSize, landscape: bool) -> Layout:
    """The layout of a paper size. ISO sheets keep the wide filing margin at the left edge."""
    width, height = sides(size, landscape)
    if size in _ASME_MARGINS:
        at_short, at_long = (inches * _INCH for inches in _ASME_MARGINS[size])
        across, up = (at_short, at_long) if landscape else (at_long, at_short)
        border = (across, up, width - across, height - up)
    else:
        filing, margin = _ISO_MARGINS
        border = (filing, margin, width - margin, height - margin)
    left, bottom, right, _ = border
    title = (max(left, right - TITLE_WIDTH), bottom, right, bottom + TITLE_HEIGHT)
    return Layout(width, height, border, title)
