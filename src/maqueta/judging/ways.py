"""Directions on the sheet."""

from maqueta.geometry.carrier import Point
from maqueta.phrases.phrase import Value, phrase


def way_on_sheet(shift: Point) -> Value:
    """Which way a shift on the sheet goes; slanted ones by both parts.

    >>> way_on_sheet((0.0, 2.0)).kind, [way.kind for way in way_on_sheet((-3.0, 3.0))]
    ('way-up', ['way-up', 'way-left'])
    """
    x, y = shift
    across = phrase("way-right") if x > 0 else phrase("way-left")
    up = phrase("way-up") if y > 0 else phrase("way-down")
    if abs(x) < 0.05 * abs(y):
        return up
    return across if abs(y) < 0.05 * abs(x) else (up, across)
