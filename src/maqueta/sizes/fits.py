"""Limits of sizes by ISO 286: a letter for where the zone lies, a number for how wide it is.

Standard tolerances (ISO 286-1, table 1), fundamental deviations of shafts d to p and holes D to P (ISO 286-1, tables 2
to 5), all from memory; the rule of delta for holes K to P is that of ISO 286-1, 4.3.2.5, from memory. Nominal sizes up
to 500 mm.
"""

import math
import re
from bisect import bisect_left
from typing import Final

#: Upper ends of the ranges of nominal sizes, mm ("over 3 up to and including 6").
_RANGES: Final = (3, 6, 10, 18, 30, 50, 80, 120, 180, 250, 315, 400, 500)
#: Widths by grade, in thousandths of a millimetre, one for each range.
_WIDTHS: Final[dict[int, tuple[int, ...]]] = {
    4: (3, 4, 4, 5, 6, 7, 8, 10, 12, 14, 16, 18, 20),
    5: (4, 5, 6, 8, 9, 11, 13, 15, 18, 20, 23, 25, 27),
    6: (6, 8, 9, 11, 13, 16, 19, 22, 25, 29, 32, 36, 40),
    7: (10, 12, 15, 18, 21, 25, 30, 35, 40, 46, 52, 57, 63),
    8: (14, 18, 22, 27, 33, 39, 46, 54, 63, 72, 81, 89, 97),
    9: (25, 30, 36, 43, 52, 62, 74, 87, 100, 115, 130, 140, 155),
    10: (40, 48, 58, 70, 84, 100, 120, 140, 160, 185, 210, 230, 250),
    11: (60, 75, 90, 110, 130, 160, 190, 220, 250, 290, 320, 360, 400),
    12: (100, 120, 150, 180, 210, 250, 300, 350, 400, 460, 520, 570, 630),
}
#: Upper deviations of shafts below the nominal size, lower ones of shafts above it, thousandths of a millimetre.
_BELOW: Final[dict[str, tuple[int, ...]]] = {
    "d": (20, 30, 40, 50, 65, 80, 100, 120, 145, 170, 190, 210, 230),
    "e": (14, 20, 25, 32, 40, 50, 60, 72, 85, 100, 110, 125, 135),
    "f": (6, 10, 13, 16, 20, 25, 30, 36, 43, 50, 56, 62, 68),
    "g": (2, 4, 5, 6, 7, 9, 10, 12, 14, 15, 17, 18, 20),
    "h": (0,) * 13,
}
_ABOVE: Final[dict[str, tuple[int, ...]]] = {
    "k": (0, 1, 1, 1, 2, 2, 2, 3, 3, 4, 4, 4, 5),
    "m": (2, 4, 6, 7, 8, 9, 11, 13, 15, 17, 20, 21, 23),
    "n": (4, 8, 10, 12, 15, 17, 20, 23, 27, 31, 34, 37, 40),
    "p": (6, 12, 15, 18, 22, 26, 32, 37, 43, 50, 56, 62, 68),
}
#: Grades to which the deviations above hold for shafts k, and the rule of delta for holes.
_K_GRADES: Final = range(4, 8)
_DELTA_GRADES: Final[dict[str, range]] = {"k": range(5, 9), "m": range(5, 9), "n": range(5, 9), "p": range(5, 8)}


def limits(fit: str, nominal: float) -> tuple[float, float] | None:
    """Upper and lower deviation (mm) of a tolerance class such as "H7" or "g6" at a nominal size (mm).

    None for a class or size that is not in these tables.

    >>> limits("H7", 25), limits("g6", 25)
    ((0.021, 0.0), (-0.007, -0.02))
    """
    found = re.fullmatch(r"([A-Za-z]{1,2})(\d{1,2})", fit)
    if found is None or not 0 < nominal <= _RANGES[-1]:
        return None
    letter, grade, place = found[1], int(found[2]), bisect_left(_RANGES, nominal)
    if grade not in _WIDTHS:
        return None
    width, low = _WIDTHS[grade][place], letter.lower()
    if low == "js":
        upper, lower = width / 2, -width / 2
    elif low in _BELOW:
        deviation = _BELOW[low][place]
        upper, lower = (-deviation, -deviation - width) if letter == low else (deviation + width, deviation)
    elif low in _ABOVE and letter == low:
        if low == "k" and grade not in _K_GRADES:
            return None
        upper, lower = _ABOVE[low][place] + width, _ABOVE[low][place]
    elif low in _ABOVE and grade in _DELTA_GRADES[low]:
        delta = width - _WIDTHS[grade - 1][place] if nominal > _RANGES[0] else 0
        upper = -_ABOVE[low][place] + delta
        lower = upper - width
    else:
        return None
    return (_thousandths(upper), _thousandths(lower))


def _thousandths(number: float) -> float:
    return math.copysign(abs(number), number) / 1000 if number else 0.0
