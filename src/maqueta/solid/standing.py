"""How a part stands by itself: on which sides it rests without toppling."""

from dataclasses import dataclass

from shapely.geometry import MultiPoint, Point

from maqueta.geometry.directions import AXES, SIDES, Side, opposite
from maqueta.solid.part import Part


@dataclass(frozen=True, slots=True)
class Standing:
    """One way to put a part down.

    `up` then points up; `footprint` is the area of the convex outline it touches the ground with, as a share of the
    part's outline seen from above; `height` how high its centre of gravity lies, as a share of its height.
    """

    up: Side
    footprint: float
    height: float


def standings(part: Part) -> tuple[Standing, ...]:
    """The sides a part can stand on, firmest first.

    It stands where the centre of gravity lies over the convex outline of the points that touch the ground; firmer is
    what touches with more of its outline and has its weight lower. Statics; the order is common practice, no source.
    """
    found = []
    points = [sample for edge in part.edges for sample in edge.samples]
    for side in SIDES:
        axis = AXES.index(side[1])
        first, second = (k for k in range(3) if k != axis)
        low = side[0] == "-"
        ground = part.low[axis] if low else part.high[axis]
        touching = [p for p in points if abs(p[axis] - ground) <= 1e-6 * part.size]
        foot = MultiPoint([(p[first], p[second]) for p in touching]).convex_hull
        outline = MultiPoint([(p[first], p[second]) for p in points]).convex_hull
        weight = Point(part.centroid[first], part.centroid[second])
        # A hair's breadth inside, so that a part balanced on an edge does not count as standing.
        if not foot.buffer(-1e-6 * part.size).contains(weight):
            continue
        height = (part.centroid[axis] - ground) / part.extents[axis] * (1 if low else -1)
        found.append(Standing(opposite(side), foot.area / outline.area, height))
    return tuple(sorted(found, key=lambda s: (-round(s.footprint, 6), round(s.height, 6), SIDES.index(s.up))))
