"""Straight lines and circles of model space on the view plane, many at a time."""

import math
from typing import Final

import numpy as np
from numpy.typing import NDArray

from maqueta.geometry.carrier import TURN, Circle, Ellipse, Interval, Line, Point, arc_interval

Array = NDArray[np.float64]

#: A circle leaning less than this (cosine between its axis and the line of sight) is seen edge-on.
EDGE_ON: Final = 1e-9
_FACING: Final = 1 - 1e-12


def flat_lines(starts: Array, ends: Array, tolerance: float) -> list[tuple[Line, Interval] | None]:
    """Carrier and stretch of segments between points of the view plane (n × 2); None for one seen as a point."""
    span = ends - starts
    length = np.hypot(span[:, 0], span[:, 1])
    along = span / np.maximum(length, np.finfo(float).tiny)[:, None]
    level, upright = np.abs(along[:, 1]) < 1e-9, np.abs(along[:, 0]) < 1e-9
    along[level], along[upright] = (1.0, 0.0), (0.0, 1.0)
    along[~(level | upright) & (along[:, 1] < 0)] *= -1
    angle = np.where(level, 0.0, np.where(upright, math.pi / 2, np.arctan2(along[:, 1], along[:, 0])))
    middle = (starts + ends) / 2
    # On level and upright lines the mean of both ends; elsewhere either end would do.
    offset = along[:, 0] * middle[:, 1] - along[:, 1] * middle[:, 0]
    reach = np.sort([(along * starts).sum(axis=1), (along * ends).sum(axis=1)], axis=0)
    rows = zip(length.tolist(), angle.tolist(), offset.tolist(), reach.T.tolist(), strict=True)
    return [(Line(a, o), (first, last)) if n > tolerance else None for n, a, o, (first, last) in rows]


def edge_on_ends(centres: Array, axes: Array, radii: Array, arcs: Array, towards: Array) -> tuple[Array, Array]:
    """The two ends in model space (n × 3 each) between which circles or arcs are seen that are seen edge-on.

    `arcs` holds the start, middle and end point of each (n × 3 × 3); a whole circle starts where it ends.
    """
    along = np.cross(towards, axes)
    across = np.cross(axes, along)
    spokes = arcs - centres[:, None, :]
    forward = np.einsum("nkc,nc->nk", spokes, along)
    angles = np.arctan2(np.einsum("nkc,nc->nk", spokes, across), forward)
    start, middle, end = angles.T
    swap = (middle - start) % TURN > (end - start) % TURN
    start, end = np.where(swap, end, start), np.where(swap, start, end)
    sweep = np.where(_whole(arcs), TURN, (end - start) % TURN)
    # An arc turns round where it runs square to the line of sight.
    high = np.where(-start % TURN <= sweep, radii, np.maximum(forward[:, 0], forward[:, 2]))
    low = np.where((math.pi - start) % TURN <= sweep, -radii, np.minimum(forward[:, 0], forward[:, 2]))
    return centres + low[:, None] * along, centres + high[:, None] * along


def _whole(arcs: Array) -> NDArray[np.bool_]:
    gap = np.linalg.norm(arcs[:, 0] - arcs[:, 2], axis=1)
    whole: NDArray[np.bool_] = gap < 1e-6 * np.linalg.norm(arcs[:, 0] - arcs[:, 1], axis=1)
    return whole


def flat_circle(
    centre: Point, axis: Point, lean: float, radius: float, arc: tuple[Point, Point, Point]
) -> tuple[Circle | Ellipse, Interval]:
    """Carrier and stretch of a circle or arc that is not seen edge-on.

    All points lie on the view plane, `axis` is the circle's axis as seen there, `lean` the cosine between it and the
    line of sight; `arc` are start, middle and end, a whole circle starts where it ends.
    """
    carrier: Circle | Ellipse
    if abs(lean) > _FACING:
        carrier = Circle(*centre, radius)
    else:
        # The major axis lies square to the axis of the circle.
        carrier = Ellipse(*centre, radius, radius * abs(lean), math.atan2(axis[0], -axis[1]) % math.pi)
    start, middle, end = arc
    closed = math.dist(start, end) < 1e-6 * math.dist(start, middle)
    angles = (carrier.parameter(start), carrier.parameter(middle), carrier.parameter(end))
    return carrier, arc_interval(*angles, closed)
