"""What a dimension on paper measures on the part."""

import math
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Final

from maqueta.geometry.carrier import Point
from maqueta.geometry.directions import AXES, Axis, along_axis, side_along, square, vector
from maqueta.projection.axes_seen import centre_seen
from maqueta.projection.look import Look
from maqueta.sheet.dimension import (
    AngleDimension,
    ChamferDimension,
    Dimension,
    LinearDimension,
    RoundDimension,
    span_of,
    taken_across,
)
from maqueta.sheet.placed import PlacedView
from maqueta.sizes.alike import said_of_alike
from maqueta.sizes.callout import said_beside
from maqueta.sizes.determinacy import Equation
from maqueta.sizes.form.equations import Row, less, times
from maqueta.sizes.pitch_circles import pitch_circle_at, pitch_rows
from maqueta.sizes.sighted import PICK_TOLERANCE, Rounding, Sighted
from maqueta.sizes.text import read_text
from maqueta.solid.part import Feature, Part

#: Across the sheet, and up it.
_LEVEL: Final[tuple[Point, Point]] = ((1.0, 0.0), (0.0, 1.0))


@dataclass(frozen=True, slots=True)
class Measured:
    """A dimension and its equations; none when it touches nothing of the part.

    `axis` is the direction of a linear one that runs along a model axis.
    """

    dimension: Dimension
    equations: tuple[Equation, ...]
    axis: Axis | None


def measure(sighted: Sighted, dimension: Dimension) -> Measured:
    """Tie a dimension of a principal view to the unknown sizes of the part."""
    match dimension:
        case RoundDimension():
            return _round(sighted, dimension)
        case LinearDimension():
            return replace(_linear(sighted, taken_across(dimension)), dimension=dimension)
        case AngleDimension():
            return _angle(sighted, dimension)
        case ChamferDimension():
            return _chamfer(sighted, dimension)


def _linear(sighted: Sighted, dimension: LinearDimension) -> Measured:
    part = sighted.part
    tolerance = PICK_TOLERANCE * part.size
    span = span_of(dimension)
    length = math.hypot(*span)
    if length <= tolerance:
        return Measured(dimension, (), None)
    along = (span[0] / length, span[1] / length)
    starts, ends = (sighted.coordinates(point, along) for point in (dimension.start, dimension.end))
    said = [row for start in starts for end in ends if (row := less(end, start))]
    if not starts or not ends:
        return Measured(dimension, (), None)
    # Across or up to within the tolerance is meant to be so.
    level = next((k for k in (0, 1) if abs(along[1 - k]) * length <= tolerance), None)
    reach = along if level is None else _LEVEL[level]
    way = sighted.look.way(reach)
    axis, overall = along_axis(way), False
    if axis is not None:
        axis_index = AXES.index(axis)
        sign = math.copysign(1.0, way[axis_index])
        low, high = sorted(sign * _along(point, reach) for point in (dimension.start, dimension.end))
        overall = abs(low - part.low[axis_index]) <= tolerance and abs(high - part.high[axis_index]) <= tolerance
    equations = [Equation(dimension.id, said[0] if said else {}, overall, tuple(said[1:]))]
    if dimension.text is not None:
        written = read_text(dimension.text)
        beside: list[Row] = []
        if written.slope is not None:
            beside += _other_leg(sighted, dimension, along, written.slope)
        if axis is not None:
            beside += said_of_alike(sighted, said[0] if said else {}, axis, written)
        equations += [Equation(dimension.id, row, customary=True) for row in beside]
    return Measured(dimension, tuple(equations), axis)


def _other_leg(sighted: Sighted, dimension: LinearDimension, along: Point, slope: float) -> Iterator[Row]:
    """A chamfer written along one of its legs ("2 × 45°") gives the other leg as well."""
    size, across = sighted.form.size, (-along[1], along[0])
    levels = [(p[0] * along[0] + p[1] * along[1]) / size for p in (dimension.start, dimension.end)]
    rise = abs(levels[1] - levels[0]) * math.tan(math.radians(slope))
    first, second = (
        [s for s in sighted.spots if abs(_along(s.at, along) - level) <= PICK_TOLERANCE] for level in levels
    )
    for one in first:
        for other in second:
            if abs(abs(_along(other.at, across) - _along(one.at, across)) - rise) <= PICK_TOLERANCE:
                way = across[0] * sighted.right + across[1] * sighted.up
                yield less(other.change.along(way), one.change.along(way))
                return


def _along(point: Point, way: Point) -> float:
    return point[0] * way[0] + point[1] * way[1]


def _angle(sighted: Sighted, dimension: AngleDimension) -> Measured:
    turns = [sighted.turn(dimension.vertex, point) for point in (dimension.start, dimension.end)]
    if turns[0] is None or turns[1] is None:
        return Measured(dimension, (), None)
    return Measured(dimension, (Equation(dimension.id, less(turns[1], turns[0])),), None)


def _chamfer(sighted: Sighted, dimension: ChamferDimension) -> Measured:
    """Both legs: leg and angle together say the same. A count says it of all alike ones the view shows as edges."""
    ends = [(dimension.start, dimension.end)]
    alike = [bevel for bevel in sighted.bevels if _legs(*bevel) == _legs(*ends[0])]
    if dimension.count > 1 and len(alike) == dimension.count:
        ends = alike
    equations = []
    for start, end in ends:
        for along in ((1.0, 0.0), (0.0, 1.0)):
            first, last = sighted.coordinates(start, along), sighted.coordinates(end, along)
            if first and last:
                # Corners are meant here, not what else is in line with them.
                leg = less(last[-1], first[-1])
                equations.append(Equation(dimension.id, leg, customary=along[1] == 1.0))
    return Measured(dimension, tuple(equations), None)


def _legs(start: Point, end: Point) -> tuple[float, ...]:
    return tuple(sorted(round(abs(b - a), 6) for a, b in zip(start, end, strict=True)))


def _round(sighted: Sighted, dimension: RoundDimension) -> Measured:
    """A diameter or radius, and what else the text says: depth ("⌀8 ↧12"), counterbore, countersink."""
    size = sighted.form.size
    at, radius = (dimension.centre[0] / size, dimension.centre[1] / size), dimension.radius / size
    alike = [rounding for rounding in sighted.roundings if abs(rounding.value - radius) <= PICK_TOLERANCE]
    named = [rounding for rounding in alike if math.dist(rounding.at, at) <= PICK_TOLERANCE]
    if not named:
        return _pitch(sighted, dimension)
    factor = 2.0 if dimension.kind == "diameter" else 1.0
    # What is drawn on the same circle is meant as well; what is merely equal, only where a count says so.
    meant = tuple(times(rounding.row, factor) for rounding in named)
    equations = [Equation(dimension.id, meant[0], others=meant[1:])]
    covered = named
    if dimension.count > 1:
        equal = equal_ones(sighted, named[0])
        if len(equal) + 1 == dimension.count:
            covered = named + [rounding for place in equal for rounding in place]
            for place in equal:
                first, *rest = (times(rounding.row, factor) for rounding in place)
                equations.append(Equation(dimension.id, first, others=tuple(rest), counted=True))
    if dimension.text is not None:
        written = read_text(dimension.text)
        for rounding in covered:
            beside = said_beside(sighted, rounding, written)
            equations += [Equation(dimension.id, said.row, others=said.others, customary=True) for said in beside]
    return Measured(dimension, tuple(equations), None)


def equal_ones(sighted: Sighted, rounding: Rounding) -> list[list[Rounding]]:
    """Others in the same view that are of one kind and as large: what a count speaks of as well.

    One list for each circle or arc drawn elsewhere, since several may lie behind one another.
    """
    found: list[list[Rounding]] = []
    for other in sighted.roundings:
        if abs(other.value - rounding.value) > PICK_TOLERANCE or other.kind != rounding.kind:
            continue
        if other.full != rounding.full or math.dist(other.at, rounding.at) <= PICK_TOLERANCE:
            continue
        known = next((place for place in found if math.dist(place[0].at, other.at) <= PICK_TOLERANCE), None)
        if known is None:
            found.append([other])
        else:
            known.append(other)
    return found


def _pitch(sighted: Sighted, dimension: RoundDimension) -> Measured:
    """The circle through the centres of holes: one size, and the places of all of them, which are customary with it."""
    circle = pitch_circle_at(sighted, dimension.centre, dimension.radius)
    if circle is None:
        return Measured(dimension, (), None)
    first, *others = pitch_rows(sighted, circle)
    factor = 2.0 if dimension.kind == "diameter" else 1.0
    equations = [Equation(dimension.id, times(first, factor))]
    equations += [Equation(dimension.id, row, customary=True) for row in others if row]
    return Measured(dimension, tuple(equations), None)


def round_features(part: Part, look: Look, dimension: RoundDimension) -> list[Feature]:
    """The features of the part whose circle a dimension stands at."""
    tolerance = PICK_TOLERANCE * part.size
    return [
        f
        for f in part.features
        if look.shows_point(f.axis)
        and abs(f.diameter / 2 - dimension.radius) <= tolerance
        and math.dist(centre_seen(f, look), dimension.centre) <= tolerance
    ]


def overall_along(part: Part, measured: Sequence[Measured], axis: Axis, views: Mapping[str, PlacedView]) -> bool:
    """Whether the overall size along an axis is written: between the outermost points, or as the diameter there."""
    tolerance = PICK_TOLERANCE * part.size
    axis_index = AXES.index(axis)
    for item in measured:
        if item.axis == axis and item.equations and item.equations[0].overall:
            return True
        dimension = item.dimension
        if isinstance(dimension, RoundDimension) and item.equations:
            look, way = views[dimension.view].orthographic, vector(side_along(axis))
            if look is None or not square(look.towards, way):
                continue
            centre = _along(dimension.centre, look.seen(way))
            if (
                abs(centre - dimension.radius - part.low[axis_index]) <= tolerance
                and abs(centre + dimension.radius - part.high[axis_index]) <= tolerance
            ):
                return True
    return False


def blunt(part: Part, axis: Axis) -> bool:
    """Whether a part ends in flat faces square to an axis at both ends, so that its overall size is always written.

    Where it ends in a rounding or runs out in a slope, the overall size may follow from others.
    """
    axis_index = AXES.index(axis)
    tolerance = PICK_TOLERANCE * part.size
    flat = [f.point[axis_index] for f in part.faces if f.kind == "plane" and along_axis(f.direction) == axis]
    return all(
        any(abs(value - end) <= tolerance for value in flat) for end in (part.low[axis_index], part.high[axis_index])
    )
