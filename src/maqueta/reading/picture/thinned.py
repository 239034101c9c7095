"""Ink thinned to lines one pixel wide (Guo and Hall 1989, from memory), by the ink's own pixels alone."""

from typing import Final

import numpy as np
from numpy.typing import NDArray

Mask = NDArray[np.uint8]
Floats = NDArray[np.float64]
#: The eight neighbours of a pixel, down and right, clockwise from the one above.
ROUND: Final = ((-1, 0), (-1, 1), (0, 1), (1, 1), (1, 0), (1, -1), (0, -1), (-1, -1))


def _table(second: bool) -> NDArray[np.bool_]:
    """Of every way its neighbours can be (bit k for the k-th): whether a pixel goes in a first or second half pass."""
    goes = np.zeros(256, dtype=bool)
    for code in range(256):
        p2, p3, p4, p5, p6, p7, p8, p9 = (bool(code >> k & 1) for k in range(8))
        crossings = (
            (not p2 and (p3 or p4)) + (not p4 and (p5 or p6)) + (not p6 and (p7 or p8)) + (not p8 and (p9 or p2))
        )
        one = (p9 or p2) + (p3 or p4) + (p5 or p6) + (p7 or p8)
        other = (p2 or p3) + (p4 or p5) + (p6 or p7) + (p8 or p9)
        held = ((p2 or p3 or not p5) and p4) if second else ((p6 or p7 or not p9) and p8)
        goes[code] = crossings == 1 and 2 <= min(one, other) <= 3 and not held
    return goes


_TABLES: Final = (_table(False), _table(True))


def thinned(ink: Mask) -> NDArray[np.bool_]:
    """The middle lines of ink (anything but 0 is ink), connected as it is."""
    padded = np.pad(ink > 0, 1)
    flat = padded.ravel()
    steps = [dy * padded.shape[1] + dx for dy, dx in ROUND]
    left = np.flatnonzero(flat)
    while True:
        before = len(left)
        for table in _TABLES:
            code = np.zeros(len(left), dtype=np.uint8)
            for bit, step in enumerate(steps):
                code |= flat[left + step].astype(np.uint8) << bit
            goes = table[code]
            flat[left[goes]] = False
            left = left[~goes]
        if len(left) == before:
            return padded[1:-1, 1:-1]
