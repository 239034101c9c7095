"""What a file of a sheet may hold at most: files are hostile, whatever their format."""

import math
from typing import Final

from maqueta.geometry.carrier import Point
from maqueta.phrases.phrase import phrase
from maqueta.reading.errors import UnreadableSheetError

LARGEST_FILE: Final = 48 * 1024 * 1024
MOST_STROKES: Final = 10_000
#: More pages than this are no sheets of a class.
MOST_PAGES: Final = 400
#: Coordinates beyond this (in file units or mm) belong to no sheet of paper.
FARTHEST: Final = 1e6


def usable(point: Point) -> None:
    """Raises UnreadableSheetError for a point that can be on no sheet."""
    if not all(math.isfinite(c) and abs(c) <= FARTHEST for c in point):
        raise UnreadableSheetError(phrase("sheet-file-coordinate", x=f"{point[0]:g}", y=f"{point[1]:g}"))


def large_enough(data: bytes) -> None:
    """Raises UnreadableSheetError for a file with nothing in it, or too much."""
    if not data.strip():
        raise UnreadableSheetError(phrase("sheet-file-empty"))
    if len(data) > LARGEST_FILE:
        raise UnreadableSheetError(phrase("sheet-file-larger", most=LARGEST_FILE // 2**20))
