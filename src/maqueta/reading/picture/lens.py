"""What a lens bends made straight again, by the sides of the border: those are straight on paper.

One term of radial distortion about the middle of the picture, as usual for cameras (Brown 1971, from memory): a point
seen at a distance r from the middle, as a share of half the diagonal, belongs at r · (1 + k · r²).
"""

import math
from collections.abc import Sequence
from typing import Final

import cv2
import numpy as np
from scipy.optimize import minimize_scalar

from maqueta.reading.picture.image import Grey
from maqueta.reading.picture.thinned import Floats, Mask

#: No lens bends more than this; one that bends a side by less than so many pixels is not told from paper that is not
#: quite flat (common practice, no source).
_MOST, _LEAST = 0.15, 1.5
#: Sides are followed in windows of so many pixels to either side.
_REACH: Final = 7
#: So many points tell how a side runs, and as small a share of its length may be seen of it.
_FEWEST, _SEEN = 40, 0.5


def bend_of(sides: Sequence[Floats], shape: tuple[int, ...]) -> float:
    """How much a lens bends (k): what makes the points along the sides of the border, pixels, lie most straight; 0
    where it is not told."""
    told = [side for side in sides if len(side) >= _FEWEST]
    if len(told) < 3:
        return 0.0

    def off(k: float) -> float:
        return float(np.sqrt(np.mean(np.concatenate([_aside(unbent(side, k, shape)) ** 2 for side in told]))))

    best = minimize_scalar(off, bounds=(-_MOST, _MOST), method="bounded", options={"xatol": 1e-5})
    k = float(best.x)
    bowed = max(float(np.abs(unbent(side, k, shape) - side).max()) for side in told)
    return k if bowed >= _LEAST and off(k) <= 0.6 * off(0.0) else 0.0


def unbent(points: Floats, k: float, shape: tuple[int, ...]) -> Floats:
    """Where points of a picture, pixels, belong."""
    middle, half = _middle(shape)
    away = points - middle
    return np.asarray(middle + away * (1 + k * (away**2).sum(axis=1, keepdims=True) / half**2))


def straight_picture(grey: Grey, k: float) -> Grey:
    """A picture as a lens that bends nothing would see it."""
    high, wide = grey.shape
    middle, half = _middle(grey.shape)
    x, y = np.meshgrid(np.arange(wide, dtype=np.float32) - middle[0], np.arange(high, dtype=np.float32) - middle[1])
    right = (x * x + y * y) / np.float32(half**2)
    seen = np.ones_like(right)
    # Where a point that belongs at r is seen: a few steps of Newton's method.
    for _ in range(4):
        seen -= (seen * (1 + k * right * seen**2) - 1) / (1 + 3 * k * right * seen**2)
    columns, rows = (x * seen + middle[0]).astype(np.float32), (y * seen + middle[1]).astype(np.float32)
    return np.asarray(cv2.remap(grey, columns, rows, cv2.INTER_CUBIC, borderValue=255), np.uint8)


def followed(ink: Mask, side: Sequence[float]) -> Floats:
    """Points along a side of the border, from its middle to both ends, however it is bent; where other lines cross it
    or run beside it, nothing is told."""
    x0, y0, x1, y1 = side
    level = abs(x1 - x0) >= abs(y1 - y0)
    if not level:
        ink, (x0, y0, x1, y1) = ink.T, (y0, x0, y1, x1)
    if x0 > x1:
        x0, y0, x1, y1 = x1, y1, x0, y0
    rise, middle = (y1 - y0) / (x1 - x0), (x0 + x1) / 2
    found: list[tuple[float, float]] = []
    for step in (1, -1):
        x, y = round(middle), y0 + rise * (middle - x0)
        way, lost = rise * step, 0
        while 0 <= x < ink.shape[1] and lost < 60:
            low = max(0, round(y) - _REACH)
            own = np.flatnonzero(ink[low : round(y) + _REACH + 1, x])
            if len(own) and own[-1] - own[0] == len(own) - 1 and len(own) <= _REACH:
                at = low + float(own.mean())
                way += 0.02 * (at - y)
                y, lost = at, 0
                found.append((float(x), at))
            else:
                lost += 1
            x, y = x + step, y + way
    if len(found) < _SEEN * (x1 - x0):
        return np.zeros((0, 2))
    points = np.array(sorted(found))
    thin = points[:: max(1, len(points) // 400)]
    return thin if level else thin[:, ::-1]


def _aside(points: Floats) -> Floats:
    """How far points are off the line that fits them best."""
    away = points - points.mean(axis=0)
    _, _, axes = np.linalg.svd(away, full_matrices=False)
    return np.asarray(away @ axes[1])


def _middle(shape: tuple[int, ...]) -> tuple[Floats, float]:
    return np.array([(shape[1] - 1) / 2, (shape[0] - 1) / 2]), math.hypot(shape[0], shape[1]) / 2
