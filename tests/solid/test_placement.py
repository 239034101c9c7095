"""Parts put against each other: faces meet, axes fall together, nothing is turned further than needed."""

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.spatial.transform import Rotation

from maqueta.geometry.directions import Vector
from maqueta.geometry.frame import dot, unit, way_between
from maqueta.solid.part import Face, FaceKind
from maqueta.solid.placement import Placement, UnfitError, laid_against, on_axis
from tests.parts import hole, made

COORDINATE = st.floats(-50, 50)
VECTORS = st.tuples(COORDINATE, COORDINATE, COORDINATE)
DIRECTIONS = VECTORS.filter(lambda v: math.hypot(*v) > 1).map(unit)
TURNS = st.builds(
    lambda axis, angle, at: Placement().turned((1.0, 2.0, 3.0), axis, angle).moved(at),
    DIRECTIONS,
    st.floats(-180, 180),
    VECTORS,
)


def face(kind: FaceKind, point: Vector, direction: Vector) -> Face:
    return Face(kind, point, direction, 5.0, 1.0, False, math.tau, (0.0, 1.0), ())


def flat(point: Vector, direction: Vector) -> Face:
    return face("plane", point, direction)


def angle_between(one: Placement, other: Placement) -> float:
    """By a general library."""
    first, second = Rotation.from_matrix(np.array(one.axes).T), Rotation.from_matrix(np.array(other.axes).T)
    return float((first.inv() * second).magnitude())


@given(TURNS, DIRECTIONS, st.floats(-180, 180), VECTORS, VECTORS)
def test_turning_is_what_a_general_library_says(
    start: Placement, axis: Vector, degrees: float, about: Vector, point: Vector
) -> None:
    turned = start.turned(about, axis, degrees).point(point)
    rotation = Rotation.from_rotvec(math.radians(degrees) * np.array(axis))
    expected = rotation.apply(np.array(start.point(point)) - about) + about
    assert turned == pytest.approx(tuple(expected), abs=1e-9)


@pytest.mark.parametrize("axis", [(1.0, 0.0, 0.0), (0.0, 1.0, 0.0), (0.0, 0.0, 1.0)])
def test_four_quarter_turns_leave_no_dust(axis: Vector) -> None:
    start = Placement(at=(12.0, 7.5, 3.0))
    placed = start
    for _ in range(4):
        placed = placed.turned((10.0, 5.0, 5.0), axis, 90)
        assert all(abs(x) in (0.0, 1.0) for row in placed.axes for x in row)
    assert placed == start


@given(TURNS, DIRECTIONS, VECTORS, TURNS, DIRECTIONS, VECTORS, st.booleans())
def test_flat_faces_meet_in_one_plane(
    moved: Placement, own: Vector, at: Vector, onto: Placement, other: Vector, there: Vector, flush: bool
) -> None:
    mine, theirs = flat(at, own), flat(there, other)
    placed = laid_against(moved, mine, onto, theirs, flush=flush)
    normal = onto.direction(theirs.direction)
    assert dot(placed.direction(own), normal) == pytest.approx(1.0 if flush else -1.0, abs=1e-9)
    assert dot(way_between(placed.point(at), onto.point(there)), normal) == pytest.approx(0.0, abs=1e-7)
    assert placed.is_rigid
    # By no more than the normals have to turn.
    needed = math.acos(max(-1.0, min(1.0, dot(moved.direction(own), normal) * (1 if flush else -1))))
    assert angle_between(moved, placed) == pytest.approx(needed, abs=1e-6)
    # And what lies there already stays.
    again = laid_against(placed, mine, onto, theirs, flush=flush)
    assert again.point(at) == pytest.approx(placed.point(at), abs=1e-6)


@given(TURNS, DIRECTIONS, VECTORS, TURNS, DIRECTIONS, VECTORS)
def test_axes_fall_together(
    moved: Placement, own: Vector, at: Vector, onto: Placement, other: Vector, there: Vector
) -> None:
    placed = on_axis(moved, face("cylinder", at, own), onto, face("cone", there, other))
    axis = onto.direction(other)
    assert abs(dot(placed.direction(own), axis)) == pytest.approx(1.0, abs=1e-9)
    way = way_between(onto.point(there), placed.point(at))
    along = dot(way, axis)
    assert math.dist(way, tuple(along * x for x in axis)) == pytest.approx(0.0, abs=1e-7)
    assert angle_between(moved, placed) <= math.pi / 2 + 1e-9


def test_half_a_turn_leaves_a_part_on_its_feet() -> None:
    """Two faces that look the same way sideways: it is turned round, not over."""
    placed = laid_against(Placement(), flat((0, 0, 0), (1, 0, 0)), Placement(), flat((9, 0, 0), (1, 0, 0)))
    assert placed.axes == ((-1.0, 0.0, 0.0), (0.0, -1.0, 0.0), (0.0, 0.0, 1.0))
    # Looking up, it has to be turned over.
    over = laid_against(Placement(), flat((0, 0, 0), (0, 0, 1)), Placement(), flat((0, 0, 9), (0, 0, 1)))
    assert over.direction((0, 0, 1)) == (0.0, 0.0, -1.0)


def test_balls_are_laid_centre_on_centre() -> None:
    ball, other = face("sphere", (1, 2, 3), (0, 0, 1)), face("sphere", (4, 4, 4), (0, 0, 1))
    assert on_axis(Placement(), ball, Placement(at=(1, 0, 0)), other).point((1, 2, 3)) == (5.0, 4.0, 4.0)


def test_a_round_face_lies_against_none_and_a_flat_one_has_no_axis() -> None:
    _, part = made({"kind": "block", "size": (20, 20, 10), "at": (0, 0, 0)}, hole((10, 10, 10), "-z", 6))
    bore = next(own for own in part.faces if own.kind == "cylinder")
    side = next(own for own in part.faces if own.kind == "plane")
    with pytest.raises(UnfitError, match="two flat faces"):
        laid_against(Placement(), bore, Placement(), side)
    with pytest.raises(UnfitError, match="on one axis"):
        on_axis(Placement(), side, Placement(), bore)
