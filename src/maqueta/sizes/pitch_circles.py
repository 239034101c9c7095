"""Holes evenly on a circle: the circle through their centres, and what its diameter says.

A diameter given for it places all of them, evenly as they are drawn (common practice, no source).
"""

import math
from dataclasses import dataclass
from typing import Final

from maqueta.geometry.carrier import Point
from maqueta.projection.axes_seen import centre_seen
from maqueta.projection.look import Look
from maqueta.sizes.form.equations import Row, less, summed, times
from maqueta.sizes.sighted import PICK_TOLERANCE, Sighted
from maqueta.solid.formed import patterns
from maqueta.solid.part import Part

_ACROSS: Final[Point] = (1.0, 0.0)
_UP: Final[Point] = (0.0, 1.0)


@dataclass(frozen=True, slots=True)
class PitchCircle:
    """The circle through the centres of holes, in the plane of a view, in the part's unit."""

    centre: Point
    radius: float
    holes: tuple[Point, ...]


def pitch_circles(part: Part, look: Look) -> tuple[PitchCircle, ...]:
    """The circles through holes that a view shows evenly round a middle."""
    found = []
    for pattern in patterns(part.features, part.size):
        features = [part.features[index] for index in pattern.features]
        if pattern.layout == "circle" and look.shows_point(features[0].axis):
            holes = tuple(centre_seen(feature, look) for feature in features)
            centre = (sum(x for x, _ in holes) / len(holes), sum(y for _, y in holes) / len(holes))
            found.append(PitchCircle(centre, pattern.pitch / 2, holes))
    return tuple(found)


def pitch_circle_at(sighted: Sighted, centre: Point, radius: float) -> PitchCircle | None:
    """The pitch circle a dimension stands at, if it stands at one."""
    near = PICK_TOLERANCE * sighted.form.size
    return next(
        (
            circle
            for circle in pitch_circles(sighted.part, sighted.look)
            if math.dist(circle.centre, centre) <= near and abs(circle.radius - radius) <= near
        ),
        None,
    )


def pitch_rows(sighted: Sighted, circle: PitchCircle) -> tuple[Row, ...]:
    """That each hole is as far from the middle as the circle says, and then that each is evenly placed round it."""
    holes = [tuple(sighted.coordinates(hole, along)[-1] for along in (_ACROSS, _UP)) for hole in circle.holes]
    middle = [_middle(sighted, circle, along, [hole[k] for hole in holes]) for k, along in enumerate((_ACROSS, _UP))]
    radial, tangential = [], []
    for (x, y), hole in zip(circle.holes, holes, strict=True):
        out = ((x - circle.centre[0]) / circle.radius, (y - circle.centre[1]) / circle.radius)
        dx, dy = less(hole[0], middle[0]), less(hole[1], middle[1])
        radial.append(summed(times(dx, out[0]), times(dy, out[1])))
        tangential.append(summed(times(dx, -out[1]), times(dy, out[0])))
    return (*radial, *tangential)


def _middle(sighted: Sighted, circle: PitchCircle, along: Point, holes: list[Row]) -> Row:
    """What stands at the middle; the middle of the holes themselves where nothing does."""
    found = sighted.coordinates(circle.centre, along)
    return found[-1] if found else summed(*(times(row, 1 / len(holes)) for row in holes))
