"""Signs before sizes that a recogniser of letters does not know: diameter, counterbore, countersink, depth.

Their shapes are those of ISO 3098 and ASME Y14.5, from memory; how exactly they are drawn: common practice, no source.
"""

import cv2
import numpy as np

from maqueta.reading.picture.thinned import Mask

#: A side of a sign is inked along so much of it; what is open shows no more ink than this.
_FULL, _OPEN = 0.85, 0.12


def sign_of(shape: Mask) -> str:
    """The sign a spot of ink is, seen as it is read and with a rim of paper; empty for letters and figures."""
    if _is_diameter(shape):
        return "Ø"
    ink = shape[1:-1, 1:-1] > 0
    high, wide = ink.shape
    if high < 8 or wide < 8:
        return ""
    if _is_counterbore(ink):
        return "⌴"
    if _is_countersink(ink):
        return "⌵"
    return "↧" if _is_depth(ink) else ""


def eyes_of(shape: Mask) -> list[tuple[float, float, float]]:
    """The closed eyes of a letter: where they stand across and down, and how large they are, as shares of its box."""
    count, _, stats, centres = cv2.connectedComponentsWithStats(255 - shape, connectivity=4)
    high, wide = shape.shape
    found = []
    for k in range(1, count):
        x, y, w, h, area = (int(number) for number in stats[k])
        if x > 0 and y > 0 and x + w < wide and y + h < high and area >= max(3, 0.015 * high * wide):
            found.append((float(centres[k][0]) / wide, float(centres[k][1]) / high, area / (high * wide)))
    return found


def _is_diameter(shape: Mask) -> bool:
    """A ring with a stroke through it: two eyes beside each other, from above left to below right."""
    eyes = sorted(eyes_of(shape))
    if len(eyes) != 2:
        return False
    (x0, y0, one), (x1, y1, other) = eyes
    return x1 - x0 > 0.12 and y1 > y0 and min(one, other) > 0.35 * max(one, other)


_Ink = np.ndarray[tuple[int, ...], np.dtype[np.bool_]]


def _edges(ink: _Ink) -> tuple[float, float, float, float]:
    """How much of its left, right, upper and lower edge a spot has ink along, within a stroke's width."""
    high, wide = ink.shape
    x, y = max(2, wide // 6), max(2, high // 6)
    left, right = ink[:, :x].any(axis=1).mean(), ink[:, -x:].any(axis=1).mean()
    top, bottom = ink[:y].any(axis=0).mean(), ink[-y:].any(axis=0).mean()
    return float(left), float(right), float(top), float(bottom)


def _is_counterbore(ink: _Ink) -> bool:
    """A box open above: square corners below, no ink between its sides."""
    left, right, _, bottom = _edges(ink)
    high, wide = ink.shape
    inner = ink[: high - max(3, high // 4), wide // 4 : wide - wide // 4]
    corners = (
        ink[-max(2, high // 8) :, : max(2, wide // 8)].any() and ink[-max(2, high // 8) :, -max(2, wide // 8) :].any()
    )
    return bool(min(left, right, bottom) >= _FULL and inner.mean() <= _OPEN and corners and wide >= 0.8 * high)


def _is_countersink(ink: _Ink) -> bool:
    """Two strokes square to each other that meet below: twice as wide as high, inked in each row at two places."""
    high, wide = ink.shape
    if wide < 1.5 * high:
        return False
    columns = np.arange(wide)
    lowest = np.array([np.flatnonzero(ink[:, x])[-1] if ink[:, x].any() else -1 for x in columns])
    meant = (high - 1) * (1 - np.abs(columns - (wide - 1) / 2) / ((wide - 1) / 2))
    return bool((lowest >= 0).mean() > 0.95 and np.abs(lowest - meant).mean() <= 0.16 * high)


def _is_depth(ink: _Ink) -> bool:
    """A bar above, an arrow from its middle down."""
    high, wide = ink.shape
    _, _, top, _ = _edges(ink)
    middle = ink[:, max(0, wide // 2 - wide // 7) : wide // 2 + wide // 7 + 1].any(axis=1).mean()
    upper = ink[high // 4 : high // 2]
    lower = ink[int(0.62 * high) : int(0.85 * high)]
    narrow, broad = upper.any(axis=0).mean(), lower.any(axis=0).mean()
    return bool(top >= _FULL and middle >= 0.95 and narrow <= 0.4 and broad >= 1.6 * narrow and high >= wide)
