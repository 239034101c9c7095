"""Where axes and features of a part are seen in a view."""

from maqueta.projection.attitude import Attitude, Side
from maqueta.projection.carrier import Point
from maqueta.solid.features import across, feature_reach
from maqueta.solid.part import AXES, Axis, Feature, Part


def axis_and_sign(side: Side) -> tuple[Axis, float]:
    """The model axis of a direction, and whether it runs with it (1) or against it (−1)."""
    axis: Axis = AXES["xyz".index(side[1])]
    return axis, -1.0 if side[0] == "-" else 1.0


def centre_in_view(centre: tuple[float, float], axis: Axis, attitude: Attitude) -> Point:
    """Where an axis along the line of sight is seen: its two coordinates in the plane of a view."""
    spot: dict[Axis, float] = dict(zip([a for a in AXES if a != axis], centre, strict=True))
    right, right_sign = axis_and_sign(attitude.right)
    up, up_sign = axis_and_sign(attitude.up)
    return (right_sign * spot[right], up_sign * spot[up])


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
