"""Lines and arcs as they were drawn, and those that pixels lie on.

All lengths in pixels, x right and y down.
"""

import math
from dataclasses import dataclass
from typing import Final

import numpy as np

from maqueta.geometry.carrier import Point, circle_through
from maqueta.reading.picture.thinned import Floats

#: What is put together across a junction keeps within this of one line or arc (common practice, no source).
JOINED: Final = 1.3


@dataclass(frozen=True)
class Path:
    """A line (`centre` None) or an arc as it was drawn: its pixels from first to last, half widths, its two ends.

    `nodes` are the junctions at its ends; a corner within a chain is one, too.
    """

    places: Floats
    half: Floats
    nodes: tuple[int | None, int | None]
    first: Point
    last: Point
    centre: Point | None = None
    radius: float = 0.0
    closed: bool = False
    #: Junctions it runs through.
    through: frozenset[int] = frozenset()
    #: How wide it is drawn.
    width: float = 0.0

    @property
    def length(self) -> float:
        """From its first pixel to its last, along the line."""
        return math.dist(self.first, self.last) if self.centre is None else float(len(self.places))

    @property
    def way(self) -> Point:
        """The direction of a line, a unit vector."""
        dx, dy = self.last[0] - self.first[0], self.last[1] - self.first[1]
        length = math.hypot(dx, dy) or 1.0
        return (dx / length, dy / length)

    @property
    def thin(self) -> float:
        """Half the width of the line itself, without its arrowheads."""
        return float(np.percentile(self.half, 30))


def line_of(places: Floats) -> tuple[Floats, Floats, float]:
    """The middle and direction of the line through pixels, and how far they stray from it (least squares)."""
    middle = places.mean(axis=0)
    _, _, axes = np.linalg.svd(places - middle, full_matrices=False)
    return middle, axes[0], float(np.abs((places - middle) @ axes[1]).max()) if len(places) > 1 else 0.0


def line_off(places: Floats) -> float:
    """How far pixels stray from the line through them."""
    return line_of(places)[2]


def circle_of(places: Floats) -> tuple[float, float, float, float] | None:
    """Centre, how far pixels stray, and radius of the circle through them; None for few."""
    if len(places) < 6:
        return None
    x, y, radius = circle_through(places)
    return x, y, float(np.abs(np.hypot(places[:, 0] - x, places[:, 1] - y) - radius).max()), radius


def circle_off(places: Floats) -> float:
    """How far pixels stray from the circle through them."""
    found = circle_of(places)
    return math.inf if found is None else found[2]


def point_of(place: Floats) -> Point:
    """A place of an array as a point."""
    return (float(place[0]), float(place[1]))


def on_circle(centre: Point, radius: float, point: Point) -> Point:
    """The place of a circle next to a point."""
    dx, dy = point[0] - centre[0], point[1] - centre[1]
    length = math.hypot(dx, dy) or 1.0
    return (centre[0] + radius * dx / length, centre[1] + radius * dy / length)
