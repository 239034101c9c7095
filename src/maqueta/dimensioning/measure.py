"""What a dimension on paper measures on the part."""

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from maqueta.dimensioning.determinacy import Equation
from maqueta.dimensioning.size_model import Bore, Row, SizeModel
from maqueta.dimensioning.text import read_text
from maqueta.projection.attitude import Attitude, Side
from maqueta.projection.carrier import Circle, Point
from maqueta.sheet.document import Dimension, LinearDimension, RoundDimension
from maqueta.sheet.placed import PlacedView
from maqueta.solid.features import across
from maqueta.solid.part import AXES, Axis, Feature, Part

#: How near (relative to the part's size) a picked point must lie to what it measures.
PICK_TOLERANCE = 1e-4


def axis_and_sign(side: Side) -> tuple[Axis, float]:
    """The model axis of a direction, and whether it runs with it (1) or against it (−1)."""
    axis: Axis = AXES["xyz".index(side[1])]
    return axis, -1.0 if side[0] == "-" else 1.0


def span_of(dimension: LinearDimension) -> Point:
    """The measured vector in the view's plane: only its component along the dimension line counts."""
    du, dv = dimension.end[0] - dimension.start[0], dimension.end[1] - dimension.start[1]
    if dimension.along == "across":
        return (du, 0.0)
    return (0.0, dv) if dimension.along == "up" else (du, dv)


def true_size(dimension: Dimension) -> float:
    """The size a dimension stands for, in the part's unit."""
    if isinstance(dimension, LinearDimension):
        return math.hypot(*span_of(dimension))
    return dimension.radius * (2 if dimension.kind == "diameter" else 1)


@dataclass(frozen=True, slots=True)
class Measured:
    """A dimension and its equations; none when it touches nothing of the part.

    `axis` is the direction of a linear one that runs along a model axis.
    """

    dimension: Dimension
    equations: tuple[Equation, ...]
    axis: Axis | None


def measure(model: SizeModel, part: Part, placed: PlacedView, dimension: Dimension) -> Measured:
    """Tie a dimension of a principal view to the unknown sizes of the part."""
    attitude = placed.view.attitude
    assert attitude is not None, "dimensions on a pictorial view measure nothing"
    if isinstance(dimension, RoundDimension):
        return _round(model, part, attitude, dimension)
    return _linear(model, part, attitude, dimension)


def _linear(model: SizeModel, part: Part, attitude: Attitude, dimension: LinearDimension) -> Measured:
    tolerance = PICK_TOLERANCE * model.size
    span = span_of(dimension)
    length = math.hypot(*span)
    if length <= tolerance:
        return Measured(dimension, (), None)
    row: Row = {}
    axes: list[Axis] = []
    overall = True
    for side, component, low, high in (
        (attitude.right, span[0], dimension.start[0], dimension.end[0]),
        (attitude.up, span[1], dimension.start[1], dimension.end[1]),
    ):
        if abs(component) <= tolerance:
            continue
        axis, sign = axis_and_sign(side)
        axes.append(axis)
        for value, weight in ((low, -1.0), (high, 1.0)):
            expression = model.expression(axis, sign * value, tolerance)
            if expression is None:
                return Measured(dimension, (), None)
            for index, amount in expression.items():
                row[index] = row.get(index, 0.0) + weight * sign * amount * component / length
        place = AXES.index(axis)
        reach = sorted((sign * low, sign * high))
        overall = (
            overall and abs(reach[0] - part.low[place]) <= tolerance and abs(reach[1] - part.high[place]) <= tolerance
        )
    row = {index: amount for index, amount in row.items() if abs(amount) > 1e-12}
    axis_or_none = axes[0] if len(axes) == 1 else None
    return Measured(dimension, (Equation(dimension.id, row, overall and len(axes) == 1),), axis_or_none)


def _round(model: SizeModel, part: Part, attitude: Attitude, dimension: RoundDimension) -> Measured:
    """A diameter or radius, and the depth where the text says one ("⌀8 ↧12")."""
    tolerance = PICK_TOLERANCE * model.size
    axis, _ = axis_and_sign(attitude.side)
    named: list[Bore] = []
    equal: list[Bore] = []
    for bore in model.bores:
        if bore.axis != axis or abs(bore.radius - dimension.radius) > tolerance:
            continue
        centre = centre_in_view(bore.centre, bore.axis, attitude)
        if math.dist(centre, dimension.centre) <= tolerance:
            named.append(bore)
        elif bore.full:
            equal.append(bore)
    covered = named
    if dimension.count > 1 and named and len(equal) + 1 == dimension.count:
        covered = named + equal
    factor = 2.0 if dimension.kind == "diameter" else 1.0
    equations = [Equation(dimension.id, {bore.radius_unknown: factor}) for bore in covered]
    if dimension.text is not None and read_text(dimension.text).depth is not None:
        for bore in covered:
            equations += [Equation(dimension.id, row) for row in _depths(model, part, bore, tolerance)]
    return Measured(dimension, tuple(equations), None)


def blind_holes(part: Part, faces: Sequence[int]) -> list[Feature]:
    """The holes with a bottom among features that have one of some faces."""
    return [f for f in part.features if f.kind == "hole" and not f.through and set(f.faces) & set(faces)]


def _depths(model: SizeModel, part: Part, bore: Bore, tolerance: float) -> Iterator[Row]:
    """From the mouth to the bottom of the blind holes of a bore."""
    for feature in blind_holes(part, bore.faces):
        low, high = feature_reach(part, feature)
        bottom, mouth = (model.expression(bore.axis, value, tolerance) for value in (low, high))
        if bottom and mouth and bottom.keys() != mouth.keys():
            yield {**{index: -amount for index, amount in bottom.items()}, **mouth}


def round_features(part: Part, attitude: Attitude, dimension: RoundDimension) -> list[Feature]:
    """The features of the part whose circle a dimension stands at."""
    axis, _ = axis_and_sign(attitude.side)
    tolerance = PICK_TOLERANCE * part.size
    return [
        f
        for f in part.features
        if f.axis == axis
        and abs(f.diameter / 2 - dimension.radius) <= tolerance
        and math.dist(centre_in_view(f.at, f.axis, attitude), dimension.centre) <= tolerance
    ]


def centre_in_view(centre: tuple[float, float], axis: Axis, attitude: Attitude) -> Point:
    """Where an axis along the line of sight is seen: its two coordinates in the plane of a view."""
    spot: dict[Axis, float] = dict(zip([a for a in AXES if a != axis], centre, strict=True))
    right, right_sign = axis_and_sign(attitude.right)
    up, up_sign = axis_and_sign(attitude.up)
    return (right_sign * spot[right], up_sign * spot[up])


def feature_reach(part: Part, feature: Feature) -> tuple[float, float]:
    """From where to where a feature reaches along its axis, in model coordinates, lower end first."""
    face = part.faces[feature.faces[0]]
    place = AXES.index(feature.axis)
    sense = 1.0 if face.direction[place] > 0 else -1.0
    first, last = (face.point[place] + sense * reach for reach in face.reach)
    return min(first, last), max(first, last)


def feature_axis(part: Part, feature: Feature, attitude: Attitude) -> tuple[Point, Point]:
    """The axis of a feature seen from the side: its two ends in the view's plane."""
    ends = feature_reach(part, feature)
    first, second = across(feature.axis)
    points = []
    for along in ends:
        spot = {feature.axis: along, first: feature.at[0], second: feature.at[1]}
        right, right_sign = axis_and_sign(attitude.right)
        up, up_sign = axis_and_sign(attitude.up)
        points.append((right_sign * spot[right], up_sign * spot[up]))
    return points[0], points[1]


def overall_along(
    part: Part, model: SizeModel, measured: Sequence[Measured], axis: Axis, views: dict[str, PlacedView]
) -> bool:
    """Whether the overall size along an axis is written: between the outermost points, or as the diameter there."""
    tolerance = PICK_TOLERANCE * model.size
    place = AXES.index(axis)
    for item in measured:
        if item.axis == axis and item.equations and item.equations[0].overall:
            return True
        dimension = item.dimension
        if isinstance(dimension, RoundDimension) and item.equations:
            attitude = views[dimension.view].view.attitude
            if attitude is None or attitude.side[1] == axis:
                continue
            index = 0 if attitude.right[1] == axis else 1
            _, sign = axis_and_sign(attitude.right if index == 0 else attitude.up)
            centre = sign * dimension.centre[index]
            if (
                abs(centre - dimension.radius - part.low[place]) <= tolerance
                and abs(centre + dimension.radius - part.high[place]) <= tolerance
            ):
                return True
    return False


def rounded_off(part: Part, model: SizeModel, axis: Axis) -> bool:
    """Whether the part ends in a rounding along an axis, so that its overall size follows and is not written."""
    place = AXES.index(axis)
    ends = {u.value for u in model.unknowns if u.kind == "level" and u.axis == axis and _has_plane(part, u.faces, axis)}
    tolerance = PICK_TOLERANCE * model.size
    return not all(any(abs(value - end) <= tolerance for value in ends) for end in (part.low[place], part.high[place]))


def _has_plane(part: Part, faces: Sequence[int], axis: Axis) -> bool:
    return any(part.faces[f].kind == "plane" and abs(part.faces[f].direction[AXES.index(axis)]) > 0.5 for f in faces)


def visible_at(placed: PlacedView, point: Point, kind: str) -> bool:
    """Whether a drawn line of a kind ("visible" or "hidden") touches a point of the view, or is centred there."""
    tolerance = PICK_TOLERANCE * max(1e-9, _span(placed))
    for piece in placed.lines.pieces:
        if piece.kind != kind:
            continue
        if isinstance(piece.carrier, Circle) and math.dist((piece.carrier.x, piece.carrier.y), point) <= tolerance:
            return True
        t = piece.carrier.parameter(point)
        for turn in (0.0, 2 * math.pi):
            low, high = piece.interval
            near = min(max(t + turn, low), high)
            if math.dist(piece.carrier.point(near), point) <= tolerance:
                return True
    return False


def _span(placed: PlacedView) -> float:
    left, bottom, right, top = placed.lines.box
    return max(right - left, top - bottom)
