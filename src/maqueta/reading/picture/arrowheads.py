"""Filled arrowheads: where ink swells towards the middle of a line from a sharp end."""

import math
from dataclasses import dataclass
from typing import Final

import numpy as np

from maqueta.geometry.carrier import Point
from maqueta.reading.picture.path import Path
from maqueta.reading.picture.thinned import Floats

#: Lengths of arrowheads, mm, and their width as a share of that (common practice, no source).
_SHORT, _LONG, _SLIM, _STOUT = 0.9, 8.0, 0.12, 0.9
#: Ink wider than so many times its line is more than a line.
_SWELLS: Final = 1.45


@dataclass(frozen=True)
class Head:
    """A triangle, its tip first, pixels."""

    corners: tuple[Point, Point, Point]


def heads_of(path: Path, mm: float) -> list[Head]:
    """The arrowheads at the ends of a line; `mm` is the size of a pixel."""
    if path.centre is not None:
        return []
    thin, way = path.thin, path.way
    along = (path.places - np.array(path.first)) @ np.array(way)
    length = math.dist(path.first, path.last)
    found = []
    for tip, sign, at in ((path.first, 1.0, along), (path.last, -1.0, length - along)):
        reach = at <= min(_LONG / mm, 0.75 * length)
        wide = reach & (path.half > _SWELLS * thin + 0.6)
        if not wide.any():
            continue
        base = float(at[wide][np.argmax(path.half[wide])])
        widest = float(path.half[wide].max())
        head_long, head_wide = base * mm, 2 * widest * mm
        rises = _rises(at, path.half, base)
        if not _SHORT <= head_long <= _LONG or not _SLIM <= head_wide / head_long <= _STOUT or not rises:
            continue
        x, y = tip[0] + sign * base * way[0], tip[1] + sign * base * way[1]
        left, right = (x - widest * way[1], y + widest * way[0]), (x + widest * way[1], y - widest * way[0])
        found.append(Head((tip, left, right)))
    return found


def _rises(at: Floats, half: Floats, base: float) -> bool:
    """Whether ink widens evenly from an end to the base of a head: a blot does not."""
    own = (at > 0.15 * base) & (at <= base)
    if own.sum() < 4 or np.ptp(half[own]) == 0:
        return False
    slope = np.corrcoef(at[own], half[own])[0, 1]
    return bool(slope > 0.8)
