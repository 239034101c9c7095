"""An SVG file as strokes and words in mm on paper; its paths and transforms by a general SVG library.

The file is hostile: entities are refused, scripts, links and foreign content are never followed, what is drawn by
reference is counted.
"""

import math
import re
from typing import Any, Final

from defusedxml import DefusedXmlException
from defusedxml.ElementTree import fromstring

from maqueta.phrases.phrase import phrase
from maqueta.phrases.said import said
from maqueta.reading.content import Content
from maqueta.reading.drawn_paths import Paper
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.limits import large_enough
from maqueta.reading.svg.drawing import Drawing, tag_of
from maqueta.sheet.paper import SIDES_MM

#: Mm to a unit of length (CSS 2.1, 4.3.2: 96 px to an inch).
_MM: Final = {"mm": 1.0, "cm": 10.0, "in": 25.4, "pt": 25.4 / 72, "pc": 25.4 / 6, "px": 25.4 / 96, "": 25.4 / 96}
_LENGTH: Final = re.compile(r"^\s*([+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?)\s*(mm|cm|in|pt|pc|px|)\s*$")
#: A drawing without a size of its own has that of a paper within this, mm.
_NEAR: Final = 1.5


def read_svg(data: bytes) -> Content:
    """Read it. Raises UnreadableSheetError with one line for people."""
    large_enough(data)
    try:
        root = fromstring(data)
    except DefusedXmlException as error:
        raise UnreadableSheetError(phrase("sheet-svg-entities")) from error
    except Exception as error:  # broken markup, and names of encodings nobody knows
        raise UnreadableSheetError(phrase("sheet-svg-broken")) from error
    if tag_of(root) != "svg":
        raise UnreadableSheetError(phrase("sheet-svg-broken"))
    view, unit, (wide, high) = _measures(root)
    move = (unit, 0.0, 0.0, -unit, -unit * view[0], high + unit * view[1])
    try:
        drawing = Drawing(root, move, Paper(wide, high))
    except RecursionError as error:
        raise UnreadableSheetError(phrase("sheet-page-endless")) from error
    if not drawing.strokes:
        bare = phrase("sheet-pdf-picture") if drawing.pictures else phrase("sheet-file-without-lines")
        raise UnreadableSheetError(bare)
    counted = sorted(drawing.left.items(), key=lambda entry: said(entry[0]))
    left = [phrase("unread-counted", what=what, count=count) for what, count in counted]
    if drawing.pictures:
        left.append(phrase("unread-counted", what=phrase("unread-picture"), count=drawing.pictures))
    return Content(
        tuple(drawing.strokes),
        tuple(drawing.words),
        (),
        (),
        tuple(drawing.filled),
        tuple(left),
        tuple(drawing.areas),
        shapes=tuple(drawing.shapes),
        bar_widths=frozenset(drawing.bar_widths),
        page=(wide, high) if math.isfinite(wide) and high > 0 else None,
    )


def _measures(root: Any) -> tuple[tuple[float, float], float, tuple[float, float]]:
    """The corner of what is shown, mm to a user unit, and how wide and high the paper is, mm."""
    wide, high = (_length(root.get(name)) for name in ("width", "height"))
    numbers = [float(x) for x in re.findall(r"[+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?", root.get("viewBox", ""))]
    if len(numbers) != 4 or min(numbers[2:]) <= 0:
        return (0.0, 0.0), _MM[""], (wide or math.inf, high or 0.0)
    x, y, across, up = numbers
    if wide is None and high is None:
        unit = _unit_of_paper(across, up)
        return (x, y), unit, (unit * across, unit * up)
    # As large as fits, in the middle, unless said otherwise: where it lies does not matter, how large it is does.
    unit = min(size / part for size, part in ((wide, across), (high, up)) if size is not None)
    return (x, y), unit, (unit * across, unit * up)


def _length(text: str | None) -> float | None:
    """A length in mm; None for a share, or what is none."""
    match = _LENGTH.match(text or "")
    return float(match[1]) * _MM[match[2]] if match is not None and float(match[1]) > 0 else None


def _unit_of_paper(across: float, up: float) -> float:
    """Mm to a unit of a drawing that says only how many units it has: as many mm, points or pixels as a paper has."""
    for unit in (_MM["mm"], _MM["pt"], _MM["px"], _MM["in"]):
        size = sorted((across * unit, up * unit))
        if any(max(abs(a - b) for a, b in zip(size, sorted(own), strict=True)) <= _NEAR for own in SIDES_MM.values()):
            return unit
    return _MM["px"]
