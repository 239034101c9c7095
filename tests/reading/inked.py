"""Pictures of sheets painted by a general imaging library, for what is held against ink."""

from collections.abc import Iterable, Sequence

import numpy as np
from PIL import Image, ImageDraw

from maqueta.geometry.box import Box
from maqueta.geometry.carrier import Point
from maqueta.reading.ink_map import InkMap

PIXEL = 0.1


def inked(
    lines: Iterable[Sequence[Point]] = (), boxes: Iterable[Box] = (), paper: tuple[float, float] = (420.0, 297.0)
) -> InkMap:
    """Ink along lines, and all over boxes, of a paper; all in mm."""
    wide, high = (round(side / PIXEL) for side in paper)
    image = Image.new("1", (wide, high))
    brush = ImageDraw.Draw(image)

    def at(point: Point) -> Point:
        return point[0] / PIXEL, high - 1 - point[1] / PIXEL

    for line in lines:
        brush.line([at(point) for point in line], fill=1, width=3)
    for left, bottom, right, top in boxes:
        brush.rectangle([at((left, top)), at((right, bottom))], fill=1)
    return InkMap(np.array(image, dtype=bool), PIXEL)
