"""Letters as shapes: outlines of a font, and strokes of a pen on a grid of our own."""

from collections.abc import Iterator
from functools import cache
from pathlib import Path
from typing import Any, Final, cast

import reportlab
from fontTools.pens.basePen import BasePen
from fontTools.ttLib import TTFont

from maqueta.drawing.lettering import FONT_FILE

Point = tuple[float, float]
#: A contour: its start, then ends of lines, or three points of a cubic curve each.
Stretch = tuple[Point] | tuple[Point, Point, Point]
Contour = tuple[Point, list[Stretch]]
#: The drafting face, and a usual face of screens (Bitstream Vera, which comes with reportlab).
FACES: Final = {"drafting": FONT_FILE, "screen": Path(reportlab.__file__).parent / "fonts" / "Vera.ttf"}

#: Written so where a face has no other.
_ALIKE: Final = {"⌀": "Ø"}
#: Strokes of a pen for each letter, corners on a grid of 4 by 6.
_PENNED: Final = {
    "0": "10 30 41 45 36 16 05 01 10", "1": "05 16 10", "2": "05 16 36 45 44 00 40", "3": "06 46 23 33 42 41 30 10 01",
    "4": "30 36 02 42", "5": "46 06 03 33 42 41 30 10 01", "6": "36 16 05 01 10 30 41 42 33 13 02",
    "7": "06 46 10", "8": "13 04 05 16 36 45 44 33 13 02 01 10 30 41 42 33", "9": "10 30 41 45 36 16 05 04 13 33 44",
    "A": "00 26 40|12 32", "B": "00 06 36 45 44 33 03|33 42 41 30 00", "C": "45 36 16 05 01 10 30 41",
    "D": "00 06 26 44 42 20 00", "E": "46 06 00 40|03 33", "F": "46 06 00|03 33", "G": "45 36 16 05 01 10 30 41 43 23",
    "H": "00 06|40 46|03 43", "I": "00 06", "J": "46 41 30 10 01", "K": "00 06|46 03 40", "L": "06 00 40",
    "M": "00 06 23 46 40", "N": "00 06 40 46", "O": "10 30 41 45 36 16 05 01 10", "P": "00 06 36 45 44 33 03",
    "Q": "10 30 41 45 36 16 05 01 10|22 40", "R": "00 06 36 45 44 33 03|23 40",
    "S": "45 36 16 05 04 13 33 42 41 30 10 01", "T": "06 46|26 20", "U": "06 01 10 30 41 46", "V": "06 20 46",
    "W": "06 10 23 30 46", "X": "00 46|06 40", "Y": "06 23 46|23 20", "Z": "06 46 00 40",
    "-": "03 23", "/": "00 46", ".": "00 10 11 01 00", ",": "11 00",
    ":": "01 11 12 02 01|04 14 15 05 04", "×": "01 23|03 21",
    "Ø": "10 30 41 45 36 16 05 01 10|00 46", "°": "05 16 25 14 05", "(": "26 04 02 20", ")": "06 24 22 00",
    "⌴": "04 00 40 44", "⌵": "04 30 64", "↧": "06 46|26 20|12 20 32",
}  # fmt: skip


class _Contours(BasePen):  # type: ignore[misc]
    def __init__(self, glyphs: Any, right: float) -> None:
        super().__init__(glyphs)
        self.found: list[Contour] = []
        self._right = right

    def _at(self, point: Point) -> Point:
        return (point[0] + self._right, point[1])

    def _moveTo(self, point: Point) -> None:  # noqa: N802
        self.found.append((self._at(point), []))

    def _lineTo(self, point: Point) -> None:  # noqa: N802
        self.found[-1][1].append((self._at(point),))

    def _curveToOne(self, first: Point, second: Point, end: Point) -> None:  # noqa: N802
        self.found[-1][1].append((self._at(first), self._at(second), self._at(end)))


@cache
def _face(name: str) -> tuple[Any, Any, float]:
    font: Any = TTFont(FACES[name])
    glyphs = font.getGlyphSet()
    pen = _Contours(glyphs, 0.0)
    glyphs[font.getBestCmap()[ord("H")]].draw(pen)
    high = max(point[1] for start, stretches in pen.found for point in (start, *(p for s in stretches for p in s)))
    return font.getBestCmap(), glyphs, high


def outlines(text: str, height: float, face: str) -> tuple[list[list[Contour]], float]:
    """The contours of each letter of a text whose capitals have a height, from its left end on its base line, and how
    wide it is."""
    known, glyphs, high = _face(face)
    share, right, found = height / high, 0.0, []
    for letter in text:
        glyph = glyphs[known.get(ord(letter)) or known[ord(_ALIKE.get(letter, "X"))]]
        pen = _Contours(glyphs, right)
        glyph.draw(pen)
        found.append([_scaled(contour, share) for contour in pen.found])
        right += glyph.width
    return found, right * share


def _scaled(contour: Contour, share: float) -> Contour:
    start, stretches = contour

    def scale(p: Point) -> Point:
        return (p[0] * share, p[1] * share)

    return scale(start), [cast(Stretch, tuple(map(scale, stretch))) for stretch in stretches]


def penned(text: str, height: float) -> tuple[list[list[Point]], float]:
    """The strokes of a pen that write a text, and how wide it is."""
    step, right, found = height / 6, 0, []
    for letter in text:
        for stroke in _strokes(letter):
            found.append([(step * (right + int(corner[0])), step * int(corner[1])) for corner in stroke.split()])
        right += 2 + max((int(c[0]) for stroke in _strokes(letter) for c in stroke.split()), default=2)
    return found, step * (right - 2)


def _strokes(letter: str) -> Iterator[str]:
    yield from filter(None, _PENNED.get(_ALIKE.get(letter, letter).upper(), "").split("|"))
