"""Rounding of numbers, for people and for stable reports."""

import math


def rounded(value: float, decimals: int) -> float:
    """A value rounded half away from zero, as drafters round; guards against 0.15 being stored as 0.1499…

    >>> rounded(0.15, 1), rounded(-2.5, 0)
    (0.2, -3.0)
    """
    factor = 10.0**decimals
    return math.copysign(math.floor(abs(value) * factor + 0.5 + 1e-9), value) / factor


def tidy(value: float, decimals: int = 6) -> float:
    """A number without the dust of floating point; never −0.

    >>> tidy(0.1 + 0.2), str(tidy(-1e-9))
    (0.3, '0.0')
    """
    return round(value, decimals) + 0.0
