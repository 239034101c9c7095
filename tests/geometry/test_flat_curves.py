"""Lines and circles on the view plane, against points taken densely along them in space."""

import math

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from maqueta.geometry.carrier import Ellipse, Point, line_through
from maqueta.geometry.flat_curves import Array, edge_on_ends, flat_circle, flat_lines
from maqueta.geometry.likeness import alike, likeness_of
from maqueta.projection.attitude import ATTITUDES, Attitude
from tests.parts import demo_projected

coordinate = st.floats(-100, 100).map(lambda x: round(x, 3))
point = st.tuples(coordinate, coordinate)


def arc_points(centre: Array, axis: Array, radius: float, start: float, sweep: float, count: int) -> Array:
    """Points of an arc in space, evenly from its start to its end."""
    first = np.cross(axis, [1.0, 0.0, 0.0] if abs(axis[0]) < 0.9 else [0.0, 1.0, 0.0])
    first /= np.linalg.norm(first)
    angles = start + np.linspace(0, sweep, count)[:, None]
    points: Array = centre + radius * (np.cos(angles) * first + np.sin(angles) * np.cross(axis, first))
    return points


@settings(max_examples=200)
@given(start=point, end=point)
def test_many_lines_at_once_are_the_lines_taken_one_by_one(start: Point, end: Point) -> None:
    [found] = flat_lines(np.array([start]), np.array([end]), 1e-6)
    if math.dist(start, end) <= 1e-6:
        assert found is None
        return
    assert found is not None
    (line, interval), (expected, stretch) = found, line_through(start, end)
    assert (line.angle, line.offset) == pytest.approx((expected.angle, expected.offset), abs=1e-9)
    assert interval == pytest.approx(stretch, abs=1e-9)


@settings(max_examples=200)
@given(
    attitude=st.sampled_from(ATTITUDES),
    turn=st.floats(0, 2 * math.pi),
    radius=st.floats(0.5, 50),
    start=st.floats(0, 2 * math.pi),
    sweep=st.floats(0.05, 2 * math.pi - 0.05) | st.just(2 * math.pi),
)
def test_arc_seen_edge_on_reaches_as_far_as_its_points(
    attitude: Attitude, turn: float, radius: float, start: float, sweep: float
) -> None:
    frame = np.array(attitude.look.frame)
    # An axis square to the line of sight, anywhere in the view plane.
    axis = math.cos(turn) * frame[0] + math.sin(turn) * frame[1]
    centre = np.array([3.0, -7.0, 11.0])
    dense = arc_points(centre, axis, radius, start, sweep, 2001)
    arcs = dense[[0, 1000, 2000]][None]
    low, high = edge_on_ends(centre[None], axis[None], np.array([radius]), arcs, frame[2])
    along = np.cross(frame[2], axis)
    reached = dense @ along
    assert (low[0] @ along, high[0] @ along) == pytest.approx((reached.min(), reached.max()), abs=1e-5 * radius)


@settings(max_examples=100)
@given(lean=st.floats(0.02, 0.98), start=st.floats(0, 2 * math.pi), sweep=st.floats(0.1, 2 * math.pi - 0.1))
def test_leaning_arc_is_a_stretch_of_an_ellipse_through_its_points(lean: float, start: float, sweep: float) -> None:
    axis = np.array([0.0, math.sqrt(1 - lean**2), lean])
    dense = arc_points(np.array([5.0, 6.0, 7.0]), axis, 20.0, start, sweep, 41)
    ends: tuple[Point, Point, Point] = tuple(map(tuple, dense[[0, 20, 40], :2]))  # type: ignore[assignment]
    carrier, (first, last) = flat_circle((5.0, 6.0), (axis[0], axis[1]), lean, 20.0, ends)
    assert isinstance(carrier, Ellipse)
    assert (carrier.major, carrier.minor) == pytest.approx((20.0, 20.0 * lean))
    for x, y, _ in dense:
        t = carrier.parameter((x, y))
        assert math.dist(carrier.point(t), (x, y)) < 1e-6
        assert (t - first) % (2 * math.pi) <= last - first + 1e-6 or (first - t) % (2 * math.pi) < 1e-6


@pytest.mark.parametrize("slug", ["reed-clamp", "warp-beam-bearing", "ratchet-pawl"])
def test_turned_look_is_the_look_of_the_turned_view(slug: str) -> None:
    view = demo_projected(slug)
    for attitude in ATTITUDES:
        for turn in range(4):
            turned = likeness_of(view.line_set(attitude.look)).turned(turn)
            assert alike(turned, likeness_of(view.line_set(attitude.turned(turn).look)), 1e-6)
