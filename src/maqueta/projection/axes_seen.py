"""Where axes and features of a part are seen in a look."""

from maqueta.geometry.carrier import Point
from maqueta.geometry.directions import AXES, Axis, Side, Vector, axis_of
from maqueta.projection.look import Look
from maqueta.solid.features import across, feature_reach
from maqueta.solid.part import Feature, Part


def axis_and_sign(side: Side) -> tuple[Axis, float]:
    """The model axis of a direction, and whether it runs with it (1) or against it (−1)."""
    return axis_of(side), -1.0 if side[0] == "-" else 1.0


def _on_axis(feature: Feature, along: float) -> Vector:
    """A point of a feature's axis, by its coordinate along it."""
    first, second = across(feature.axis)
    spot = {feature.axis: along, first: feature.at[0], second: feature.at[1]}
    x, y, z = (spot[axis] for axis in AXES)
    return (x, y, z)


def centre_seen(feature: Feature, look: Look) -> Point:
    """Where the axis of a feature is seen as a point, in the plane of a view along it."""
    return look.seen(_on_axis(feature, 0.0))


def feature_axis(part: Part, feature: Feature, look: Look) -> tuple[Point, Point]:
    """The axis of a feature seen from the side: its two ends in the view's plane."""
    first, last = (look.seen(_on_axis(feature, along)) for along in feature_reach(part, feature))
    return first, last
